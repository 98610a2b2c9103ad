-- Trees that a row was planned without, and why: they stay listed until somebody has dealt with them.
create table left_out (
  id uuid primary key,
  outfit_id uuid not null,
  tree_id uuid not null,
  label_id uuid not null,
  use_key text not null check (length(use_key) <= 60),
  -- What stands against it: a gate by its id with its words of that day, or what is missing.
  stop jsonb not null,
  settled boolean not null default false,
  at timestamptz not null default now(),
  by_person uuid not null,
  foreign key (outfit_id, tree_id) references tree (outfit_id, id),
  foreign key (outfit_id, label_id) references label (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id),
  unique (outfit_id, id)
);
create index left_out_open on left_out (outfit_id, tree_id) where not settled;
create index left_out_by_label on left_out (outfit_id, label_id);
create index left_out_by_person on left_out (outfit_id, by_person);
alter table left_out enable row level security;
create policy own_outfit on left_out to elmhorn_app
  using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()));
grant select, insert on left_out to elmhorn_app;
grant update (settled) on left_out to elmhorn_app;
