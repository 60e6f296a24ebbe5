-- An organisation's looks, each with a number that grows with every change, so that diagrams tied to one can tell that it changed.
create table house_style (
  id text primary key,
  owner uuid not null references account on delete cascade,
  body jsonb not null,
  revision integer not null default 1,
  for_new boolean not null default false,
  changed_at timestamptz not null default now()
);
create index house_style_owner on house_style (owner);
-- One at most is taken for new diagrams.
create unique index house_style_for_new on house_style (owner) where for_new;
