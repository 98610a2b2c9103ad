-- Phones that hold rounds and write without signal. The key seals what waits on one; only this outfit's server can open it.
create table phone (
  id uuid not null,
  outfit_id uuid not null references outfit,
  person_id uuid not null,
  name text not null check (length(name) between 1 and 80),
  key bytea not null check (length(key) between 16 and 64),
  first_seen timestamptz not null default now(),
  last_seen timestamptz not null default now(),
  -- How far its clock was ahead of ours when it last spoke, in seconds.
  clock_off_s numeric not null default 0,
  -- What it said was waiting on it.
  waiting int not null default 0 check (waiting between 0 and 1000000),
  ended_at timestamptz,
  ended_by uuid,
  primary key (outfit_id, id),
  foreign key (outfit_id, person_id) references person (outfit_id, id),
  foreign key (outfit_id, ended_by) references person (outfit_id, id),
  check ((ended_at is null) = (ended_by is null))
);
create index phone_by_person on phone (outfit_id, person_id, last_seen desc);
create index phone_by_ender on phone (outfit_id, ended_by) where ended_by is not null;

-- Both times of what came from a phone: when it was done, and what the clock of the phone showed.
alter table command_done
  add column phone_id uuid,
  add column seen_at timestamptz,
  add column clock_at timestamptz,
  add foreign key (outfit_id, phone_id) references phone (outfit_id, id);
create index command_done_by_phone on command_done (outfit_id, phone_id) where phone_id is not null;

-- What came from a phone and was refused: it is kept here until somebody has settled it.
create table needs_look (
  id uuid not null,
  outfit_id uuid not null references outfit,
  phone_id uuid not null,
  -- Whoever did it, and is told of it.
  person_id uuid not null,
  verb text not null check (length(verb) between 1 and 60),
  what text not null check (length(what) between 1 and 300),
  input jsonb not null,
  faults jsonb not null,
  seen_at timestamptz not null,
  clock_at timestamptz not null,
  received_at timestamptz not null default now(),
  settled text check (settled in ('sent again', 'set aside')),
  settled_at timestamptz,
  settled_by uuid,
  words text not null default '' check (length(words) <= 600),
  primary key (outfit_id, id),
  foreign key (outfit_id, phone_id) references phone (outfit_id, id),
  foreign key (outfit_id, person_id) references person (outfit_id, id),
  foreign key (outfit_id, settled_by) references person (outfit_id, id),
  check ((settled is null) = (settled_at is null) and (settled is null) = (settled_by is null))
);
create index needs_look_open on needs_look (outfit_id, seen_at) where settled is null;
create index needs_look_by_phone on needs_look (outfit_id, phone_id);
create index needs_look_by_person on needs_look (outfit_id, person_id);
create index needs_look_by_settler on needs_look (outfit_id, settled_by) where settled_by is not null;

do $$
declare t text;
begin
  foreach t in array array['phone', 'needs_look'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_outfit on %I to elmhorn_app using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()))', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
end $$;
grant update (name, last_seen, clock_off_s, waiting, ended_at, ended_by) on phone to elmhorn_app;
grant update (faults, settled, settled_at, settled_by, words) on needs_look to elmhorn_app;
