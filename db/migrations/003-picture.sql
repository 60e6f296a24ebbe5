-- Pictures of entries, by the start of their SHA-256; each account keeps its own.
create table picture (
  owner uuid not null references account on delete cascade,
  id text not null,
  mime text not null,
  width integer not null,
  height integer not null,
  bytes bytea not null,
  brought_at timestamptz not null default now(),
  primary key (owner, id)
);
