-- The whole schema as the migrations leave it: written by `npm run schema:sql`, never by hand.
-- version 54
do $$ begin
  if not exists (select from pg_roles where rolname = 'elmhorn_app') then create role elmhorn_app login; end if;
end $$;
set local check_function_bodies = off;

CREATE COLLATION natural_order (provider = icu, locale = 'en-u-kn-true');

CREATE EXTENSION IF NOT EXISTS btree_gin WITH SCHEMA public;

CREATE EXTENSION IF NOT EXISTS pg_trgm WITH SCHEMA public;

CREATE FUNCTION calendar_lookup(wanted bytea) RETURNS TABLE(person_id uuid, company_id uuid)
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public', 'pg_temp'
    AS $$ select id, company_id from person where calendar_token_hash = wanted and active $$;

CREATE FUNCTION clock_ahead() RETURNS interval
    LANGUAGE sql STABLE
    AS $$ select make_interval(secs => coalesce(nullif(current_setting('elmhorn.clock_ahead_s', true), '')::float8, 0)) $$;

CREATE FUNCTION clock_now() RETURNS timestamp with time zone
    LANGUAGE sql STABLE
    AS $$ select now() + clock_ahead() $$;

CREATE FUNCTION clock_today() RETURNS date
    LANGUAGE sql STABLE
    AS $$ select clock_now()::date $$;

CREATE FUNCTION company_now() RETURNS uuid
    LANGUAGE sql STABLE PARALLEL SAFE
    AS $$ select nullif(current_setting('elmhorn.company', true), '')::uuid $$;

CREATE FUNCTION keep_balance() RETURNS trigger
    LANGUAGE plpgsql SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
begin
  update lot set on_hand = on_hand + new.amount where id = new.lot_id and company_id = new.company_id;
  return new;
end $$;

CREATE FUNCTION keep_batch() RETURNS trigger
    LANGUAGE plpgsql SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
begin
  update batch set left_ml = left_ml - new.mix_ml where id = new.batch_id and company_id = new.company_id;
  return new;
end $$;

CREATE FUNCTION newest_version() RETURNS trigger
    LANGUAGE plpgsql SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
begin
  update record set latest = false where company_id = new.company_id and root_id = new.root_id and version < new.version and latest;
  return new;
end $$;

CREATE FUNCTION next_site_map_version() RETURNS trigger
    LANGUAGE plpgsql
    SET search_path TO 'public', 'pg_temp'
    AS $$
begin
  new.site_map_version := old.site_map_version + 1;
  return new;
end $$;

CREATE FUNCTION next_version() RETURNS trigger
    LANGUAGE plpgsql
    SET search_path TO 'public', 'pg_temp'
    AS $$
begin
  new.version := old.version + 1;
  return new;
end $$;

CREATE FUNCTION password_reset_lookup(wanted bytea) RETURNS TABLE(person_id uuid, company_id uuid, name text, email text)
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public', 'pg_temp'
    AS $$ select p.id, p.company_id, p.name, p.email
   from password_reset r join person p on p.id = r.person_id
   where r.token_hash = wanted and r.used_at is null and r.expires_at > clock_now() and p.active $$;

CREATE FUNCTION person_now() RETURNS uuid
    LANGUAGE sql STABLE PARALLEL SAFE
    AS $$ select nullif(current_setting('elmhorn.person', true), '')::uuid $$;

CREATE FUNCTION quote_lookup(wanted bytea) RETURNS TABLE(id uuid, company_id uuid, person_id uuid)
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public'
    AS $$ select id, company_id, by_person from quote where token_hash = wanted and cancelled_at is null and expires_at > clock_now() $$;

CREATE FUNCTION reader_reads_us() RETURNS boolean
    LANGUAGE sql STABLE PARALLEL SAFE
    SET search_path TO 'public', 'pg_temp'
    AS $$ select coalesce((select p.units = 'us' from person p where p.company_id = company_now() and p.id = person_now()), false) $$;

CREATE FUNCTION record_by_words(pattern text, of_site uuid, of_method text, from_day date, to_day date, after_day date, after_id uuid, most integer) RETURNS TABLE(id uuid)
    LANGUAGE sql STABLE SECURITY DEFINER ROWS 60
    SET search_path TO 'public', 'pg_temp'
    AS $$
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

CREATE FUNCTION records_refuse() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
begin
  if tg_op = 'UPDATE' and tg_table_name = 'record' and pg_trigger_depth() > 1
     and to_jsonb(new) - 'latest' = to_jsonb(old) - 'latest' then return new; end if;
  raise exception 'the book is append-only: % on % refused', tg_op, tg_table_name using errcode = '23001';
end $$;

CREATE FUNCTION schema_version() RETURNS integer
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public', 'pg_temp'
    AS $$ select coalesce(max(version), 0) from schema_migration $$;

CREATE FUNCTION serves_code(code integer) RETURNS boolean
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public', 'pg_temp'
    AS $$
    select coalesce(max(version), 0) >= code and not coalesce(bool_or(contracts and version > code), false)
    from schema_migration
  $$;

CREATE FUNCTION session_lookup(wanted bytea) RETURNS TABLE(person_id uuid, company_id uuid)
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public', 'pg_temp'
    AS $$ select s.person_id, s.company_id from session s join person p on p.id = s.person_id
   where s.token_hash = wanted and s.expires_at > clock_now() and p.active $$;

CREATE FUNCTION session_open(wanted bytea) RETURNS TABLE(person_id uuid, company_id uuid)
    LANGUAGE plpgsql SECURITY DEFINER
    SET search_path TO 'public', 'pg_temp'
    AS $$
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

CREATE FUNCTION sign_in_good(wanted text, from_machine text) RETURNS void
    LANGUAGE plpgsql SECURITY DEFINER
    SET search_path TO 'public', 'pg_temp'
    AS $$
begin
  delete from sign_in_attempt where email = left(lower(wanted), 200) and machine = left(from_machine, 100);
  delete from sign_in_known where at < clock_now() - interval '90 days';
  insert into sign_in_known (email, machine) values (left(lower(wanted), 200), left(from_machine, 100))
  on conflict (email, machine) do update set at = excluded.at;
end $$;

CREATE FUNCTION sign_in_lookup(wanted text) RETURNS TABLE(person_id uuid, company_id uuid, password_hash text)
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public', 'pg_temp'
    AS $$ select id, company_id, password_hash from person where email = lower(wanted) and active $$;

CREATE FUNCTION sign_in_try(wanted text, from_machine text) RETURNS boolean
    LANGUAGE plpgsql SECURITY DEFINER
    SET search_path TO 'public', 'pg_temp'
    AS $$
declare
  who text := left(lower(wanted), 200);
  place text := left(from_machine, 100);
  since timestamptz := clock_now() - interval '15 minutes';
begin
  perform pg_advisory_xact_lock(hashtextextended(place, 727202));
  delete from sign_in_attempt where at < clock_now() - interval '1 day';
  if (select count(*) from sign_in_attempt where email = who and machine = place and at > since) >= 8 then
    return false;
  end if;
  if not exists (
      select from sign_in_known k
      where k.email = who and k.machine = place and k.at > clock_now() - interval '90 days')
    and (select count(*) from sign_in_attempt where machine = place and at > since) >= 30
  then
    return false;
  end if;
  insert into sign_in_attempt (email, machine) values (who, place);
  return true;
end $$;

CREATE FUNCTION site_calendar_lookup(wanted bytea) RETURNS TABLE(company_id uuid, site_id uuid, person_id uuid)
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public', 'pg_temp'
    AS $$ select company_id, site_id, by_person from site_calendar where token_hash = wanted $$;

CREATE FUNCTION visit_changed() RETURNS trigger
    LANGUAGE plpgsql
    SET search_path TO 'public', 'pg_temp'
    AS $$
begin
  new.version := old.version + 1;
  new.changed_at := clock_now();
  return new;
end $$;

CREATE TABLE absence (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    person_id uuid NOT NULL,
    from_day date NOT NULL,
    to_day date NOT NULL,
    why text NOT NULL,
    withdrawn boolean DEFAULT false NOT NULL,
    by_person uuid NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    CONSTRAINT absence_check CHECK ((from_day <= to_day)),
    CONSTRAINT absence_why_check CHECK ((length(why) <= 200))
);

CREATE TABLE batch (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    crew_day_id uuid,
    label_id uuid NOT NULL,
    label_key text NOT NULL,
    kind text NOT NULL,
    code text NOT NULL,
    vessel text NOT NULL,
    unit text NOT NULL,
    product numeric(16,6) NOT NULL,
    total_ml numeric(16,6) NOT NULL,
    left_ml numeric(16,6) NOT NULL,
    plan_ids uuid[] NOT NULL,
    made_at timestamp with time zone NOT NULL,
    received_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    good_until timestamp with time zone NOT NULL,
    by_person uuid NOT NULL,
    CONSTRAINT batch_check CHECK ((left_ml <= total_ml)),
    CONSTRAINT batch_check1 CHECK ((good_until >= made_at)),
    CONSTRAINT batch_code_check CHECK (((length(code) >= 1) AND (length(code) <= 20))),
    CONSTRAINT batch_kind_check CHECK ((kind = ANY (ARRAY['stock'::text, 'tank'::text]))),
    CONSTRAINT batch_left_ml_check CHECK ((left_ml >= (0)::numeric)),
    CONSTRAINT batch_plan_ids_check CHECK ((cardinality(plan_ids) <= 300)),
    CONSTRAINT batch_product_check CHECK ((product > (0)::numeric)),
    CONSTRAINT batch_total_ml_check CHECK ((total_ml > (0)::numeric)),
    CONSTRAINT batch_unit_check CHECK ((unit = ANY (ARRAY['mL'::text, 'g'::text]))),
    CONSTRAINT batch_vessel_check CHECK (((length(vessel) >= 1) AND (length(vessel) <= 80)))
);

CREATE TABLE batch_draw (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    batch_id uuid NOT NULL,
    record_root uuid,
    ended text,
    mix_ml numeric(16,6) NOT NULL,
    words text DEFAULT ''::text NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    CONSTRAINT batch_draw_check CHECK (((mix_ml <> (0)::numeric) OR (ended = 'kept'::text))),
    CONSTRAINT batch_draw_check1 CHECK (((record_root IS NULL) <> (ended IS NULL))),
    CONSTRAINT batch_draw_check2 CHECK (((ended IS NULL) OR (mix_ml >= (0)::numeric))),
    CONSTRAINT batch_draw_ended_check CHECK ((ended = ANY (ARRAY['kept'::text, 'handed in'::text, 'spilled'::text, 'never made'::text]))),
    CONSTRAINT batch_draw_words_check CHECK ((length(words) <= 600))
);

CREATE TABLE batch_lot (
    company_id uuid NOT NULL,
    batch_id uuid NOT NULL,
    lot_id uuid NOT NULL,
    amount numeric(16,6) NOT NULL,
    CONSTRAINT batch_lot_amount_check CHECK ((amount > (0)::numeric))
);

CREATE TABLE client (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    name text NOT NULL,
    contact text DEFAULT ''::text NOT NULL,
    created_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    CONSTRAINT client_contact_check CHECK ((length(contact) <= 400)),
    CONSTRAINT client_name_check CHECK (((length(name) >= 1) AND (length(name) <= 120)))
);

CREATE TABLE client_notice (
    company_id uuid NOT NULL,
    site_id uuid NOT NULL,
    day date NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL
);

CREATE TABLE command_done (
    company_id uuid NOT NULL,
    id uuid NOT NULL,
    name text NOT NULL,
    digest text NOT NULL,
    answer jsonb,
    person_id uuid NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    phone_id uuid,
    seen_at timestamp with time zone,
    clock_at timestamp with time zone,
    CONSTRAINT command_done_digest_check CHECK ((length(digest) = 64)),
    CONSTRAINT command_done_name_check CHECK (((length(name) >= 1) AND (length(name) <= 60)))
);

CREATE TABLE company (
    id uuid NOT NULL,
    name text NOT NULL,
    region text DEFAULT 'estuary'::text NOT NULL,
    time_zone text DEFAULT 'Europe/London'::text NOT NULL,
    breast_height_cm numeric DEFAULT 130 NOT NULL,
    crown_loss_practice text DEFAULT 'knowledge'::text NOT NULL,
    created_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    programme text DEFAULT 'conventional'::text NOT NULL,
    schools jsonb DEFAULT '{}'::jsonb NOT NULL,
    prices jsonb DEFAULT '{}'::jsonb NOT NULL,
    paper text DEFAULT 'A4'::text NOT NULL,
    CONSTRAINT company_breast_height_cm_check CHECK (((breast_height_cm >= (100)::numeric) AND (breast_height_cm <= (200)::numeric))),
    CONSTRAINT company_name_check CHECK (((length(name) >= 1) AND (length(name) <= 120))),
    CONSTRAINT company_paper_check CHECK ((paper = ANY (ARRAY['A4'::text, 'Letter'::text]))),
    CONSTRAINT company_programme_check CHECK ((programme = ANY (ARRAY['conventional'::text, 'organic'::text, 'threshold'::text]))),
    CONSTRAINT crown_loss_practice_known CHECK ((crown_loss_practice = ANY (ARRAY['knowledge'::text, '30'::text, '50'::text])))
);

CREATE TABLE crew (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    name text NOT NULL,
    hours jsonb DEFAULT '[]'::jsonb NOT NULL,
    yard_lat double precision,
    yard_lon double precision,
    "least" smallint DEFAULT 1 NOT NULL,
    active boolean DEFAULT true NOT NULL,
    version integer DEFAULT 1 NOT NULL,
    CONSTRAINT crew_check CHECK (((yard_lat IS NULL) = (yard_lon IS NULL))),
    CONSTRAINT crew_hours_check CHECK ((jsonb_typeof(hours) = 'array'::text)),
    CONSTRAINT crew_least_check CHECK ((("least" >= 1) AND ("least" <= 12))),
    CONSTRAINT crew_name_check CHECK (((length(name) >= 1) AND (length(name) <= 120))),
    CONSTRAINT crew_yard_lat_check CHECK (((yard_lat >= ('-90'::integer)::double precision) AND (yard_lat <= (90)::double precision))),
    CONSTRAINT crew_yard_lon_check CHECK (((yard_lon >= ('-180'::integer)::double precision) AND (yard_lon <= (180)::double precision)))
);

CREATE TABLE crew_day (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    crew_id uuid NOT NULL,
    day date NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    begun_at timestamp with time zone,
    begun_by uuid,
    closed_at timestamp with time zone,
    closed_by uuid,
    home jsonb,
    CONSTRAINT crew_day_check CHECK (((begun_at IS NULL) = (begun_by IS NULL))),
    CONSTRAINT crew_day_check1 CHECK ((((closed_at IS NULL) = (closed_by IS NULL)) AND ((closed_at IS NULL) = (home IS NULL)))),
    CONSTRAINT crew_day_check2 CHECK (((closed_at IS NULL) OR (closed_at >= begun_at))),
    CONSTRAINT crew_day_home_check CHECK ((jsonb_typeof(home) = 'object'::text))
);

CREATE TABLE crew_day_item (
    company_id uuid NOT NULL,
    crew_day_id uuid NOT NULL,
    item_id uuid NOT NULL,
    kind text NOT NULL,
    site_id uuid NOT NULL,
    "position" integer NOT NULL,
    begins smallint NOT NULL,
    locked boolean DEFAULT false NOT NULL,
    CONSTRAINT crew_day_item_begins_check CHECK (((begins >= 0) AND (begins <= 1440))),
    CONSTRAINT crew_day_item_kind_check CHECK ((kind = ANY (ARRAY['plan'::text, 'work'::text, 'look'::text])))
);

CREATE TABLE crew_person (
    company_id uuid NOT NULL,
    crew_id uuid NOT NULL,
    person_id uuid NOT NULL
);

CREATE TABLE device_installation (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    tree_id uuid NOT NULL,
    plan_id uuid NOT NULL,
    site integer NOT NULL,
    device text NOT NULL,
    put_ml double precision NOT NULL,
    expected_minutes double precision NOT NULL,
    guarded text NOT NULL,
    overnight text,
    installed_at timestamp with time zone NOT NULL,
    received_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    removed_at timestamp with time zone,
    removed_by uuid,
    left_ml double precision,
    lost_ml double precision DEFAULT 0 NOT NULL,
    because text,
    CONSTRAINT device_installation_because_check CHECK (((length(because) >= 4) AND (length(because) <= 1000))),
    CONSTRAINT device_installation_check CHECK ((((removed_at IS NULL) = (left_ml IS NULL)) AND ((removed_at IS NULL) = (removed_by IS NULL)))),
    CONSTRAINT device_installation_check1 CHECK (((left_ml IS NULL) OR ((left_ml >= (0)::double precision) AND ((left_ml + lost_ml) <= (put_ml + (0.000001)::double precision))))),
    CONSTRAINT device_installation_check2 CHECK (((removed_at IS NULL) OR (removed_at >= installed_at))),
    CONSTRAINT device_installation_device_check CHECK ((length(device) <= 40)),
    CONSTRAINT device_installation_expected_minutes_check CHECK ((expected_minutes > (0)::double precision)),
    CONSTRAINT device_installation_guarded_check CHECK ((guarded = ANY (ARRAY['attended'::text, 'fenced'::text, 'signed'::text]))),
    CONSTRAINT device_installation_lost_ml_check CHECK ((lost_ml >= (0)::double precision)),
    CONSTRAINT device_installation_overnight_check CHECK (((length(overnight) >= 3) AND (length(overnight) <= 300))),
    CONSTRAINT device_installation_put_ml_check CHECK (((put_ml > (0)::double precision) AND (put_ml <= (100000)::double precision))),
    CONSTRAINT device_installation_site_check CHECK (((site >= 1) AND (site <= 400)))
);

CREATE TABLE device_reading (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    installation_id uuid NOT NULL,
    at timestamp with time zone NOT NULL,
    received_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    state text NOT NULL,
    left_ml double precision,
    by_person uuid NOT NULL,
    CONSTRAINT device_reading_left_ml_check CHECK ((left_ml >= (0)::double precision)),
    CONSTRAINT device_reading_state_check CHECK ((state = ANY (ARRAY['running'::text, 'slow'::text, 'stuck'::text, 'leaking'::text, 'empty'::text])))
);

CREATE TABLE diagnosis (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    tree_id uuid NOT NULL,
    inspection_id uuid,
    at timestamp with time zone NOT NULL,
    by_person uuid NOT NULL,
    condition_id text NOT NULL,
    certainty text NOT NULL,
    decision text NOT NULL,
    reason text DEFAULT ''::text NOT NULL,
    created_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    ranking jsonb DEFAULT '[]'::jsonb NOT NULL,
    overturned_by text[] DEFAULT '{}'::text[] NOT NULL,
    overturns uuid[] DEFAULT '{}'::uuid[] NOT NULL,
    CONSTRAINT diagnosis_overturns_check CHECK ((cardinality(overturns) <= 20)),
    CONSTRAINT diagnosis_reason_check CHECK ((length(reason) <= 2000))
);

CREATE TABLE equipment (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    kind text NOT NULL,
    name text NOT NULL,
    size_mm numeric,
    holds_ml numeric,
    count integer NOT NULL,
    checked_on date,
    CONSTRAINT equipment_check CHECK (((kind = 'bit'::text) = (size_mm IS NOT NULL))),
    CONSTRAINT equipment_count_check CHECK (((count >= 0) AND (count <= 100000))),
    CONSTRAINT equipment_holds_ml_check CHECK (((holds_ml > (0)::numeric) AND (holds_ml <= (50000)::numeric))),
    CONSTRAINT equipment_kind_check CHECK ((kind = ANY (ARRAY['bit'::text, 'capsule'::text, 'pressure bottle'::text, 'low-pressure bottle'::text, 'tee infusion'::text, 'drill'::text, 'probe'::text, 'tool'::text]))),
    CONSTRAINT equipment_name_check CHECK (((length(name) >= 1) AND (length(name) <= 80))),
    CONSTRAINT equipment_size_mm_check CHECK (((size_mm > (0)::numeric) AND (size_mm <= (60)::numeric)))
);

CREATE TABLE finding (
    company_id uuid NOT NULL,
    inspection_id uuid NOT NULL,
    sign_id text NOT NULL,
    state text NOT NULL,
    grade integer,
    bearing integer,
    counted_of integer,
    counted_had integer,
    sure text DEFAULT 'sure'::text NOT NULL,
    last_season boolean DEFAULT false NOT NULL,
    CONSTRAINT counted_both CHECK (((counted_of IS NULL) = (counted_had IS NULL))),
    CONSTRAINT finding_bearing_check CHECK (((bearing >= 0) AND (bearing <= 359))),
    CONSTRAINT finding_check CHECK (((state = 'seen'::text) = (grade IS NOT NULL))),
    CONSTRAINT finding_check1 CHECK (((counted_had >= 0) AND (counted_had <= counted_of))),
    CONSTRAINT finding_counted_of_check CHECK (((counted_of >= 1) AND (counted_of <= 2000))),
    CONSTRAINT finding_grade_check CHECK (((grade >= 1) AND (grade <= 4))),
    CONSTRAINT finding_state_check CHECK ((state = ANY (ARRAY['seen'::text, 'absent'::text, 'not looked'::text]))),
    CONSTRAINT finding_sure_check CHECK ((sure = ANY (ARRAY['sure'::text, 'perhaps'::text])))
);

CREATE TABLE follow_up (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    tree_id uuid NOT NULL,
    root_id uuid NOT NULL,
    rule_id text NOT NULL,
    kind text NOT NULL,
    what text NOT NULL,
    reason text NOT NULL,
    only_if text,
    due date NOT NULL,
    earliest date NOT NULL,
    latest date NOT NULL,
    state text DEFAULT 'open'::text NOT NULL,
    settled_at timestamp with time zone,
    settled_by uuid,
    settled_by_root uuid,
    version integer DEFAULT 0 NOT NULL,
    changed_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    because text,
    moved_because text,
    CONSTRAINT follow_up_because CHECK (((because IS NULL) OR ((state = 'dropped'::text) AND ((length(because) >= 4) AND (length(because) <= 500))))),
    CONSTRAINT follow_up_check CHECK (((earliest <= due) AND (due <= latest))),
    CONSTRAINT follow_up_moved_because_check CHECK ((length(moved_because) <= 500)),
    CONSTRAINT follow_up_state_check CHECK ((state = ANY (ARRAY['open'::text, 'done'::text, 'dropped'::text])))
);

CREATE TABLE gate_code (
    site_id uuid NOT NULL,
    company_id uuid NOT NULL,
    code text NOT NULL,
    CONSTRAINT gate_code_code_check CHECK (((length(code) >= 1) AND (length(code) <= 60)))
);

CREATE TABLE inspection (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    tree_id uuid NOT NULL,
    at timestamp with time zone NOT NULL,
    by_person uuid NOT NULL,
    crown_loss integer,
    vigour text,
    host_key jsonb DEFAULT '[]'::jsonb NOT NULL,
    note text DEFAULT ''::text NOT NULL,
    created_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    detail jsonb DEFAULT '{}'::jsonb NOT NULL,
    CONSTRAINT inspection_crown_loss_check CHECK (((crown_loss >= 0) AND (crown_loss <= 100))),
    CONSTRAINT inspection_note_check CHECK ((length(note) <= 4000)),
    CONSTRAINT inspection_vigour_check CHECK ((vigour = ANY (ARRAY['good'::text, 'fair'::text, 'poor'::text, 'failing'::text])))
);

CREATE TABLE inspection_void (
    inspection_id uuid NOT NULL,
    company_id uuid NOT NULL,
    reason text NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    CONSTRAINT inspection_void_reason_check CHECK (((length(reason) >= 3) AND (length(reason) <= 400)))
);

CREATE TABLE knowledge_entry (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    kind text NOT NULL,
    key text NOT NULL,
    version integer NOT NULL,
    data jsonb NOT NULL,
    note text DEFAULT ''::text NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    CONSTRAINT knowledge_entry_key_check CHECK (((length(key) >= 1) AND (length(key) <= 200))),
    CONSTRAINT knowledge_entry_kind_check CHECK ((kind = ANY (ARRAY['likelihood'::text, 'condition'::text, 'heat'::text, 'programme'::text, 'host'::text, 'sign'::text, 'work'::text, 'test'::text]))),
    CONSTRAINT knowledge_entry_note_check CHECK ((length(note) <= 1000)),
    CONSTRAINT knowledge_entry_version_check CHECK ((version >= 1))
);

CREATE TABLE label (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    key text NOT NULL,
    version integer NOT NULL,
    data jsonb NOT NULL,
    created_at timestamp with time zone DEFAULT clock_now() NOT NULL
);

CREATE TABLE label_check (
    label_id uuid NOT NULL,
    company_id uuid NOT NULL,
    by_person uuid NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL
);

CREATE TABLE load_check (
    company_id uuid NOT NULL,
    crew_day_id uuid NOT NULL,
    line text NOT NULL,
    amount text NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    CONSTRAINT load_check_amount_check CHECK ((length(amount) <= 300)),
    CONSTRAINT load_check_line_check CHECK (((length(line) >= 1) AND (length(line) <= 300)))
);

CREATE TABLE lot (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    label_key text NOT NULL,
    lot_number text NOT NULL,
    expires_on date NOT NULL,
    unit text NOT NULL,
    on_hand numeric(16,6) DEFAULT 0 NOT NULL,
    CONSTRAINT lot_lot_number_check CHECK (((length(lot_number) >= 1) AND (length(lot_number) <= 60))),
    CONSTRAINT lot_on_hand_check CHECK ((on_hand >= (0)::numeric)),
    CONSTRAINT lot_unit_check CHECK ((unit = ANY (ARRAY['mL'::text, 'g'::text])))
);

CREATE TABLE measurement (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    tree_id uuid NOT NULL,
    at timestamp with time zone NOT NULL,
    by_person uuid NOT NULL,
    diameter_cm double precision NOT NULL,
    at_height_cm numeric NOT NULL,
    stems jsonb NOT NULL,
    tree_height_m numeric,
    obstacles text DEFAULT ''::text NOT NULL,
    arcs jsonb DEFAULT '[]'::jsonb NOT NULL,
    method text NOT NULL,
    replaces uuid,
    created_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    crown_width_m numeric,
    crown_base_m numeric,
    flares jsonb DEFAULT '[]'::jsonb NOT NULL,
    grain_deg integer DEFAULT 0 NOT NULL,
    CONSTRAINT measurement_at_height_cm_check CHECK (((at_height_cm >= (0)::numeric) AND (at_height_cm <= (300)::numeric))),
    CONSTRAINT measurement_crown_base_m_check CHECK (((crown_base_m >= (0)::numeric) AND (crown_base_m <= (100)::numeric))),
    CONSTRAINT measurement_crown_width_m_check CHECK (((crown_width_m > (0)::numeric) AND (crown_width_m <= (60)::numeric))),
    CONSTRAINT measurement_diameter_cm_check CHECK (((diameter_cm > (0)::double precision) AND (diameter_cm <= (2000)::double precision))),
    CONSTRAINT measurement_grain_deg_check CHECK (((grain_deg >= '-180'::integer) AND (grain_deg <= 180))),
    CONSTRAINT measurement_obstacles_check CHECK ((length(obstacles) <= 500)),
    CONSTRAINT measurement_tree_height_m_check CHECK (((tree_height_m > (0)::numeric) AND (tree_height_m <= (130)::numeric)))
);

CREATE TABLE message (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    client_id uuid NOT NULL,
    site_id uuid NOT NULL,
    crew_day_id uuid,
    subject text NOT NULL,
    body text NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    carried_at timestamp with time zone,
    receipt text,
    CONSTRAINT message_body_check CHECK (((length(body) >= 1) AND (length(body) <= 8000))),
    CONSTRAINT message_check CHECK (((carried_at IS NULL) = (receipt IS NULL))),
    CONSTRAINT message_receipt_check CHECK ((length(receipt) <= 120)),
    CONSTRAINT message_subject_check CHECK (((length(subject) >= 1) AND (length(subject) <= 200)))
);

CREATE TABLE not_done (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    item_id uuid NOT NULL,
    kind text NOT NULL,
    tree_id uuid NOT NULL,
    site_id uuid NOT NULL,
    crew_day_id uuid,
    "position" integer,
    begins smallint,
    why text NOT NULL,
    words text NOT NULL,
    on_day date NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    withdrawn boolean DEFAULT false NOT NULL,
    CONSTRAINT not_done_kind_check CHECK ((kind = ANY (ARRAY['plan'::text, 'work'::text, 'look'::text]))),
    CONSTRAINT not_done_why_check CHECK (((length(why) >= 2) AND (length(why) <= 40))),
    CONSTRAINT not_done_words_check CHECK ((length(words) <= 600))
);

CREATE TABLE others_applied (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    site_id uuid NOT NULL,
    active text NOT NULL,
    grams numeric NOT NULL,
    on_day date NOT NULL,
    who text NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    tree_id uuid,
    family text DEFAULT ''::text NOT NULL,
    resistance text DEFAULT ''::text NOT NULL,
    condition_id text,
    effect text,
    CONSTRAINT others_applied_active_check CHECK (((length(active) >= 2) AND (length(active) <= 80))),
    CONSTRAINT others_applied_condition_id_check CHECK (((length(condition_id) >= 1) AND (length(condition_id) <= 60))),
    CONSTRAINT others_applied_effect_check CHECK ((effect = ANY (ARRAY['none'::text, 'some'::text, 'good'::text]))),
    CONSTRAINT others_applied_family_check CHECK ((length(family) <= 60)),
    CONSTRAINT others_applied_grams_check CHECK (((grams > (0)::numeric) AND (grams <= '10000000'::numeric))),
    CONSTRAINT others_applied_resistance_check CHECK ((length(resistance) <= 40)),
    CONSTRAINT others_applied_who_check CHECK (((length(who) >= 1) AND (length(who) <= 120)))
);

CREATE TABLE password_reset (
    token_hash bytea NOT NULL,
    company_id uuid NOT NULL,
    person_id uuid NOT NULL,
    made_by uuid NOT NULL,
    expires_at timestamp with time zone NOT NULL,
    used_at timestamp with time zone
);

CREATE TABLE person (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    name text NOT NULL,
    email text NOT NULL,
    password_hash text NOT NULL,
    role text NOT NULL,
    units text DEFAULT 'metric'::text NOT NULL,
    theme text DEFAULT 'light'::text NOT NULL,
    licence_number text,
    licence_categories text[] DEFAULT '{}'::text[] NOT NULL,
    licence_expires date,
    calendar_token_hash bytea,
    active boolean DEFAULT true NOT NULL,
    created_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    version integer DEFAULT 1 NOT NULL,
    CONSTRAINT person_email_check CHECK (((email = lower(email)) AND (email ~~ '%_@_%'::text))),
    CONSTRAINT person_name_check CHECK (((length(name) >= 1) AND (length(name) <= 120))),
    CONSTRAINT person_role_check CHECK ((role = ANY (ARRAY['owner'::text, 'arborist'::text, 'technician'::text, 'office'::text]))),
    CONSTRAINT person_theme_check CHECK ((theme = ANY (ARRAY['light'::text, 'daylight'::text, 'night'::text]))),
    CONSTRAINT person_units_check CHECK ((units = ANY (ARRAY['metric'::text, 'us'::text])))
);

CREATE TABLE phone (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    person_id uuid NOT NULL,
    name text NOT NULL,
    key bytea NOT NULL,
    first_seen timestamp with time zone DEFAULT clock_now() NOT NULL,
    last_seen timestamp with time zone DEFAULT clock_now() NOT NULL,
    clock_off_s numeric DEFAULT 0 NOT NULL,
    waiting integer DEFAULT 0 NOT NULL,
    ended_at timestamp with time zone,
    ended_by uuid,
    CONSTRAINT phone_check CHECK (((ended_at IS NULL) = (ended_by IS NULL))),
    CONSTRAINT phone_key_check CHECK (((length(key) >= 16) AND (length(key) <= 64))),
    CONSTRAINT phone_name_check CHECK (((length(name) >= 1) AND (length(name) <= 80))),
    CONSTRAINT phone_waiting_check CHECK (((waiting >= 0) AND (waiting <= 1000000)))
);

CREATE TABLE photo (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    tree_id uuid NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    mime text NOT NULL,
    width integer NOT NULL,
    height integer NOT NULL,
    location_kept boolean DEFAULT false NOT NULL,
    bytes bytea NOT NULL,
    sign_id text,
    CONSTRAINT photo_bytes_check CHECK ((length(bytes) < 4000000)),
    CONSTRAINT photo_mime_check CHECK ((mime = 'image/jpeg'::text)),
    CONSTRAINT photo_sign_id_check CHECK (((length(sign_id) >= 1) AND (length(sign_id) <= 60)))
);

CREATE TABLE plan_change (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    tree_id uuid NOT NULL,
    inspection_id uuid NOT NULL,
    what text NOT NULL,
    price_minor integer,
    state text DEFAULT 'open'::text NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    settled_at timestamp with time zone,
    settled_by uuid,
    settled_how text DEFAULT ''::text NOT NULL,
    CONSTRAINT plan_change_price_minor_check CHECK (((price_minor >= 0) AND (price_minor <= 100000000))),
    CONSTRAINT plan_change_settled_how_check CHECK ((length(settled_how) <= 400)),
    CONSTRAINT plan_change_state_check CHECK ((state = ANY (ARRAY['open'::text, 'approved'::text, 'declined'::text]))),
    CONSTRAINT plan_change_what_check CHECK (((length(what) >= 1) AND (length(what) <= 1000)))
);

CREATE TABLE practice_session (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    person_id uuid NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    seed integer NOT NULL,
    level integer NOT NULL,
    score integer NOT NULL,
    data jsonb NOT NULL,
    CONSTRAINT practice_session_level_check CHECK (((level >= 1) AND (level <= 3))),
    CONSTRAINT practice_session_score_check CHECK (((score >= 0) AND (score <= 100)))
);

CREATE TABLE programme (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    tree_id uuid NOT NULL,
    school text,
    every_years integer,
    years integer NOT NULL,
    at timestamp with time zone DEFAULT (clock_timestamp() + clock_ahead()) NOT NULL,
    by_person uuid NOT NULL,
    CONSTRAINT programme_every_years_check CHECK (((every_years >= 1) AND (every_years <= 5))),
    CONSTRAINT programme_school_check CHECK ((school = ANY (ARRAY['conventional'::text, 'organic'::text, 'threshold'::text]))),
    CONSTRAINT programme_years_check CHECK (((years >= 1) AND (years <= 20)))
);

CREATE TABLE programme_assignment (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    site_id uuid NOT NULL,
    programme jsonb NOT NULL,
    from_day date NOT NULL,
    until_day date NOT NULL,
    reason text NOT NULL,
    said jsonb DEFAULT '{}'::jsonb NOT NULL,
    carried_from uuid,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    ended_on date,
    ended_because text,
    CONSTRAINT programme_assignment_check CHECK ((from_day <= until_day)),
    CONSTRAINT programme_assignment_check1 CHECK (((ended_on IS NULL) = (ended_because IS NULL))),
    CONSTRAINT programme_assignment_ended_because_check CHECK (((length(ended_because) >= 4) AND (length(ended_because) <= 500))),
    CONSTRAINT programme_assignment_programme_check CHECK ((jsonb_typeof(programme) = 'object'::text)),
    CONSTRAINT programme_assignment_reason_check CHECK ((length(reason) <= 600))
);

CREATE TABLE programme_visit (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    assignment_id uuid NOT NULL,
    tree_id uuid NOT NULL,
    step text NOT NULL,
    year smallint NOT NULL,
    nth smallint NOT NULL,
    kind text NOT NULL,
    state text NOT NULL,
    day date NOT NULL,
    earliest date NOT NULL,
    latest date NOT NULL,
    reasons jsonb DEFAULT '[]'::jsonb NOT NULL,
    by_hand text,
    stop jsonb,
    label_id uuid,
    use_key text,
    found boolean,
    because text,
    settled boolean DEFAULT false NOT NULL,
    CONSTRAINT programme_visit_because_check CHECK (((length(because) >= 4) AND (length(because) <= 500))),
    CONSTRAINT programme_visit_by_hand_check CHECK (((length(by_hand) >= 4) AND (length(by_hand) <= 500))),
    CONSTRAINT programme_visit_check CHECK (((earliest <= day) AND (day <= latest))),
    CONSTRAINT programme_visit_check1 CHECK (((state = 'stopped'::text) = (stop IS NOT NULL))),
    CONSTRAINT programme_visit_kind_check CHECK ((kind = ANY (ARRAY['treat'::text, 'work'::text, 'look'::text]))),
    CONSTRAINT programme_visit_nth_check CHECK (((nth >= 1) AND (nth <= 20))),
    CONSTRAINT programme_visit_state_check CHECK ((state = ANY (ARRAY['expected'::text, 'stopped'::text, 'planned'::text, 'off'::text]))),
    CONSTRAINT programme_visit_step_check CHECK (((length(step) >= 1) AND (length(step) <= 60))),
    CONSTRAINT programme_visit_use_key_check CHECK ((length(use_key) <= 60))
);

CREATE TABLE quote (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    tree_id uuid,
    token_hash bytea NOT NULL,
    data jsonb NOT NULL,
    expires_at timestamp with time zone NOT NULL,
    cancelled_at timestamp with time zone,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    site_id uuid,
    CONSTRAINT quote_of_one CHECK ((num_nonnulls(tree_id, site_id) = 1))
);

CREATE TABLE quote_answer (
    quote_id uuid NOT NULL,
    company_id uuid NOT NULL,
    changes uuid[] DEFAULT '{}'::uuid[] NOT NULL,
    who text NOT NULL,
    word text DEFAULT ''::text NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    option_keys text[] NOT NULL,
    CONSTRAINT quote_answer_option_keys_check CHECK ((cardinality(option_keys) <= 12)),
    CONSTRAINT quote_answer_who_check CHECK (((length(who) >= 1) AND (length(who) <= 120))),
    CONSTRAINT quote_answer_word_check CHECK ((length(word) <= 1000))
);

CREATE UNLOGGED TABLE rate (
    company_id uuid NOT NULL,
    person_id uuid NOT NULL,
    what text NOT NULL,
    began timestamp with time zone NOT NULL,
    times integer NOT NULL,
    CONSTRAINT rate_times_check CHECK ((times > 0)),
    CONSTRAINT rate_what_check CHECK (((length(what) >= 1) AND (length(what) <= 40)))
);

CREATE TABLE record (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    root_id uuid NOT NULL,
    version integer NOT NULL,
    tree_id uuid NOT NULL,
    site_id uuid NOT NULL,
    plan_id uuid,
    label_key text NOT NULL,
    method text NOT NULL,
    started_at timestamp with time zone NOT NULL,
    ended_at timestamp with time zone NOT NULL,
    done_on date NOT NULL,
    by_person uuid NOT NULL,
    written_by uuid NOT NULL,
    withdrawn boolean DEFAULT false NOT NULL,
    latest boolean DEFAULT true NOT NULL,
    words text NOT NULL,
    data jsonb NOT NULL,
    correction text,
    created_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    CONSTRAINT record_check CHECK ((ended_at >= started_at)),
    CONSTRAINT record_check1 CHECK (((version = 1) = (correction IS NULL))),
    CONSTRAINT record_version_check CHECK ((version >= 1))
);

CREATE TABLE region_profile (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    key text NOT NULL,
    version integer NOT NULL,
    data jsonb NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    CONSTRAINT region_profile_key_check CHECK (((length(key) >= 1) AND (length(key) <= 60))),
    CONSTRAINT region_profile_version_check CHECK ((version >= 1))
);

CREATE TABLE retired_label (
    company_id uuid NOT NULL,
    label_key text NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL
);

CREATE TABLE sample (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    tree_id uuid NOT NULL,
    what text NOT NULL,
    sent_to text NOT NULL,
    test_id text,
    sent_on date NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    CONSTRAINT sample_sent_to_check CHECK (((length(sent_to) >= 2) AND (length(sent_to) <= 200))),
    CONSTRAINT sample_test_id_check CHECK (((length(test_id) >= 1) AND (length(test_id) <= 60))),
    CONSTRAINT sample_what_check CHECK (((length(what) >= 3) AND (length(what) <= 400)))
);

CREATE TABLE sample_answer (
    sample_id uuid NOT NULL,
    company_id uuid NOT NULL,
    inspection_id uuid,
    answer text NOT NULL,
    on_day date NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    CONSTRAINT sample_answer_answer_check CHECK (((length(answer) >= 1) AND (length(answer) <= 2000)))
);

CREATE TABLE session (
    token_hash bytea NOT NULL,
    company_id uuid NOT NULL,
    person_id uuid NOT NULL,
    created_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    expires_at timestamp with time zone NOT NULL,
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    device text DEFAULT ''::text NOT NULL,
    used_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    CONSTRAINT session_device_check CHECK ((length(device) <= 200))
);

CREATE TABLE sign_in_attempt (
    id bigint NOT NULL,
    email text NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    machine text DEFAULT 'local'::text NOT NULL
);

ALTER TABLE sign_in_attempt ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME sign_in_attempt_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE sign_in_known (
    email text NOT NULL,
    machine text NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL
);

CREATE TABLE site (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    client_id uuid NOT NULL,
    name text NOT NULL,
    address text DEFAULT ''::text NOT NULL,
    time_zone text NOT NULL,
    outline jsonb,
    area_m2 numeric,
    soil_texture text DEFAULT 'loam'::text NOT NULL,
    water_m numeric,
    first_picking date,
    access text DEFAULT ''::text NOT NULL,
    hazards text DEFAULT ''::text NOT NULL,
    dogs text DEFAULT ''::text NOT NULL,
    notes text DEFAULT ''::text NOT NULL,
    archived_at timestamp with time zone,
    created_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    site_map jsonb,
    last_picking date,
    pickings jsonb DEFAULT '[]'::jsonb NOT NULL,
    version integer DEFAULT 1 NOT NULL,
    site_map_version integer DEFAULT 1 NOT NULL,
    region text,
    station_columns jsonb,
    hours jsonb DEFAULT '[]'::jsonb NOT NULL,
    CONSTRAINT picking_in_order CHECK ((last_picking >= first_picking)),
    CONSTRAINT site_access_check CHECK ((length(access) <= 1000)),
    CONSTRAINT site_address_check CHECK ((length(address) <= 300)),
    CONSTRAINT site_area_m2_check CHECK (((area_m2 > (0)::numeric) AND (area_m2 < '1000000000'::numeric))),
    CONSTRAINT site_dogs_check CHECK ((length(dogs) <= 300)),
    CONSTRAINT site_hazards_check CHECK ((length(hazards) <= 1000)),
    CONSTRAINT site_hours_check CHECK ((jsonb_typeof(hours) = 'array'::text)),
    CONSTRAINT site_name_check CHECK (((length(name) >= 1) AND (length(name) <= 120))),
    CONSTRAINT site_notes_check CHECK ((length(notes) <= 4000)),
    CONSTRAINT site_region_check CHECK (((length(region) >= 1) AND (length(region) <= 60))),
    CONSTRAINT site_soil_texture_check CHECK ((soil_texture = ANY (ARRAY['sandy'::text, 'loam'::text, 'clay'::text]))),
    CONSTRAINT site_water_m_check CHECK (((water_m = ('-1'::integer)::numeric) OR ((water_m >= (0)::numeric) AND (water_m <= (100000)::numeric))))
);

CREATE TABLE site_calendar (
    company_id uuid NOT NULL,
    site_id uuid NOT NULL,
    token_hash bytea NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL
);

CREATE TABLE skipped_tree (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    tree_id uuid NOT NULL,
    label_id uuid NOT NULL,
    use_key text NOT NULL,
    stop jsonb NOT NULL,
    settled boolean DEFAULT false NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    CONSTRAINT skipped_tree_use_key_check CHECK ((length(use_key) <= 60))
);

CREATE TABLE sprayer (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    name text NOT NULL,
    holds_ml numeric NOT NULL,
    flow_ml_min numeric,
    calibrated_on date,
    dead_ml numeric DEFAULT 0 NOT NULL,
    CONSTRAINT sprayer_check CHECK (((flow_ml_min IS NULL) = (calibrated_on IS NULL))),
    CONSTRAINT sprayer_check1 CHECK (((dead_ml >= (0)::numeric) AND (dead_ml < holds_ml))),
    CONSTRAINT sprayer_flow_ml_min_check CHECK (((flow_ml_min > (0)::numeric) AND (flow_ml_min <= '1000000'::numeric))),
    CONSTRAINT sprayer_holds_ml_check CHECK (((holds_ml > (0)::numeric) AND (holds_ml <= '5000000'::numeric))),
    CONSTRAINT sprayer_name_check CHECK (((length(name) >= 1) AND (length(name) <= 80)))
);

CREATE TABLE stage_note (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    site_id uuid NOT NULL,
    tree_id uuid,
    host_id text,
    kind text NOT NULL,
    what text NOT NULL,
    on_day date NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    CONSTRAINT stage_note_check CHECK (((kind = 'stage'::text) = (host_id IS NOT NULL))),
    CONSTRAINT stage_note_host_id_check CHECK (((length(host_id) >= 1) AND (length(host_id) <= 60))),
    CONSTRAINT stage_note_kind_check CHECK ((kind = ANY (ARRAY['biofix'::text, 'stage'::text]))),
    CONSTRAINT stage_note_what_check CHECK (((length(what) >= 1) AND (length(what) <= 60)))
);

CREATE TABLE stage_note_void (
    stage_note_id uuid NOT NULL,
    company_id uuid NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL
);

CREATE TABLE stock_move (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    lot_id uuid NOT NULL,
    amount numeric(16,6) NOT NULL,
    reason text NOT NULL,
    record_id uuid,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    against text NOT NULL,
    batch_id uuid,
    CONSTRAINT against_known CHECK ((against = ANY (ARRAY['supplier'::text, 'tree'::text, 'count'::text, 'loss'::text, 'mix'::text]))),
    CONSTRAINT loss_takes CHECK (((against <> 'loss'::text) OR (amount < (0)::numeric))),
    CONSTRAINT mix_is_a_batch CHECK (((against = 'mix'::text) = (batch_id IS NOT NULL))),
    CONSTRAINT stock_move_amount_check CHECK ((amount <> (0)::numeric)),
    CONSTRAINT stock_move_reason_check CHECK (((length(reason) >= 1) AND (length(reason) <= 200)))
);

CREATE VIEW stock_entry WITH (security_invoker='true') AS
 SELECT stock_move.id AS move_id,
    stock_move.company_id,
    stock_move.lot_id,
    'lot'::text AS account,
    stock_move.amount,
    stock_move.at
   FROM stock_move
UNION ALL
 SELECT stock_move.id AS move_id,
    stock_move.company_id,
    stock_move.lot_id,
    stock_move.against AS account,
    (- stock_move.amount) AS amount,
    stock_move.at
   FROM stock_move;

CREATE TABLE stock_level (
    company_id uuid NOT NULL,
    label_key text NOT NULL,
    warn_below numeric(16,6) NOT NULL,
    CONSTRAINT stock_level_label_key_check CHECK (((length(label_key) >= 1) AND (length(label_key) <= 60))),
    CONSTRAINT stock_level_warn_below_check CHECK ((warn_below > (0)::numeric))
);

CREATE TABLE sync_conflict (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    phone_id uuid NOT NULL,
    person_id uuid NOT NULL,
    command text NOT NULL,
    what text NOT NULL,
    input jsonb NOT NULL,
    issues jsonb NOT NULL,
    seen_at timestamp with time zone NOT NULL,
    clock_at timestamp with time zone NOT NULL,
    received_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    settled text,
    settled_at timestamp with time zone,
    settled_by uuid,
    words text DEFAULT ''::text NOT NULL,
    CONSTRAINT sync_conflict_check CHECK ((((settled IS NULL) = (settled_at IS NULL)) AND ((settled IS NULL) = (settled_by IS NULL)))),
    CONSTRAINT sync_conflict_settled_check CHECK ((settled = ANY (ARRAY['sent again'::text, 'set aside'::text]))),
    CONSTRAINT sync_conflict_verb_check CHECK (((length(command) >= 1) AND (length(command) <= 60))),
    CONSTRAINT sync_conflict_what_check CHECK (((length(what) >= 1) AND (length(what) <= 300))),
    CONSTRAINT sync_conflict_words_check CHECK ((length(words) <= 600))
);

CREATE TABLE task (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    site_id uuid NOT NULL,
    tree_id uuid,
    who text NOT NULL,
    what text NOT NULL,
    instructions text DEFAULT ''::text NOT NULL,
    due date NOT NULL,
    state text DEFAULT 'open'::text NOT NULL,
    settled_at timestamp with time zone,
    settled_by uuid,
    done_by text,
    said text DEFAULT ''::text NOT NULL,
    version integer DEFAULT 0 NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    changed_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    CONSTRAINT task_check CHECK (((state = 'open'::text) = (settled_at IS NULL))),
    CONSTRAINT task_done_by_check CHECK (((length(done_by) >= 2) AND (length(done_by) <= 120))),
    CONSTRAINT task_instructions_check CHECK ((length(instructions) <= 2000)),
    CONSTRAINT task_said_check CHECK ((length(said) <= 1000)),
    CONSTRAINT task_state_check CHECK ((state = ANY (ARRAY['open'::text, 'done'::text, 'dropped'::text]))),
    CONSTRAINT task_what_check CHECK (((length(what) >= 3) AND (length(what) <= 200))),
    CONSTRAINT task_who_check CHECK ((who = ANY (ARRAY['company'::text, 'client'::text])))
);

CREATE TABLE test_result (
    company_id uuid NOT NULL,
    inspection_id uuid NOT NULL,
    test_id text NOT NULL,
    outcome text NOT NULL,
    CONSTRAINT test_result_outcome_check CHECK (((length(outcome) >= 1) AND (length(outcome) <= 60))),
    CONSTRAINT test_result_test_id_check CHECK (((length(test_id) >= 1) AND (length(test_id) <= 60)))
);

CREATE TABLE treatment_plan (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    tree_id uuid NOT NULL,
    label_id uuid NOT NULL,
    use_key text NOT NULL,
    condition_id text NOT NULL,
    facts jsonb NOT NULL,
    result jsonb NOT NULL,
    released jsonb DEFAULT '{}'::jsonb NOT NULL,
    state text DEFAULT 'open'::text NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    price jsonb,
    document integer DEFAULT 1 NOT NULL,
    result_us jsonb,
    planned_for date,
    earliest date,
    latest date,
    visit_id uuid,
    moves smallint DEFAULT 0 NOT NULL,
    received_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    CONSTRAINT treatment_plan_check CHECK (((document = 1) OR (result_us IS NOT NULL))),
    CONSTRAINT treatment_plan_state_check CHECK ((state = ANY (ARRAY['open'::text, 'done'::text, 'dropped'::text]))),
    CONSTRAINT treatment_plan_when CHECK (((planned_for IS NULL) OR ((earliest <= planned_for) AND (planned_for <= latest))))
);

CREATE TABLE tree (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    site_id uuid NOT NULL,
    tag text NOT NULL,
    host_id text NOT NULL,
    host_confirmed_at timestamp with time zone,
    host_confirmed_by uuid,
    lat double precision,
    lon double precision,
    walk_order integer DEFAULT 0 NOT NULL,
    note text DEFAULT ''::text NOT NULL,
    archived_at timestamp with time zone,
    created_at timestamp with time zone DEFAULT clock_now() NOT NULL,
    plan_x double precision,
    plan_y double precision,
    variety text DEFAULT ''::text NOT NULL,
    eaten boolean,
    version integer DEFAULT 1 NOT NULL,
    species text DEFAULT ''::text NOT NULL,
    section text DEFAULT ''::text NOT NULL,
    import_id uuid,
    CONSTRAINT on_plan_both CHECK (((plan_x IS NULL) = (plan_y IS NULL))),
    CONSTRAINT tree_check CHECK (((lat IS NULL) = (lon IS NULL))),
    CONSTRAINT tree_host_id_check CHECK (((length(host_id) >= 1) AND (length(host_id) <= 60))),
    CONSTRAINT tree_lat_check CHECK (((lat >= ('-90'::integer)::double precision) AND (lat <= (90)::double precision))),
    CONSTRAINT tree_lon_check CHECK (((lon >= ('-180'::integer)::double precision) AND (lon <= (180)::double precision))),
    CONSTRAINT tree_note_check CHECK ((length(note) <= 2000)),
    CONSTRAINT tree_plan_x_check CHECK (((plan_x >= ('-20000'::integer)::double precision) AND (plan_x <= (20000)::double precision))),
    CONSTRAINT tree_plan_y_check CHECK (((plan_y >= ('-20000'::integer)::double precision) AND (plan_y <= (20000)::double precision))),
    CONSTRAINT tree_section_check CHECK ((length(section) <= 60)),
    CONSTRAINT tree_species_check CHECK ((length(species) <= 120)),
    CONSTRAINT tree_tag_check CHECK (((length(tag) >= 1) AND (length(tag) <= 24))),
    CONSTRAINT tree_variety_check CHECK ((length(variety) <= 80))
);

CREATE TABLE tree_import (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    site_id uuid NOT NULL,
    name text NOT NULL,
    trees integer NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    voided_at timestamp with time zone,
    voided_by uuid,
    CONSTRAINT tree_import_check CHECK (((voided_at IS NULL) = (voided_by IS NULL))),
    CONSTRAINT tree_import_name_check CHECK (((length(name) >= 1) AND (length(name) <= 200))),
    CONSTRAINT tree_import_trees_check CHECK ((trees >= 0))
);

CREATE TABLE vessel (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    name text NOT NULL,
    dimension text NOT NULL,
    capacity numeric NOT NULL,
    graduation numeric NOT NULL,
    reserved boolean DEFAULT true NOT NULL,
    CONSTRAINT vessel_capacity_check CHECK (((capacity > (0)::numeric) AND (capacity <= '1000000'::numeric))),
    CONSTRAINT vessel_check CHECK ((graduation <= capacity)),
    CONSTRAINT vessel_dimension_check CHECK ((dimension = ANY (ARRAY['volume'::text, 'mass'::text]))),
    CONSTRAINT vessel_graduation_check CHECK ((graduation > (0)::numeric)),
    CONSTRAINT vessel_name_check CHECK (((length(name) >= 1) AND (length(name) <= 80)))
);

CREATE TABLE visit_move (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    visit_id uuid NOT NULL,
    from_day date NOT NULL,
    to_day date NOT NULL,
    reasons jsonb NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL
);

CREATE TABLE weather_day (
    company_id uuid NOT NULL,
    site_id uuid NOT NULL,
    day date NOT NULL,
    min_c real NOT NULL,
    max_c real NOT NULL,
    rain_mm real NOT NULL,
    CONSTRAINT weather_day_check CHECK ((min_c <= max_c))
);

CREATE TABLE weather_hour (
    company_id uuid NOT NULL,
    site_id uuid NOT NULL,
    at timestamp with time zone NOT NULL,
    temperature_c real NOT NULL,
    rain_mm real NOT NULL,
    humidity real NOT NULL,
    wind_ms real,
    wet boolean,
    CONSTRAINT weather_hour_humidity_check CHECK (((humidity >= (0)::double precision) AND (humidity <= (100)::double precision))),
    CONSTRAINT weather_hour_rain_mm_check CHECK (((rain_mm >= (0)::double precision) AND (rain_mm <= (500)::double precision))),
    CONSTRAINT weather_hour_temperature_c_check CHECK (((temperature_c >= ('-80'::integer)::double precision) AND (temperature_c <= (80)::double precision))),
    CONSTRAINT weather_hour_wind_ms_check CHECK (((wind_ms >= (0)::double precision) AND (wind_ms <= (120)::double precision)))
);

CREATE TABLE work_plan (
    id uuid NOT NULL,
    company_id uuid NOT NULL,
    tree_id uuid NOT NULL,
    work_id text NOT NULL,
    condition_id text,
    answers jsonb NOT NULL,
    sheet jsonb NOT NULL,
    released jsonb DEFAULT '{}'::jsonb NOT NULL,
    state text DEFAULT 'open'::text NOT NULL,
    at timestamp with time zone DEFAULT clock_now() NOT NULL,
    by_person uuid NOT NULL,
    done_on date,
    done_by uuid,
    note text DEFAULT ''::text NOT NULL,
    price jsonb,
    document integer DEFAULT 1 NOT NULL,
    sheet_us jsonb,
    planned_for date,
    visit_id uuid,
    moves integer DEFAULT 0 NOT NULL,
    moved_at timestamp with time zone,
    done_at timestamp with time zone,
    minutes integer,
    CONSTRAINT work_plan_check CHECK (((state = 'done'::text) = (done_on IS NOT NULL))),
    CONSTRAINT work_plan_check1 CHECK (((document = 1) OR (sheet_us IS NOT NULL))),
    CONSTRAINT work_plan_minutes_check CHECK (((minutes >= 1) AND (minutes <= 1440))),
    CONSTRAINT work_plan_note_check CHECK ((length(note) <= 2000)),
    CONSTRAINT work_plan_state_check CHECK ((state = ANY (ARRAY['open'::text, 'done'::text, 'dropped'::text]))),
    CONSTRAINT work_plan_work_id_check CHECK (((length(work_id) >= 1) AND (length(work_id) <= 60)))
);

ALTER TABLE ONLY absence
    ADD CONSTRAINT absence_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY absence
    ADD CONSTRAINT absence_pkey PRIMARY KEY (id);

ALTER TABLE ONLY batch
    ADD CONSTRAINT batch_company_id_code_key UNIQUE (company_id, code);

ALTER TABLE ONLY batch
    ADD CONSTRAINT batch_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY batch_draw
    ADD CONSTRAINT batch_draw_pkey PRIMARY KEY (id);

ALTER TABLE ONLY batch_lot
    ADD CONSTRAINT batch_lot_pkey PRIMARY KEY (company_id, batch_id, lot_id);

ALTER TABLE ONLY batch
    ADD CONSTRAINT batch_pkey PRIMARY KEY (id);

ALTER TABLE ONLY client
    ADD CONSTRAINT client_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY client_notice
    ADD CONSTRAINT client_notice_pkey PRIMARY KEY (company_id, site_id, day);

ALTER TABLE ONLY client
    ADD CONSTRAINT client_pkey PRIMARY KEY (id);

ALTER TABLE ONLY command_done
    ADD CONSTRAINT command_done_pkey PRIMARY KEY (company_id, id);

ALTER TABLE ONLY company
    ADD CONSTRAINT company_pkey PRIMARY KEY (id);

ALTER TABLE ONLY crew
    ADD CONSTRAINT crew_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY crew_day
    ADD CONSTRAINT crew_day_company_id_crew_id_day_key UNIQUE (company_id, crew_id, day);

ALTER TABLE ONLY crew_day
    ADD CONSTRAINT crew_day_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY crew_day_item
    ADD CONSTRAINT crew_day_item_pkey PRIMARY KEY (company_id, item_id);

ALTER TABLE ONLY crew_day
    ADD CONSTRAINT crew_day_pkey PRIMARY KEY (id);

ALTER TABLE ONLY crew_person
    ADD CONSTRAINT crew_person_pkey PRIMARY KEY (company_id, person_id);

ALTER TABLE ONLY crew
    ADD CONSTRAINT crew_pkey PRIMARY KEY (id);

ALTER TABLE ONLY device_installation
    ADD CONSTRAINT device_installation_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY device_installation
    ADD CONSTRAINT device_installation_pkey PRIMARY KEY (id);

ALTER TABLE ONLY device_reading
    ADD CONSTRAINT device_reading_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY device_reading
    ADD CONSTRAINT device_reading_pkey PRIMARY KEY (id);

ALTER TABLE ONLY diagnosis
    ADD CONSTRAINT diagnosis_pkey PRIMARY KEY (id);

ALTER TABLE ONLY equipment
    ADD CONSTRAINT equipment_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY equipment
    ADD CONSTRAINT equipment_pkey PRIMARY KEY (id);

ALTER TABLE ONLY finding
    ADD CONSTRAINT finding_pkey PRIMARY KEY (inspection_id, sign_id);

ALTER TABLE ONLY follow_up
    ADD CONSTRAINT follow_up_company_id_root_id_rule_id_key UNIQUE (company_id, root_id, rule_id);

ALTER TABLE ONLY follow_up
    ADD CONSTRAINT follow_up_pkey PRIMARY KEY (id);

ALTER TABLE ONLY gate_code
    ADD CONSTRAINT gate_code_pkey PRIMARY KEY (site_id);

ALTER TABLE ONLY inspection
    ADD CONSTRAINT inspection_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY inspection
    ADD CONSTRAINT inspection_pkey PRIMARY KEY (id);

ALTER TABLE ONLY inspection_void
    ADD CONSTRAINT inspection_void_pkey PRIMARY KEY (inspection_id);

ALTER TABLE ONLY knowledge_entry
    ADD CONSTRAINT knowledge_entry_company_id_kind_key_version_key UNIQUE (company_id, kind, key, version);

ALTER TABLE ONLY knowledge_entry
    ADD CONSTRAINT knowledge_entry_pkey PRIMARY KEY (id);

ALTER TABLE ONLY label_check
    ADD CONSTRAINT label_check_pkey PRIMARY KEY (label_id, at);

ALTER TABLE ONLY label
    ADD CONSTRAINT label_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY label
    ADD CONSTRAINT label_company_id_key_version_key UNIQUE (company_id, key, version);

ALTER TABLE ONLY label
    ADD CONSTRAINT label_pkey PRIMARY KEY (id);

ALTER TABLE ONLY load_check
    ADD CONSTRAINT load_check_pkey PRIMARY KEY (company_id, crew_day_id, line);

ALTER TABLE ONLY lot
    ADD CONSTRAINT lot_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY lot
    ADD CONSTRAINT lot_company_id_label_key_lot_number_key UNIQUE (company_id, label_key, lot_number);

ALTER TABLE ONLY lot
    ADD CONSTRAINT lot_pkey PRIMARY KEY (id);

ALTER TABLE ONLY measurement
    ADD CONSTRAINT measurement_pkey PRIMARY KEY (id);

ALTER TABLE ONLY message
    ADD CONSTRAINT message_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY message
    ADD CONSTRAINT message_pkey PRIMARY KEY (id);

ALTER TABLE ONLY not_done
    ADD CONSTRAINT not_done_pkey PRIMARY KEY (id, item_id);

ALTER TABLE ONLY others_applied
    ADD CONSTRAINT others_applied_pkey PRIMARY KEY (id);

ALTER TABLE ONLY password_reset
    ADD CONSTRAINT password_reset_pkey PRIMARY KEY (token_hash);

ALTER TABLE ONLY person
    ADD CONSTRAINT person_calendar_token_hash_key UNIQUE (calendar_token_hash);

ALTER TABLE ONLY person
    ADD CONSTRAINT person_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY person
    ADD CONSTRAINT person_email_key UNIQUE (email);

ALTER TABLE ONLY person
    ADD CONSTRAINT person_pkey PRIMARY KEY (id);

ALTER TABLE ONLY phone
    ADD CONSTRAINT phone_pkey PRIMARY KEY (company_id, id);

ALTER TABLE ONLY photo
    ADD CONSTRAINT photo_pkey PRIMARY KEY (id);

ALTER TABLE ONLY plan_change
    ADD CONSTRAINT plan_change_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY plan_change
    ADD CONSTRAINT plan_change_pkey PRIMARY KEY (id);

ALTER TABLE ONLY practice_session
    ADD CONSTRAINT practice_session_pkey PRIMARY KEY (id);

ALTER TABLE ONLY programme_assignment
    ADD CONSTRAINT programme_assignment_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY programme_assignment
    ADD CONSTRAINT programme_assignment_pkey PRIMARY KEY (id);

ALTER TABLE ONLY programme
    ADD CONSTRAINT programme_pkey PRIMARY KEY (id);

ALTER TABLE ONLY programme_visit
    ADD CONSTRAINT programme_visit_company_id_assignment_id_tree_id_step_year_nth_ UNIQUE (company_id, assignment_id, tree_id, step, year, nth);

ALTER TABLE ONLY programme_visit
    ADD CONSTRAINT programme_visit_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY programme_visit
    ADD CONSTRAINT programme_visit_pkey PRIMARY KEY (id);

ALTER TABLE ONLY quote_answer
    ADD CONSTRAINT quote_answer_pkey PRIMARY KEY (quote_id);

ALTER TABLE ONLY quote
    ADD CONSTRAINT quote_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY quote
    ADD CONSTRAINT quote_pkey PRIMARY KEY (id);

ALTER TABLE ONLY quote
    ADD CONSTRAINT quote_token_hash_key UNIQUE (token_hash);

ALTER TABLE ONLY rate
    ADD CONSTRAINT rate_pkey PRIMARY KEY (company_id, person_id, what);

ALTER TABLE ONLY record
    ADD CONSTRAINT record_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY record
    ADD CONSTRAINT record_pkey PRIMARY KEY (id);

ALTER TABLE ONLY record
    ADD CONSTRAINT record_root_id_version_key UNIQUE (root_id, version);

ALTER TABLE ONLY region_profile
    ADD CONSTRAINT region_profile_company_id_key_version_key UNIQUE (company_id, key, version);

ALTER TABLE ONLY region_profile
    ADD CONSTRAINT region_profile_pkey PRIMARY KEY (id);

ALTER TABLE ONLY retired_label
    ADD CONSTRAINT retired_label_pkey PRIMARY KEY (company_id, label_key);

ALTER TABLE ONLY sample_answer
    ADD CONSTRAINT sample_answer_pkey PRIMARY KEY (sample_id);

ALTER TABLE ONLY sample
    ADD CONSTRAINT sample_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY sample
    ADD CONSTRAINT sample_pkey PRIMARY KEY (id);

ALTER TABLE ONLY session
    ADD CONSTRAINT session_id_key UNIQUE (id);

ALTER TABLE ONLY session
    ADD CONSTRAINT session_pkey PRIMARY KEY (token_hash);

ALTER TABLE ONLY sign_in_attempt
    ADD CONSTRAINT sign_in_attempt_pkey PRIMARY KEY (id);

ALTER TABLE ONLY sign_in_known
    ADD CONSTRAINT sign_in_known_pkey PRIMARY KEY (email, machine);

ALTER TABLE ONLY site_calendar
    ADD CONSTRAINT site_calendar_pkey PRIMARY KEY (company_id, site_id);

ALTER TABLE ONLY site_calendar
    ADD CONSTRAINT site_calendar_token_hash_key UNIQUE (token_hash);

ALTER TABLE ONLY site
    ADD CONSTRAINT site_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY site
    ADD CONSTRAINT site_pkey PRIMARY KEY (id);

ALTER TABLE ONLY skipped_tree
    ADD CONSTRAINT skipped_tree_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY skipped_tree
    ADD CONSTRAINT skipped_tree_pkey PRIMARY KEY (id);

ALTER TABLE ONLY sprayer
    ADD CONSTRAINT sprayer_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY sprayer
    ADD CONSTRAINT sprayer_pkey PRIMARY KEY (id);

ALTER TABLE ONLY stage_note
    ADD CONSTRAINT stage_note_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY stage_note
    ADD CONSTRAINT stage_note_pkey PRIMARY KEY (id);

ALTER TABLE ONLY stage_note_void
    ADD CONSTRAINT stage_note_void_pkey PRIMARY KEY (stage_note_id);

ALTER TABLE ONLY stock_level
    ADD CONSTRAINT stock_level_pkey PRIMARY KEY (company_id, label_key);

ALTER TABLE ONLY stock_move
    ADD CONSTRAINT stock_move_pkey PRIMARY KEY (id);

ALTER TABLE ONLY sync_conflict
    ADD CONSTRAINT sync_conflict_pkey PRIMARY KEY (company_id, id);

ALTER TABLE ONLY task
    ADD CONSTRAINT task_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY task
    ADD CONSTRAINT task_pkey PRIMARY KEY (id);

ALTER TABLE ONLY test_result
    ADD CONSTRAINT test_result_pkey PRIMARY KEY (inspection_id, test_id);

ALTER TABLE ONLY treatment_plan
    ADD CONSTRAINT treatment_plan_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY treatment_plan
    ADD CONSTRAINT treatment_plan_pkey PRIMARY KEY (id);

ALTER TABLE ONLY tree
    ADD CONSTRAINT tree_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY tree_import
    ADD CONSTRAINT tree_import_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY tree_import
    ADD CONSTRAINT tree_import_pkey PRIMARY KEY (id);

ALTER TABLE ONLY tree
    ADD CONSTRAINT tree_pkey PRIMARY KEY (id);

ALTER TABLE ONLY vessel
    ADD CONSTRAINT vessel_pkey PRIMARY KEY (id);

ALTER TABLE ONLY visit_move
    ADD CONSTRAINT visit_move_pkey PRIMARY KEY (id);

ALTER TABLE ONLY weather_day
    ADD CONSTRAINT weather_day_pkey PRIMARY KEY (company_id, site_id, day);

ALTER TABLE ONLY weather_hour
    ADD CONSTRAINT weather_hour_pkey PRIMARY KEY (company_id, site_id, at);

ALTER TABLE ONLY work_plan
    ADD CONSTRAINT work_plan_company_id_id_key UNIQUE (company_id, id);

ALTER TABLE ONLY work_plan
    ADD CONSTRAINT work_plan_pkey PRIMARY KEY (id);

CREATE INDEX absence_by_day ON absence USING btree (company_id, to_day) WHERE (NOT withdrawn);

CREATE INDEX absence_by_person ON absence USING btree (company_id, person_id);

CREATE INDEX batch_by_label ON batch USING btree (company_id, label_key, made_at DESC);

CREATE INDEX batch_by_label_id ON batch USING btree (company_id, label_id);

CREATE INDEX batch_by_person ON batch USING btree (company_id, by_person);

CREATE INDEX batch_by_round ON batch USING btree (company_id, crew_day_id) WHERE (crew_day_id IS NOT NULL);

CREATE INDEX batch_draw_by_person ON batch_draw USING btree (company_id, by_person);

CREATE INDEX batch_draw_by_record ON batch_draw USING btree (company_id, record_root) WHERE (record_root IS NOT NULL);

CREATE INDEX batch_draw_of ON batch_draw USING btree (company_id, batch_id, at);

CREATE INDEX batch_lot_by_lot ON batch_lot USING btree (company_id, lot_id);

CREATE INDEX batch_open ON batch USING btree (company_id, made_at) WHERE (left_ml > (0)::numeric);

CREATE INDEX client_by_name ON client USING btree (company_id, name, id);

CREATE INDEX command_done_by_person ON command_done USING btree (company_id, person_id);

CREATE INDEX command_done_by_phone ON command_done USING btree (company_id, phone_id) WHERE (phone_id IS NOT NULL);

CREATE INDEX crew_by_company ON crew USING btree (company_id, name, id);

CREATE INDEX crew_day_by_beginner ON crew_day USING btree (company_id, begun_by) WHERE (begun_by IS NOT NULL);

CREATE INDEX crew_day_by_closer ON crew_day USING btree (company_id, closed_by) WHERE (closed_by IS NOT NULL);

CREATE INDEX crew_day_by_day ON crew_day USING btree (company_id, day);

CREATE INDEX crew_day_item_by_round ON crew_day_item USING btree (company_id, crew_day_id, "position");

CREATE INDEX crew_day_item_by_site ON crew_day_item USING btree (company_id, site_id);

CREATE INDEX crew_person_by_crew ON crew_person USING btree (company_id, crew_id);

CREATE INDEX device_installation_by_person ON device_installation USING btree (company_id, by_person);

CREATE INDEX device_installation_by_plan ON device_installation USING btree (company_id, plan_id);

CREATE INDEX device_installation_by_puller ON device_installation USING btree (company_id, removed_by) WHERE (removed_by IS NOT NULL);

CREATE INDEX device_installation_by_tree ON device_installation USING btree (company_id, tree_id);

CREATE INDEX device_installation_now ON device_installation USING btree (company_id, installed_at, id) WHERE (removed_at IS NULL);

CREATE INDEX device_installation_pulled ON device_installation USING btree (company_id, removed_at DESC) WHERE (removed_at IS NOT NULL);

CREATE INDEX device_reading_by_person ON device_reading USING btree (company_id, by_person);

CREATE INDEX device_reading_of ON device_reading USING btree (company_id, installation_id, at);

CREATE INDEX diagnosis_by_inspection ON diagnosis USING btree (company_id, inspection_id) WHERE (inspection_id IS NOT NULL);

CREATE INDEX diagnosis_by_time ON diagnosis USING btree (company_id, at DESC, id);

CREATE INDEX diagnosis_by_tree ON diagnosis USING btree (company_id, tree_id, at DESC, id);

CREATE INDEX diagnosis_to_plan ON diagnosis USING btree (company_id, at DESC) WHERE (decision = ANY (ARRAY['treat now'::text, 'treat in its window'::text, 'protect a sound tree'::text]));

CREATE INDEX diagnosis_to_treat ON diagnosis USING btree (company_id, at DESC) WHERE (decision = 'treat now'::text);

CREATE INDEX equipment_by_company ON equipment USING btree (company_id, kind, name);

CREATE INDEX finding_by_inspection ON finding USING btree (company_id, inspection_id);

CREATE INDEX finding_by_sign ON finding USING btree (company_id, sign_id, inspection_id);

CREATE INDEX follow_up_by_settler ON follow_up USING btree (company_id, settled_by_root) WHERE (settled_by_root IS NOT NULL);

CREATE INDEX follow_up_by_tree ON follow_up USING btree (company_id, tree_id, due);

CREATE INDEX follow_up_due ON follow_up USING btree (company_id, due, id) WHERE (state = 'open'::text);

CREATE INDEX follow_up_settled ON follow_up USING btree (company_id, settled_at DESC) WHERE (state <> 'open'::text);

CREATE INDEX inspection_by_tree ON inspection USING btree (company_id, tree_id, at DESC, id);

CREATE INDEX label_check_by_label ON label_check USING btree (company_id, label_id, at DESC);

CREATE INDEX load_check_by_person ON load_check USING btree (company_id, by_person);

CREATE INDEX measurement_by_tree ON measurement USING btree (company_id, tree_id, at DESC, id);

CREATE INDEX message_by_client ON message USING btree (company_id, client_id, at DESC);

CREATE INDEX message_by_person ON message USING btree (company_id, by_person);

CREATE INDEX message_by_round ON message USING btree (company_id, crew_day_id) WHERE (crew_day_id IS NOT NULL);

CREATE INDEX message_by_site ON message USING btree (company_id, site_id);

CREATE INDEX message_waiting ON message USING btree (company_id, at) WHERE (carried_at IS NULL);

CREATE INDEX not_done_by_item ON not_done USING btree (company_id, item_id, at DESC);

CREATE INDEX not_done_by_person ON not_done USING btree (company_id, by_person);

CREATE INDEX not_done_by_round ON not_done USING btree (company_id, crew_day_id) WHERE (crew_day_id IS NOT NULL);

CREATE INDEX not_done_by_site ON not_done USING btree (company_id, site_id);

CREATE INDEX not_done_by_tree ON not_done USING btree (company_id, tree_id, at DESC);

CREATE INDEX others_applied_by_site ON others_applied USING btree (company_id, site_id, on_day);

CREATE INDEX others_applied_by_tree ON others_applied USING btree (company_id, tree_id, on_day) WHERE (tree_id IS NOT NULL);

CREATE INDEX password_reset_by_maker ON password_reset USING btree (company_id, made_by);

CREATE INDEX password_reset_by_person ON password_reset USING btree (company_id, person_id);

CREATE INDEX person_by_company ON person USING btree (company_id, name, id);

CREATE INDEX phone_by_ender ON phone USING btree (company_id, ended_by) WHERE (ended_by IS NOT NULL);

CREATE INDEX phone_by_person ON phone USING btree (company_id, person_id, last_seen DESC);

CREATE INDEX photo_by_tree ON photo USING btree (company_id, tree_id, at DESC);

CREATE INDEX plan_change_by_inspection ON plan_change USING btree (company_id, inspection_id);

CREATE INDEX plan_change_by_tree ON plan_change USING btree (company_id, tree_id, at DESC);

CREATE INDEX practice_session_by_person ON practice_session USING btree (company_id, person_id, at DESC);

CREATE INDEX programme_assignment_by_site ON programme_assignment USING btree (company_id, site_id, at DESC);

CREATE INDEX programme_by_tree ON programme USING btree (company_id, tree_id, at DESC, id DESC);

CREATE INDEX programme_visit_by_tree ON programme_visit USING btree (company_id, tree_id);

CREATE INDEX quote_answer_by_company ON quote_answer USING btree (company_id, at DESC);

CREATE INDEX quote_by_site ON quote USING btree (company_id, site_id, at DESC) WHERE (site_id IS NOT NULL);

CREATE INDEX quote_by_tree ON quote USING btree (company_id, tree_id, at DESC);

CREATE INDEX record_by_day ON record USING btree (company_id, done_on DESC, id DESC) WHERE latest;

CREATE INDEX record_by_plan ON record USING btree (company_id, plan_id) WHERE (plan_id IS NOT NULL);

CREATE INDEX record_by_root ON record USING btree (company_id, root_id, version DESC);

CREATE INDEX record_by_site_day ON record USING btree (company_id, site_id, done_on DESC, id DESC) WHERE latest;

CREATE INDEX record_by_tree ON record USING btree (company_id, tree_id, done_on DESC, id);

CREATE INDEX record_uptake ON record USING btree (company_id, label_key, done_on DESC, id DESC) WHERE (latest AND (NOT withdrawn) AND (method = 'trunk-injection'::text) AND (ended_at > started_at));

CREATE INDEX record_words ON record USING gin (company_id, words gin_trgm_ops) WHERE latest;

CREATE INDEX retired_label_by_person ON retired_label USING btree (company_id, by_person);

CREATE INDEX sample_answer_by_sample ON sample_answer USING btree (company_id, sample_id);

CREATE INDEX sample_by_tree ON sample USING btree (company_id, tree_id, sent_on DESC);

CREATE INDEX session_by_person ON session USING btree (company_id, person_id);

CREATE INDEX sign_in_attempt_machine ON sign_in_attempt USING btree (machine, at);

CREATE INDEX sign_in_attempt_pair ON sign_in_attempt USING btree (email, machine, at);

CREATE INDEX sign_in_attempt_recent ON sign_in_attempt USING btree (email, at);

CREATE INDEX site_by_client ON site USING btree (company_id, client_id);

CREATE INDEX site_by_name ON site USING btree (company_id, name, id);

CREATE INDEX site_calendar_by_person ON site_calendar USING btree (company_id, by_person);

CREATE INDEX skipped_tree_by_label ON skipped_tree USING btree (company_id, label_id);

CREATE INDEX skipped_tree_by_person ON skipped_tree USING btree (company_id, by_person);

CREATE INDEX skipped_tree_open ON skipped_tree USING btree (company_id, tree_id) WHERE (NOT settled);

CREATE INDEX sprayer_by_company ON sprayer USING btree (company_id, holds_ml);

CREATE INDEX stage_note_by_site ON stage_note USING btree (company_id, site_id, on_day DESC);

CREATE INDEX stock_move_by_batch ON stock_move USING btree (company_id, batch_id) WHERE (batch_id IS NOT NULL);

CREATE INDEX stock_move_by_lot ON stock_move USING btree (company_id, lot_id, at DESC);

CREATE INDEX stock_move_by_record ON stock_move USING btree (company_id, record_id) WHERE (record_id IS NOT NULL);

CREATE INDEX sync_conflict_by_person ON sync_conflict USING btree (company_id, person_id);

CREATE INDEX sync_conflict_by_phone ON sync_conflict USING btree (company_id, phone_id);

CREATE INDEX sync_conflict_by_settler ON sync_conflict USING btree (company_id, settled_by) WHERE (settled_by IS NOT NULL);

CREATE INDEX sync_conflict_open ON sync_conflict USING btree (company_id, seen_at) WHERE (settled IS NULL);

CREATE INDEX task_by_person ON task USING btree (company_id, by_person);

CREATE INDEX task_by_settler ON task USING btree (company_id, settled_by) WHERE (settled_by IS NOT NULL);

CREATE INDEX task_by_site ON task USING btree (company_id, site_id, due, id);

CREATE INDEX task_by_tree ON task USING btree (company_id, tree_id) WHERE (tree_id IS NOT NULL);

CREATE INDEX task_due ON task USING btree (company_id, due, id) WHERE (state = 'open'::text);

CREATE INDEX test_result_by_inspection ON test_result USING btree (company_id, inspection_id);

CREATE INDEX treatment_plan_by_label ON treatment_plan USING btree (company_id, label_id);

CREATE INDEX treatment_plan_by_tree ON treatment_plan USING btree (company_id, tree_id, at DESC);

CREATE INDEX treatment_plan_by_visit ON treatment_plan USING btree (company_id, visit_id) WHERE (visit_id IS NOT NULL);

CREATE UNIQUE INDEX treatment_plan_one_unassigned ON treatment_plan USING btree (company_id, tree_id, label_id) WHERE ((state = 'open'::text) AND (visit_id IS NULL));

CREATE INDEX treatment_plan_open ON treatment_plan USING btree (company_id, at, id) WHERE (state = 'open'::text);

CREATE INDEX treatment_plan_planned ON treatment_plan USING btree (company_id, planned_for, id) WHERE (planned_for IS NOT NULL);

CREATE INDEX treatment_plan_soonest ON treatment_plan USING btree (company_id, COALESCE(earliest, '-infinity'::date), at, id) WHERE (state = 'open'::text);

CREATE INDEX tree_by_host ON tree USING btree (company_id, host_id, tag COLLATE natural_order, id);

CREATE INDEX tree_by_import ON tree USING btree (company_id, import_id) WHERE (import_id IS NOT NULL);

CREATE INDEX tree_by_site_tag ON tree USING btree (company_id, site_id, tag COLLATE natural_order, id);

CREATE INDEX tree_by_tag ON tree USING btree (company_id, tag COLLATE natural_order, id);

CREATE INDEX tree_by_tag_prefix ON tree USING btree (company_id, tag COLLATE "C");

CREATE INDEX tree_by_walk ON tree USING btree (company_id, site_id, walk_order, id);

CREATE INDEX tree_import_by_person ON tree_import USING btree (company_id, by_person);

CREATE INDEX tree_import_by_site ON tree_import USING btree (company_id, site_id);

CREATE INDEX tree_import_newest ON tree_import USING btree (company_id, at DESC, id);

CREATE INDEX tree_import_voided_by ON tree_import USING btree (company_id, voided_by) WHERE (voided_by IS NOT NULL);

CREATE INDEX tree_species ON tree USING btree (company_id) WHERE (species <> ''::text);

CREATE UNIQUE INDEX tree_tag_hangs_once ON tree USING btree (company_id, site_id, tag) WHERE (archived_at IS NULL);

CREATE INDEX vessel_by_company ON vessel USING btree (company_id, capacity);

CREATE INDEX visit_move_by_visit ON visit_move USING btree (company_id, visit_id);

CREATE INDEX work_plan_by_tree ON work_plan USING btree (company_id, tree_id, at DESC);

CREATE INDEX work_plan_by_visit ON work_plan USING btree (company_id, visit_id) WHERE (visit_id IS NOT NULL);

CREATE INDEX work_plan_done ON work_plan USING btree (company_id, done_on DESC, id DESC) WHERE (state = 'done'::text);

CREATE UNIQUE INDEX work_plan_one_unassigned ON work_plan USING btree (company_id, tree_id, work_id) WHERE ((state = 'open'::text) AND (visit_id IS NULL));

CREATE INDEX work_plan_open ON work_plan USING btree (company_id, at, id) WHERE (state = 'open'::text);

CREATE INDEX work_plan_planned ON work_plan USING btree (company_id, planned_for, id) WHERE (planned_for IS NOT NULL);

CREATE INDEX work_plan_soonest ON work_plan USING btree (company_id, COALESCE(planned_for, '-infinity'::date), at, id) WHERE (state = 'open'::text);

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON batch_draw FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON batch_lot FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON diagnosis FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON finding FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON inspection FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON inspection_void FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON knowledge_entry FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON label FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON label_check FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON measurement FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON others_applied FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON photo FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON practice_session FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON programme FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON quote_answer FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON record FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON region_profile FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON sample FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON sample_answer FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON stage_note FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON stage_note_void FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON stock_move FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON test_result FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only BEFORE DELETE OR UPDATE ON visit_move FOR EACH ROW EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON batch_draw FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON batch_lot FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON diagnosis FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON finding FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON inspection FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON inspection_void FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON knowledge_entry FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON label FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON label_check FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON measurement FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON others_applied FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON photo FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON practice_session FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON programme FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON quote_answer FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON record FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON region_profile FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON sample FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON sample_answer FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON stage_note FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON stage_note_void FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON stock_move FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON test_result FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER append_only_whole BEFORE TRUNCATE ON visit_move FOR EACH STATEMENT EXECUTE FUNCTION records_refuse();

CREATE TRIGGER batch_balance AFTER INSERT ON batch_draw FOR EACH ROW EXECUTE FUNCTION keep_batch();

CREATE TRIGGER closed_stays BEFORE DELETE OR UPDATE ON crew_day FOR EACH ROW WHEN (old.closed_at IS NOT NULL) EXECUTE FUNCTION records_refuse();

CREATE TRIGGER crew_version BEFORE UPDATE ON crew FOR EACH ROW EXECUTE FUNCTION next_version();

CREATE TRIGGER follow_up_version BEFORE UPDATE ON follow_up FOR EACH ROW WHEN (old.due IS DISTINCT FROM new.due OR old.earliest IS DISTINCT FROM new.earliest OR old.latest IS DISTINCT FROM new.latest OR old.what IS DISTINCT FROM new.what OR old.reason IS DISTINCT FROM new.reason OR old.only_if IS DISTINCT FROM new.only_if OR old.state IS DISTINCT FROM new.state) EXECUTE FUNCTION visit_changed();

CREATE TRIGGER newest_version AFTER INSERT ON record FOR EACH ROW EXECUTE FUNCTION newest_version();

CREATE TRIGGER person_version BEFORE UPDATE ON person FOR EACH ROW WHEN (old.name IS DISTINCT FROM new.name OR old.email IS DISTINCT FROM new.email OR old.role IS DISTINCT FROM new.role OR old.licence_number IS DISTINCT FROM new.licence_number OR old.licence_categories IS DISTINCT FROM new.licence_categories OR old.licence_expires IS DISTINCT FROM new.licence_expires OR old.active IS DISTINCT FROM new.active) EXECUTE FUNCTION next_version();

CREATE TRIGGER site_site_map_version BEFORE UPDATE ON site FOR EACH ROW WHEN (old.site_map IS DISTINCT FROM new.site_map) EXECUTE FUNCTION next_site_map_version();

CREATE TRIGGER site_version BEFORE UPDATE ON site FOR EACH ROW WHEN (old.client_id IS DISTINCT FROM new.client_id OR old.name IS DISTINCT FROM new.name OR old.address IS DISTINCT FROM new.address OR old.time_zone IS DISTINCT FROM new.time_zone OR old.region IS DISTINCT FROM new.region OR old.outline IS DISTINCT FROM new.outline OR old.soil_texture IS DISTINCT FROM new.soil_texture OR old.water_m IS DISTINCT FROM new.water_m OR old.first_picking IS DISTINCT FROM new.first_picking OR old.last_picking IS DISTINCT FROM new.last_picking OR old.pickings IS DISTINCT FROM new.pickings OR old.hours IS DISTINCT FROM new.hours OR old.access IS DISTINCT FROM new.access OR old.hazards IS DISTINCT FROM new.hazards OR old.dogs IS DISTINCT FROM new.dogs OR old.notes IS DISTINCT FROM new.notes) EXECUTE FUNCTION next_version();

CREATE TRIGGER stock_balance AFTER INSERT ON stock_move FOR EACH ROW EXECUTE FUNCTION keep_balance();

CREATE TRIGGER tree_version BEFORE UPDATE ON tree FOR EACH ROW WHEN (old.tag IS DISTINCT FROM new.tag OR old.host_id IS DISTINCT FROM new.host_id OR old.note IS DISTINCT FROM new.note OR old.walk_order IS DISTINCT FROM new.walk_order OR old.variety IS DISTINCT FROM new.variety OR old.eaten IS DISTINCT FROM new.eaten) EXECUTE FUNCTION next_version();

ALTER TABLE ONLY absence
    ADD CONSTRAINT absence_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY absence
    ADD CONSTRAINT absence_company_id_person_id_fkey FOREIGN KEY (company_id, person_id) REFERENCES person(company_id, id);

ALTER TABLE ONLY batch
    ADD CONSTRAINT batch_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY batch
    ADD CONSTRAINT batch_company_id_crew_day_id_fkey FOREIGN KEY (company_id, crew_day_id) REFERENCES crew_day(company_id, id);

ALTER TABLE ONLY batch
    ADD CONSTRAINT batch_company_id_label_id_fkey FOREIGN KEY (company_id, label_id) REFERENCES label(company_id, id);

ALTER TABLE ONLY batch_draw
    ADD CONSTRAINT batch_draw_company_id_batch_id_fkey FOREIGN KEY (company_id, batch_id) REFERENCES batch(company_id, id);

ALTER TABLE ONLY batch_draw
    ADD CONSTRAINT batch_draw_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY batch_lot
    ADD CONSTRAINT batch_lot_company_id_batch_id_fkey FOREIGN KEY (company_id, batch_id) REFERENCES batch(company_id, id);

ALTER TABLE ONLY batch_lot
    ADD CONSTRAINT batch_lot_company_id_lot_id_fkey FOREIGN KEY (company_id, lot_id) REFERENCES lot(company_id, id);

ALTER TABLE ONLY client
    ADD CONSTRAINT client_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY client_notice
    ADD CONSTRAINT client_notice_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY client_notice
    ADD CONSTRAINT client_notice_company_id_site_id_fkey FOREIGN KEY (company_id, site_id) REFERENCES site(company_id, id);

ALTER TABLE ONLY command_done
    ADD CONSTRAINT command_done_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY command_done
    ADD CONSTRAINT command_done_company_id_person_id_fkey FOREIGN KEY (company_id, person_id) REFERENCES person(company_id, id);

ALTER TABLE ONLY command_done
    ADD CONSTRAINT command_done_company_id_phone_id_fkey FOREIGN KEY (company_id, phone_id) REFERENCES phone(company_id, id);

ALTER TABLE ONLY crew
    ADD CONSTRAINT crew_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY crew_day
    ADD CONSTRAINT crew_day_company_id_begun_by_fkey FOREIGN KEY (company_id, begun_by) REFERENCES person(company_id, id);

ALTER TABLE ONLY crew_day
    ADD CONSTRAINT crew_day_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY crew_day
    ADD CONSTRAINT crew_day_company_id_closed_by_fkey FOREIGN KEY (company_id, closed_by) REFERENCES person(company_id, id);

ALTER TABLE ONLY crew_day
    ADD CONSTRAINT crew_day_company_id_crew_id_fkey FOREIGN KEY (company_id, crew_id) REFERENCES crew(company_id, id);

ALTER TABLE ONLY crew_day_item
    ADD CONSTRAINT crew_day_item_company_id_crew_day_id_fkey FOREIGN KEY (company_id, crew_day_id) REFERENCES crew_day(company_id, id);

ALTER TABLE ONLY crew_day_item
    ADD CONSTRAINT crew_day_item_company_id_site_id_fkey FOREIGN KEY (company_id, site_id) REFERENCES site(company_id, id);

ALTER TABLE ONLY crew_person
    ADD CONSTRAINT crew_person_company_id_crew_id_fkey FOREIGN KEY (company_id, crew_id) REFERENCES crew(company_id, id);

ALTER TABLE ONLY crew_person
    ADD CONSTRAINT crew_person_company_id_person_id_fkey FOREIGN KEY (company_id, person_id) REFERENCES person(company_id, id);

ALTER TABLE ONLY device_installation
    ADD CONSTRAINT device_installation_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY device_installation
    ADD CONSTRAINT device_installation_company_id_plan_id_fkey FOREIGN KEY (company_id, plan_id) REFERENCES treatment_plan(company_id, id);

ALTER TABLE ONLY device_installation
    ADD CONSTRAINT device_installation_company_id_removed_by_fkey FOREIGN KEY (company_id, removed_by) REFERENCES person(company_id, id);

ALTER TABLE ONLY device_installation
    ADD CONSTRAINT device_installation_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY device_reading
    ADD CONSTRAINT device_reading_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY device_reading
    ADD CONSTRAINT device_reading_company_id_installation_id_fkey FOREIGN KEY (company_id, installation_id) REFERENCES device_installation(company_id, id);

ALTER TABLE ONLY diagnosis
    ADD CONSTRAINT diagnosis_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY diagnosis
    ADD CONSTRAINT diagnosis_company_id_inspection_id_fkey FOREIGN KEY (company_id, inspection_id) REFERENCES inspection(company_id, id);

ALTER TABLE ONLY diagnosis
    ADD CONSTRAINT diagnosis_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY equipment
    ADD CONSTRAINT equipment_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY finding
    ADD CONSTRAINT finding_company_id_inspection_id_fkey FOREIGN KEY (company_id, inspection_id) REFERENCES inspection(company_id, id);

ALTER TABLE ONLY follow_up
    ADD CONSTRAINT follow_up_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY gate_code
    ADD CONSTRAINT gate_code_company_id_site_id_fkey FOREIGN KEY (company_id, site_id) REFERENCES site(company_id, id);

ALTER TABLE ONLY inspection
    ADD CONSTRAINT inspection_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY inspection
    ADD CONSTRAINT inspection_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY inspection_void
    ADD CONSTRAINT inspection_void_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY inspection_void
    ADD CONSTRAINT inspection_void_company_id_inspection_id_fkey FOREIGN KEY (company_id, inspection_id) REFERENCES inspection(company_id, id);

ALTER TABLE ONLY knowledge_entry
    ADD CONSTRAINT knowledge_entry_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY knowledge_entry
    ADD CONSTRAINT knowledge_entry_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY label_check
    ADD CONSTRAINT label_check_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY label_check
    ADD CONSTRAINT label_check_company_id_label_id_fkey FOREIGN KEY (company_id, label_id) REFERENCES label(company_id, id);

ALTER TABLE ONLY label
    ADD CONSTRAINT label_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY load_check
    ADD CONSTRAINT load_check_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY load_check
    ADD CONSTRAINT load_check_company_id_crew_day_id_fkey FOREIGN KEY (company_id, crew_day_id) REFERENCES crew_day(company_id, id);

ALTER TABLE ONLY lot
    ADD CONSTRAINT lot_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY measurement
    ADD CONSTRAINT measurement_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY measurement
    ADD CONSTRAINT measurement_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY message
    ADD CONSTRAINT message_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY message
    ADD CONSTRAINT message_company_id_client_id_fkey FOREIGN KEY (company_id, client_id) REFERENCES client(company_id, id);

ALTER TABLE ONLY message
    ADD CONSTRAINT message_company_id_crew_day_id_fkey FOREIGN KEY (company_id, crew_day_id) REFERENCES crew_day(company_id, id);

ALTER TABLE ONLY message
    ADD CONSTRAINT message_company_id_site_id_fkey FOREIGN KEY (company_id, site_id) REFERENCES site(company_id, id);

ALTER TABLE ONLY not_done
    ADD CONSTRAINT not_done_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY not_done
    ADD CONSTRAINT not_done_company_id_crew_day_id_fkey FOREIGN KEY (company_id, crew_day_id) REFERENCES crew_day(company_id, id);

ALTER TABLE ONLY not_done
    ADD CONSTRAINT not_done_company_id_site_id_fkey FOREIGN KEY (company_id, site_id) REFERENCES site(company_id, id);

ALTER TABLE ONLY not_done
    ADD CONSTRAINT not_done_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY others_applied
    ADD CONSTRAINT others_applied_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY others_applied
    ADD CONSTRAINT others_applied_company_id_site_id_fkey FOREIGN KEY (company_id, site_id) REFERENCES site(company_id, id);

ALTER TABLE ONLY others_applied
    ADD CONSTRAINT others_applied_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY password_reset
    ADD CONSTRAINT password_reset_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY password_reset
    ADD CONSTRAINT password_reset_company_id_made_by_fkey FOREIGN KEY (company_id, made_by) REFERENCES person(company_id, id);

ALTER TABLE ONLY password_reset
    ADD CONSTRAINT password_reset_company_id_person_id_fkey FOREIGN KEY (company_id, person_id) REFERENCES person(company_id, id);

ALTER TABLE ONLY person
    ADD CONSTRAINT person_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY phone
    ADD CONSTRAINT phone_company_id_ended_by_fkey FOREIGN KEY (company_id, ended_by) REFERENCES person(company_id, id);

ALTER TABLE ONLY phone
    ADD CONSTRAINT phone_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY phone
    ADD CONSTRAINT phone_company_id_person_id_fkey FOREIGN KEY (company_id, person_id) REFERENCES person(company_id, id);

ALTER TABLE ONLY photo
    ADD CONSTRAINT photo_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY photo
    ADD CONSTRAINT photo_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY plan_change
    ADD CONSTRAINT plan_change_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY plan_change
    ADD CONSTRAINT plan_change_company_id_inspection_id_fkey FOREIGN KEY (company_id, inspection_id) REFERENCES inspection(company_id, id);

ALTER TABLE ONLY plan_change
    ADD CONSTRAINT plan_change_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY practice_session
    ADD CONSTRAINT practice_session_company_id_person_id_fkey FOREIGN KEY (company_id, person_id) REFERENCES person(company_id, id);

ALTER TABLE ONLY programme_assignment
    ADD CONSTRAINT programme_assignment_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY programme_assignment
    ADD CONSTRAINT programme_assignment_company_id_carried_from_fkey FOREIGN KEY (company_id, carried_from) REFERENCES programme_assignment(company_id, id);

ALTER TABLE ONLY programme_assignment
    ADD CONSTRAINT programme_assignment_company_id_site_id_fkey FOREIGN KEY (company_id, site_id) REFERENCES site(company_id, id);

ALTER TABLE ONLY programme
    ADD CONSTRAINT programme_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY programme
    ADD CONSTRAINT programme_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY programme_visit
    ADD CONSTRAINT programme_visit_company_id_assignment_id_fkey FOREIGN KEY (company_id, assignment_id) REFERENCES programme_assignment(company_id, id);

ALTER TABLE ONLY programme_visit
    ADD CONSTRAINT programme_visit_company_id_label_id_fkey FOREIGN KEY (company_id, label_id) REFERENCES label(company_id, id);

ALTER TABLE ONLY programme_visit
    ADD CONSTRAINT programme_visit_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY quote_answer
    ADD CONSTRAINT quote_answer_company_id_quote_id_fkey FOREIGN KEY (company_id, quote_id) REFERENCES quote(company_id, id);

ALTER TABLE ONLY quote
    ADD CONSTRAINT quote_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY quote
    ADD CONSTRAINT quote_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY quote
    ADD CONSTRAINT quote_of_site FOREIGN KEY (company_id, site_id) REFERENCES site(company_id, id);

ALTER TABLE ONLY rate
    ADD CONSTRAINT rate_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY rate
    ADD CONSTRAINT rate_company_id_person_id_fkey FOREIGN KEY (company_id, person_id) REFERENCES person(company_id, id);

ALTER TABLE ONLY record
    ADD CONSTRAINT record_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY record
    ADD CONSTRAINT record_company_id_plan_id_fkey FOREIGN KEY (company_id, plan_id) REFERENCES treatment_plan(company_id, id);

ALTER TABLE ONLY record
    ADD CONSTRAINT record_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY record
    ADD CONSTRAINT record_site_fkey FOREIGN KEY (company_id, site_id) REFERENCES site(company_id, id);

ALTER TABLE ONLY region_profile
    ADD CONSTRAINT region_profile_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY region_profile
    ADD CONSTRAINT region_profile_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY retired_label
    ADD CONSTRAINT retired_label_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY retired_label
    ADD CONSTRAINT retired_label_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY sample_answer
    ADD CONSTRAINT sample_answer_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY sample_answer
    ADD CONSTRAINT sample_answer_company_id_inspection_id_fkey FOREIGN KEY (company_id, inspection_id) REFERENCES inspection(company_id, id);

ALTER TABLE ONLY sample_answer
    ADD CONSTRAINT sample_answer_company_id_sample_id_fkey FOREIGN KEY (company_id, sample_id) REFERENCES sample(company_id, id);

ALTER TABLE ONLY sample
    ADD CONSTRAINT sample_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY sample
    ADD CONSTRAINT sample_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY session
    ADD CONSTRAINT session_company_id_person_id_fkey FOREIGN KEY (company_id, person_id) REFERENCES person(company_id, id);

ALTER TABLE ONLY site_calendar
    ADD CONSTRAINT site_calendar_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY site_calendar
    ADD CONSTRAINT site_calendar_company_id_site_id_fkey FOREIGN KEY (company_id, site_id) REFERENCES site(company_id, id);

ALTER TABLE ONLY site
    ADD CONSTRAINT site_company_id_client_id_fkey FOREIGN KEY (company_id, client_id) REFERENCES client(company_id, id);

ALTER TABLE ONLY site
    ADD CONSTRAINT site_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY skipped_tree
    ADD CONSTRAINT skipped_tree_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY skipped_tree
    ADD CONSTRAINT skipped_tree_company_id_label_id_fkey FOREIGN KEY (company_id, label_id) REFERENCES label(company_id, id);

ALTER TABLE ONLY skipped_tree
    ADD CONSTRAINT skipped_tree_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY sprayer
    ADD CONSTRAINT sprayer_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY stage_note
    ADD CONSTRAINT stage_note_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY stage_note
    ADD CONSTRAINT stage_note_company_id_site_id_fkey FOREIGN KEY (company_id, site_id) REFERENCES site(company_id, id);

ALTER TABLE ONLY stage_note
    ADD CONSTRAINT stage_note_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY stage_note_void
    ADD CONSTRAINT stage_note_void_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY stage_note_void
    ADD CONSTRAINT stage_note_void_company_id_stage_note_id_fkey FOREIGN KEY (company_id, stage_note_id) REFERENCES stage_note(company_id, id);

ALTER TABLE ONLY stock_level
    ADD CONSTRAINT stock_level_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY stock_move
    ADD CONSTRAINT stock_move_company_id_batch_id_fkey FOREIGN KEY (company_id, batch_id) REFERENCES batch(company_id, id);

ALTER TABLE ONLY stock_move
    ADD CONSTRAINT stock_move_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY stock_move
    ADD CONSTRAINT stock_move_company_id_lot_id_fkey FOREIGN KEY (company_id, lot_id) REFERENCES lot(company_id, id);

ALTER TABLE ONLY stock_move
    ADD CONSTRAINT stock_move_record_fkey FOREIGN KEY (company_id, record_id) REFERENCES record(company_id, id);

ALTER TABLE ONLY sync_conflict
    ADD CONSTRAINT sync_conflict_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY sync_conflict
    ADD CONSTRAINT sync_conflict_company_id_person_id_fkey FOREIGN KEY (company_id, person_id) REFERENCES person(company_id, id);

ALTER TABLE ONLY sync_conflict
    ADD CONSTRAINT sync_conflict_company_id_phone_id_fkey FOREIGN KEY (company_id, phone_id) REFERENCES phone(company_id, id);

ALTER TABLE ONLY sync_conflict
    ADD CONSTRAINT sync_conflict_company_id_settled_by_fkey FOREIGN KEY (company_id, settled_by) REFERENCES person(company_id, id);

ALTER TABLE ONLY task
    ADD CONSTRAINT task_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY task
    ADD CONSTRAINT task_company_id_settled_by_fkey FOREIGN KEY (company_id, settled_by) REFERENCES person(company_id, id);

ALTER TABLE ONLY task
    ADD CONSTRAINT task_company_id_site_id_fkey FOREIGN KEY (company_id, site_id) REFERENCES site(company_id, id);

ALTER TABLE ONLY task
    ADD CONSTRAINT task_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY test_result
    ADD CONSTRAINT test_result_company_id_inspection_id_fkey FOREIGN KEY (company_id, inspection_id) REFERENCES inspection(company_id, id);

ALTER TABLE ONLY treatment_plan
    ADD CONSTRAINT treatment_plan_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY treatment_plan
    ADD CONSTRAINT treatment_plan_company_id_label_id_fkey FOREIGN KEY (company_id, label_id) REFERENCES label(company_id, id);

ALTER TABLE ONLY treatment_plan
    ADD CONSTRAINT treatment_plan_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY treatment_plan
    ADD CONSTRAINT treatment_plan_visit FOREIGN KEY (company_id, visit_id) REFERENCES programme_visit(company_id, id);

ALTER TABLE ONLY tree
    ADD CONSTRAINT tree_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY tree
    ADD CONSTRAINT tree_company_id_import_id_fkey FOREIGN KEY (company_id, import_id) REFERENCES tree_import(company_id, id);

ALTER TABLE ONLY tree
    ADD CONSTRAINT tree_company_id_site_id_fkey FOREIGN KEY (company_id, site_id) REFERENCES site(company_id, id);

ALTER TABLE ONLY tree_import
    ADD CONSTRAINT tree_import_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY tree_import
    ADD CONSTRAINT tree_import_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY tree_import
    ADD CONSTRAINT tree_import_company_id_site_id_fkey FOREIGN KEY (company_id, site_id) REFERENCES site(company_id, id);

ALTER TABLE ONLY tree_import
    ADD CONSTRAINT tree_import_company_id_voided_by_fkey FOREIGN KEY (company_id, voided_by) REFERENCES person(company_id, id);

ALTER TABLE ONLY vessel
    ADD CONSTRAINT vessel_company_id_fkey FOREIGN KEY (company_id) REFERENCES company(id);

ALTER TABLE ONLY visit_move
    ADD CONSTRAINT visit_move_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY visit_move
    ADD CONSTRAINT visit_move_company_id_visit_id_fkey FOREIGN KEY (company_id, visit_id) REFERENCES programme_visit(company_id, id);

ALTER TABLE ONLY weather_day
    ADD CONSTRAINT weather_day_company_id_site_id_fkey FOREIGN KEY (company_id, site_id) REFERENCES site(company_id, id);

ALTER TABLE ONLY weather_hour
    ADD CONSTRAINT weather_hour_company_id_site_id_fkey FOREIGN KEY (company_id, site_id) REFERENCES site(company_id, id);

ALTER TABLE ONLY work_plan
    ADD CONSTRAINT work_plan_company_id_by_person_fkey FOREIGN KEY (company_id, by_person) REFERENCES person(company_id, id);

ALTER TABLE ONLY work_plan
    ADD CONSTRAINT work_plan_company_id_tree_id_fkey FOREIGN KEY (company_id, tree_id) REFERENCES tree(company_id, id);

ALTER TABLE ONLY work_plan
    ADD CONSTRAINT work_plan_visit FOREIGN KEY (company_id, visit_id) REFERENCES programme_visit(company_id, id);

ALTER TABLE absence ENABLE ROW LEVEL SECURITY;

ALTER TABLE batch ENABLE ROW LEVEL SECURITY;

ALTER TABLE batch_draw ENABLE ROW LEVEL SECURITY;

ALTER TABLE batch_lot ENABLE ROW LEVEL SECURITY;

ALTER TABLE client ENABLE ROW LEVEL SECURITY;

ALTER TABLE client_notice ENABLE ROW LEVEL SECURITY;

ALTER TABLE command_done ENABLE ROW LEVEL SECURITY;

ALTER TABLE company ENABLE ROW LEVEL SECURITY;

ALTER TABLE crew ENABLE ROW LEVEL SECURITY;

ALTER TABLE crew_day ENABLE ROW LEVEL SECURITY;

ALTER TABLE crew_day_item ENABLE ROW LEVEL SECURITY;

ALTER TABLE crew_person ENABLE ROW LEVEL SECURITY;

ALTER TABLE device_installation ENABLE ROW LEVEL SECURITY;

ALTER TABLE device_reading ENABLE ROW LEVEL SECURITY;

ALTER TABLE diagnosis ENABLE ROW LEVEL SECURITY;

ALTER TABLE equipment ENABLE ROW LEVEL SECURITY;

ALTER TABLE finding ENABLE ROW LEVEL SECURITY;

ALTER TABLE follow_up ENABLE ROW LEVEL SECURITY;

ALTER TABLE gate_code ENABLE ROW LEVEL SECURITY;

ALTER TABLE inspection ENABLE ROW LEVEL SECURITY;

ALTER TABLE inspection_void ENABLE ROW LEVEL SECURITY;

ALTER TABLE knowledge_entry ENABLE ROW LEVEL SECURITY;

ALTER TABLE label ENABLE ROW LEVEL SECURITY;

ALTER TABLE label_check ENABLE ROW LEVEL SECURITY;

ALTER TABLE load_check ENABLE ROW LEVEL SECURITY;

ALTER TABLE lot ENABLE ROW LEVEL SECURITY;

ALTER TABLE measurement ENABLE ROW LEVEL SECURITY;

ALTER TABLE message ENABLE ROW LEVEL SECURITY;

ALTER TABLE not_done ENABLE ROW LEVEL SECURITY;

ALTER TABLE others_applied ENABLE ROW LEVEL SECURITY;

CREATE POLICY own_company ON absence TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON batch TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON batch_draw TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON batch_lot TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON client TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON client_notice TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON command_done TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON company TO elmhorn_app USING ((id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON crew TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON crew_day TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON crew_day_item TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON crew_person TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON device_installation TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON device_reading TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON diagnosis TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON equipment TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON finding TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON follow_up TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON gate_code TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON inspection TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON inspection_void TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON knowledge_entry TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON label TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON label_check TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON load_check TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON lot TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON measurement TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON message TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON not_done TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON others_applied TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON password_reset TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON person TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON phone TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON photo TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON plan_change TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON practice_session TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON programme TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON programme_assignment TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON programme_visit TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON quote TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON quote_answer TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON rate TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON record TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON region_profile TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON retired_label TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON sample TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON sample_answer TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON session TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON site TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON site_calendar TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON skipped_tree TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON sprayer TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON stage_note TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON stage_note_void TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON stock_level TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON stock_move TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON sync_conflict TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON task TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON test_result TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON treatment_plan TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON tree TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON tree_import TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON vessel TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON visit_move TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON weather_day TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON weather_hour TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

CREATE POLICY own_company ON work_plan TO elmhorn_app USING ((company_id = ( SELECT company_now() AS outfit_now))) WITH CHECK ((company_id = ( SELECT company_now() AS outfit_now)));

ALTER TABLE password_reset ENABLE ROW LEVEL SECURITY;

ALTER TABLE person ENABLE ROW LEVEL SECURITY;

ALTER TABLE phone ENABLE ROW LEVEL SECURITY;

ALTER TABLE photo ENABLE ROW LEVEL SECURITY;

ALTER TABLE plan_change ENABLE ROW LEVEL SECURITY;

ALTER TABLE practice_session ENABLE ROW LEVEL SECURITY;

ALTER TABLE programme ENABLE ROW LEVEL SECURITY;

ALTER TABLE programme_assignment ENABLE ROW LEVEL SECURITY;

ALTER TABLE programme_visit ENABLE ROW LEVEL SECURITY;

ALTER TABLE quote ENABLE ROW LEVEL SECURITY;

ALTER TABLE quote_answer ENABLE ROW LEVEL SECURITY;

ALTER TABLE rate ENABLE ROW LEVEL SECURITY;

ALTER TABLE record ENABLE ROW LEVEL SECURITY;

ALTER TABLE region_profile ENABLE ROW LEVEL SECURITY;

ALTER TABLE retired_label ENABLE ROW LEVEL SECURITY;

ALTER TABLE sample ENABLE ROW LEVEL SECURITY;

ALTER TABLE sample_answer ENABLE ROW LEVEL SECURITY;

ALTER TABLE session ENABLE ROW LEVEL SECURITY;

ALTER TABLE sign_in_attempt ENABLE ROW LEVEL SECURITY;

ALTER TABLE sign_in_known ENABLE ROW LEVEL SECURITY;

ALTER TABLE site ENABLE ROW LEVEL SECURITY;

ALTER TABLE site_calendar ENABLE ROW LEVEL SECURITY;

ALTER TABLE skipped_tree ENABLE ROW LEVEL SECURITY;

ALTER TABLE sprayer ENABLE ROW LEVEL SECURITY;

ALTER TABLE stage_note ENABLE ROW LEVEL SECURITY;

ALTER TABLE stage_note_void ENABLE ROW LEVEL SECURITY;

ALTER TABLE stock_level ENABLE ROW LEVEL SECURITY;

ALTER TABLE stock_move ENABLE ROW LEVEL SECURITY;

ALTER TABLE sync_conflict ENABLE ROW LEVEL SECURITY;

ALTER TABLE task ENABLE ROW LEVEL SECURITY;

ALTER TABLE test_result ENABLE ROW LEVEL SECURITY;

ALTER TABLE treatment_plan ENABLE ROW LEVEL SECURITY;

ALTER TABLE tree ENABLE ROW LEVEL SECURITY;

ALTER TABLE tree_import ENABLE ROW LEVEL SECURITY;

ALTER TABLE vessel ENABLE ROW LEVEL SECURITY;

ALTER TABLE visit_move ENABLE ROW LEVEL SECURITY;

ALTER TABLE weather_day ENABLE ROW LEVEL SECURITY;

ALTER TABLE weather_hour ENABLE ROW LEVEL SECURITY;

ALTER TABLE work_plan ENABLE ROW LEVEL SECURITY;

REVOKE USAGE ON SCHEMA public FROM PUBLIC;
GRANT USAGE ON SCHEMA public TO elmhorn_app;

REVOKE ALL ON FUNCTION calendar_lookup(wanted bytea) FROM PUBLIC;
GRANT ALL ON FUNCTION calendar_lookup(wanted bytea) TO elmhorn_app;

REVOKE ALL ON FUNCTION password_reset_lookup(wanted bytea) FROM PUBLIC;
GRANT ALL ON FUNCTION password_reset_lookup(wanted bytea) TO elmhorn_app;

REVOKE ALL ON FUNCTION quote_lookup(wanted bytea) FROM PUBLIC;
GRANT ALL ON FUNCTION quote_lookup(wanted bytea) TO elmhorn_app;

REVOKE ALL ON FUNCTION record_by_words(pattern text, of_site uuid, of_method text, from_day date, to_day date, after_day date, after_id uuid, most integer) FROM PUBLIC;
GRANT ALL ON FUNCTION record_by_words(pattern text, of_site uuid, of_method text, from_day date, to_day date, after_day date, after_id uuid, most integer) TO elmhorn_app;

GRANT ALL ON FUNCTION schema_version() TO elmhorn_app;

GRANT ALL ON FUNCTION serves_code(code integer) TO elmhorn_app;

REVOKE ALL ON FUNCTION session_lookup(wanted bytea) FROM PUBLIC;
GRANT ALL ON FUNCTION session_lookup(wanted bytea) TO elmhorn_app;

REVOKE ALL ON FUNCTION session_open(wanted bytea) FROM PUBLIC;
GRANT ALL ON FUNCTION session_open(wanted bytea) TO elmhorn_app;

REVOKE ALL ON FUNCTION sign_in_good(wanted text, from_machine text) FROM PUBLIC;
GRANT ALL ON FUNCTION sign_in_good(wanted text, from_machine text) TO elmhorn_app;

REVOKE ALL ON FUNCTION sign_in_lookup(wanted text) FROM PUBLIC;
GRANT ALL ON FUNCTION sign_in_lookup(wanted text) TO elmhorn_app;

REVOKE ALL ON FUNCTION sign_in_try(wanted text, from_machine text) FROM PUBLIC;
GRANT ALL ON FUNCTION sign_in_try(wanted text, from_machine text) TO elmhorn_app;

REVOKE ALL ON FUNCTION site_calendar_lookup(wanted bytea) FROM PUBLIC;
GRANT ALL ON FUNCTION site_calendar_lookup(wanted bytea) TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE absence TO elmhorn_app;

GRANT UPDATE(withdrawn) ON TABLE absence TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE batch TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE batch_draw TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE batch_lot TO elmhorn_app;

GRANT SELECT,INSERT,UPDATE ON TABLE client TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE client_notice TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE command_done TO elmhorn_app;

GRANT UPDATE(answer) ON TABLE command_done TO elmhorn_app;

GRANT SELECT,UPDATE ON TABLE company TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE crew TO elmhorn_app;

GRANT UPDATE(name) ON TABLE crew TO elmhorn_app;

GRANT UPDATE(hours) ON TABLE crew TO elmhorn_app;

GRANT UPDATE(yard_lat) ON TABLE crew TO elmhorn_app;

GRANT UPDATE(yard_lon) ON TABLE crew TO elmhorn_app;

GRANT UPDATE("least") ON TABLE crew TO elmhorn_app;

GRANT UPDATE(active) ON TABLE crew TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE crew_day TO elmhorn_app;

GRANT UPDATE(begun_at) ON TABLE crew_day TO elmhorn_app;

GRANT UPDATE(begun_by) ON TABLE crew_day TO elmhorn_app;

GRANT UPDATE(closed_at) ON TABLE crew_day TO elmhorn_app;

GRANT UPDATE(closed_by) ON TABLE crew_day TO elmhorn_app;

GRANT UPDATE(home) ON TABLE crew_day TO elmhorn_app;

GRANT SELECT,INSERT,DELETE ON TABLE crew_day_item TO elmhorn_app;

GRANT UPDATE(crew_day_id) ON TABLE crew_day_item TO elmhorn_app;

GRANT UPDATE("position") ON TABLE crew_day_item TO elmhorn_app;

GRANT UPDATE(begins) ON TABLE crew_day_item TO elmhorn_app;

GRANT UPDATE(locked) ON TABLE crew_day_item TO elmhorn_app;

GRANT SELECT,INSERT,DELETE ON TABLE crew_person TO elmhorn_app;

GRANT UPDATE(crew_id) ON TABLE crew_person TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE device_installation TO elmhorn_app;

GRANT UPDATE(overnight) ON TABLE device_installation TO elmhorn_app;

GRANT UPDATE(removed_at) ON TABLE device_installation TO elmhorn_app;

GRANT UPDATE(removed_by) ON TABLE device_installation TO elmhorn_app;

GRANT UPDATE(left_ml) ON TABLE device_installation TO elmhorn_app;

GRANT UPDATE(lost_ml) ON TABLE device_installation TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE device_reading TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE diagnosis TO elmhorn_app;

GRANT SELECT,INSERT,DELETE,UPDATE ON TABLE equipment TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE finding TO elmhorn_app;

GRANT SELECT,INSERT,UPDATE ON TABLE follow_up TO elmhorn_app;

GRANT SELECT,INSERT,DELETE,UPDATE ON TABLE gate_code TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE inspection TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE inspection_void TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE knowledge_entry TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE label TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE label_check TO elmhorn_app;

GRANT SELECT,INSERT,DELETE ON TABLE load_check TO elmhorn_app;

GRANT UPDATE(amount) ON TABLE load_check TO elmhorn_app;

GRANT UPDATE(at) ON TABLE load_check TO elmhorn_app;

GRANT UPDATE(by_person) ON TABLE load_check TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE lot TO elmhorn_app;

GRANT UPDATE(expires_on) ON TABLE lot TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE measurement TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE message TO elmhorn_app;

GRANT UPDATE(carried_at) ON TABLE message TO elmhorn_app;

GRANT UPDATE(receipt) ON TABLE message TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE not_done TO elmhorn_app;

GRANT UPDATE(withdrawn) ON TABLE not_done TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE others_applied TO elmhorn_app;

GRANT SELECT,INSERT,DELETE ON TABLE password_reset TO elmhorn_app;

GRANT UPDATE(used_at) ON TABLE password_reset TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE person TO elmhorn_app;

GRANT UPDATE(name) ON TABLE person TO elmhorn_app;

GRANT UPDATE(password_hash) ON TABLE person TO elmhorn_app;

GRANT UPDATE(role) ON TABLE person TO elmhorn_app;

GRANT UPDATE(units) ON TABLE person TO elmhorn_app;

GRANT UPDATE(theme) ON TABLE person TO elmhorn_app;

GRANT UPDATE(licence_number) ON TABLE person TO elmhorn_app;

GRANT UPDATE(licence_categories) ON TABLE person TO elmhorn_app;

GRANT UPDATE(licence_expires) ON TABLE person TO elmhorn_app;

GRANT UPDATE(calendar_token_hash) ON TABLE person TO elmhorn_app;

GRANT UPDATE(active) ON TABLE person TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE phone TO elmhorn_app;

GRANT UPDATE(name) ON TABLE phone TO elmhorn_app;

GRANT UPDATE(last_seen) ON TABLE phone TO elmhorn_app;

GRANT UPDATE(clock_off_s) ON TABLE phone TO elmhorn_app;

GRANT UPDATE(waiting) ON TABLE phone TO elmhorn_app;

GRANT UPDATE(ended_at) ON TABLE phone TO elmhorn_app;

GRANT UPDATE(ended_by) ON TABLE phone TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE photo TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE plan_change TO elmhorn_app;

GRANT UPDATE(state) ON TABLE plan_change TO elmhorn_app;

GRANT UPDATE(settled_at) ON TABLE plan_change TO elmhorn_app;

GRANT UPDATE(settled_by) ON TABLE plan_change TO elmhorn_app;

GRANT UPDATE(settled_how) ON TABLE plan_change TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE practice_session TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE programme TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE programme_assignment TO elmhorn_app;

GRANT UPDATE(reason) ON TABLE programme_assignment TO elmhorn_app;

GRANT UPDATE(ended_on) ON TABLE programme_assignment TO elmhorn_app;

GRANT UPDATE(ended_because) ON TABLE programme_assignment TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE programme_visit TO elmhorn_app;

GRANT UPDATE(state) ON TABLE programme_visit TO elmhorn_app;

GRANT UPDATE(day) ON TABLE programme_visit TO elmhorn_app;

GRANT UPDATE(earliest) ON TABLE programme_visit TO elmhorn_app;

GRANT UPDATE(latest) ON TABLE programme_visit TO elmhorn_app;

GRANT UPDATE(reasons) ON TABLE programme_visit TO elmhorn_app;

GRANT UPDATE(by_hand) ON TABLE programme_visit TO elmhorn_app;

GRANT UPDATE(stop) ON TABLE programme_visit TO elmhorn_app;

GRANT UPDATE(label_id) ON TABLE programme_visit TO elmhorn_app;

GRANT UPDATE(use_key) ON TABLE programme_visit TO elmhorn_app;

GRANT UPDATE(found) ON TABLE programme_visit TO elmhorn_app;

GRANT UPDATE(because) ON TABLE programme_visit TO elmhorn_app;

GRANT UPDATE(settled) ON TABLE programme_visit TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE quote TO elmhorn_app;

GRANT UPDATE(cancelled_at) ON TABLE quote TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE quote_answer TO elmhorn_app;

GRANT SELECT,INSERT,UPDATE ON TABLE rate TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE record TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE region_profile TO elmhorn_app;

GRANT SELECT,INSERT,DELETE ON TABLE retired_label TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE sample TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE sample_answer TO elmhorn_app;

GRANT SELECT,INSERT,DELETE ON TABLE session TO elmhorn_app;

GRANT UPDATE(expires_at) ON TABLE session TO elmhorn_app;

GRANT UPDATE(used_at) ON TABLE session TO elmhorn_app;

GRANT SELECT,INSERT,UPDATE ON TABLE site TO elmhorn_app;

GRANT SELECT,INSERT,DELETE ON TABLE site_calendar TO elmhorn_app;

GRANT UPDATE(token_hash) ON TABLE site_calendar TO elmhorn_app;

GRANT UPDATE(at) ON TABLE site_calendar TO elmhorn_app;

GRANT UPDATE(by_person) ON TABLE site_calendar TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE skipped_tree TO elmhorn_app;

GRANT UPDATE(settled) ON TABLE skipped_tree TO elmhorn_app;

GRANT SELECT,INSERT,DELETE,UPDATE ON TABLE sprayer TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE stage_note TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE stage_note_void TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE stock_move TO elmhorn_app;

GRANT SELECT ON TABLE stock_entry TO elmhorn_app;

GRANT SELECT,INSERT,DELETE,UPDATE ON TABLE stock_level TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE sync_conflict TO elmhorn_app;

GRANT UPDATE(issues) ON TABLE sync_conflict TO elmhorn_app;

GRANT UPDATE(settled) ON TABLE sync_conflict TO elmhorn_app;

GRANT UPDATE(settled_at) ON TABLE sync_conflict TO elmhorn_app;

GRANT UPDATE(settled_by) ON TABLE sync_conflict TO elmhorn_app;

GRANT UPDATE(words) ON TABLE sync_conflict TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE task TO elmhorn_app;

GRANT UPDATE(due) ON TABLE task TO elmhorn_app;

GRANT UPDATE(state) ON TABLE task TO elmhorn_app;

GRANT UPDATE(settled_at) ON TABLE task TO elmhorn_app;

GRANT UPDATE(settled_by) ON TABLE task TO elmhorn_app;

GRANT UPDATE(done_by) ON TABLE task TO elmhorn_app;

GRANT UPDATE(said) ON TABLE task TO elmhorn_app;

GRANT UPDATE(version) ON TABLE task TO elmhorn_app;

GRANT UPDATE(changed_at) ON TABLE task TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE test_result TO elmhorn_app;

GRANT SELECT,INSERT,UPDATE ON TABLE treatment_plan TO elmhorn_app;

GRANT SELECT,INSERT,UPDATE ON TABLE tree TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE tree_import TO elmhorn_app;

GRANT UPDATE(voided_at) ON TABLE tree_import TO elmhorn_app;

GRANT UPDATE(voided_by) ON TABLE tree_import TO elmhorn_app;

GRANT SELECT,INSERT,DELETE,UPDATE ON TABLE vessel TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE visit_move TO elmhorn_app;

GRANT SELECT,INSERT,UPDATE ON TABLE weather_day TO elmhorn_app;

GRANT SELECT,INSERT,UPDATE ON TABLE weather_hour TO elmhorn_app;

GRANT SELECT,INSERT ON TABLE work_plan TO elmhorn_app;

GRANT UPDATE(sheet) ON TABLE work_plan TO elmhorn_app;

GRANT UPDATE(released) ON TABLE work_plan TO elmhorn_app;

GRANT UPDATE(state) ON TABLE work_plan TO elmhorn_app;

GRANT UPDATE(done_on) ON TABLE work_plan TO elmhorn_app;

GRANT UPDATE(done_by) ON TABLE work_plan TO elmhorn_app;

GRANT UPDATE(note) ON TABLE work_plan TO elmhorn_app;

GRANT UPDATE(document) ON TABLE work_plan TO elmhorn_app;

GRANT UPDATE(sheet_us) ON TABLE work_plan TO elmhorn_app;

GRANT UPDATE(planned_for) ON TABLE work_plan TO elmhorn_app;

GRANT UPDATE(moves) ON TABLE work_plan TO elmhorn_app;

GRANT UPDATE(moved_at) ON TABLE work_plan TO elmhorn_app;

GRANT UPDATE(done_at) ON TABLE work_plan TO elmhorn_app;

GRANT UPDATE(minutes) ON TABLE work_plan TO elmhorn_app;
