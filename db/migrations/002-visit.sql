-- A window that has a diagram open; the feed that serves it renews seen_at.
create table visit (
  id uuid primary key,
  diagram text not null references diagram on delete cascade,
  account uuid not null references account on delete cascade,
  seen_at timestamptz not null default now()
);
create index visit_diagram on visit (diagram);
