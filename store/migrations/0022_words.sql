-- Words of the book are looked up along an index. “Like” may not use one under row-level security, since it might tell of rows
-- that are not one's own by failing on them; so the look-up is a function of the owner that filters by outfit itself.
create extension if not exists pg_trgm;
create extension if not exists btree_gin;

create function book_by_words(
  pattern text, of_place uuid, of_method text, from_day date, to_day date, after_day date, after_id uuid, most int
) returns table (id uuid) language sql stable security definer rows 60 set search_path = public, pg_temp as $$
  select r.id
  from record r
  where r.outfit_id = outfit_now() and r.latest and r.words ilike pattern
    and (of_place is null or r.place_id = of_place)
    and (of_method is null or r.method = of_method)
    and (from_day is null or r.done_on >= from_day)
    and (to_day is null or r.done_on <= to_day)
    and (after_day is null or (r.done_on, r.id) < (after_day, after_id))
  order by r.done_on desc, r.id desc
  limit most
$$;
revoke execute on function book_by_words from public;
grant execute on function book_by_words to elmhorn_app;
