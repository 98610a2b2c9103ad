-- A plan that was made without signal stands at the moment at which it was made; when it came is a second thing, and tells
-- which measurements its dose was worked out from.
alter table plan add column received_at timestamptz;
update plan set received_at = at;
alter table plan
  alter column received_at set default clock_now(),
  alter column received_at set not null;
