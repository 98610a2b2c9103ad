-- What was performed under which id: the same content again is the same answer, other content is refused.
create table command_done (
  outfit_id uuid not null references outfit,
  id uuid not null,
  name text not null check (length(name) between 1 and 60),
  digest text not null check (length(digest) = 64),
  answer jsonb,
  person_id uuid not null,
  at timestamptz not null default now(),
  primary key (outfit_id, id),
  foreign key (outfit_id, person_id) references person (outfit_id, id)
);
create index command_done_by_person on command_done (outfit_id, person_id);

alter table command_done enable row level security;
create policy own_outfit on command_done to elmhorn_app
  using (outfit_id = (select outfit_now()))
  with check (outfit_id = (select outfit_now()));
grant select, insert on command_done to elmhorn_app;
grant update (answer) on command_done to elmhorn_app;
