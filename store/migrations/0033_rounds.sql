-- Who goes out together, when, and from where.
create table crew (
  id uuid primary key,
  outfit_id uuid not null references outfit,
  name text not null check (length(name) between 1 and 120),
  hours jsonb not null default '[]' check (jsonb_typeof(hours) = 'array'),
  -- Where its vehicle stands in the morning; null: nobody has said.
  yard_lat double precision check (yard_lat between -90 and 90),
  yard_lon double precision check (yard_lon between -180 and 180),
  -- With fewer of its people it does not go out.
  least smallint not null default 1 check (least between 1 and 12),
  active boolean not null default true,
  version int not null default 1,
  check ((yard_lat is null) = (yard_lon is null)),
  unique (outfit_id, id)
);
create index crew_by_outfit on crew (outfit_id, name, id);
create trigger crew_version before update on crew for each row execute function next_version();

-- Somebody belongs to one crew at a time.
create table crew_person (
  outfit_id uuid not null,
  crew_id uuid not null,
  person_id uuid not null,
  primary key (outfit_id, person_id),
  foreign key (outfit_id, crew_id) references crew (outfit_id, id),
  foreign key (outfit_id, person_id) references person (outfit_id, id)
);
create index crew_person_by_crew on crew_person (outfit_id, crew_id);

-- Days on which somebody does not work.
create table away (
  id uuid primary key,
  outfit_id uuid not null,
  person_id uuid not null,
  from_day date not null,
  to_day date not null,
  why text not null check (length(why) <= 200),
  withdrawn boolean not null default false,
  by_person uuid not null,
  at timestamptz not null default now(),
  check (from_day <= to_day),
  foreign key (outfit_id, person_id) references person (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id),
  unique (outfit_id, id)
);
create index away_by_day on away (outfit_id, to_day) where not withdrawn;
create index away_by_person on away (outfit_id, person_id);

-- A crew's day, and what stands in it: plans, works and dates, in the order in which they are done.
create table round (
  id uuid primary key,
  outfit_id uuid not null,
  crew_id uuid not null,
  day date not null,
  at timestamptz not null default now(),
  by_person uuid not null,
  foreign key (outfit_id, crew_id) references crew (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id),
  unique (outfit_id, id),
  unique (outfit_id, crew_id, day)
);
create index round_by_day on round (outfit_id, day);

create table round_item (
  outfit_id uuid not null,
  round_id uuid not null,
  item_id uuid not null,
  kind text not null check (kind in ('plan', 'work', 'look')),
  place_id uuid not null,
  position int not null,
  -- When the crew is expected there, in minutes of the day.
  begins smallint not null check (begins between 0 and 1440),
  -- Somebody has said that it stays there.
  locked boolean not null default false,
  primary key (outfit_id, item_id),
  foreign key (outfit_id, round_id) references round (outfit_id, id),
  foreign key (outfit_id, place_id) references place (outfit_id, id)
);
create index round_item_by_round on round_item (outfit_id, round_id, position);
create index round_item_by_place on round_item (outfit_id, place_id);

-- The client of a place was told of a day.
create table day_told (
  outfit_id uuid not null,
  place_id uuid not null,
  day date not null,
  at timestamptz not null default now(),
  by_person uuid not null,
  primary key (outfit_id, place_id, day),
  foreign key (outfit_id, place_id) references place (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id)
);

-- When one may be at a place; empty: any hour of a crew's day.
alter table place add column hours jsonb not null default '[]' check (jsonb_typeof(hours) = 'array');
drop trigger place_version on place;
create trigger place_version before update on place for each row
  when (
    (old.client_id, old.name, old.address, old.time_zone, old.region, old.outline, old.soil_texture, old.water_m, old.first_picking,
      old.last_picking, old.pickings, old.hours, old.access, old.hazards, old.dogs, old.notes)
    is distinct from
    (new.client_id, new.name, new.address, new.time_zone, new.region, new.outline, new.soil_texture, new.water_m, new.first_picking,
      new.last_picking, new.pickings, new.hours, new.access, new.hazards, new.dogs, new.notes)
  )
  execute function next_version();

do $$
declare t text;
begin
  foreach t in array array['crew', 'crew_person', 'away', 'round', 'round_item', 'day_told'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_outfit on %I to elmhorn_app using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()))', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
end $$;
grant update (name, hours, yard_lat, yard_lon, least, active) on crew to elmhorn_app;
grant update (crew_id) on crew_person to elmhorn_app;
grant delete on crew_person to elmhorn_app;
grant update (withdrawn) on away to elmhorn_app;
grant update (round_id, position, begins, locked) on round_item to elmhorn_app;
grant delete on round_item to elmhorn_app;
