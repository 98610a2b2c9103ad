-- contracts
-- One vocabulary: tables and columns bear the names that screens, papers and code use. Nothing is lost: everything here is
-- renamed in place; what is kept as text inside rows (names of commands, issues of a refused write, who does a task, what a
-- due date comes from) is rewritten at the end.

-- Tables
alter table away rename to absence;
alter table batch_taken rename to batch_draw;
alter table day_told rename to client_notice;
alter table hanging rename to device_installation;
alter table hanging_seen rename to device_reading;
alter table label_off rename to retired_label;
alter table laid rename to programme_assignment;
alter table laid_visit rename to programme_visit;
alter table left_out rename to skipped_tree;
alter table left_undone rename to not_done;
alter table look rename to inspection;
alter table look_withdrawal rename to inspection_void;
alter table needs_look rename to sync_conflict;
alter table outfit rename to company;
alter table place rename to site;
alter table place_calendar rename to site_calendar;
alter table plan rename to treatment_plan;
alter table practice_round rename to practice_session;
alter table proposal rename to quote;
alter table proposal_answer rename to quote_answer;
alter table reading rename to measurement;
alter table round rename to crew_day;
alter table round_item rename to crew_day_item;
alter table round_tick rename to load_check;
alter table sighting rename to stage_note;
alter table sighting_withdrawal rename to stage_note_void;
alter table verdict rename to diagnosis;

-- Columns
alter view stock_entry rename column outfit_id to company_id;
alter table absence rename column outfit_id to company_id;
alter table batch rename column outfit_id to company_id;
alter table batch rename column round_id to crew_day_id;
alter table batch_lot rename column outfit_id to company_id;
alter table batch_draw rename column outfit_id to company_id;
alter table client rename column outfit_id to company_id;
alter table command_done rename column outfit_id to company_id;
alter table crew rename column outfit_id to company_id;
alter table crew_person rename column outfit_id to company_id;
alter table client_notice rename column outfit_id to company_id;
alter table client_notice rename column place_id to site_id;
alter table equipment rename column outfit_id to company_id;
alter table finding rename column look_id to inspection_id;
alter table finding rename column outfit_id to company_id;
alter table follow_up rename column outfit_id to company_id;
alter table gate_code rename column outfit_id to company_id;
alter table gate_code rename column place_id to site_id;
alter table device_installation rename column hung_at to installed_at;
alter table device_installation rename column outfit_id to company_id;
alter table device_installation rename column pulled_at to removed_at;
alter table device_installation rename column pulled_by to removed_by;
alter table device_reading rename column hanging_id to installation_id;
alter table device_reading rename column outfit_id to company_id;
alter table knowledge_entry rename column outfit_id to company_id;
alter table label rename column outfit_id to company_id;
alter table label_check rename column outfit_id to company_id;
alter table retired_label rename column outfit_id to company_id;
alter table programme_assignment rename column outfit_id to company_id;
alter table programme_assignment rename column place_id to site_id;
alter table programme_visit rename column laid_id to assignment_id;
alter table programme_visit rename column outfit_id to company_id;
alter table skipped_tree rename column outfit_id to company_id;
alter table not_done rename column outfit_id to company_id;
alter table not_done rename column place_id to site_id;
alter table not_done rename column round_id to crew_day_id;
alter table inspection rename column outfit_id to company_id;
alter table inspection_void rename column look_id to inspection_id;
alter table inspection_void rename column outfit_id to company_id;
alter table lot rename column outfit_id to company_id;
alter table message rename column outfit_id to company_id;
alter table message rename column place_id to site_id;
alter table message rename column round_id to crew_day_id;
alter table sync_conflict rename column faults to issues;
alter table sync_conflict rename column outfit_id to company_id;
alter table sync_conflict rename column verb to command;
alter table others_applied rename column outfit_id to company_id;
alter table others_applied rename column place_id to site_id;
alter table company rename column crown_loss_school to crown_loss_practice;
alter table password_reset rename column outfit_id to company_id;
alter table person rename column outfit_id to company_id;
alter table phone rename column outfit_id to company_id;
alter table photo rename column outfit_id to company_id;
alter table site rename column grounds to site_map;
alter table site rename column grounds_version to site_map_version;
alter table site rename column outfit_id to company_id;
alter table site_calendar rename column outfit_id to company_id;
alter table site_calendar rename column place_id to site_id;
alter table treatment_plan rename column outfit_id to company_id;
alter table plan_change rename column look_id to inspection_id;
alter table plan_change rename column outfit_id to company_id;
alter table practice_session rename column outfit_id to company_id;
alter table programme rename column outfit_id to company_id;
alter table quote rename column outfit_id to company_id;
alter table quote rename column place_id to site_id;
alter table quote rename column revoked_at to cancelled_at;
alter table quote_answer rename column outfit_id to company_id;
alter table quote_answer rename column proposal_id to quote_id;
alter table rate rename column outfit_id to company_id;
alter table measurement rename column outfit_id to company_id;
alter table record rename column outfit_id to company_id;
alter table record rename column place_id to site_id;
alter table region_profile rename column outfit_id to company_id;
alter table crew_day rename column outfit_id to company_id;
alter table crew_day_item rename column outfit_id to company_id;
alter table crew_day_item rename column place_id to site_id;
alter table crew_day_item rename column round_id to crew_day_id;
alter table load_check rename column outfit_id to company_id;
alter table load_check rename column round_id to crew_day_id;
alter table sample rename column outfit_id to company_id;
alter table sample_answer rename column look_id to inspection_id;
alter table sample_answer rename column outfit_id to company_id;
alter table session rename column outfit_id to company_id;
alter table stage_note rename column outfit_id to company_id;
alter table stage_note rename column place_id to site_id;
alter table stage_note_void rename column outfit_id to company_id;
alter table stage_note_void rename column sighting_id to stage_note_id;
alter table sprayer rename column outfit_id to company_id;
alter table stock_level rename column outfit_id to company_id;
alter table stock_move rename column outfit_id to company_id;
alter table task rename column outfit_id to company_id;
alter table task rename column place_id to site_id;
alter table test_result rename column look_id to inspection_id;
alter table test_result rename column outfit_id to company_id;
alter table tree rename column outfit_id to company_id;
alter table tree rename column place_id to site_id;
alter table tree_import rename column outfit_id to company_id;
alter table tree_import rename column place_id to site_id;
alter table tree_import rename column taken_back_at to voided_at;
alter table tree_import rename column taken_back_by to voided_by;
alter table diagnosis rename column look_id to inspection_id;
alter table diagnosis rename column outfit_id to company_id;
alter table vessel rename column outfit_id to company_id;
alter table visit_move rename column outfit_id to company_id;
alter table weather_day rename column outfit_id to company_id;
alter table weather_day rename column place_id to site_id;
alter table weather_hour rename column outfit_id to company_id;
alter table weather_hour rename column place_id to site_id;
alter table work_plan rename column outfit_id to company_id;

-- Functions
alter function book_refuses() rename to records_refuse;
alter function next_grounds_version() rename to next_site_map_version;
alter function outfit_now() rename to company_now;
create or replace function company_now()
 returns uuid
 language sql
 stable PARALLEL SAFE
as $$ select nullif(current_setting('elmhorn.company', true), '')::uuid $$;
drop function book_by_words(text, uuid, text, date, date, date, uuid, integer);
create or replace function record_by_words(pattern text, of_site uuid, of_method text, from_day date, to_day date, after_day date, after_id uuid, most integer)
 returns TABLE(id uuid)
 language sql
 stable security definer ROWS 60
 set search_path to 'public', 'pg_temp'
as $$
  select r.id
  from record r
  where r.company_id = company_now() and r.latest and r.words ilike pattern
    and (of_site is null or r.site_id = of_site)
    and (of_method is null or r.method = of_method)
    and (from_day is null or r.done_on >= from_day)
    and (to_day is null or r.done_on <= to_day)
    and (after_day is null or (r.done_on, r.id) < (after_day, after_id))
  order by r.done_on desc, r.id desc
  limit most
$$;
revoke all on function record_by_words(text, uuid, text, date, date, date, uuid, integer) from public;
grant execute on function record_by_words(text, uuid, text, date, date, date, uuid, integer) to elmhorn_app;
create or replace function records_refuse()
 returns trigger
 language plpgsql
as $$
begin
  if tg_op = 'UPDATE' and tg_table_name = 'record' and pg_trigger_depth() > 1
     and to_jsonb(new) - 'latest' = to_jsonb(old) - 'latest' then return new; end if;
  raise exception 'the book is append-only: % on % refused', tg_op, tg_table_name using errcode = '23001';
end $$;
drop function calendar_lookup(bytea);
create or replace function calendar_lookup(wanted bytea)
 returns TABLE(person_id uuid, company_id uuid)
 language sql
 stable security definer
 set search_path to 'public', 'pg_temp'
as $$ select id, company_id from person where calendar_token_hash = wanted and active $$;
revoke all on function calendar_lookup(bytea) from public;
grant execute on function calendar_lookup(bytea) to elmhorn_app;
create or replace function keep_balance()
 returns trigger
 language plpgsql
 security definer
 set search_path to 'public'
as $$
begin
  update lot set on_hand = on_hand + new.amount where id = new.lot_id and company_id = new.company_id;
  return new;
end $$;
create or replace function keep_batch()
 returns trigger
 language plpgsql
 security definer
 set search_path to 'public'
as $$
begin
  update batch set left_ml = left_ml - new.mix_ml where id = new.batch_id and company_id = new.company_id;
  return new;
end $$;
create or replace function newest_version()
 returns trigger
 language plpgsql
 security definer
 set search_path to 'public'
as $$
begin
  update record set latest = false where company_id = new.company_id and root_id = new.root_id and version < new.version and latest;
  return new;
end $$;
create or replace function next_site_map_version()
 returns trigger
 language plpgsql
 set search_path to 'public', 'pg_temp'
as $$
begin
  new.site_map_version := old.site_map_version + 1;
  return new;
end $$;
drop function password_reset_lookup(bytea);
create or replace function password_reset_lookup(wanted bytea)
 returns TABLE(person_id uuid, company_id uuid, name text, email text)
 language sql
 stable security definer
 set search_path to 'public', 'pg_temp'
as $$ select p.id, p.company_id, p.name, p.email
   from password_reset r join person p on p.id = r.person_id
   where r.token_hash = wanted and r.used_at is null and r.expires_at > clock_now() and p.active $$;
revoke all on function password_reset_lookup(bytea) from public;
grant execute on function password_reset_lookup(bytea) to elmhorn_app;
drop function place_calendar_lookup(bytea);
create or replace function site_calendar_lookup(wanted bytea)
 returns TABLE(company_id uuid, site_id uuid, person_id uuid)
 language sql
 stable security definer
 set search_path to 'public', 'pg_temp'
as $$ select company_id, site_id, by_person from site_calendar where token_hash = wanted $$;
revoke all on function site_calendar_lookup(bytea) from public;
grant execute on function site_calendar_lookup(bytea) to elmhorn_app;
drop function proposal_lookup(bytea);
create or replace function quote_lookup(wanted bytea)
 returns TABLE(id uuid, company_id uuid, person_id uuid)
 language sql
 stable security definer
 set search_path to 'public'
as $$ select id, company_id, by_person from quote where token_hash = wanted and cancelled_at is null and expires_at > clock_now() $$;
revoke all on function quote_lookup(bytea) from public;
grant execute on function quote_lookup(bytea) to elmhorn_app;
create or replace function reader_reads_us()
 returns boolean
 language sql
 stable PARALLEL SAFE
 set search_path to 'public', 'pg_temp'
as $$ select coalesce((select p.units = 'us' from person p where p.company_id = company_now() and p.id = person_now()), false) $$;
drop function session_lookup(bytea);
create or replace function session_lookup(wanted bytea)
 returns TABLE(person_id uuid, company_id uuid)
 language sql
 stable security definer
 set search_path to 'public', 'pg_temp'
as $$ select s.person_id, s.company_id from session s join person p on p.id = s.person_id
   where s.token_hash = wanted and s.expires_at > clock_now() and p.active $$;
revoke all on function session_lookup(bytea) from public;
grant execute on function session_lookup(bytea) to elmhorn_app;
drop function session_open(bytea);
create or replace function session_open(wanted bytea)
 returns TABLE(person_id uuid, company_id uuid)
 language plpgsql
 security definer
 set search_path to 'public', 'pg_temp'
as $$
declare
  s session;
begin
  select x.* into s
  from session x
  join person p on p.id = x.person_id
  where x.token_hash = wanted and x.expires_at > clock_now() and x.used_at > clock_now() - interval '10 days' and p.active;
  if not found then
    return;
  end if;
  -- Once an hour is near enough, and a page costs no write.
  if s.used_at < clock_now() - interval '1 hour' then
    update session x set used_at = clock_now() where x.token_hash = wanted;
  end if;
  perform set_config('elmhorn.company', s.company_id::text, true), set_config('elmhorn.person', s.person_id::text, true);
  return query select s.person_id, s.company_id;
end $$;
revoke all on function session_open(bytea) from public;
grant execute on function session_open(bytea) to elmhorn_app;
drop function sign_in_lookup(text);
create or replace function sign_in_lookup(wanted text)
 returns TABLE(person_id uuid, company_id uuid, password_hash text)
 language sql
 stable security definer
 set search_path to 'public', 'pg_temp'
as $$ select id, company_id, password_hash from person where email = lower(wanted) and active $$;
revoke all on function sign_in_lookup(text) from public;
grant execute on function sign_in_lookup(text) to elmhorn_app;

-- Constraints, indexes and triggers bear the names of what they are on
alter table absence rename constraint away_check to absence_check;
alter table absence rename constraint away_outfit_id_by_person_fkey to absence_company_id_by_person_fkey;
alter table absence rename constraint away_outfit_id_id_key to absence_company_id_id_key;
alter table absence rename constraint away_outfit_id_person_id_fkey to absence_company_id_person_id_fkey;
alter table absence rename constraint away_pkey to absence_pkey;
alter table absence rename constraint away_why_check to absence_why_check;
alter table batch rename constraint batch_outfit_id_by_person_fkey to batch_company_id_by_person_fkey;
alter table batch rename constraint batch_outfit_id_code_key to batch_company_id_code_key;
alter table batch rename constraint batch_outfit_id_id_key to batch_company_id_id_key;
alter table batch rename constraint batch_outfit_id_label_id_fkey to batch_company_id_label_id_fkey;
alter table batch rename constraint batch_outfit_id_round_id_fkey to batch_company_id_crew_day_id_fkey;
alter table batch_lot rename constraint batch_lot_outfit_id_batch_id_fkey to batch_lot_company_id_batch_id_fkey;
alter table batch_lot rename constraint batch_lot_outfit_id_lot_id_fkey to batch_lot_company_id_lot_id_fkey;
alter table batch_draw rename constraint batch_taken_check to batch_draw_check;
alter table batch_draw rename constraint batch_taken_check1 to batch_draw_check1;
alter table batch_draw rename constraint batch_taken_check2 to batch_draw_check2;
alter table batch_draw rename constraint batch_taken_ended_check to batch_draw_ended_check;
alter table batch_draw rename constraint batch_taken_outfit_id_batch_id_fkey to batch_draw_company_id_batch_id_fkey;
alter table batch_draw rename constraint batch_taken_outfit_id_by_person_fkey to batch_draw_company_id_by_person_fkey;
alter table batch_draw rename constraint batch_taken_pkey to batch_draw_pkey;
alter table batch_draw rename constraint batch_taken_words_check to batch_draw_words_check;
alter table client rename constraint client_outfit_id_fkey to client_company_id_fkey;
alter table client rename constraint client_outfit_id_id_key to client_company_id_id_key;
alter table command_done rename constraint command_done_outfit_id_fkey to command_done_company_id_fkey;
alter table command_done rename constraint command_done_outfit_id_person_id_fkey to command_done_company_id_person_id_fkey;
alter table command_done rename constraint command_done_outfit_id_phone_id_fkey to command_done_company_id_phone_id_fkey;
alter table crew rename constraint crew_outfit_id_fkey to crew_company_id_fkey;
alter table crew rename constraint crew_outfit_id_id_key to crew_company_id_id_key;
alter table crew_person rename constraint crew_person_outfit_id_crew_id_fkey to crew_person_company_id_crew_id_fkey;
alter table crew_person rename constraint crew_person_outfit_id_person_id_fkey to crew_person_company_id_person_id_fkey;
alter table client_notice rename constraint day_told_outfit_id_by_person_fkey to client_notice_company_id_by_person_fkey;
alter table client_notice rename constraint day_told_outfit_id_place_id_fkey to client_notice_company_id_site_id_fkey;
alter table client_notice rename constraint day_told_pkey to client_notice_pkey;
alter table equipment rename constraint equipment_outfit_id_fkey to equipment_company_id_fkey;
alter table equipment rename constraint equipment_outfit_id_id_key to equipment_company_id_id_key;
alter table finding rename constraint finding_outfit_id_look_id_fkey to finding_company_id_inspection_id_fkey;
alter table follow_up rename constraint follow_up_outfit_id_root_id_rule_id_key to follow_up_company_id_root_id_rule_id_key;
alter table follow_up rename constraint follow_up_outfit_id_tree_id_fkey to follow_up_company_id_tree_id_fkey;
alter table gate_code rename constraint gate_code_outfit_id_place_id_fkey to gate_code_company_id_site_id_fkey;
alter table device_installation rename constraint hanging_because_check to device_installation_because_check;
alter table device_installation rename constraint hanging_check to device_installation_check;
alter table device_installation rename constraint hanging_check1 to device_installation_check1;
alter table device_installation rename constraint hanging_check2 to device_installation_check2;
alter table device_installation rename constraint hanging_device_check to device_installation_device_check;
alter table device_installation rename constraint hanging_expected_minutes_check to device_installation_expected_minutes_check;
alter table device_installation rename constraint hanging_guarded_check to device_installation_guarded_check;
alter table device_installation rename constraint hanging_lost_ml_check to device_installation_lost_ml_check;
alter table device_installation rename constraint hanging_outfit_id_by_person_fkey to device_installation_company_id_by_person_fkey;
alter table device_installation rename constraint hanging_outfit_id_id_key to device_installation_company_id_id_key;
alter table device_installation rename constraint hanging_outfit_id_plan_id_fkey to device_installation_company_id_plan_id_fkey;
alter table device_installation rename constraint hanging_outfit_id_pulled_by_fkey to device_installation_company_id_removed_by_fkey;
alter table device_installation rename constraint hanging_outfit_id_tree_id_fkey to device_installation_company_id_tree_id_fkey;
alter table device_installation rename constraint hanging_overnight_check to device_installation_overnight_check;
alter table device_installation rename constraint hanging_pkey to device_installation_pkey;
alter table device_installation rename constraint hanging_put_ml_check to device_installation_put_ml_check;
alter table device_installation rename constraint hanging_site_check to device_installation_site_check;
alter table device_reading rename constraint hanging_seen_left_ml_check to device_reading_left_ml_check;
alter table device_reading rename constraint hanging_seen_outfit_id_by_person_fkey to device_reading_company_id_by_person_fkey;
alter table device_reading rename constraint hanging_seen_outfit_id_hanging_id_fkey to device_reading_company_id_installation_id_fkey;
alter table device_reading rename constraint hanging_seen_outfit_id_id_key to device_reading_company_id_id_key;
alter table device_reading rename constraint hanging_seen_pkey to device_reading_pkey;
alter table device_reading rename constraint hanging_seen_state_check to device_reading_state_check;
alter table knowledge_entry rename constraint knowledge_entry_outfit_id_by_person_fkey to knowledge_entry_company_id_by_person_fkey;
alter table knowledge_entry rename constraint knowledge_entry_outfit_id_fkey to knowledge_entry_company_id_fkey;
alter table knowledge_entry rename constraint knowledge_entry_outfit_id_kind_key_version_key to knowledge_entry_company_id_kind_key_version_key;
alter table label rename constraint label_outfit_id_fkey to label_company_id_fkey;
alter table label rename constraint label_outfit_id_id_key to label_company_id_id_key;
alter table label rename constraint label_outfit_id_key_version_key to label_company_id_key_version_key;
alter table label_check rename constraint label_check_outfit_id_by_person_fkey to label_check_company_id_by_person_fkey;
alter table label_check rename constraint label_check_outfit_id_label_id_fkey to label_check_company_id_label_id_fkey;
alter table retired_label rename constraint label_off_outfit_id_by_person_fkey to retired_label_company_id_by_person_fkey;
alter table retired_label rename constraint label_off_outfit_id_fkey to retired_label_company_id_fkey;
alter table retired_label rename constraint label_off_pkey to retired_label_pkey;
alter table programme_assignment rename constraint laid_check to programme_assignment_check;
alter table programme_assignment rename constraint laid_check1 to programme_assignment_check1;
alter table programme_assignment rename constraint laid_ended_because_check to programme_assignment_ended_because_check;
alter table programme_assignment rename constraint laid_outfit_id_by_person_fkey to programme_assignment_company_id_by_person_fkey;
alter table programme_assignment rename constraint laid_outfit_id_carried_from_fkey to programme_assignment_company_id_carried_from_fkey;
alter table programme_assignment rename constraint laid_outfit_id_id_key to programme_assignment_company_id_id_key;
alter table programme_assignment rename constraint laid_outfit_id_place_id_fkey to programme_assignment_company_id_site_id_fkey;
alter table programme_assignment rename constraint laid_pkey to programme_assignment_pkey;
alter table programme_assignment rename constraint laid_programme_check to programme_assignment_programme_check;
alter table programme_assignment rename constraint laid_reason_check to programme_assignment_reason_check;
alter table programme_visit rename constraint laid_visit_because_check to programme_visit_because_check;
alter table programme_visit rename constraint laid_visit_by_hand_check to programme_visit_by_hand_check;
alter table programme_visit rename constraint laid_visit_check to programme_visit_check;
alter table programme_visit rename constraint laid_visit_check1 to programme_visit_check1;
alter table programme_visit rename constraint laid_visit_kind_check to programme_visit_kind_check;
alter table programme_visit rename constraint laid_visit_nth_check to programme_visit_nth_check;
alter table programme_visit rename constraint laid_visit_outfit_id_id_key to programme_visit_company_id_id_key;
alter table programme_visit rename constraint laid_visit_outfit_id_label_id_fkey to programme_visit_company_id_label_id_fkey;
alter table programme_visit rename constraint laid_visit_outfit_id_laid_id_fkey to programme_visit_company_id_assignment_id_fkey;
alter table programme_visit rename constraint laid_visit_outfit_id_laid_id_tree_id_step_year_nth_key to programme_visit_company_id_assignment_id_tree_id_step_year_nth_;
alter table programme_visit rename constraint laid_visit_outfit_id_tree_id_fkey to programme_visit_company_id_tree_id_fkey;
alter table programme_visit rename constraint laid_visit_pkey to programme_visit_pkey;
alter table programme_visit rename constraint laid_visit_state_check to programme_visit_state_check;
alter table programme_visit rename constraint laid_visit_step_check to programme_visit_step_check;
alter table programme_visit rename constraint laid_visit_use_key_check to programme_visit_use_key_check;
alter table skipped_tree rename constraint left_out_outfit_id_by_person_fkey to skipped_tree_company_id_by_person_fkey;
alter table skipped_tree rename constraint left_out_outfit_id_id_key to skipped_tree_company_id_id_key;
alter table skipped_tree rename constraint left_out_outfit_id_label_id_fkey to skipped_tree_company_id_label_id_fkey;
alter table skipped_tree rename constraint left_out_outfit_id_tree_id_fkey to skipped_tree_company_id_tree_id_fkey;
alter table skipped_tree rename constraint left_out_pkey to skipped_tree_pkey;
alter table skipped_tree rename constraint left_out_use_key_check to skipped_tree_use_key_check;
alter table not_done rename constraint left_undone_kind_check to not_done_kind_check;
alter table not_done rename constraint left_undone_outfit_id_by_person_fkey to not_done_company_id_by_person_fkey;
alter table not_done rename constraint left_undone_outfit_id_place_id_fkey to not_done_company_id_site_id_fkey;
alter table not_done rename constraint left_undone_outfit_id_round_id_fkey to not_done_company_id_crew_day_id_fkey;
alter table not_done rename constraint left_undone_outfit_id_tree_id_fkey to not_done_company_id_tree_id_fkey;
alter table not_done rename constraint left_undone_pkey to not_done_pkey;
alter table not_done rename constraint left_undone_why_check to not_done_why_check;
alter table not_done rename constraint left_undone_words_check to not_done_words_check;
alter table inspection rename constraint look_crown_loss_check to inspection_crown_loss_check;
alter table inspection rename constraint look_note_check to inspection_note_check;
alter table inspection rename constraint look_outfit_id_by_person_fkey to inspection_company_id_by_person_fkey;
alter table inspection rename constraint look_outfit_id_id_key to inspection_company_id_id_key;
alter table inspection rename constraint look_outfit_id_tree_id_fkey to inspection_company_id_tree_id_fkey;
alter table inspection rename constraint look_pkey to inspection_pkey;
alter table inspection rename constraint look_vigour_check to inspection_vigour_check;
alter table inspection_void rename constraint look_withdrawal_outfit_id_by_person_fkey to inspection_void_company_id_by_person_fkey;
alter table inspection_void rename constraint look_withdrawal_outfit_id_look_id_fkey to inspection_void_company_id_inspection_id_fkey;
alter table inspection_void rename constraint look_withdrawal_pkey to inspection_void_pkey;
alter table inspection_void rename constraint look_withdrawal_reason_check to inspection_void_reason_check;
alter table lot rename constraint lot_outfit_id_fkey to lot_company_id_fkey;
alter table lot rename constraint lot_outfit_id_id_key to lot_company_id_id_key;
alter table lot rename constraint lot_outfit_id_label_key_lot_number_key to lot_company_id_label_key_lot_number_key;
alter table message rename constraint message_outfit_id_by_person_fkey to message_company_id_by_person_fkey;
alter table message rename constraint message_outfit_id_client_id_fkey to message_company_id_client_id_fkey;
alter table message rename constraint message_outfit_id_id_key to message_company_id_id_key;
alter table message rename constraint message_outfit_id_place_id_fkey to message_company_id_site_id_fkey;
alter table message rename constraint message_outfit_id_round_id_fkey to message_company_id_crew_day_id_fkey;
alter table sync_conflict rename constraint needs_look_check to sync_conflict_check;
alter table sync_conflict rename constraint needs_look_outfit_id_fkey to sync_conflict_company_id_fkey;
alter table sync_conflict rename constraint needs_look_outfit_id_person_id_fkey to sync_conflict_company_id_person_id_fkey;
alter table sync_conflict rename constraint needs_look_outfit_id_phone_id_fkey to sync_conflict_company_id_phone_id_fkey;
alter table sync_conflict rename constraint needs_look_outfit_id_settled_by_fkey to sync_conflict_company_id_settled_by_fkey;
alter table sync_conflict rename constraint needs_look_pkey to sync_conflict_pkey;
alter table sync_conflict rename constraint needs_look_settled_check to sync_conflict_settled_check;
alter table sync_conflict rename constraint needs_look_verb_check to sync_conflict_verb_check;
alter table sync_conflict rename constraint needs_look_what_check to sync_conflict_what_check;
alter table sync_conflict rename constraint needs_look_words_check to sync_conflict_words_check;
alter table others_applied rename constraint others_applied_outfit_id_by_person_fkey to others_applied_company_id_by_person_fkey;
alter table others_applied rename constraint others_applied_outfit_id_place_id_fkey to others_applied_company_id_site_id_fkey;
alter table others_applied rename constraint others_applied_outfit_id_tree_id_fkey to others_applied_company_id_tree_id_fkey;
alter table company rename constraint crown_loss_school_known to crown_loss_practice_known;
alter table company rename constraint outfit_breast_height_cm_check to company_breast_height_cm_check;
alter table company rename constraint outfit_name_check to company_name_check;
alter table company rename constraint outfit_paper_check to company_paper_check;
alter table company rename constraint outfit_pkey to company_pkey;
alter table company rename constraint outfit_programme_check to company_programme_check;
alter table password_reset rename constraint password_reset_outfit_id_fkey to password_reset_company_id_fkey;
alter table password_reset rename constraint password_reset_outfit_id_made_by_fkey to password_reset_company_id_made_by_fkey;
alter table password_reset rename constraint password_reset_outfit_id_person_id_fkey to password_reset_company_id_person_id_fkey;
alter table person rename constraint person_outfit_id_fkey to person_company_id_fkey;
alter table person rename constraint person_outfit_id_id_key to person_company_id_id_key;
alter table phone rename constraint phone_outfit_id_ended_by_fkey to phone_company_id_ended_by_fkey;
alter table phone rename constraint phone_outfit_id_fkey to phone_company_id_fkey;
alter table phone rename constraint phone_outfit_id_person_id_fkey to phone_company_id_person_id_fkey;
alter table photo rename constraint photo_outfit_id_by_person_fkey to photo_company_id_by_person_fkey;
alter table photo rename constraint photo_outfit_id_tree_id_fkey to photo_company_id_tree_id_fkey;
alter table site rename constraint place_access_check to site_access_check;
alter table site rename constraint place_address_check to site_address_check;
alter table site rename constraint place_area_m2_check to site_area_m2_check;
alter table site rename constraint place_dogs_check to site_dogs_check;
alter table site rename constraint place_hazards_check to site_hazards_check;
alter table site rename constraint place_hours_check to site_hours_check;
alter table site rename constraint place_name_check to site_name_check;
alter table site rename constraint place_notes_check to site_notes_check;
alter table site rename constraint place_outfit_id_client_id_fkey to site_company_id_client_id_fkey;
alter table site rename constraint place_outfit_id_fkey to site_company_id_fkey;
alter table site rename constraint place_outfit_id_id_key to site_company_id_id_key;
alter table site rename constraint place_pkey to site_pkey;
alter table site rename constraint place_region_check to site_region_check;
alter table site rename constraint place_soil_texture_check to site_soil_texture_check;
alter table site rename constraint place_water_m_check to site_water_m_check;
alter table site_calendar rename constraint place_calendar_outfit_id_by_person_fkey to site_calendar_company_id_by_person_fkey;
alter table site_calendar rename constraint place_calendar_outfit_id_place_id_fkey to site_calendar_company_id_site_id_fkey;
alter table site_calendar rename constraint place_calendar_pkey to site_calendar_pkey;
alter table site_calendar rename constraint place_calendar_token_hash_key to site_calendar_token_hash_key;
alter table treatment_plan rename constraint plan_check to treatment_plan_check;
alter table treatment_plan rename constraint plan_outfit_id_by_person_fkey to treatment_plan_company_id_by_person_fkey;
alter table treatment_plan rename constraint plan_outfit_id_id_key to treatment_plan_company_id_id_key;
alter table treatment_plan rename constraint plan_outfit_id_label_id_fkey to treatment_plan_company_id_label_id_fkey;
alter table treatment_plan rename constraint plan_outfit_id_tree_id_fkey to treatment_plan_company_id_tree_id_fkey;
alter table treatment_plan rename constraint plan_pkey to treatment_plan_pkey;
alter table treatment_plan rename constraint plan_state_check to treatment_plan_state_check;
alter table treatment_plan rename constraint plan_visit to treatment_plan_visit;
alter table treatment_plan rename constraint plan_when to treatment_plan_when;
alter table plan_change rename constraint plan_change_outfit_id_by_person_fkey to plan_change_company_id_by_person_fkey;
alter table plan_change rename constraint plan_change_outfit_id_id_key to plan_change_company_id_id_key;
alter table plan_change rename constraint plan_change_outfit_id_look_id_fkey to plan_change_company_id_inspection_id_fkey;
alter table plan_change rename constraint plan_change_outfit_id_tree_id_fkey to plan_change_company_id_tree_id_fkey;
alter table practice_session rename constraint practice_round_level_check to practice_session_level_check;
alter table practice_session rename constraint practice_round_outfit_id_person_id_fkey to practice_session_company_id_person_id_fkey;
alter table practice_session rename constraint practice_round_pkey to practice_session_pkey;
alter table practice_session rename constraint practice_round_score_check to practice_session_score_check;
alter table programme rename constraint programme_outfit_id_by_person_fkey to programme_company_id_by_person_fkey;
alter table programme rename constraint programme_outfit_id_tree_id_fkey to programme_company_id_tree_id_fkey;
alter table quote rename constraint proposal_of_one to quote_of_one;
alter table quote rename constraint proposal_of_place to quote_of_site;
alter table quote rename constraint proposal_outfit_id_by_person_fkey to quote_company_id_by_person_fkey;
alter table quote rename constraint proposal_outfit_id_id_key to quote_company_id_id_key;
alter table quote rename constraint proposal_outfit_id_tree_id_fkey to quote_company_id_tree_id_fkey;
alter table quote rename constraint proposal_pkey to quote_pkey;
alter table quote rename constraint proposal_token_hash_key to quote_token_hash_key;
alter table quote_answer rename constraint proposal_answer_option_keys_check to quote_answer_option_keys_check;
alter table quote_answer rename constraint proposal_answer_outfit_id_proposal_id_fkey to quote_answer_company_id_quote_id_fkey;
alter table quote_answer rename constraint proposal_answer_pkey to quote_answer_pkey;
alter table quote_answer rename constraint proposal_answer_who_check to quote_answer_who_check;
alter table quote_answer rename constraint proposal_answer_word_check to quote_answer_word_check;
alter table rate rename constraint rate_outfit_id_fkey to rate_company_id_fkey;
alter table rate rename constraint rate_outfit_id_person_id_fkey to rate_company_id_person_id_fkey;
alter table measurement rename constraint reading_at_height_cm_check to measurement_at_height_cm_check;
alter table measurement rename constraint reading_crown_base_m_check to measurement_crown_base_m_check;
alter table measurement rename constraint reading_crown_width_m_check to measurement_crown_width_m_check;
alter table measurement rename constraint reading_diameter_cm_check to measurement_diameter_cm_check;
alter table measurement rename constraint reading_grain_deg_check to measurement_grain_deg_check;
alter table measurement rename constraint reading_obstacles_check to measurement_obstacles_check;
alter table measurement rename constraint reading_outfit_id_by_person_fkey to measurement_company_id_by_person_fkey;
alter table measurement rename constraint reading_outfit_id_tree_id_fkey to measurement_company_id_tree_id_fkey;
alter table measurement rename constraint reading_pkey to measurement_pkey;
alter table measurement rename constraint reading_tree_height_m_check to measurement_tree_height_m_check;
alter table record rename constraint record_outfit_id_by_person_fkey to record_company_id_by_person_fkey;
alter table record rename constraint record_outfit_id_id_key to record_company_id_id_key;
alter table record rename constraint record_outfit_id_plan_id_fkey to record_company_id_plan_id_fkey;
alter table record rename constraint record_outfit_id_tree_id_fkey to record_company_id_tree_id_fkey;
alter table region_profile rename constraint region_profile_outfit_id_by_person_fkey to region_profile_company_id_by_person_fkey;
alter table region_profile rename constraint region_profile_outfit_id_fkey to region_profile_company_id_fkey;
alter table region_profile rename constraint region_profile_outfit_id_key_version_key to region_profile_company_id_key_version_key;
alter table crew_day rename constraint round_check to crew_day_check;
alter table crew_day rename constraint round_check1 to crew_day_check1;
alter table crew_day rename constraint round_check2 to crew_day_check2;
alter table crew_day rename constraint round_home_check to crew_day_home_check;
alter table crew_day rename constraint round_outfit_id_begun_by_fkey to crew_day_company_id_begun_by_fkey;
alter table crew_day rename constraint round_outfit_id_by_person_fkey to crew_day_company_id_by_person_fkey;
alter table crew_day rename constraint round_outfit_id_closed_by_fkey to crew_day_company_id_closed_by_fkey;
alter table crew_day rename constraint round_outfit_id_crew_id_day_key to crew_day_company_id_crew_id_day_key;
alter table crew_day rename constraint round_outfit_id_crew_id_fkey to crew_day_company_id_crew_id_fkey;
alter table crew_day rename constraint round_outfit_id_id_key to crew_day_company_id_id_key;
alter table crew_day rename constraint round_pkey to crew_day_pkey;
alter table crew_day_item rename constraint round_item_begins_check to crew_day_item_begins_check;
alter table crew_day_item rename constraint round_item_kind_check to crew_day_item_kind_check;
alter table crew_day_item rename constraint round_item_outfit_id_place_id_fkey to crew_day_item_company_id_site_id_fkey;
alter table crew_day_item rename constraint round_item_outfit_id_round_id_fkey to crew_day_item_company_id_crew_day_id_fkey;
alter table crew_day_item rename constraint round_item_pkey to crew_day_item_pkey;
alter table load_check rename constraint round_tick_amount_check to load_check_amount_check;
alter table load_check rename constraint round_tick_line_check to load_check_line_check;
alter table load_check rename constraint round_tick_outfit_id_by_person_fkey to load_check_company_id_by_person_fkey;
alter table load_check rename constraint round_tick_outfit_id_round_id_fkey to load_check_company_id_crew_day_id_fkey;
alter table load_check rename constraint round_tick_pkey to load_check_pkey;
alter table sample rename constraint sample_outfit_id_by_person_fkey to sample_company_id_by_person_fkey;
alter table sample rename constraint sample_outfit_id_id_key to sample_company_id_id_key;
alter table sample rename constraint sample_outfit_id_tree_id_fkey to sample_company_id_tree_id_fkey;
alter table sample_answer rename constraint sample_answer_outfit_id_by_person_fkey to sample_answer_company_id_by_person_fkey;
alter table sample_answer rename constraint sample_answer_outfit_id_look_id_fkey to sample_answer_company_id_inspection_id_fkey;
alter table sample_answer rename constraint sample_answer_outfit_id_sample_id_fkey to sample_answer_company_id_sample_id_fkey;
alter table session rename constraint session_outfit_id_person_id_fkey to session_company_id_person_id_fkey;
alter table stage_note rename constraint sighting_check to stage_note_check;
alter table stage_note rename constraint sighting_host_id_check to stage_note_host_id_check;
alter table stage_note rename constraint sighting_kind_check to stage_note_kind_check;
alter table stage_note rename constraint sighting_outfit_id_by_person_fkey to stage_note_company_id_by_person_fkey;
alter table stage_note rename constraint sighting_outfit_id_id_key to stage_note_company_id_id_key;
alter table stage_note rename constraint sighting_outfit_id_place_id_fkey to stage_note_company_id_site_id_fkey;
alter table stage_note rename constraint sighting_outfit_id_tree_id_fkey to stage_note_company_id_tree_id_fkey;
alter table stage_note rename constraint sighting_pkey to stage_note_pkey;
alter table stage_note rename constraint sighting_what_check to stage_note_what_check;
alter table stage_note_void rename constraint sighting_withdrawal_outfit_id_by_person_fkey to stage_note_void_company_id_by_person_fkey;
alter table stage_note_void rename constraint sighting_withdrawal_outfit_id_sighting_id_fkey to stage_note_void_company_id_stage_note_id_fkey;
alter table stage_note_void rename constraint sighting_withdrawal_pkey to stage_note_void_pkey;
alter table sprayer rename constraint sprayer_outfit_id_fkey to sprayer_company_id_fkey;
alter table sprayer rename constraint sprayer_outfit_id_id_key to sprayer_company_id_id_key;
alter table stock_level rename constraint stock_level_outfit_id_fkey to stock_level_company_id_fkey;
alter table stock_move rename constraint stock_move_outfit_id_batch_id_fkey to stock_move_company_id_batch_id_fkey;
alter table stock_move rename constraint stock_move_outfit_id_by_person_fkey to stock_move_company_id_by_person_fkey;
alter table stock_move rename constraint stock_move_outfit_id_lot_id_fkey to stock_move_company_id_lot_id_fkey;
alter table task rename constraint task_outfit_id_by_person_fkey to task_company_id_by_person_fkey;
alter table task rename constraint task_outfit_id_id_key to task_company_id_id_key;
alter table task rename constraint task_outfit_id_place_id_fkey to task_company_id_site_id_fkey;
alter table task rename constraint task_outfit_id_settled_by_fkey to task_company_id_settled_by_fkey;
alter table task rename constraint task_outfit_id_tree_id_fkey to task_company_id_tree_id_fkey;
alter table test_result rename constraint test_result_outfit_id_look_id_fkey to test_result_company_id_inspection_id_fkey;
alter table tree rename constraint tree_outfit_id_fkey to tree_company_id_fkey;
alter table tree rename constraint tree_outfit_id_id_key to tree_company_id_id_key;
alter table tree rename constraint tree_outfit_id_import_id_fkey to tree_company_id_import_id_fkey;
alter table tree rename constraint tree_outfit_id_place_id_fkey to tree_company_id_site_id_fkey;
alter table tree_import rename constraint tree_import_outfit_id_by_person_fkey to tree_import_company_id_by_person_fkey;
alter table tree_import rename constraint tree_import_outfit_id_fkey to tree_import_company_id_fkey;
alter table tree_import rename constraint tree_import_outfit_id_id_key to tree_import_company_id_id_key;
alter table tree_import rename constraint tree_import_outfit_id_place_id_fkey to tree_import_company_id_site_id_fkey;
alter table tree_import rename constraint tree_import_outfit_id_taken_back_by_fkey to tree_import_company_id_voided_by_fkey;
alter table diagnosis rename constraint verdict_outfit_id_by_person_fkey to diagnosis_company_id_by_person_fkey;
alter table diagnosis rename constraint verdict_outfit_id_look_id_fkey to diagnosis_company_id_inspection_id_fkey;
alter table diagnosis rename constraint verdict_outfit_id_tree_id_fkey to diagnosis_company_id_tree_id_fkey;
alter table diagnosis rename constraint verdict_overturns_check to diagnosis_overturns_check;
alter table diagnosis rename constraint verdict_pkey to diagnosis_pkey;
alter table diagnosis rename constraint verdict_reason_check to diagnosis_reason_check;
alter table vessel rename constraint vessel_outfit_id_fkey to vessel_company_id_fkey;
alter table visit_move rename constraint visit_move_outfit_id_by_person_fkey to visit_move_company_id_by_person_fkey;
alter table visit_move rename constraint visit_move_outfit_id_visit_id_fkey to visit_move_company_id_visit_id_fkey;
alter table weather_day rename constraint weather_day_outfit_id_place_id_fkey to weather_day_company_id_site_id_fkey;
alter table weather_hour rename constraint weather_hour_outfit_id_place_id_fkey to weather_hour_company_id_site_id_fkey;
alter table work_plan rename constraint work_plan_outfit_id_by_person_fkey to work_plan_company_id_by_person_fkey;
alter table work_plan rename constraint work_plan_outfit_id_id_key to work_plan_company_id_id_key;
alter table work_plan rename constraint work_plan_outfit_id_tree_id_fkey to work_plan_company_id_tree_id_fkey;
alter index away_by_day rename to absence_by_day;
alter index away_by_person rename to absence_by_person;
alter index batch_taken_by_person rename to batch_draw_by_person;
alter index batch_taken_by_record rename to batch_draw_by_record;
alter index batch_taken_of rename to batch_draw_of;
alter index crew_by_outfit rename to crew_by_company;
alter index equipment_by_outfit rename to equipment_by_company;
alter index hanging_by_person rename to device_installation_by_person;
alter index hanging_by_plan rename to device_installation_by_plan;
alter index hanging_by_puller rename to device_installation_by_puller;
alter index hanging_by_tree rename to device_installation_by_tree;
alter index hanging_now rename to device_installation_now;
alter index hanging_pulled rename to device_installation_pulled;
alter index hanging_seen_by_person rename to device_reading_by_person;
alter index hanging_seen_of rename to device_reading_of;
alter index label_off_by_person rename to retired_label_by_person;
alter index laid_by_place rename to programme_assignment_by_site;
alter index laid_visit_by_tree rename to programme_visit_by_tree;
alter index left_out_by_label rename to skipped_tree_by_label;
alter index left_out_by_person rename to skipped_tree_by_person;
alter index left_out_open rename to skipped_tree_open;
alter index left_undone_by_item rename to not_done_by_item;
alter index left_undone_by_person rename to not_done_by_person;
alter index left_undone_by_place rename to not_done_by_site;
alter index left_undone_by_round rename to not_done_by_round;
alter index left_undone_by_tree rename to not_done_by_tree;
alter index look_by_tree rename to inspection_by_tree;
alter index needs_look_by_person rename to sync_conflict_by_person;
alter index needs_look_by_phone rename to sync_conflict_by_phone;
alter index needs_look_by_settler rename to sync_conflict_by_settler;
alter index needs_look_open rename to sync_conflict_open;
alter index person_by_outfit rename to person_by_company;
alter index place_by_client rename to site_by_client;
alter index place_by_name rename to site_by_name;
alter index place_calendar_by_person rename to site_calendar_by_person;
alter index plan_by_label rename to treatment_plan_by_label;
alter index plan_by_tree rename to treatment_plan_by_tree;
alter index plan_by_visit rename to treatment_plan_by_visit;
alter index plan_one_unlaid rename to treatment_plan_one_unassigned;
alter index plan_open rename to treatment_plan_open;
alter index plan_planned rename to treatment_plan_planned;
alter index plan_soonest rename to treatment_plan_soonest;
alter index practice_round_by_person rename to practice_session_by_person;
alter index proposal_by_place rename to quote_by_site;
alter index proposal_by_tree rename to quote_by_tree;
alter index proposal_answer_by_outfit rename to quote_answer_by_company;
alter index reading_by_tree rename to measurement_by_tree;
alter index round_by_beginner rename to crew_day_by_beginner;
alter index round_by_closer rename to crew_day_by_closer;
alter index round_by_day rename to crew_day_by_day;
alter index round_item_by_place rename to crew_day_item_by_site;
alter index round_item_by_round rename to crew_day_item_by_round;
alter index round_tick_by_person rename to load_check_by_person;
alter index sighting_by_place rename to stage_note_by_site;
alter index sprayer_by_outfit rename to sprayer_by_company;
alter index tree_import_taken_back_by rename to tree_import_voided_by;
alter index verdict_by_look rename to diagnosis_by_inspection;
alter index verdict_by_time rename to diagnosis_by_time;
alter index verdict_by_tree rename to diagnosis_by_tree;
alter index verdict_to_plan rename to diagnosis_to_plan;
alter index verdict_to_treat rename to diagnosis_to_treat;
alter index vessel_by_outfit rename to vessel_by_company;
alter trigger place_grounds_version on site rename to site_site_map_version;
alter trigger place_version on site rename to site_version;
alter policy own_outfit on absence rename to own_company;
alter policy own_outfit on batch rename to own_company;
alter policy own_outfit on batch_lot rename to own_company;
alter policy own_outfit on batch_draw rename to own_company;
alter policy own_outfit on client rename to own_company;
alter policy own_outfit on command_done rename to own_company;
alter policy own_outfit on crew rename to own_company;
alter policy own_outfit on crew_person rename to own_company;
alter policy own_outfit on client_notice rename to own_company;
alter policy own_outfit on equipment rename to own_company;
alter policy own_outfit on finding rename to own_company;
alter policy own_outfit on follow_up rename to own_company;
alter policy own_outfit on gate_code rename to own_company;
alter policy own_outfit on device_installation rename to own_company;
alter policy own_outfit on device_reading rename to own_company;
alter policy own_outfit on knowledge_entry rename to own_company;
alter policy own_outfit on label rename to own_company;
alter policy own_outfit on label_check rename to own_company;
alter policy own_outfit on retired_label rename to own_company;
alter policy own_outfit on programme_assignment rename to own_company;
alter policy own_outfit on programme_visit rename to own_company;
alter policy own_outfit on skipped_tree rename to own_company;
alter policy own_outfit on not_done rename to own_company;
alter policy own_outfit on inspection rename to own_company;
alter policy own_outfit on inspection_void rename to own_company;
alter policy own_outfit on lot rename to own_company;
alter policy own_outfit on message rename to own_company;
alter policy own_outfit on sync_conflict rename to own_company;
alter policy own_outfit on others_applied rename to own_company;
alter policy own_outfit on company rename to own_company;
alter policy own_outfit on password_reset rename to own_company;
alter policy own_outfit on person rename to own_company;
alter policy own_outfit on phone rename to own_company;
alter policy own_outfit on photo rename to own_company;
alter policy own_outfit on site rename to own_company;
alter policy own_outfit on site_calendar rename to own_company;
alter policy own_outfit on treatment_plan rename to own_company;
alter policy own_outfit on plan_change rename to own_company;
alter policy own_outfit on practice_session rename to own_company;
alter policy own_outfit on programme rename to own_company;
alter policy own_outfit on quote rename to own_company;
alter policy own_outfit on quote_answer rename to own_company;
alter policy own_outfit on rate rename to own_company;
alter policy own_outfit on measurement rename to own_company;
alter policy own_outfit on record rename to own_company;
alter policy own_outfit on region_profile rename to own_company;
alter policy own_outfit on crew_day rename to own_company;
alter policy own_outfit on crew_day_item rename to own_company;
alter policy own_outfit on load_check rename to own_company;
alter policy own_outfit on sample rename to own_company;
alter policy own_outfit on sample_answer rename to own_company;
alter policy own_outfit on session rename to own_company;
alter policy own_outfit on stage_note rename to own_company;
alter policy own_outfit on stage_note_void rename to own_company;
alter policy own_outfit on sprayer rename to own_company;
alter policy own_outfit on stock_level rename to own_company;
alter policy own_outfit on stock_move rename to own_company;
alter policy own_outfit on task rename to own_company;
alter policy own_outfit on test_result rename to own_company;
alter policy own_outfit on tree rename to own_company;
alter policy own_outfit on tree_import rename to own_company;
alter policy own_outfit on diagnosis rename to own_company;
alter policy own_outfit on vessel rename to own_company;
alter policy own_outfit on visit_move rename to own_company;
alter policy own_outfit on weather_day rename to own_company;
alter policy own_outfit on weather_hour rename to own_company;
alter policy own_outfit on work_plan rename to own_company;

alter table record rename constraint record_place_fkey to record_site_fkey;
alter index tree_by_place_tag rename to tree_by_site_tag;
alter index finding_by_look rename to finding_by_inspection;
alter index record_by_place_day rename to record_by_site_day;
alter index test_result_by_look rename to test_result_by_inspection;
alter index others_applied_by_place rename to others_applied_by_site;
alter index plan_change_by_look rename to plan_change_by_inspection;
alter index work_plan_one_unlaid rename to work_plan_one_unassigned;
alter index task_by_place rename to task_by_site;
alter index message_by_place rename to message_by_site;
alter index tree_import_by_place rename to tree_import_by_site;

-- Values
create temporary table renamed_command (was text primary key, now text not null) on commit drop;
insert into renamed_command (was, now) values
    ('answer-look', 'answer-inspection'),
    ('begin-round', 'start-day'),
    ('book', 'record-treatment'),
    ('book-others-on-place', 'record-others-on-site'),
    ('book-others-on-tree', 'record-others-on-tree'),
    ('book-row', 'record-treatments'),
    ('bring-grounds', 'import-site-map'),
    ('bring-label', 'import-label'),
    ('bring-own', 'import-custom-entries'),
    ('bring-readings', 'import-readings'),
    ('bring-trees', 'import-trees'),
    ('choose-schools', 'save-practice-policies'),
    ('close-round', 'finish-day'),
    ('correct', 'amend-record'),
    ('count-stock', 'adjust-stock'),
    ('decide', 'save-diagnosis'),
    ('draw-grounds', 'save-site-map'),
    ('drop-equipment', 'delete-equipment'),
    ('drop-plan', 'cancel-plan'),
    ('drop-plans', 'cancel-plans'),
    ('drop-sprayer', 'delete-sprayer'),
    ('drop-vessel', 'delete-vessel'),
    ('end-batch', 'finish-batch'),
    ('end-laid', 'end-assignment'),
    ('end-place-calendar', 'delete-site-calendar'),
    ('end-practice', 'finish-practice'),
    ('examine', 'save-inspection'),
    ('hang', 'install-devices'),
    ('hang-again', 'reinstall-devices'),
    ('hang-overnight', 'leave-devices-overnight'),
    ('hang-tag', 'add-tree'),
    ('keep-client', 'save-client'),
    ('keep-crew', 'save-crew'),
    ('keep-equipment', 'save-equipment'),
    ('keep-heat-model', 'save-degree-day-model'),
    ('keep-outfit', 'save-company'),
    ('keep-own', 'save-custom-entry'),
    ('keep-photo', 'save-photo'),
    ('keep-place', 'save-site'),
    ('keep-prices', 'save-prices'),
    ('keep-programme', 'save-programme'),
    ('keep-region', 'save-region'),
    ('keep-rounds', 'save-schedule'),
    ('keep-sprayer', 'save-sprayer'),
    ('keep-vessel', 'save-vessel'),
    ('lay-programme', 'assign-programme'),
    ('leave-out-visits', 'skip-visits'),
    ('leave-undone', 'mark-not-done'),
    ('make-calendar-address', 'add-calendar-address'),
    ('make-place-calendar', 'add-site-calendar'),
    ('measure', 'measure-tree'),
    ('move-looks', 'move-inspections'),
    ('note-away', 'add-absence'),
    ('note-season', 'note-stage'),
    ('offer', 'send-quote'),
    ('offer-property', 'send-site-quote'),
    ('order-round', 'order-stops'),
    ('plan', 'plan-treatment'),
    ('pull-devices', 'remove-devices'),
    ('put-label-back', 'restore-label'),
    ('put-on-round', 'add-to-day'),
    ('release-holds', 'override-holds'),
    ('remind', 'add-reminder'),
    ('see-devices', 'read-devices'),
    ('set-preferences', 'save-preferences'),
    ('set-programme', 'set-tree-programme'),
    ('set-task', 'add-task'),
    ('settle-left', 'settle-skipped-visits'),
    ('settle-left-out', 'settle-skipped-trees'),
    ('settle-visit', 'settle-follow-up'),
    ('sign-region', 'check-region'),
    ('take-back-left', 'reopen-not-done'),
    ('take-back-offer', 'cancel-quote'),
    ('take-back-own', 'void-custom-entry'),
    ('take-label-off', 'retire-label'),
    ('take-list-back', 'void-tree-import'),
    ('tell-day', 'notify-client'),
    ('tick-load', 'check-load-item'),
    ('unmake-batch', 'void-batch'),
    ('warn-below', 'set-reorder-level'),
    ('withdraw-away', 'delete-absence'),
    ('withdraw-look', 'void-inspection'),
    ('withdraw-note', 'void-stage-note');
update command_done d set name = r.now from renamed_command r where d.name = r.was;
update sync_conflict c set command = r.now from renamed_command r where c.command = r.was;
update sync_conflict c set issues = (
  select coalesce(jsonb_agg((i - 'sentence') || jsonb_build_object('message', coalesce(i->'sentence', i->'message')) order by n), '[]')
  from jsonb_array_elements(c.issues) with ordinality as x (i, n))
  where jsonb_typeof(c.issues) = 'array';
alter table task drop constraint task_who_check;
update task set who = 'company' where who = 'outfit';
alter table task add constraint task_who_check check (who in ('company', 'client'));
update follow_up set rule_id = 'programme' where rule_id = 'laid';
