-- What a page asks for by its key, and not by a walk over the book.
create index record_uptake on record (outfit_id, label_key, done_on desc, id desc)
  where latest and not withdrawn and method = 'trunk-injection' and ended_at > started_at;

-- Who a session belongs to, for the rest of the transaction: it sees that outfit's rows and no others.
create function session_open(wanted bytea) returns table (person_id uuid, outfit_id uuid)
language sql security definer set search_path = public, pg_temp volatile as
$$ select s.person_id, s.outfit_id
   from session s
   join person p on p.id = s.person_id
   cross join lateral (
     select set_config('elmhorn.outfit', s.outfit_id::text, true), set_config('elmhorn.person', s.person_id::text, true)) c
   where s.token_hash = wanted and s.expires_at > now() and p.active $$;
revoke all on function session_open from public;
grant execute on function session_open to elmhorn_app;
