-- Grounds, readings, looks, plans, the book, follow-ups and the shelf.
create table client (
  id uuid primary key, outfit_id uuid not null references outfit,
  name text not null check (length(name) between 1 and 120),
  contact text not null default '' check (length(contact) <= 400),
  created_at timestamptz not null default now(), unique (outfit_id, id)
);
create index client_by_name on client (outfit_id, name, id);

create table place (
  id uuid primary key, outfit_id uuid not null references outfit, client_id uuid not null,
  name text not null check (length(name) between 1 and 120),
  address text not null default '' check (length(address) <= 300),
  time_zone text not null,
  outline jsonb,
  area_m2 numeric check (area_m2 > 0 and area_m2 < 1e9),
  soil_texture text not null default 'loam' check (soil_texture in ('sandy', 'loam', 'clay')),
  -- Metres to the nearest well, open water or drain; -1: paced, none within 100 m; null: nobody has said.
  water_m numeric check (water_m = -1 or (water_m >= 0 and water_m <= 100000)),
  first_picking date,
  access text not null default '' check (length(access) <= 1000),
  hazards text not null default '' check (length(hazards) <= 1000),
  dogs text not null default '' check (length(dogs) <= 300),
  notes text not null default '' check (length(notes) <= 4000),
  archived_at timestamptz,
  created_at timestamptz not null default now(),
  foreign key (outfit_id, client_id) references client (outfit_id, id), unique (outfit_id, id)
);
create index place_by_name on place (outfit_id, name, id);
create index place_by_client on place (outfit_id, client_id);

-- Kept apart, so that the list of places cannot leak it.
create table gate_code (
  place_id uuid primary key, outfit_id uuid not null, code text not null check (length(code) between 1 and 60),
  foreign key (outfit_id, place_id) references place (outfit_id, id)
);

create table tree (
  id uuid primary key, outfit_id uuid not null references outfit, place_id uuid not null,
  tag text not null check (length(tag) between 1 and 24),
  host_id text not null check (length(host_id) between 1 and 60),
  host_confirmed_at timestamptz, host_confirmed_by uuid,
  lat double precision check (lat between -90 and 90),
  lon double precision check (lon between -180 and 180),
  walk_order int not null default 0,
  note text not null default '' check (length(note) <= 2000),
  archived_at timestamptz,
  created_at timestamptz not null default now(),
  check ((lat is null) = (lon is null)),
  foreign key (outfit_id, place_id) references place (outfit_id, id),
  unique (outfit_id, id), unique (outfit_id, place_id, tag)
);
create index tree_by_tag on tree (outfit_id, tag collate natural_order, id);
create index tree_by_tag_prefix on tree (outfit_id, tag collate "C");
create index tree_by_walk on tree (outfit_id, place_id, walk_order, id);
create index tree_by_place_tag on tree (outfit_id, place_id, tag collate natural_order, id);
create index tree_by_host on tree (outfit_id, host_id, tag collate natural_order, id);

create table reading (
  id uuid primary key, outfit_id uuid not null, tree_id uuid not null,
  at timestamptz not null, by_person uuid not null,
  diameter_cm double precision not null check (diameter_cm > 0 and diameter_cm <= 2000),
  at_height_cm numeric not null check (at_height_cm between 0 and 300),
  stems jsonb not null, tree_height_m numeric check (tree_height_m > 0 and tree_height_m <= 130),
  obstacles text not null default '' check (length(obstacles) <= 500), arcs jsonb not null default '[]',
  method text not null, replaces uuid, created_at timestamptz not null default now(),
  foreign key (outfit_id, tree_id) references tree (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id)
);
create index reading_by_tree on reading (outfit_id, tree_id, at desc, id);

create table look (
  id uuid primary key, outfit_id uuid not null, tree_id uuid not null,
  at timestamptz not null, by_person uuid not null,
  crown_loss int check (crown_loss between 0 and 100),
  vigour text check (vigour in ('good', 'fair', 'poor', 'failing')),
  host_key jsonb not null default '[]', note text not null default '' check (length(note) <= 4000),
  created_at timestamptz not null default now(),
  foreign key (outfit_id, tree_id) references tree (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id), unique (outfit_id, id)
);
create index look_by_tree on look (outfit_id, tree_id, at desc, id);

create table finding (
  outfit_id uuid not null, look_id uuid not null, sign_id text not null,
  state text not null check (state in ('seen', 'absent', 'not looked')), grade int check (grade between 1 and 4),
  primary key (look_id, sign_id), check ((state = 'seen') = (grade is not null)),
  foreign key (outfit_id, look_id) references look (outfit_id, id)
);
create index finding_by_look on finding (outfit_id, look_id);

create table verdict (
  id uuid primary key, outfit_id uuid not null, tree_id uuid not null, look_id uuid,
  at timestamptz not null, by_person uuid not null,
  condition_id text not null, certainty text not null, decision text not null,
  reason text not null default '' check (length(reason) <= 2000), created_at timestamptz not null default now(),
  foreign key (outfit_id, tree_id) references tree (outfit_id, id),
  foreign key (outfit_id, look_id) references look (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id)
);
create index verdict_by_tree on verdict (outfit_id, tree_id, at desc, id);
create index verdict_to_treat on verdict (outfit_id, at desc) where decision = 'treat now';

create table photo (
  id uuid primary key, outfit_id uuid not null, tree_id uuid not null,
  at timestamptz not null default now(), by_person uuid not null,
  mime text not null check (mime = 'image/jpeg'), width int not null, height int not null,
  location_kept boolean not null default false, bytes bytea not null check (length(bytes) < 4000000),
  foreign key (outfit_id, tree_id) references tree (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id)
);
create index photo_by_tree on photo (outfit_id, tree_id, at desc);

create table label (
  id uuid primary key, outfit_id uuid not null references outfit, key text not null, version int not null,
  data jsonb not null, created_at timestamptz not null default now(), unique (outfit_id, key, version), unique (outfit_id, id)
);
create table label_check (
  label_id uuid not null, outfit_id uuid not null, by_person uuid not null, at timestamptz not null default now(),
  primary key (label_id, at), foreign key (outfit_id, label_id) references label (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id)
);
create index label_check_by_label on label_check (outfit_id, label_id, at desc);

create table vessel (
  id uuid primary key, outfit_id uuid not null references outfit, name text not null check (length(name) between 1 and 80),
  dimension text not null check (dimension in ('volume', 'mass')),
  capacity numeric not null check (capacity > 0 and capacity <= 1e6), graduation numeric not null check (graduation > 0),
  check (graduation <= capacity)
);
create index vessel_by_outfit on vessel (outfit_id, capacity);

create table lot (
  id uuid primary key, outfit_id uuid not null references outfit, label_key text not null,
  lot_number text not null check (length(lot_number) between 1 and 60), expires_on date not null,
  unit text not null check (unit in ('mL', 'g')),
  on_hand numeric(16,6) not null default 0 check (on_hand >= 0),
  unique (outfit_id, label_key, lot_number), unique (outfit_id, id)
);
create table stock_move (
  id uuid primary key, outfit_id uuid not null, lot_id uuid not null, amount numeric(16,6) not null check (amount <> 0),
  reason text not null check (length(reason) between 1 and 200), record_id uuid, at timestamptz not null default now(),
  by_person uuid not null,
  foreign key (outfit_id, lot_id) references lot (outfit_id, id), foreign key (outfit_id, by_person) references person (outfit_id, id)
);
create index stock_move_by_lot on stock_move (outfit_id, lot_id, at desc);
-- The balance is kept by the database, so that two crews cannot take the last bottle twice.
create function keep_balance() returns trigger language plpgsql security definer set search_path = public as $$
begin
  update lot set on_hand = on_hand + new.amount where id = new.lot_id and outfit_id = new.outfit_id;
  return new;
end $$;
create trigger stock_balance after insert on stock_move for each row execute function keep_balance();

create table plan (
  id uuid primary key, outfit_id uuid not null, tree_id uuid not null, label_id uuid not null,
  use_key text not null, condition_id text not null, facts jsonb not null, result jsonb not null,
  released jsonb not null default '{}', state text not null default 'open' check (state in ('open', 'done', 'dropped')),
  at timestamptz not null default now(), by_person uuid not null,
  foreign key (outfit_id, tree_id) references tree (outfit_id, id), foreign key (outfit_id, label_id) references label (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id), unique (outfit_id, id)
);
create index plan_by_tree on plan (outfit_id, tree_id, at desc);
create unique index plan_one_open on plan (outfit_id, tree_id, label_id) where state = 'open';
create index plan_open on plan (outfit_id, at, id) where state = 'open';

-- One row a version; the newest version of a root is what holds.
create table record (
  id uuid primary key, outfit_id uuid not null, root_id uuid not null, version int not null check (version >= 1),
  tree_id uuid not null, place_id uuid not null, plan_id uuid, label_key text not null, method text not null,
  started_at timestamptz not null, ended_at timestamptz not null, done_on date not null,
  by_person uuid not null, written_by uuid not null, withdrawn boolean not null default false, latest boolean not null default true,
  words text not null, data jsonb not null, correction text, created_at timestamptz not null default now(),
  check (ended_at >= started_at), check ((version = 1) = (correction is null)),
  foreign key (outfit_id, tree_id) references tree (outfit_id, id), foreign key (outfit_id, plan_id) references plan (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id), unique (outfit_id, id), unique (root_id, version)
);
create index record_by_tree on record (outfit_id, tree_id, done_on desc, id);
create index record_by_day on record (outfit_id, done_on desc, id desc) where latest;
create index record_by_place_day on record (outfit_id, place_id, done_on desc, id desc) where latest;
create index record_by_root on record (outfit_id, root_id, version desc);

create table follow_up (
  id uuid primary key, outfit_id uuid not null, tree_id uuid not null, root_id uuid not null,
  rule_id text not null, kind text not null, what text not null, reason text not null, only_if text,
  due date not null, earliest date not null, latest date not null,
  state text not null default 'open' check (state in ('open', 'done', 'dropped')),
  settled_at timestamptz, settled_by uuid,
  check (earliest <= due and due <= latest),
  foreign key (outfit_id, tree_id) references tree (outfit_id, id), unique (outfit_id, root_id, rule_id)
);
create index follow_up_due on follow_up (outfit_id, due, id) where state = 'open';
create index follow_up_by_tree on follow_up (outfit_id, tree_id, due);

-- The walls. A query that forgets its outfit sees nothing and writes nothing.
do $$
declare t text;
begin
  foreach t in array array['person','session','client','place','gate_code','tree','reading','look','finding','verdict','photo','label','label_check','vessel','lot','stock_move','plan','record','follow_up'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_outfit on %I to elmhorn_app using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()))', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
  -- What may be changed after it was written; the rest is append-only.
  foreach t in array array['client','place','gate_code','tree','vessel','plan','follow_up'] loop
    execute format('grant update on %I to elmhorn_app', t);
  end loop;
end $$;
grant update (name, role, units, theme, licence_number, licence_categories, licence_expires, calendar_token_hash, active, password_hash) on person to elmhorn_app;
grant delete on session, gate_code, vessel to elmhorn_app;
grant update (expires_at) on session to elmhorn_app;
alter table outfit enable row level security;
create policy own_outfit on outfit to elmhorn_app using (id = (select outfit_now())) with check (id = (select outfit_now()));
grant select, update on outfit to elmhorn_app;
alter table sign_in_attempt enable row level security;

-- The book refuses change, whoever asks; only the marker of the newest version may move, and only by the book itself.
create function book_refuses() returns trigger language plpgsql as $$
begin
  if tg_op = 'UPDATE' and tg_table_name = 'record' and pg_trigger_depth() > 1
     and to_jsonb(new) - 'latest' = to_jsonb(old) - 'latest' then return new; end if;
  raise exception 'the book is append-only: % on % refused', tg_op, tg_table_name using errcode = '23001';
end $$;
do $$
declare t text;
begin
  foreach t in array array['reading','look','finding','verdict','label','label_check','stock_move','record','photo'] loop
    execute format('create trigger append_only before update or delete on %I for each row execute function book_refuses()', t);
    execute format('create trigger append_only_whole before truncate on %I for each statement execute function book_refuses()', t);
  end loop;
end $$;
create function newest_version() returns trigger language plpgsql security definer set search_path = public as $$
begin
  update record set latest = false where outfit_id = new.outfit_id and root_id = new.root_id and version < new.version and latest;
  return new;
end $$;
create trigger newest_version after insert on record for each row execute function newest_version();
