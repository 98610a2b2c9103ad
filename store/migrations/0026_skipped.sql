-- A treatment that was due and left out says why; what is done says nothing here.
alter table follow_up add column because text;
alter table follow_up add constraint follow_up_because
  check (because is null or (state = 'dropped' and length(because) between 4 and 500)) not valid;
alter table follow_up validate constraint follow_up_because;
