-- What somebody saw of the year: a growth stage of a host at a place, or what a sum of heat is counted from.
create table sighting (
  id uuid primary key,
  outfit_id uuid not null,
  place_id uuid not null,
  -- The tree at which it was seen; none where it was said of the place.
  tree_id uuid,
  -- Null for what is not about a host.
  host_id text check (length(host_id) between 1 and 60),
  kind text not null check (kind in ('biofix', 'stage')),
  -- BBCH code of a stage, or the heat model that counts from it.
  what text not null check (length(what) between 1 and 60),
  on_day date not null,
  at timestamptz not null default now(),
  by_person uuid not null,
  check ((kind = 'stage') = (host_id is not null)),
  foreign key (outfit_id, place_id) references place (outfit_id, id),
  foreign key (outfit_id, tree_id) references tree (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id),
  unique (outfit_id, id)
);
create index sighting_by_place on sighting (outfit_id, place_id, on_day desc);

create table sighting_withdrawal (
  sighting_id uuid primary key,
  outfit_id uuid not null,
  at timestamptz not null default now(),
  by_person uuid not null,
  foreign key (outfit_id, sighting_id) references sighting (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id)
);

-- Readings of a station that stands at a place, as they were brought in; they go before the station of the installation.
create table weather_hour (
  outfit_id uuid not null,
  place_id uuid not null,
  at timestamptz not null,
  temperature_c real not null check (temperature_c between -80 and 80),
  rain_mm real not null check (rain_mm between 0 and 500),
  humidity real not null check (humidity between 0 and 100),
  wind_ms real check (wind_ms between 0 and 120),
  wet boolean,
  primary key (outfit_id, place_id, at),
  foreign key (outfit_id, place_id) references place (outfit_id, id)
);
-- The same by the calendar of the place: heat is counted by the day. Whole days alone.
create table weather_day (
  outfit_id uuid not null,
  place_id uuid not null,
  day date not null,
  min_c real not null,
  max_c real not null,
  rain_mm real not null,
  primary key (outfit_id, place_id, day),
  check (min_c <= max_c),
  foreign key (outfit_id, place_id) references place (outfit_id, id)
);
-- Which column of a station's file is which, as it was last said.
alter table place add column station_columns jsonb;

do $$
declare t text;
begin
  foreach t in array array['sighting', 'sighting_withdrawal', 'weather_hour', 'weather_day'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_outfit on %I to elmhorn_app using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()))', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
  foreach t in array array['sighting', 'sighting_withdrawal'] loop
    execute format('create trigger append_only before update or delete on %I for each row execute function book_refuses()', t);
    execute format('create trigger append_only_whole before truncate on %I for each statement execute function book_refuses()', t);
  end loop;
end $$;
grant update on weather_hour, weather_day to elmhorn_app;
