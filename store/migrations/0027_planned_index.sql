-- concurrent
-- A calendar follows what is planned, and what is off as long as its day is ahead.
create index concurrently if not exists plan_planned on plan (outfit_id, planned_for, id) where planned_for is not null;
