-- The day of a crew as a thing: begun, loaded, what was left undone and why, and come home from.
alter table round
  add column begun_at timestamptz,
  add column begun_by uuid,
  add column closed_at timestamptz,
  add column closed_by uuid,
  -- What was said at the close: hours, tools, bits, what is told on.
  add column home jsonb check (jsonb_typeof(home) = 'object'),
  add foreign key (outfit_id, begun_by) references person (outfit_id, id),
  add foreign key (outfit_id, closed_by) references person (outfit_id, id),
  add check ((begun_at is null) = (begun_by is null)),
  add check ((closed_at is null) = (closed_by is null) and (closed_at is null) = (home is null)),
  add check (closed_at is null or closed_at >= begun_at);
create index round_by_beginner on round (outfit_id, begun_by) where begun_by is not null;
create index round_by_closer on round (outfit_id, closed_by) where closed_by is not null;
grant update (begun_at, begun_by, closed_at, closed_by, home) on round to elmhorn_app;
-- A day that is closed has been told of: it stays as it was.
create trigger closed_stays before update or delete on round for each row
  when (old.closed_at is not null) execute function book_refuses();

-- A line of the load sheet that somebody has seen on the truck, with the amount that it said then.
create table round_tick (
  outfit_id uuid not null,
  round_id uuid not null,
  line text not null check (length(line) between 1 and 300),
  amount text not null check (length(amount) <= 300),
  at timestamptz not null default now(),
  by_person uuid not null,
  primary key (outfit_id, round_id, line),
  foreign key (outfit_id, round_id) references round (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id)
);
create index round_tick_by_person on round_tick (outfit_id, by_person);

-- What a crew came to and did not do, and why.
create table left_undone (
  id uuid not null,
  outfit_id uuid not null,
  item_id uuid not null,
  kind text not null check (kind in ('plan', 'work', 'look')),
  tree_id uuid not null,
  place_id uuid not null,
  -- The round it stood on; null where somebody came by without one.
  round_id uuid,
  -- Where it stood on it, so that a slip puts it back there.
  position int,
  begins smallint,
  why text not null check (length(why) between 2 and 40),
  words text not null check (length(words) <= 600),
  on_day date not null,
  at timestamptz not null default now(),
  by_person uuid not null,
  withdrawn boolean not null default false,
  primary key (id, item_id),
  foreign key (outfit_id, tree_id) references tree (outfit_id, id),
  foreign key (outfit_id, place_id) references place (outfit_id, id),
  foreign key (outfit_id, round_id) references round (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id)
);
create index left_undone_by_round on left_undone (outfit_id, round_id) where round_id is not null;
create index left_undone_by_tree on left_undone (outfit_id, tree_id, at desc);
create index left_undone_by_item on left_undone (outfit_id, item_id, at desc);
create index left_undone_by_place on left_undone (outfit_id, place_id);
create index left_undone_by_person on left_undone (outfit_id, by_person);

-- What is told to a client, and when the carrier took it.
create table message (
  id uuid primary key,
  outfit_id uuid not null,
  client_id uuid not null,
  place_id uuid not null,
  round_id uuid,
  subject text not null check (length(subject) between 1 and 200),
  body text not null check (length(body) between 1 and 8000),
  at timestamptz not null default now(),
  by_person uuid not null,
  carried_at timestamptz,
  receipt text check (length(receipt) <= 120),
  check ((carried_at is null) = (receipt is null)),
  foreign key (outfit_id, client_id) references client (outfit_id, id),
  foreign key (outfit_id, place_id) references place (outfit_id, id),
  foreign key (outfit_id, round_id) references round (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id),
  unique (outfit_id, id)
);
create index message_by_round on message (outfit_id, round_id) where round_id is not null;
create index message_by_client on message (outfit_id, client_id, at desc);
create index message_by_place on message (outfit_id, place_id);
create index message_by_person on message (outfit_id, by_person);
create index message_waiting on message (outfit_id, at) where carried_at is null;

do $$
declare t text;
begin
  foreach t in array array['round_tick', 'left_undone', 'message'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_outfit on %I to elmhorn_app using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()))', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
end $$;
grant update (amount, at, by_person) on round_tick to elmhorn_app;
grant delete on round_tick to elmhorn_app;
grant update (withdrawn) on left_undone to elmhorn_app;
grant update (carried_at, receipt) on message to elmhorn_app;
