-- How sure a sighting is, and whether it is of last season; looks taken back; samples sent and answered; several troubles on
-- one tree; what others put on one tree, and how it went; picking as a span by variety.
alter table finding
  add column sure text not null default 'sure' check (sure in ('sure', 'perhaps')),
  add column last_season boolean not null default false;

-- Named troubles that this decision says were wrong; what is not named here goes on beside it.
alter table verdict add column overturns uuid[] not null default '{}' check (cardinality(overturns) <= 20);

alter table place
  add column last_picking date,
  -- Spans of single varieties: [{variety, from, to}].
  add column pickings jsonb not null default '[]',
  add constraint picking_in_order check (last_picking >= first_picking);
alter table tree
  add column variety text not null default '' check (length(variety) <= 80),
  -- Whether its crop is eaten, where it differs from what is usual for its kind.
  add column eaten boolean;

alter table others_applied
  add column tree_id uuid,
  add column family text not null default '' check (length(family) <= 60),
  add column resistance text not null default '' check (length(resistance) <= 40),
  add column condition_id text check (length(condition_id) between 1 and 60),
  add column effect text check (effect in ('none', 'some', 'good')),
  add foreign key (outfit_id, tree_id) references tree (outfit_id, id);
create index others_applied_by_tree on others_applied (outfit_id, tree_id, on_day) where tree_id is not null;

create table look_withdrawal (
  look_id uuid primary key,
  outfit_id uuid not null,
  reason text not null check (length(reason) between 3 and 400),
  at timestamptz not null default now(),
  by_person uuid not null,
  foreign key (outfit_id, look_id) references look (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id)
);

-- A sample or a photograph sent to a laboratory or a colleague, and its answer. No picture is read by machine.
create table sample (
  id uuid primary key,
  outfit_id uuid not null,
  tree_id uuid not null,
  what text not null check (length(what) between 3 and 400),
  sent_to text not null check (length(sent_to) between 2 and 200),
  -- The laboratory test whose outcomes its answer can have; none for a colleague's word.
  test_id text check (length(test_id) between 1 and 60),
  sent_on date not null,
  at timestamptz not null default now(),
  by_person uuid not null,
  foreign key (outfit_id, tree_id) references tree (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id),
  unique (outfit_id, id)
);
create index sample_by_tree on sample (outfit_id, tree_id, sent_on desc);

create table sample_answer (
  sample_id uuid primary key,
  outfit_id uuid not null,
  -- The look by which the answer became evidence; none where it was words alone.
  look_id uuid,
  answer text not null check (length(answer) between 1 and 2000),
  on_day date not null,
  at timestamptz not null default now(),
  by_person uuid not null,
  foreign key (outfit_id, sample_id) references sample (outfit_id, id),
  foreign key (outfit_id, look_id) references look (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id)
);

do $$
declare t text;
begin
  foreach t in array array['look_withdrawal', 'sample', 'sample_answer'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_outfit on %I to elmhorn_app using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()))', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
    execute format('create trigger append_only before update or delete on %I for each row execute function book_refuses()', t);
    execute format('create trigger append_only_whole before truncate on %I for each statement execute function book_refuses()', t);
  end loop;
end $$;
