-- The day for which a work without a product is planned; null for what may be done at once.
alter table work_plan add column planned_for date;
