-- concurrent
-- Plans by the day they wait for, and decisions that want a treatment, today's or in its window.
create index concurrently if not exists verdict_to_plan on verdict (outfit_id, at desc)
  where decision in ('treat now', 'treat in its window', 'protect a sound tree');
create index concurrently if not exists plan_soonest on plan (outfit_id, coalesce(earliest, '-infinity'::date), at, id) where state = 'open';
