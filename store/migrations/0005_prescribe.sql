-- Crowns and flares; the plan of the grounds; schools and region profiles; sprayers; works without a label; what others
-- put down; plans in steps with a price.
alter table reading
  add column crown_width_m numeric check (crown_width_m > 0 and crown_width_m <= 60),
  add column crown_base_m numeric check (crown_base_m >= 0 and crown_base_m <= 100),
  add column flares jsonb not null default '[]';
alter table place add column grounds jsonb;
alter table tree
  add column plan_x double precision check (plan_x between -20000 and 20000),
  add column plan_y double precision check (plan_y between -20000 and 20000),
  add constraint on_plan_both check ((plan_x is null) = (plan_y is null));
alter table outfit add column schools jsonb not null default '{}', add column prices jsonb not null default '{}';
alter table vessel add column reserved boolean not null default true;

-- What an outfit has made of a region's profile: the newest version of a key holds.
create table region_profile (
  id uuid primary key, outfit_id uuid not null references outfit, key text not null check (length(key) between 1 and 60),
  version int not null check (version >= 1), data jsonb not null, at timestamptz not null default now(), by_person uuid not null,
  foreign key (outfit_id, by_person) references person (outfit_id, id), unique (outfit_id, key, version)
);

create table sprayer (
  id uuid primary key, outfit_id uuid not null references outfit, name text not null check (length(name) between 1 and 80),
  holds_ml numeric not null check (holds_ml > 0 and holds_ml <= 5e6), flow_ml_min numeric check (flow_ml_min > 0 and flow_ml_min <= 1e6),
  calibrated_on date, check ((flow_ml_min is null) = (calibrated_on is null)), unique (outfit_id, id)
);
create index sprayer_by_outfit on sprayer (outfit_id, holds_ml);

-- Actives that the client or others put down on a place: counted against caps like one's own.
create table others_applied (
  id uuid primary key, outfit_id uuid not null, place_id uuid not null, active text not null check (length(active) between 2 and 80),
  grams numeric not null check (grams > 0 and grams <= 1e7), on_day date not null, who text not null check (length(who) between 1 and 120),
  at timestamptz not null default now(), by_person uuid not null,
  foreign key (outfit_id, place_id) references place (outfit_id, id), foreign key (outfit_id, by_person) references person (outfit_id, id)
);
create index others_applied_by_place on others_applied (outfit_id, place_id, on_day);

-- A work that needs no label, planned for a tree: what was answered, and the sheet it gave.
create table work_plan (
  id uuid primary key, outfit_id uuid not null, tree_id uuid not null, work_id text not null check (length(work_id) between 1 and 60),
  condition_id text, answers jsonb not null, sheet jsonb not null, released jsonb not null default '{}',
  state text not null default 'open' check (state in ('open', 'done', 'dropped')),
  at timestamptz not null default now(), by_person uuid not null,
  done_on date, done_by uuid, note text not null default '' check (length(note) <= 2000),
  check ((state = 'done') = (done_on is not null)),
  foreign key (outfit_id, tree_id) references tree (outfit_id, id), foreign key (outfit_id, by_person) references person (outfit_id, id),
  unique (outfit_id, id)
);
create index work_plan_by_tree on work_plan (outfit_id, tree_id, at desc);
create unique index work_plan_one_open on work_plan (outfit_id, tree_id, work_id) where state = 'open';
create index work_plan_open on work_plan (outfit_id, at, id) where state = 'open';

do $$
declare t text;
begin
  foreach t in array array['region_profile','sprayer','others_applied','work_plan'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_outfit on %I to elmhorn_app using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()))', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
  foreach t in array array['region_profile','others_applied'] loop
    execute format('create trigger append_only before update or delete on %I for each row execute function book_refuses()', t);
    execute format('create trigger append_only_whole before truncate on %I for each statement execute function book_refuses()', t);
  end loop;
end $$;
grant update, delete on sprayer to elmhorn_app;
grant update (state, done_on, done_by, note) on work_plan to elmhorn_app;
