-- The plan of the grounds and the people of an outfit are edited by several at once: each carries its own version.
alter table place add column grounds_version int not null default 1;
alter table person add column version int not null default 1;

create function next_grounds_version() returns trigger language plpgsql set search_path = public, pg_temp as $$
begin
  new.grounds_version := old.grounds_version + 1;
  return new;
end $$;
create trigger place_grounds_version before update on place for each row
  when (old.grounds is distinct from new.grounds)
  execute function next_grounds_version();

-- A new password, or a choice of looks, makes nobody's form stale.
create trigger person_version before update on person for each row
  when (
    (old.name, old.email, old.role, old.licence_number, old.licence_categories, old.licence_expires, old.active)
    is distinct from
    (new.name, new.email, new.role, new.licence_number, new.licence_categories, new.licence_expires, new.active)
  )
  execute function next_version();

-- What may be done is the law of the place; the outfit's own region is what a place has while nobody says another.
alter table place add column region text check (length(region) between 1 and 60);
drop trigger place_version on place;
create trigger place_version before update on place for each row
  when (
    (old.client_id, old.name, old.address, old.time_zone, old.region, old.outline, old.soil_texture, old.water_m,
      old.first_picking, old.last_picking, old.pickings, old.access, old.hazards, old.dogs, old.notes)
    is distinct from
    (new.client_id, new.name, new.address, new.time_zone, new.region, new.outline, new.soil_texture, new.water_m,
      new.first_picking, new.last_picking, new.pickings, new.access, new.hazards, new.dogs, new.notes)
  )
  execute function next_version();
