-- concurrent
-- One open plan of a product or a work on a tree, apart from the visits of a programme; those are found by their visit.
create unique index concurrently if not exists plan_one_unlaid on plan (outfit_id, tree_id, label_id)
  where state = 'open' and visit_id is null;
drop index concurrently if exists plan_one_open;
create unique index concurrently if not exists work_plan_one_unlaid on work_plan (outfit_id, tree_id, work_id)
  where state = 'open' and visit_id is null;
drop index concurrently if exists work_plan_one_open;
create index concurrently if not exists plan_by_visit on plan (outfit_id, visit_id) where visit_id is not null;
create index concurrently if not exists work_plan_by_visit on work_plan (outfit_id, visit_id) where visit_id is not null;
create index concurrently if not exists work_plan_soonest on work_plan (outfit_id, coalesce(planned_for, '-infinity'::date), at, id)
  where state = 'open';
-- A calendar follows works as it follows plans.
create index concurrently if not exists work_plan_planned on work_plan (outfit_id, planned_for, id) where planned_for is not null;
