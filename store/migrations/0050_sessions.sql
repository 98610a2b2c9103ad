-- A session is listed by its person, ended by them, and ends by itself when it is not used. Ten days: a phone may be a week
-- without signal and must still be heard when it is back.
alter table session
  add column id uuid not null default gen_random_uuid() unique,
  add column device text not null default '' check (length(device) <= 200),
  add column used_at timestamptz not null default clock_now();
grant update (used_at) on session to elmhorn_app;

create or replace function session_open(wanted bytea) returns table (person_id uuid, outfit_id uuid)
language plpgsql security definer set search_path = public, pg_temp volatile as $$
declare
  s session;
begin
  select x.* into s
  from session x
  join person p on p.id = x.person_id
  where x.token_hash = wanted and x.expires_at > clock_now() and x.used_at > clock_now() - interval '10 days' and p.active;
  if not found then
    return;
  end if;
  -- Once an hour is near enough, and a page costs no write.
  if s.used_at < clock_now() - interval '1 hour' then
    update session x set used_at = clock_now() where x.token_hash = wanted;
  end if;
  perform set_config('elmhorn.outfit', s.outfit_id::text, true), set_config('elmhorn.person', s.person_id::text, true);
  return query select s.person_id, s.outfit_id;
end $$;

-- Guessing is slowed by account and machine together. A machine as a whole is slowed for accounts that never came in from it:
-- one desk behind the office's address cannot shut out whoever works there.
create table sign_in_known (
  email text not null,
  machine text not null,
  at timestamptz not null default clock_now(),
  primary key (email, machine)
);
alter table sign_in_known enable row level security;

create or replace function sign_in_try(wanted text, from_machine text) returns boolean
language plpgsql security definer set search_path = public, pg_temp as $$
declare
  who text := left(lower(wanted), 200);
  place text := left(from_machine, 100);
  since timestamptz := clock_now() - interval '15 minutes';
begin
  perform pg_advisory_xact_lock(hashtextextended(place, 727202));
  delete from sign_in_attempt where at < clock_now() - interval '1 day';
  if (select count(*) from sign_in_attempt where email = who and machine = place and at > since) >= 8 then
    return false;
  end if;
  if not exists (
      select from sign_in_known k
      where k.email = who and k.machine = place and k.at > clock_now() - interval '90 days')
    and (select count(*) from sign_in_attempt where machine = place and at > since) >= 30
  then
    return false;
  end if;
  insert into sign_in_attempt (email, machine) values (who, place);
  return true;
end $$;

create or replace function sign_in_good(wanted text, from_machine text) returns void
language plpgsql security definer set search_path = public, pg_temp as $$
begin
  delete from sign_in_attempt where email = left(lower(wanted), 200) and machine = left(from_machine, 100);
  delete from sign_in_known where at < clock_now() - interval '90 days';
  insert into sign_in_known (email, machine) values (left(lower(wanted), 200), left(from_machine, 100))
  on conflict (email, machine) do update set at = excluded.at;
end $$;
