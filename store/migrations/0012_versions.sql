-- What people edit together carries a version: a form that rests on an older one is told, and overwrites nothing.
alter table place add column version int not null default 1;
alter table tree add column version int not null default 1;

create function next_version() returns trigger language plpgsql set search_path = public, pg_temp as $$
begin
  new.version := old.version + 1;
  return new;
end $$;

-- Only what the forms show counts: a look that confirms the host, or a plan that is drawn, makes no form stale.
create trigger place_version before update on place for each row
  when (
    (old.client_id, old.name, old.address, old.time_zone, old.outline, old.soil_texture, old.water_m, old.first_picking,
      old.last_picking, old.pickings, old.access, old.hazards, old.dogs, old.notes)
    is distinct from
    (new.client_id, new.name, new.address, new.time_zone, new.outline, new.soil_texture, new.water_m, new.first_picking,
      new.last_picking, new.pickings, new.access, new.hazards, new.dogs, new.notes)
  )
  execute function next_version();
create trigger tree_version before update on tree for each row
  when (
    (old.tag, old.host_id, old.note, old.walk_order, old.variety, old.eaten)
    is distinct from
    (new.tag, new.host_id, new.note, new.walk_order, new.variety, new.eaten)
  )
  execute function next_version();
