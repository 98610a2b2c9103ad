import type { Tx } from './db';
import { activesOfSite } from './others-applied';
import { inReadersUnits } from './plan-parts';

// What a tree brings with it, each part a query of its own. Every part reads the rows of the tree `t` and the place `p` of the statement around it.

/** The next standing tree of the place in walking order, or the one before. */
export const neighbour = (tx: Tx, side: 'before' | 'after') => tx`(
  select n.id
  from tree n
  where n.company_id = t.company_id and n.site_id = t.site_id and n.archived_at is null
    and (n.walk_order, n.id) ${side === 'before' ? tx`<` : tx`>`} (t.walk_order, t.id)
  order by ${side === 'before' ? tx`n.walk_order desc, n.id desc` : tx`n.walk_order, n.id`}
  limit 1)`;

export const readings = (tx: Tx) => tx`
  select r.id, r.at, w.name as "byName", r.diameter_cm as "diameterCm", r.at_height_cm as "atHeightCm", r.stems,
    r.tree_height_m as "treeHeightM", r.crown_width_m as "crownWidthM", r.crown_base_m as "crownBaseM", r.obstacles,
    r.arcs, r.flares, r.grain_deg as "grainDeg", r.method
  from measurement r
  join person w on w.id = r.by_person
  where r.company_id = t.company_id and r.tree_id = t.id
  order by r.at desc, r.id desc
  limit 40`;

export const looks = (tx: Tx) => tx`
  select l.id, l.at, w.name as "byName", l.crown_loss as "crownLoss", l.vigour, l.note, l.detail,
    ${findings(tx)} as findings,
    coalesce((
      select jsonb_agg(jsonb_build_object('test', r.test_id, 'outcome', r.outcome) order by r.test_id)
      from test_result r
      where r.inspection_id = l.id and r.company_id = t.company_id), '[]') as tests
  from inspection l
  join person w on w.id = l.by_person
  where l.company_id = t.company_id and l.tree_id = t.id
    and not exists (select from inspection_void k where k.inspection_id = l.id and k.company_id = t.company_id)
  order by l.at desc, l.id desc
  limit 20`;

const findings = (tx: Tx) => tx`coalesce((
  select jsonb_agg(
    jsonb_strip_nulls(jsonb_build_object(
      'sign', f.sign_id, 'state', f.state, 'grade', f.grade, 'bearing', f.bearing,
      'sure', case when f.sure = 'perhaps' then 'perhaps' end,
      'lastSeason', case when f.last_season then true end,
      'counted', case when f.counted_of is not null
        then jsonb_build_object('of', f.counted_of, 'had', f.counted_had) end))
    order by f.sign_id)
  from finding f
  where f.inspection_id = l.id and f.company_id = t.company_id), '[]')`;

export const savedDiagnoses = (tx: Tx) => tx`
  select v.id, v.at, w.name as "byName", v.condition_id as "conditionId", v.certainty, v.decision, v.reason, v.ranking,
    v.overturned_by as "overturnedBy", v.overturns, v.inspection_id as "inspectionId"
  from diagnosis v
  join person w on w.id = v.by_person
  where v.company_id = t.company_id and v.tree_id = t.id
  order by v.at desc, v.id desc
  limit 20`;

export const plans = (tx: Tx) => tx`
  select n.id, n.at, w.name as "byName", n.state, n.label_id as "labelId", l.key as "labelKey",
    l.data->>'name' as "labelName", n.use_key as "useKey", n.condition_id as "conditionId",
    ${inReadersUnits(tx, tx`n.result`, tx`n.result_us`)} as result, n.price,
    n.planned_for::text as "plannedFor", n.earliest::text, n.latest::text, n.visit_id is not null as assignment
  from treatment_plan n
  join person w on w.id = n.by_person
  join label l on l.id = n.label_id
  where n.company_id = t.company_id and n.tree_id = t.id
  order by (n.state = 'open') desc, case when n.state = 'open' then n.planned_for end nulls first, n.at desc
  limit 30`;

export const records = (tx: Tx) => tx`
  select r.id, r.root_id as "rootId", r.done_on as "doneOn", r.words, r.method, r.label_key as "labelKey", r.withdrawn,
    (r.data->>'amount')::float8 as amount, r.data->>'unit' as unit, r.data->'actives' as actives,
    r.data->'sites' as sites, r.data->'target'->>'id' as target, r.data->>'eatFrom' as "eatFrom",
    (r.data->>'mixMl')::float8 as "mixMl", r.data->>'reEntryUntil' as "reEntryUntil",
    r.data->'product'->>'name' as product, r.data->'product'->>'registration' as registration,
    r.data->'applicator'->>'name' as by,
    array(select a->>'group' from jsonb_array_elements(r.data->'product'->'actives') a) as groups,
    array(
      select a->>'family'
      from label l
      cross join lateral jsonb_array_elements(l.data->'actives') a
      where l.company_id = t.company_id and l.id = (r.data->'product'->>'labelId')::uuid) as families
  from record r
  where r.company_id = t.company_id and r.tree_id = t.id and r.latest
  order by r.done_on desc, r.id desc
  limit 100`;

export const followUps = (tx: Tx) => tx`
  select f.id, f.root_id as "rootId", f.kind, f.what, f.reason, f.only_if as "onlyIf", f.due, f.earliest, f.latest,
    f.state
  from follow_up f
  where f.company_id = t.company_id and f.tree_id = t.id
  order by (f.state = 'open') desc, f.due
  limit 40`;

export const photos = (tx: Tx) => tx`
  select h.id, h.at, h.width, h.height, h.sign_id as sign
  from photo h
  where h.company_id = t.company_id and h.tree_id = t.id
  order by h.at desc
  limit 24`;

export const changes = (tx: Tx) => tx`
  select g.id, g.at, w.name as "byName", g.what, g.price_minor as "priceMinor", g.state, g.settled_how as "settledHow"
  from plan_change g
  join person w on w.id = g.by_person
  where g.company_id = t.company_id and g.tree_id = t.id
  order by g.at desc
  limit 20`;

export const works = (tx: Tx) => tx`
  select k.id, k.work_id as "workId", k.condition_id as "conditionId", k.answers,
    ${inReadersUnits(tx, tx`k.sheet`, tx`k.sheet_us`)} as sheet, k.state, k.at,
    w.name as "byName", k.done_on as "doneOn", k.minutes, k.note, k.price,
    k.planned_for::text as "plannedFor", k.visit_id is not null as assignment
  from work_plan k
  join person w on w.id = k.by_person
  where k.company_id = t.company_id and k.tree_id = t.id
  order by (k.state = 'open') desc, k.at desc
  limit 40`;

export const samples = (tx: Tx) => tx`
  select s.id, s.what, s.sent_to as "sentTo", s.test_id as "testId", s.sent_on as "sentOn", w.name as "byName",
    a.answer, a.on_day as "answeredOn"
  from sample s
  join person w on w.id = s.by_person
  left join sample_answer a on a.sample_id = s.id and a.company_id = t.company_id
  where s.company_id = t.company_id and s.tree_id = t.id
  order by s.sent_on desc, s.id desc
  limit 20`;

export const byOthers = (tx: Tx) => tx`
  select b.on_day as "onDay", b.active, b.family, b.resistance, b.who, b.condition_id as "conditionId", b.effect
  from others_applied b
  where b.company_id = t.company_id and b.tree_id = t.id
  order by b.on_day, b.id
  limit 60`;

export const withdrawn = (tx: Tx) => tx`
  select l.id, l.at, k.reason, w.name as "byName"
  from inspection_void k
  join inspection l on l.id = k.inspection_id and l.company_id = t.company_id
  join person w on w.id = k.by_person
  where k.company_id = t.company_id and l.tree_id = t.id
  order by l.at desc
  limit 20`;

export const others = (tx: Tx) => tx`
  select n.lat, n.lon, n.plan_x as x, n.plan_y as y
  from tree n
  where n.company_id = t.company_id and n.site_id = t.site_id and n.id <> t.id and n.archived_at is null
    and (n.plan_x is not null or n.lat is not null)
  limit 400`;

export const programme = (tx: Tx) => tx`(
  select json_build_object('school', g.school, 'everyYears', g.every_years, 'years', g.years)
  from programme g
  where g.company_id = t.company_id and g.tree_id = t.id
  order by g.at desc, g.id desc
  limit 1)`;

export const keyContradicted = (tx: Tx) => tx`coalesce((
  select l.host_key @> 'false'
  from inspection l
  where l.company_id = t.company_id and l.tree_id = t.id and l.host_key <> '[]'
  order by l.at desc
  limit 1), false)`;

export const yearActives = (tx: Tx, year: string) => tx`coalesce((
  select json_object_agg(x.name, x.grams) from (${activesOfSite(tx, year)}) x), '{}')`;

/** By the year in which an open plan can be carried out: the one it is planned for, and never one that is over. */
export const plannedActives = (tx: Tx, year: string) => tx`coalesce((
  select json_object_agg(y.year, y.actives) from (
    select x.year, json_object_agg(x.name, x.grams) as actives from (
      select
        greatest(to_char(n.planned_for, 'YYYY'), ${year}) as year,
        a->>'name' as name, sum((a->>'grams')::float8)::float8 as grams
      from tree s
      join treatment_plan n on n.tree_id = s.id and n.company_id = s.company_id and n.state = 'open'
      cross join lateral jsonb_array_elements(n.result->'dose'->'actives') a
      where s.company_id = t.company_id and s.site_id = t.site_id and s.id <> t.id
      group by 1, 2
    ) x group by 1
  ) y), '{}')`;
