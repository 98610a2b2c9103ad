-- What is to be done at a place on a day without a plan: what somebody of the outfit comes back for, or what is left to the client.
create table task (
  id uuid primary key,
  outfit_id uuid not null,
  place_id uuid not null,
  -- Null for the whole place.
  tree_id uuid,
  who text not null check (who in ('outfit', 'client')),
  what text not null check (length(what) between 3 and 200),
  -- How the client does it, in words for somebody who does not do this for a living.
  instructions text not null default '' check (length(instructions) <= 2000),
  due date not null,
  state text not null default 'open' check (state in ('open', 'done', 'dropped')),
  settled_at timestamptz,
  settled_by uuid,
  -- Whoever said on the client's own page that it is done, and what they added.
  done_by text check (length(done_by) between 2 and 120),
  said text not null default '' check (length(said) <= 1000),
  version int not null default 0,
  at timestamptz not null default now(),
  changed_at timestamptz not null default now(),
  by_person uuid not null,
  check ((state = 'open') = (settled_at is null)),
  foreign key (outfit_id, place_id) references place (outfit_id, id),
  foreign key (outfit_id, tree_id) references tree (outfit_id, id),
  foreign key (outfit_id, settled_by) references person (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id),
  unique (outfit_id, id)
);
create index task_due on task (outfit_id, due, id) where state = 'open';
create index task_by_place on task (outfit_id, place_id, due, id);
create index task_by_tree on task (outfit_id, tree_id) where tree_id is not null;
create index task_by_settler on task (outfit_id, settled_by) where settled_by is not null;
create index task_by_person on task (outfit_id, by_person);
alter table task enable row level security;
create policy own_outfit on task to elmhorn_app
  using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()));
grant select, insert on task to elmhorn_app;
grant update (state, settled_at, settled_by, done_by, said, due, version, changed_at) on task to elmhorn_app;
