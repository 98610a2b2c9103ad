-- A calendar that somebody subscribes to must learn of a move and of what is off: each visit counts its changes.
alter table follow_up add column version int not null default 0;
alter table follow_up add column changed_at timestamptz not null default now();

create function visit_changed() returns trigger language plpgsql set search_path = public, pg_temp as $$
begin
  new.version := old.version + 1;
  new.changed_at := now();
  return new;
end $$;
create trigger follow_up_version before update on follow_up for each row
  when (
    (old.due, old.earliest, old.latest, old.what, old.reason, old.only_if, old.state)
    is distinct from
    (new.due, new.earliest, new.latest, new.what, new.reason, new.only_if, new.state)
  )
  execute function visit_changed();

create index follow_up_settled on follow_up (outfit_id, settled_at desc) where state <> 'open';
