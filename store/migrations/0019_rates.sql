-- How often a person did what costs much, counted in windows of time; nothing is lost when it is emptied.
create unlogged table rate (
  outfit_id uuid not null references outfit,
  person_id uuid not null,
  what text not null check (length(what) between 1 and 40),
  began timestamptz not null,
  times int not null check (times > 0),
  primary key (outfit_id, person_id, what),
  foreign key (outfit_id, person_id) references person (outfit_id, id)
);
alter table rate enable row level security;
create policy own_outfit on rate to elmhorn_app
  using (outfit_id = (select outfit_now()))
  with check (outfit_id = (select outfit_now()));
grant select, insert, update on rate to elmhorn_app;

-- A server of the release before may go on beside this schema unless a later migration takes something away.
alter table schema_migration add column if not exists contracts boolean not null default false;
create function serves_code(code int) returns boolean language sql security definer stable
  set search_path = public, pg_temp as $$
    select coalesce(max(version), 0) >= code and not coalesce(bool_or(contracts and version > code), false)
    from schema_migration
  $$;
grant execute on function serves_code to elmhorn_app;
