-- Devices that hang on trunks: each from when, with what, and until it is pulled and measured.
create table hanging (
  id uuid primary key,
  outfit_id uuid not null,
  tree_id uuid not null,
  plan_id uuid not null,
  site int not null check (site between 1 and 400),
  device text not null check (length(device) <= 40),
  -- What was put in of what is poured, mL, and the minutes in which it was expected to go in.
  put_ml double precision not null check (put_ml > 0 and put_ml <= 100000),
  expected_minutes double precision not null check (expected_minutes > 0),
  guarded text not null check (guarded in ('attended', 'fenced', 'signed')),
  -- Why it hangs through the night; null where nobody has said so.
  overnight text check (length(overnight) between 3 and 300),
  hung_at timestamptz not null,
  received_at timestamptz not null default now(),
  by_person uuid not null,
  pulled_at timestamptz,
  pulled_by uuid,
  left_ml double precision,
  lost_ml double precision not null default 0 check (lost_ml >= 0),
  check ((pulled_at is null) = (left_ml is null) and (pulled_at is null) = (pulled_by is null)),
  check (left_ml is null or left_ml >= 0 and left_ml + lost_ml <= put_ml + 1e-6),
  check (pulled_at is null or pulled_at >= hung_at),
  foreign key (outfit_id, tree_id) references tree (outfit_id, id),
  foreign key (outfit_id, plan_id) references plan (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id),
  foreign key (outfit_id, pulled_by) references person (outfit_id, id),
  unique (outfit_id, id)
);
create index hanging_now on hanging (outfit_id, hung_at, id) where pulled_at is null;
create index hanging_pulled on hanging (outfit_id, pulled_at desc) where pulled_at is not null;
create index hanging_by_plan on hanging (outfit_id, plan_id);
create index hanging_by_tree on hanging (outfit_id, tree_id);
create index hanging_by_person on hanging (outfit_id, by_person);
create index hanging_by_puller on hanging (outfit_id, pulled_by) where pulled_by is not null;
alter table hanging enable row level security;
create policy own_outfit on hanging to elmhorn_app
  using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()));
grant select, insert on hanging to elmhorn_app;
grant update (overnight, pulled_at, pulled_by, left_ml, lost_ml) on hanging to elmhorn_app;

-- What somebody saw of a device on the way round.
create table hanging_seen (
  id uuid primary key,
  outfit_id uuid not null,
  hanging_id uuid not null,
  at timestamptz not null,
  received_at timestamptz not null default now(),
  state text not null check (state in ('running', 'slow', 'stuck', 'leaking', 'empty')),
  left_ml double precision check (left_ml >= 0),
  by_person uuid not null,
  foreign key (outfit_id, hanging_id) references hanging (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id),
  unique (outfit_id, id)
);
create index hanging_seen_of on hanging_seen (outfit_id, hanging_id, at);
create index hanging_seen_by_person on hanging_seen (outfit_id, by_person);
alter table hanging_seen enable row level security;
create policy own_outfit on hanging_seen to elmhorn_app
  using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()));
grant select, insert on hanging_seen to elmhorn_app;
