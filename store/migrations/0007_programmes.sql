-- The programme of a tree's plan and the price it was planned at; stock as double entry; what is in the van beside
-- products; an answer that takes several options.

-- How a tree is treated over the years: the newest row holds, the older ones say what was meant before.
create table programme (
  id uuid primary key, outfit_id uuid not null, tree_id uuid not null,
  school text check (school in ('conventional', 'organic', 'threshold')),
  every_years int check (every_years between 1 and 5), years int not null check (years between 1 and 20),
  at timestamptz not null default clock_timestamp(), by_person uuid not null,
  foreign key (outfit_id, tree_id) references tree (outfit_id, id), foreign key (outfit_id, by_person) references person (outfit_id, id)
);
create index programme_by_tree on programme (outfit_id, tree_id, at desc, id desc);
alter table plan add column price jsonb;
alter table work_plan add column price jsonb;

-- Every move has two sides: the lot, and where it came from or went to.
alter table stock_move add column against text;
alter table stock_move disable trigger append_only;
update stock_move set against = case when record_id is not null then 'tree' when reason like 'count:%' then 'count' else 'supplier' end;
alter table stock_move enable trigger append_only;
alter table stock_move
  alter column against set not null,
  add constraint against_known check (against in ('supplier', 'tree', 'count', 'loss')),
  add constraint loss_takes check (against <> 'loss' or amount < 0);
-- Both sides of every move as entries: over any set of whole moves the amounts add up to nothing.
create view stock_entry with (security_invoker = true) as
  select id as move_id, outfit_id, lot_id, 'lot' as account, amount, at from stock_move
  union all
  select id, outfit_id, lot_id, against, -amount, at from stock_move;
grant select on stock_entry to elmhorn_app;

-- Below this much on hand a product is to be ordered.
create table stock_level (
  outfit_id uuid not null references outfit, label_key text not null check (length(label_key) between 1 and 60),
  warn_below numeric(16,6) not null check (warn_below > 0), primary key (outfit_id, label_key)
);

create table equipment (
  id uuid primary key, outfit_id uuid not null references outfit,
  kind text not null check (kind in ('bit', 'capsule', 'pressure bottle', 'low-pressure bottle', 'tee infusion', 'drill', 'probe', 'tool')),
  name text not null check (length(name) between 1 and 80), size_mm numeric check (size_mm > 0 and size_mm <= 60),
  holds_ml numeric check (holds_ml > 0 and holds_ml <= 50000), count int not null check (count between 0 and 100000),
  checked_on date, check ((kind = 'bit') = (size_mm is not null)), unique (outfit_id, id)
);
create index equipment_by_outfit on equipment (outfit_id, kind, name);

do $$
declare t text;
begin
  foreach t in array array['programme','stock_level','equipment'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_outfit on %I to elmhorn_app using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()))', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
end $$;
create trigger append_only before update or delete on programme for each row execute function book_refuses();
create trigger append_only_whole before truncate on programme for each statement execute function book_refuses();
grant update, delete on stock_level, equipment to elmhorn_app;

-- A client may take several of the ways offered.
alter table proposal_answer add column option_keys text[];
alter table proposal_answer disable trigger append_only;
update proposal_answer set option_keys = case when option_key is null then '{}' else array[option_key] end;
alter table proposal_answer enable trigger append_only;
alter table proposal_answer alter column option_keys set not null, add check (cardinality(option_keys) <= 12), drop column option_key;

-- Where the grain spirals, the flare that feeds a part of the crown stands so many degrees clockwise of it.
alter table reading add column grain_deg int not null default 0 check (grain_deg between -180 and 180);
