-- An offer is for one tree, or for a whole property.
alter table proposal alter column tree_id drop not null;
alter table proposal add column place_id uuid;
alter table proposal add constraint proposal_of_one check (num_nonnulls(tree_id, place_id) = 1) not valid;
alter table proposal validate constraint proposal_of_one;
alter table proposal add constraint proposal_of_place
  foreign key (outfit_id, place_id) references place (outfit_id, id) not valid;
alter table proposal validate constraint proposal_of_place;
