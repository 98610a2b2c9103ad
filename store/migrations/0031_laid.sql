-- A programme of the year laid over trees of a place: as it was on that day, for the days it is planned for.
create table laid (
  id uuid primary key,
  outfit_id uuid not null,
  place_id uuid not null,
  programme jsonb not null check (jsonb_typeof(programme) = 'object'),
  from_day date not null,
  until_day date not null,
  -- Holds that were released for the row, and what was answered for all of it.
  reason text not null check (length(reason) <= 600),
  said jsonb not null default '{}',
  -- The laying whose season it goes on from.
  carried_from uuid,
  at timestamptz not null default now(),
  by_person uuid not null,
  -- Nothing more is planned from it.
  ended_on date,
  ended_because text check (length(ended_because) between 4 and 500),
  check (from_day <= until_day),
  check ((ended_on is null) = (ended_because is null)),
  foreign key (outfit_id, place_id) references place (outfit_id, id),
  foreign key (outfit_id, carried_from) references laid (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id),
  unique (outfit_id, id)
);
create index laid_by_place on laid (outfit_id, place_id, at desc);

-- One visit of it on one tree.
create table laid_visit (
  id uuid primary key,
  outfit_id uuid not null,
  laid_id uuid not null,
  tree_id uuid not null,
  step text not null check (length(step) between 1 and 60),
  year smallint not null,
  nth smallint not null check (nth between 1 and 20),
  kind text not null check (kind in ('treat', 'work', 'look')),
  -- 'expected' waits for a look; 'stopped' has no day on which it may be done; 'off' was left out.
  state text not null check (state in ('expected', 'stopped', 'planned', 'off')),
  day date not null,
  earliest date not null,
  latest date not null,
  -- Why it stands on its day, and what stands against it.
  reasons jsonb not null default '[]',
  -- Why somebody moved it by hand; it stays there as long as it may.
  by_hand text check (length(by_hand) between 4 and 500),
  stop jsonb,
  label_id uuid,
  use_key text check (length(use_key) <= 60),
  -- What a look found: cause for the step that waits for it, or none.
  found boolean,
  -- Why it was left out by hand.
  because text check (length(because) between 4 and 500),
  -- Somebody has dealt with what was left out.
  settled boolean not null default false,
  check (earliest <= day and day <= latest),
  check ((state = 'stopped') = (stop is not null)),
  foreign key (outfit_id, laid_id) references laid (outfit_id, id),
  foreign key (outfit_id, tree_id) references tree (outfit_id, id),
  foreign key (outfit_id, label_id) references label (outfit_id, id),
  unique (outfit_id, id),
  unique (outfit_id, laid_id, tree_id, step, year, nth)
);
create index laid_visit_by_tree on laid_visit (outfit_id, tree_id);

-- What moved a visit, from which day to which, and why.
create table visit_move (
  id uuid primary key,
  outfit_id uuid not null,
  visit_id uuid not null,
  from_day date not null,
  to_day date not null,
  reasons jsonb not null,
  at timestamptz not null default now(),
  by_person uuid not null,
  foreign key (outfit_id, visit_id) references laid_visit (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id)
);
create index visit_move_by_visit on visit_move (outfit_id, visit_id);

-- The visit of a programme that a plan carries out; such a plan does not give way to the next of its product. A look has the
-- visit as the root of its date among what is due.
alter table plan add column visit_id uuid;
alter table plan add constraint plan_visit foreign key (outfit_id, visit_id) references laid_visit (outfit_id, id) not valid;
alter table plan validate constraint plan_visit;
alter table work_plan add column visit_id uuid;
alter table work_plan add constraint work_plan_visit
  foreign key (outfit_id, visit_id) references laid_visit (outfit_id, id) not valid;
alter table work_plan validate constraint work_plan_visit;
-- A calendar that somebody subscribes to learns of a move by their number.
alter table plan add column moves smallint not null default 0;

-- An outfit makes its own programmes; the newest version of a key holds.
alter table knowledge_entry drop constraint knowledge_entry_kind_check;
alter table knowledge_entry add constraint knowledge_entry_kind_check
  check (kind in ('likelihood', 'condition', 'heat', 'programme')) not valid;
alter table knowledge_entry validate constraint knowledge_entry_kind_check;

do $$
declare t text;
begin
  foreach t in array array['laid', 'laid_visit', 'visit_move'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_outfit on %I to elmhorn_app using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()))', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
  execute 'create trigger append_only before update or delete on visit_move for each row execute function book_refuses()';
  execute 'create trigger append_only_whole before truncate on visit_move for each statement execute function book_refuses()';
end $$;
grant update (reason, ended_on, ended_because) on laid to elmhorn_app;
grant update (state, day, earliest, latest, reasons, by_hand, stop, label_id, use_key, found, because, settled) on laid_visit to elmhorn_app;
grant update (planned_for) on work_plan to elmhorn_app;
