-- What is planned is told in the units of whoever reads it: the same figures are kept in words of both systems.
-- Document 1 was told in the units of whoever planned it, and stays so; document 2 has both.
alter table plan add column document int not null default 1;
alter table plan add column result_us jsonb;
alter table work_plan add column document int not null default 1;
alter table work_plan add column sheet_us jsonb;
alter table plan add check (document = 1 or result_us is not null);
alter table work_plan add check (document = 1 or sheet_us is not null);

create function reader_reads_us() returns boolean language sql stable parallel safe set search_path = public, pg_temp as
$$ select coalesce((select p.units = 'us' from person p where p.outfit_id = outfit_now() and p.id = person_now()), false) $$;
