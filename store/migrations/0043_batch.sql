-- A mix as a thing: made when, by whom, from which lots; what each tree drew from it; what became of the rest.
create table batch (
  id uuid primary key,
  outfit_id uuid not null,
  round_id uuid,
  label_id uuid not null,
  label_key text not null,
  kind text not null check (kind in ('stock', 'tank')),
  -- What stands on its tag, and in which vessel it is.
  code text not null check (length(code) between 1 and 20),
  vessel text not null check (length(vessel) between 1 and 80),
  unit text not null check (unit in ('mL', 'g')),
  product numeric(16,6) not null check (product > 0),
  total_ml numeric(16,6) not null check (total_ml > 0),
  left_ml numeric(16,6) not null check (left_ml >= 0),
  -- The trees it is meant for.
  plan_ids uuid[] not null check (cardinality(plan_ids) <= 300),
  made_at timestamptz not null,
  received_at timestamptz not null default now(),
  good_until timestamptz not null,
  by_person uuid not null,
  check (left_ml <= total_ml),
  check (good_until >= made_at),
  foreign key (outfit_id, round_id) references round (outfit_id, id),
  foreign key (outfit_id, label_id) references label (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id),
  unique (outfit_id, id),
  unique (outfit_id, code)
);
create index batch_by_round on batch (outfit_id, round_id) where round_id is not null;
create index batch_by_label on batch (outfit_id, label_key, made_at desc);
create index batch_open on batch (outfit_id, made_at) where left_ml > 0;
create index batch_by_label_id on batch (outfit_id, label_id);
create index batch_by_person on batch (outfit_id, by_person);

-- The lots that went into it.
create table batch_lot (
  outfit_id uuid not null,
  batch_id uuid not null,
  lot_id uuid not null,
  amount numeric(16,6) not null check (amount > 0),
  primary key (outfit_id, batch_id, lot_id),
  foreign key (outfit_id, batch_id) references batch (outfit_id, id),
  foreign key (outfit_id, lot_id) references lot (outfit_id, id)
);
create index batch_lot_by_lot on batch_lot (outfit_id, lot_id);

-- What was taken out of it: for a tree's record, given back by a correction, or out of use.
create table batch_taken (
  id uuid primary key,
  outfit_id uuid not null,
  batch_id uuid not null,
  -- The record, by its root; null where it was taken out of use.
  record_root uuid,
  -- What became of it otherwise.
  ended text check (ended in ('kept', 'handed in', 'spilled', 'never made')),
  mix_ml numeric(16,6) not null check (mix_ml <> 0 or ended = 'kept'),
  words text not null default '' check (length(words) <= 600),
  at timestamptz not null default now(),
  by_person uuid not null,
  check ((record_root is null) <> (ended is null)),
  check (ended is null or mix_ml >= 0),
  foreign key (outfit_id, batch_id) references batch (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id)
);
create index batch_taken_of on batch_taken (outfit_id, batch_id, at);
create index batch_taken_by_record on batch_taken (outfit_id, record_root) where record_root is not null;
create index batch_taken_by_person on batch_taken (outfit_id, by_person);

-- A batch never gives more than it holds: the balance is kept by the database.
create function keep_batch() returns trigger language plpgsql security definer set search_path = public as $$
begin
  update batch set left_ml = left_ml - new.mix_ml where id = new.batch_id and outfit_id = new.outfit_id;
  return new;
end $$;
create trigger batch_balance after insert on batch_taken for each row execute function keep_batch();

-- Product goes from the lot into the mix; what trees draw from the mix takes nothing from the lot again.
alter table stock_move add column batch_id uuid, add foreign key (outfit_id, batch_id) references batch (outfit_id, id);
create index stock_move_by_batch on stock_move (outfit_id, batch_id) where batch_id is not null;
alter table stock_move drop constraint against_known,
  add constraint against_known check (against in ('supplier', 'tree', 'count', 'loss', 'mix')),
  add constraint mix_is_a_batch check ((against = 'mix') = (batch_id is not null));

-- What a sprayer keeps back of its last filling.
alter table sprayer add column dead_ml numeric not null default 0 check (dead_ml >= 0 and dead_ml < holds_ml);

do $$
declare t text;
begin
  foreach t in array array['batch', 'batch_lot', 'batch_taken'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_outfit on %I to elmhorn_app using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()))', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
  foreach t in array array['batch_lot', 'batch_taken'] loop
    execute format('create trigger append_only before update or delete on %I for each row execute function book_refuses()', t);
    execute format('create trigger append_only_whole before truncate on %I for each statement execute function book_refuses()', t);
  end loop;
end $$;
