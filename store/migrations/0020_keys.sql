-- What a record and a movement of stock point at is there: checked for new rows at once, for old ones without holding them.
alter table record add constraint record_place_fkey
  foreign key (outfit_id, place_id) references place (outfit_id, id) not valid;
alter table record validate constraint record_place_fkey;
alter table stock_move add constraint stock_move_record_fkey
  foreign key (outfit_id, record_id) references record (outfit_id, id) not valid;
alter table stock_move validate constraint stock_move_record_fkey;
