-- A list that was brought in is a thing: it has a name, is listed, and is taken back whole while nothing rests on it.
create table tree_import (
  id uuid primary key,
  outfit_id uuid not null references outfit (id),
  place_id uuid not null,
  name text not null check (length(name) between 1 and 200),
  trees int not null check (trees >= 0),
  at timestamptz not null default clock_now(),
  by_person uuid not null,
  taken_back_at timestamptz,
  taken_back_by uuid,
  check ((taken_back_at is null) = (taken_back_by is null)),
  foreign key (outfit_id, place_id) references place (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id),
  foreign key (outfit_id, taken_back_by) references person (outfit_id, id),
  unique (outfit_id, id)
);
create index tree_import_by_place on tree_import (outfit_id, place_id);
create index tree_import_newest on tree_import (outfit_id, at desc, id);
create index tree_import_by_person on tree_import (outfit_id, by_person);
create index tree_import_taken_back_by on tree_import (outfit_id, taken_back_by) where taken_back_by is not null;
alter table tree_import enable row level security;
create policy own_outfit on tree_import to elmhorn_app
  using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()));
grant select, insert on tree_import to elmhorn_app;
grant update (taken_back_at, taken_back_by) on tree_import to elmhorn_app;

alter table tree
  add column import_id uuid,
  add foreign key (outfit_id, import_id) references tree_import (outfit_id, id);
create index tree_by_import on tree (outfit_id, import_id) where import_id is not null;

-- A tag that came off with its tree is free for another.
alter table tree drop constraint tree_outfit_id_place_id_tag_key;
create unique index tree_tag_hangs_once on tree (outfit_id, place_id, tag) where archived_at is null;
