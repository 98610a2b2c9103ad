-- A visit remembers the record that settled it, so that taking the record back opens it again.
alter table follow_up add column settled_by_root uuid;
create index follow_up_by_settler on follow_up (outfit_id, settled_by_root) where settled_by_root is not null;
