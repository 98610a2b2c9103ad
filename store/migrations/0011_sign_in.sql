-- Guessing is slowed where it comes from, so that nobody can lock somebody else out; and a password can be set anew.
alter table sign_in_attempt drop column address;
alter table sign_in_attempt add column machine text not null default 'local';
create index sign_in_attempt_pair on sign_in_attempt (email, machine, at);
create index sign_in_attempt_machine on sign_in_attempt (machine, at);

drop function sign_in_throttled(text, text);
drop function sign_in_failed(text, text);
drop function sign_in_cleared(text);

-- Counts an attempt before it is judged, one at a time for each pair, so that many at once are still counted.
-- Eight for one address of one machine, thirty for one machine over all addresses, in fifteen minutes.
create function sign_in_try(wanted text, from_machine text) returns boolean
language plpgsql security definer set search_path = public, pg_temp as $$
declare
  who text := left(lower(wanted), 200);
  place text := left(from_machine, 100);
begin
  perform pg_advisory_xact_lock(hashtextextended(place, 727202));
  delete from sign_in_attempt where at < now() - interval '1 day';
  if (select count(*) from sign_in_attempt
      where email = who and machine = place and at > now() - interval '15 minutes') >= 8
    or (select count(*) from sign_in_attempt
        where machine = place and at > now() - interval '15 minutes') >= 30
  then
    return false;
  end if;
  insert into sign_in_attempt (email, machine) values (who, place);
  return true;
end $$;

create function sign_in_good(wanted text, from_machine text) returns void
language sql security definer set search_path = public, pg_temp as
$$ delete from sign_in_attempt where email = left(lower(wanted), 200) and machine = left(from_machine, 100) $$;

create table password_reset (
  token_hash bytea primary key,
  outfit_id uuid not null references outfit,
  person_id uuid not null,
  made_by uuid not null,
  expires_at timestamptz not null,
  used_at timestamptz,
  foreign key (outfit_id, person_id) references person (outfit_id, id),
  foreign key (outfit_id, made_by) references person (outfit_id, id)
);
create index password_reset_by_person on password_reset (outfit_id, person_id);
create index password_reset_by_maker on password_reset (outfit_id, made_by);
alter table password_reset enable row level security;
create policy own_outfit on password_reset to elmhorn_app
  using (outfit_id = (select outfit_now()))
  with check (outfit_id = (select outfit_now()));
grant select, insert, delete on password_reset to elmhorn_app;
grant update (used_at) on password_reset to elmhorn_app;

create function password_reset_lookup(wanted bytea)
returns table (person_id uuid, outfit_id uuid, name text, email text)
language sql security definer set search_path = public, pg_temp stable as
$$ select p.id, p.outfit_id, p.name, p.email
   from password_reset r join person p on p.id = r.person_id
   where r.token_hash = wanted and r.used_at is null and r.expires_at > now() and p.active $$;

revoke all on function sign_in_try, sign_in_good, password_reset_lookup from public;
grant execute on function sign_in_try, sign_in_good, password_reset_lookup to elmhorn_app;

-- No function of the owner can be fooled by a table of the same name in a session's own schema.
alter function sign_in_lookup(text) set search_path = public, pg_temp;
alter function session_lookup(bytea) set search_path = public, pg_temp;
alter function calendar_lookup(bytea) set search_path = public, pg_temp;
alter function schema_version() set search_path = public, pg_temp;
