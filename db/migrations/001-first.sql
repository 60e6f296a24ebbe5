create extension if not exists pg_trgm;

create table account (
  id uuid primary key default gen_random_uuid(),
  email text not null unique check (email = lower(email)),
  name text not null,
  password_hash text not null,
  created_at timestamptz not null default now()
);

-- Only a hash of the cookie is kept.
create table session (
  token_hash text primary key,
  account uuid not null references account on delete cascade,
  created_at timestamptz not null default now(),
  expires_at timestamptz not null
);
create index session_expires on session (expires_at);

create table failed_sign_in (
  email text not null,
  at timestamptz not null default now()
);
create index failed_sign_in_email on failed_sign_in (email, at);

-- body: the current Diagram; summary_*: what the Desk shows, for the revision it was computed on.
create table diagram (
  id text primary key,
  owner uuid not null references account on delete cascade,
  kind text not null,
  title text not null,
  body json not null,
  revision integer not null default 0,
  entry_count integer not null,
  created_at timestamptz not null default now(),
  updated_at timestamptz not null default now(),
  updated_by uuid not null references account,
  binned_at timestamptz,
  summary_revision integer,
  summary_tiers integer,
  summary_findings integer
);
create index diagram_owner on diagram (owner, updated_at desc);

-- The append-only log: one gesture is one revision.
create table edit (
  diagram text not null references diagram on delete cascade,
  revision integer not null,
  gesture text not null,
  account uuid not null references account,
  commands json not null,
  made_at timestamptz not null default now(),
  primary key (diagram, revision),
  unique (diagram, gesture)
);

-- Every entry's text, for search.
create table entry_text (
  diagram text not null references diagram on delete cascade,
  entry text not null,
  name text not null,
  text text not null,
  primary key (diagram, entry)
);
create index entry_text_words on entry_text using gin (text gin_trgm_ops);
