-- Outfits, people and sessions, and the walls between outfits.
-- elmhorn_app owns nothing: every row it sees passes a policy that compares with the transaction's own settings.
do $$ begin
  if not exists (select from pg_roles where rolname = 'elmhorn_app') then create role elmhorn_app login; end if;
end $$;
revoke all on schema public from public;
grant usage on schema public to elmhorn_app;
create collation if not exists natural_order (provider = icu, locale = 'en-u-kn-true');

create function outfit_now() returns uuid language sql stable parallel safe as
$$ select nullif(current_setting('elmhorn.outfit', true), '')::uuid $$;
create function person_now() returns uuid language sql stable parallel safe as
$$ select nullif(current_setting('elmhorn.person', true), '')::uuid $$;

create table outfit (
  id uuid primary key,
  name text not null check (length(name) between 1 and 120),
  region text not null default 'estuary',
  time_zone text not null default 'Europe/London',
  breast_height_cm numeric not null default 130 check (breast_height_cm between 100 and 200),
  crown_loss_school text not null default 'knowledge',
  created_at timestamptz not null default now()
);

create table person (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  name text not null check (length(name) between 1 and 120),
  email text not null check (email = lower(email) and email like '%_@_%'),
  password_hash text not null,
  role text not null check (role in ('owner', 'arborist', 'technician', 'office')),
  units text not null default 'metric' check (units in ('metric', 'us')),
  theme text not null default 'light' check (theme in ('light', 'daylight', 'night')),
  licence_number text,
  licence_categories text[] not null default '{}',
  licence_expires date,
  calendar_token_hash bytea unique,
  active boolean not null default true,
  created_at timestamptz not null default now(),
  unique (email),
  unique (outfit_id, id)
);
create index person_by_outfit on person (outfit_id, name, id);

create table session (
  token_hash bytea primary key,
  outfit_id uuid not null,
  person_id uuid not null,
  created_at timestamptz not null default now(),
  expires_at timestamptz not null,
  foreign key (outfit_id, person_id) references person (outfit_id, id)
);
create index session_by_person on session (outfit_id, person_id);

create table sign_in_attempt (
  id bigint generated always as identity primary key,
  email text not null,
  address text not null,
  at timestamptz not null default now()
);
create index sign_in_attempt_recent on sign_in_attempt (email, at);
create index sign_in_attempt_address on sign_in_attempt (address, at);

-- What must be asked before an outfit is known. These run as the owner, answer one question each, and nothing else.
create function sign_in_lookup(wanted text) returns table (person_id uuid, outfit_id uuid, password_hash text)
language sql security definer set search_path = public stable as
$$ select id, outfit_id, password_hash from person where email = lower(wanted) and active $$;

create function session_lookup(wanted bytea) returns table (person_id uuid, outfit_id uuid)
language sql security definer set search_path = public stable as
$$ select s.person_id, s.outfit_id from session s join person p on p.id = s.person_id
   where s.token_hash = wanted and s.expires_at > now() and p.active $$;

create function calendar_lookup(wanted bytea) returns table (person_id uuid, outfit_id uuid)
language sql security definer set search_path = public stable as
$$ select id, outfit_id from person where calendar_token_hash = wanted and active $$;

-- Counts failed attempts; eight for an address book entry or thirty from one machine in fifteen minutes are enough.
create function sign_in_throttled(wanted text, machine text) returns boolean
language sql security definer set search_path = public stable as
$$ select (select count(*) from sign_in_attempt where email = lower(wanted) and at > now() - interval '15 minutes') >= 8
       or (select count(*) from sign_in_attempt where address = machine and at > now() - interval '15 minutes') >= 30 $$;

create function sign_in_failed(wanted text, machine text) returns void
language sql security definer set search_path = public as
$$ insert into sign_in_attempt (email, address) values (left(lower(wanted), 200), left(machine, 100));
   delete from sign_in_attempt where at < now() - interval '1 day' $$;

create function sign_in_cleared(wanted text) returns void
language sql security definer set search_path = public as
$$ delete from sign_in_attempt where email = lower(wanted) $$;

revoke all on function sign_in_lookup, session_lookup, calendar_lookup, sign_in_throttled, sign_in_failed, sign_in_cleared from public;
grant execute on function sign_in_lookup, session_lookup, calendar_lookup, sign_in_throttled, sign_in_failed, sign_in_cleared to elmhorn_app;

create function schema_version() returns int language sql security definer set search_path = public stable as
$$ select coalesce(max(version), 0) from schema_migration $$;
grant execute on function schema_version to elmhorn_app;
