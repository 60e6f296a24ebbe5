-- The log alone rebuilds a diagram: revision 0 holds the first body, and a body may stand at any later revision, from where edits go on.
-- inverse: what takes the gesture back; step: gestures of one step are undone together; manner: whether it was an undo or redo itself.
alter table edit
  add column body json,
  add column inverse json,
  add column step text,
  add column manner text not null default 'do' check (manner in ('do', 'undo', 'redo'));
insert into edit (diagram, revision, gesture, account, commands, made_at, body)
  select id, 0, 'first', owner, '[]', created_at, body from diagram where revision = 0;
update edit set body = diagram.body from diagram
  where edit.diagram = diagram.id and edit.revision = diagram.revision and diagram.revision > 0;
create index edit_body on edit (diagram, revision) where body is not null;

-- Gestures that were refused, so that the same answer is given when one is sent again.
create table refusal (
  diagram text not null references diagram on delete cascade,
  gesture text not null,
  reason text not null,
  at timestamptz not null default now(),
  primary key (diagram, gesture)
);

-- The thumbnail of the newest revision that was drawn; null where drawing failed, with the reason.
create table drawing (
  diagram text primary key references diagram on delete cascade,
  revision integer not null,
  svg text,
  problem text,
  made_at timestamptz not null default now()
);

-- Counts of tries, by rate-limiter-flexible.
create table rate_limit (
  key varchar(255) primary key,
  points integer not null default 0,
  expire bigint
);
drop table failed_sign_in;

-- Accounts of the demo scenario, whose passwords everybody knows.
alter table account add column demo boolean not null default false;
update account set demo = true where email in ('office@brackwater.example', 'teacher@brackwater.example');
