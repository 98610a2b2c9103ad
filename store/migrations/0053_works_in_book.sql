-- A work that was carried out says when, and how long it took; those of before know their day alone.
alter table work_plan
  add column done_at timestamptz,
  add column minutes int check (minutes between 1 and 1440);
create index work_plan_done on work_plan (outfit_id, done_on desc, id desc) where state = 'done';
grant update (done_at, minutes) on work_plan to elmhorn_app;
