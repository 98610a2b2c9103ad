-- A work that stands for itself and a look are moved by hand: a calendar counts how often, and the look keeps why.
alter table work_plan add column moves int not null default 0;
alter table work_plan add column moved_at timestamptz;
alter table follow_up add column moved_because text check (length(moved_because) <= 500);
grant update (planned_for, sheet, sheet_us, document, released, moves, moved_at) on work_plan to elmhorn_app;
