-- A calendar of one place, for its client: whoever knows the address reads it, nothing else.
create table place_calendar (
  outfit_id uuid not null,
  place_id uuid not null,
  token_hash bytea not null unique,
  at timestamptz not null default now(),
  by_person uuid not null,
  primary key (outfit_id, place_id),
  foreign key (outfit_id, place_id) references place (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id)
);
create index place_calendar_by_person on place_calendar (outfit_id, by_person);
alter table place_calendar enable row level security;
create policy own_outfit on place_calendar to elmhorn_app
  using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()));
grant select, insert, delete on place_calendar to elmhorn_app;
grant update (token_hash, at, by_person) on place_calendar to elmhorn_app;

-- Whose place an address opens: asked before an outfit is known, by the hash alone.
create function place_calendar_lookup(wanted bytea) returns table (outfit_id uuid, place_id uuid, person_id uuid)
language sql security definer set search_path = public, pg_temp stable as
$$ select outfit_id, place_id, by_person from place_calendar where token_hash = wanted $$;
revoke all on function place_calendar_lookup from public;
grant execute on function place_calendar_lookup to elmhorn_app;
