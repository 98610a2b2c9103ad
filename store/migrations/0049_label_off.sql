-- Labels that an outfit has taken off its shelf: nothing is planned with them any more; what was done by them stands. Whoever
-- enters one again, or puts it back, has it as it was.
create table label_off (
  outfit_id uuid not null references outfit (id),
  label_key text not null,
  at timestamptz not null default clock_now(),
  by_person uuid not null,
  primary key (outfit_id, label_key),
  foreign key (outfit_id, by_person) references person (outfit_id, id)
);
create index label_off_by_person on label_off (outfit_id, by_person);
alter table label_off enable row level security;
create policy own_outfit on label_off to elmhorn_app
  using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()));
grant select, insert, delete on label_off to elmhorn_app;
