-- What an examination holds beside its signs; quick tests; how a decision was reached; changes found while digging;
-- an outfit's own knowledge; practice rounds.
alter table look add column detail jsonb not null default '{}';
alter table finding
  add column bearing int check (bearing between 0 and 359),
  add column counted_of int check (counted_of between 1 and 2000),
  add column counted_had int check (counted_had between 0 and counted_of),
  add constraint counted_both check ((counted_of is null) = (counted_had is null));
alter table photo add column sign_id text check (length(sign_id) between 1 and 60);
-- What the ranking said when it was decided, and which looks and tests overturned the decision before it.
alter table verdict add column ranking jsonb not null default '[]', add column overturned_by text[] not null default '{}';
alter table outfit
  add column programme text not null default 'conventional' check (programme in ('conventional', 'organic', 'threshold')),
  add constraint crown_loss_school_known check (crown_loss_school in ('knowledge', '30', '50'));
create index verdict_by_time on verdict (outfit_id, at desc, id);
create index finding_by_sign on finding (outfit_id, sign_id, look_id);

create table test_result (
  outfit_id uuid not null, look_id uuid not null, test_id text not null check (length(test_id) between 1 and 60),
  outcome text not null check (length(outcome) between 1 and 60), primary key (look_id, test_id),
  foreign key (outfit_id, look_id) references look (outfit_id, id)
);
create index test_result_by_look on test_result (outfit_id, look_id);

create table plan_change (
  id uuid primary key, outfit_id uuid not null, tree_id uuid not null, look_id uuid not null,
  what text not null check (length(what) between 1 and 1000), price_minor int check (price_minor between 0 and 100000000),
  state text not null default 'open' check (state in ('open', 'approved', 'declined')),
  at timestamptz not null default now(), by_person uuid not null, settled_at timestamptz, settled_by uuid,
  settled_how text not null default '' check (length(settled_how) <= 400),
  foreign key (outfit_id, tree_id) references tree (outfit_id, id), foreign key (outfit_id, look_id) references look (outfit_id, id),
  foreign key (outfit_id, by_person) references person (outfit_id, id), unique (outfit_id, id)
);
create index plan_change_by_tree on plan_change (outfit_id, tree_id, at desc);

-- Versions of what an outfit knows better: the newest of a key holds, and an empty one takes it back.
create table knowledge_entry (
  id uuid primary key, outfit_id uuid not null references outfit, kind text not null check (kind in ('likelihood', 'condition')),
  key text not null check (length(key) between 1 and 200), version int not null check (version >= 1), data jsonb not null,
  note text not null default '' check (length(note) <= 1000), at timestamptz not null default now(), by_person uuid not null,
  foreign key (outfit_id, by_person) references person (outfit_id, id), unique (outfit_id, kind, key, version)
);

create table practice_round (
  id uuid primary key, outfit_id uuid not null, person_id uuid not null, at timestamptz not null default now(),
  seed int not null, level int not null check (level between 1 and 3), score int not null check (score between 0 and 100),
  data jsonb not null, foreign key (outfit_id, person_id) references person (outfit_id, id)
);
create index practice_round_by_person on practice_round (outfit_id, person_id, at desc);

do $$
declare t text;
begin
  foreach t in array array['test_result','plan_change','knowledge_entry','practice_round'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_outfit on %I to elmhorn_app using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()))', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
  foreach t in array array['test_result','knowledge_entry','practice_round'] loop
    execute format('create trigger append_only before update or delete on %I for each row execute function book_refuses()', t);
    execute format('create trigger append_only_whole before truncate on %I for each statement execute function book_refuses()', t);
  end loop;
end $$;
grant update (state, settled_at, settled_by, settled_how) on plan_change to elmhorn_app;
