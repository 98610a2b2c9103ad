-- A tree that has no entry of its own in the field guide keeps the species as it was written.
alter table tree add column species text not null default '' check (length(species) <= 120);
create index tree_species on tree (outfit_id) where species <> '';
