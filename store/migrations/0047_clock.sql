-- The database takes its time from the same clock as the app. A connection may say that this clock runs ahead of the machine's
-- (tests and the demo do); without that it is the machine's own.
create function clock_ahead() returns interval language sql stable as
$$ select make_interval(secs => coalesce(nullif(current_setting('elmhorn.clock_ahead_s', true), '')::float8, 0)) $$;
create function clock_now() returns timestamptz language sql stable as $$ select now() + clock_ahead() $$;
create function clock_today() returns date language sql stable as $$ select clock_now()::date $$;

do $$
declare
  c record;
begin
  for c in
    select d.adrelid::regclass as t, a.attname as name, pg_get_expr(d.adbin, d.adrelid) as was
    from pg_attrdef d
    join pg_class k on k.oid = d.adrelid and k.relnamespace = 'public'::regnamespace and k.relname <> 'schema_migration'
    join pg_attribute a on a.attrelid = d.adrelid and a.attnum = d.adnum
    where pg_get_expr(d.adbin, d.adrelid) in ('now()', 'clock_timestamp()', 'CURRENT_TIMESTAMP')
  loop
    execute format('alter table %s alter column %I set default %s', c.t, c.name,
      case c.was when 'clock_timestamp()' then 'clock_timestamp() + clock_ahead()' else 'clock_now()' end);
  end loop;
  for c in
    select pg_get_functiondef(p.oid) as body
    from pg_proc p
    where p.pronamespace = 'public'::regnamespace and p.prokind = 'f' and p.proname not like 'clock\_%'
      and p.prosrc ~ '(?<![_a-z])now\(\)'
      and not exists (select from pg_depend e where e.objid = p.oid and e.deptype = 'e')
  loop
    execute regexp_replace(c.body, '(?<![_a-z])now\(\)', 'clock_now()', 'g');
  end loop;
end $$;
