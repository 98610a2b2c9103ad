-- When a plan is to be carried out, and the span it may move in; null for what was planned for the day it was made on.
alter table plan add column planned_for date;
alter table plan add column earliest date;
alter table plan add column latest date;
alter table plan add constraint plan_when
  check (planned_for is null or (earliest <= planned_for and planned_for <= latest)) not valid;
alter table plan validate constraint plan_when;
