-- What a client is offered, and what the client answered. The address of a proposal is a secret of 24 bytes; only its hash
-- is kept. The text is written once; revoking is the only change.
create table proposal (
  id uuid primary key, outfit_id uuid not null, tree_id uuid not null, token_hash bytea not null unique,
  data jsonb not null, expires_at timestamptz not null, revoked_at timestamptz,
  at timestamptz not null default now(), by_person uuid not null,
  foreign key (outfit_id, tree_id) references tree (outfit_id, id), foreign key (outfit_id, by_person) references person (outfit_id, id),
  unique (outfit_id, id)
);
create index proposal_by_tree on proposal (outfit_id, tree_id, at desc);
-- One answer a proposal, for good.
create table proposal_answer (
  proposal_id uuid primary key, outfit_id uuid not null, option_key text check (length(option_key) between 1 and 200),
  changes uuid[] not null default '{}', who text not null check (length(who) between 1 and 120),
  word text not null default '' check (length(word) <= 1000), at timestamptz not null default now(),
  foreign key (outfit_id, proposal_id) references proposal (outfit_id, id)
);
create index proposal_answer_by_outfit on proposal_answer (outfit_id, at desc);
do $$
declare t text;
begin
  foreach t in array array['proposal','proposal_answer'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy own_outfit on %I to elmhorn_app using (outfit_id = (select outfit_now())) with check (outfit_id = (select outfit_now()))', t);
    execute format('grant select, insert on %I to elmhorn_app', t);
  end loop;
end $$;
create trigger append_only before update or delete on proposal_answer for each row execute function book_refuses();
create trigger append_only_whole before truncate on proposal_answer for each statement execute function book_refuses();
grant update (revoked_at) on proposal to elmhorn_app;

-- Whose proposal an address opens: asked before an outfit is known, by the hash alone, and only while it holds.
create function proposal_lookup(wanted bytea) returns table (id uuid, outfit_id uuid, person_id uuid)
language sql security definer set search_path = public stable as
$$ select id, outfit_id, by_person from proposal where token_hash = wanted and revoked_at is null and expires_at > now() $$;
revoke all on function proposal_lookup from public;
grant execute on function proposal_lookup to elmhorn_app;
