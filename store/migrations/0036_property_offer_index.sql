-- concurrent
create index concurrently if not exists proposal_by_place on proposal (outfit_id, place_id, at desc)
  where place_id is not null;
