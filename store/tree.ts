import type { Arc, Flare } from '@/core/ring/ring';
import type { GroundsPlan } from '@/core/grounds/plan';
import type { WorkPlan } from './plans';
import type { Finding, TestResult } from '@/core/diagnose/knowledge';
import type { LookDetail } from '@/core/diagnose/look';
import type { Certainty, Decision, Vigour } from '@/core/diagnose/words';
import type { StemReading } from '@/core/measure/trunk';
import type { Priced } from '@/core/prescribe/costs';
import type { Prescription } from '@/core/prescribe/prescribe';
import type { Programme } from '@/core/season/programme';
import { json, within, type Scope, type Tx } from './db';
import { activesOfYear, type ByOthers } from './grounds';
import { insertPlan, insertProgramme, treeProgramme, treeWorks, type NewPlan } from './plans';

export interface Reading {
  id: string;
  at: Date;
  byName: string;
  diameterCm: number;
  atHeightCm: number;
  stems: StemReading[];
  treeHeightM: number | null;
  crownWidthM: number | null;
  crownBaseM: number | null;
  obstacles: string;
  arcs: Arc[];
  flares: Flare[];
  grainDeg: number;
  method: string;
}
export interface Look {
  id: string;
  at: Date;
  byName: string;
  crownLoss: number | null;
  vigour: Vigour | null;
  note: string;
  findings: Finding[];
  tests: TestResult[];
  detail: Partial<LookDetail>;
}
export interface Verdict {
  id: string;
  at: Date;
  byName: string;
  conditionId: string;
  certainty: Certainty;
  decision: Decision;
  reason: string;
  /** What the ranking said then, the likeliest first. */
  ranking: { id: string; p: number }[];
  overturnedBy: string[];
  /** Earlier decisions that this one says were wrong. */
  overturns: string[];
  lookId: string | null;
}
/** A sample or photograph sent to a laboratory or a colleague, with its answer once it is there. */
export interface Sample {
  id: string;
  what: string;
  sentTo: string;
  testId: string | null;
  sentOn: string;
  byName: string;
  answer: string | null;
  answeredOn: string | null;
}
export interface PlanHead {
  id: string;
  at: Date;
  byName: string;
  state: 'open' | 'done' | 'dropped';
  labelId: string;
  labelKey: string;
  labelName: string;
  useKey: string;
  conditionId: string;
  result: Prescription;
  price: Priced | null;
}
export interface TreeRecord {
  id: string;
  rootId: string;
  doneOn: string;
  words: string;
  method: string;
  labelKey: string;
  amount: number;
  unit: 'mL' | 'g';
  withdrawn: boolean;
  actives: { name: string; grams: number }[];
  /** Groups such as IRAC 4A, and families, as the label of the record said. */
  groups: string[];
  families: string[];
  reEntryUntil: string;
  mixMl: number | null;
  sites: { bearing: number; heightCm: number }[];
  /** The condition it was put on for. */
  target: string | null;
  /** First day on which its fruit may be eaten; null where it bears none or nobody worked it out. */
  eatFrom: string | null;
}
export interface TreeFollowUp {
  id: string;
  rootId: string;
  kind: string;
  what: string;
  reason: string;
  onlyIf: string | null;
  due: string;
  earliest: string;
  latest: string;
  state: 'open' | 'done' | 'dropped';
}
/** Something found only after digging, which the client must agree to. */
export interface PlanChange {
  id: string;
  at: Date;
  byName: string;
  what: string;
  priceMinor: number | null;
  state: 'open' | 'approved' | 'declined';
  settledHow: string;
}
export interface Tree {
  id: string;
  tag: string;
  hostId: string;
  hostConfirmedAt: Date | null;
  lat: number | null;
  lon: number | null;
  note: string;
  archivedAt: Date | null;
  walkOrder: number;
  /** Counts the changes of what its form shows. */
  version: number;
  placeId: string;
  placeName: string;
  address: string;
  clientName: string;
  timeZone: string;
  areaM2: number | null;
  waterM: number | null;
  grounds: GroundsPlan | null;
  planX: number | null;
  planY: number | null;
  soilTexture: 'sandy' | 'loam' | 'clay';
  firstPicking: string | null;
  lastPicking: string | null;
  pickings: { variety: string; from: string; to: string }[];
  variety: string;
  eaten: boolean | null;
  previousId: string | null;
  nextId: string | null;
  readings: Reading[];
  looks: Look[];
  verdicts: Verdict[];
  plans: PlanHead[];
  records: TreeRecord[];
  followUps: TreeFollowUp[];
  photos: { id: string; at: Date; width: number; height: number; sign: string | null }[];
  changes: PlanChange[];
  works: WorkPlan[];
  /** How it is treated over the years; null while nobody has set it. */
  programme: Programme | null;
  samples: Sample[];
  byOthers: ByOthers[];
  /** Looks that were taken back, with why. */
  withdrawn: { id: string; at: Date; reason: string; byName: string }[];
  /** Where the neighbours stand: on the plan, or on the globe. */
  others: { lat: number | null; lon: number | null; x: number | null; y: number | null }[];
  /** Whether the last look answered its host key with a no. */
  keyContradicted: boolean;
  /** Grams of each active put on the whole place in the current year. */
  siteYearActive: Record<string, number>;
  /** Grams of each active that open plans of other trees will bring to the place. */
  sitePlannedActive: Record<string, number>;
}

/** One tree with all that was ever read, seen, decided, planned and done on it; null when this outfit has no such tree. */
export const getTree = (scope: Scope, id: string, year: string): Promise<Tree | null> =>
  within(scope, (tx) => loadTree(tx, scope, id, year));

export async function loadTree(tx: Tx, scope: Scope, id: string, year: string): Promise<Tree | null> {
  const o = scope.outfitId;
  const [head] = await tx<Tree[]>`
    select t.id, t.tag, t.host_id as "hostId", t.host_confirmed_at as "hostConfirmedAt", t.lat, t.lon, t.note, t.archived_at as "archivedAt", t.walk_order as "walkOrder", t.version,
      p.id as "placeId", p.name as "placeName", p.address, c.name as "clientName", p.time_zone as "timeZone", p.area_m2 as "areaM2", p.water_m as "waterM", p.grounds, t.plan_x as "planX", t.plan_y as "planY", p.soil_texture as "soilTexture", p.first_picking as "firstPicking",
      p.last_picking as "lastPicking", p.pickings, t.variety, t.eaten,
      (select n.id from tree n where n.outfit_id = ${o} and n.place_id = t.place_id and n.archived_at is null and (n.walk_order, n.id) < (t.walk_order, t.id) order by n.walk_order desc, n.id desc limit 1) as "previousId",
      (select n.id from tree n where n.outfit_id = ${o} and n.place_id = t.place_id and n.archived_at is null and (n.walk_order, n.id) > (t.walk_order, t.id) order by n.walk_order, n.id limit 1) as "nextId"
    from tree t join place p on p.id = t.place_id and p.outfit_id = ${o} join client c on c.id = p.client_id and c.outfit_id = ${o} where t.id = ${id} and t.outfit_id = ${o}`;
  if (!head) return null;
  const [
    readings,
    looks,
    verdicts,
    plans,
    records,
    followUps,
    photos,
    siteYearActive,
    changes,
    works,
    others,
    keys,
    programmes,
    samples,
    byOthers,
    withdrawn,
    planned,
  ] = await Promise.all([
    tx<
      Reading[]
    >`select r.id, r.at, p.name as "byName", r.diameter_cm as "diameterCm", r.at_height_cm as "atHeightCm", r.stems, r.tree_height_m as "treeHeightM", r.crown_width_m as "crownWidthM", r.crown_base_m as "crownBaseM", r.obstacles, r.arcs, r.flares, r.grain_deg as "grainDeg", r.method
      from reading r join person p on p.id = r.by_person where r.outfit_id = ${o} and r.tree_id = ${id} order by r.at desc, r.id desc limit 40`,
    tx<Look[]>`select l.id, l.at, p.name as "byName", l.crown_loss as "crownLoss", l.vigour, l.note, l.detail,
        coalesce((select jsonb_agg(jsonb_strip_nulls(jsonb_build_object('sign', f.sign_id, 'state', f.state, 'grade', f.grade, 'bearing', f.bearing,
          'sure', case when f.sure = 'perhaps' then 'perhaps' end, 'lastSeason', case when f.last_season then true end,
          'counted', case when f.counted_of is not null then jsonb_build_object('of', f.counted_of, 'had', f.counted_had) end)) order by f.sign_id) from finding f where f.look_id = l.id and f.outfit_id = ${o}), '[]') as findings,
        coalesce((select jsonb_agg(jsonb_build_object('test', r.test_id, 'outcome', r.outcome) order by r.test_id) from test_result r where r.look_id = l.id and r.outfit_id = ${o}), '[]') as tests
      from look l join person p on p.id = l.by_person where l.outfit_id = ${o} and l.tree_id = ${id}
        and not exists (select from look_withdrawal w where w.look_id = l.id and w.outfit_id = ${o})
      order by l.at desc, l.id desc limit 20`,
    tx<
      Verdict[]
    >`select v.id, v.at, p.name as "byName", v.condition_id as "conditionId", v.certainty, v.decision, v.reason, v.ranking, v.overturned_by as "overturnedBy", v.overturns, v.look_id as "lookId"
      from verdict v join person p on p.id = v.by_person where v.outfit_id = ${o} and v.tree_id = ${id} order by v.at desc, v.id desc limit 20`,
    tx<
      PlanHead[]
    >`select n.id, n.at, p.name as "byName", n.state, n.label_id as "labelId", l.key as "labelKey", l.data->>'name' as "labelName", n.use_key as "useKey", n.condition_id as "conditionId", n.result, n.price
      from plan n join person p on p.id = n.by_person join label l on l.id = n.label_id where n.outfit_id = ${o} and n.tree_id = ${id} order by (n.state = 'open') desc, n.at desc limit 10`,
    tx<
      TreeRecord[]
    >`select id, root_id as "rootId", done_on as "doneOn", words, method, label_key as "labelKey", withdrawn, (data->>'amount')::float8 as amount, data->>'unit' as unit, data->'actives' as actives, data->'sites' as sites, data->'target'->>'id' as target, data->>'eatFrom' as "eatFrom",
        array(select x->>'group' from jsonb_array_elements(data->'product'->'actives') x) as groups, (data->>'mixMl')::float8 as "mixMl", data->>'reEntryUntil' as "reEntryUntil",
        array(select x->>'family' from label l cross join lateral jsonb_array_elements(l.data->'actives') x where l.outfit_id = ${o} and l.id = (record.data->'product'->>'labelId')::uuid) as families
      from record where outfit_id = ${o} and tree_id = ${id} and latest order by done_on desc, id desc limit 100`,
    tx<
      TreeFollowUp[]
    >`select id, root_id as "rootId", kind, what, reason, only_if as "onlyIf", due, earliest, latest, state from follow_up where outfit_id = ${o} and tree_id = ${id} order by (state = 'open') desc, due limit 40`,
    tx<
      Tree['photos']
    >`select id, at, width, height, sign_id as sign from photo where outfit_id = ${o} and tree_id = ${id} order by at desc limit 24`,
    activesOfYear(tx, o, head.placeId, year),
    tx<
      PlanChange[]
    >`select c.id, c.at, p.name as "byName", c.what, c.price_minor as "priceMinor", c.state, c.settled_how as "settledHow"
      from plan_change c join person p on p.id = c.by_person where c.outfit_id = ${o} and c.tree_id = ${id} order by c.at desc limit 20`,
    treeWorks(tx, o, id),
    tx<
      Tree['others']
    >`select lat, lon, plan_x as x, plan_y as y from tree where outfit_id = ${o} and place_id = ${head.placeId} and id <> ${id} and archived_at is null and (plan_x is not null or lat is not null) limit 400`,
    tx<
      { no: boolean }[]
    >`select host_key @> 'false' as no from look where outfit_id = ${o} and tree_id = ${id} and host_key <> '[]' order by at desc limit 1`,
    treeProgramme(tx, o, id),
    tx<Sample[]>`
      select s.id, s.what, s.sent_to as "sentTo", s.test_id as "testId", s.sent_on as "sentOn", p.name as "byName",
        a.answer, a.on_day as "answeredOn"
      from sample s
      join person p on p.id = s.by_person
      left join sample_answer a on a.sample_id = s.id and a.outfit_id = ${o}
      where s.outfit_id = ${o} and s.tree_id = ${id}
      order by s.sent_on desc, s.id desc limit 20`,
    tx<ByOthers[]>`
      select on_day as "onDay", active, family, resistance, who, condition_id as "conditionId", effect
      from others_applied
      where outfit_id = ${o} and tree_id = ${id}
      order by on_day, id limit 60`,
    tx<Tree['withdrawn']>`
      select l.id, l.at, w.reason, p.name as "byName"
      from look_withdrawal w
      join look l on l.id = w.look_id and l.outfit_id = ${o}
      join person p on p.id = w.by_person
      where w.outfit_id = ${o} and l.tree_id = ${id}
      order by l.at desc limit 20`,
    tx<{ name: string; grams: number }[]>`
      select a->>'name' as name, sum((a->>'grams')::float8)::float8 as grams
      from plan n
      join tree t on t.id = n.tree_id and t.outfit_id = ${o}
      cross join lateral jsonb_array_elements(n.result->'dose'->'actives') a
      where n.outfit_id = ${o} and n.state = 'open' and t.place_id = ${head.placeId} and n.tree_id <> ${id}
      group by 1`,
  ]);
  return {
    ...head,
    readings,
    looks,
    verdicts,
    plans,
    records,
    followUps,
    photos,
    changes,
    works,
    programme: programmes[0] ?? null,
    others,
    samples,
    byOthers,
    withdrawn,
    keyContradicted: keys[0]?.no ?? false,
    siteYearActive,
    sitePlannedActive: Object.fromEntries(planned.map((p) => [p.name, p.grams])),
  };
}

export interface NewReading {
  id: string;
  treeId: string;
  diameterCm: number;
  atHeightCm: number;
  stems: StemReading[];
  treeHeightM: number | null;
  crownWidthM: number | null;
  crownBaseM: number | null;
  obstacles: string;
  arcs: Arc[];
  flares: Flare[];
  grainDeg: number;
  method: string;
}
/** Adds a reading; sent twice, it lands once. */
export const addReading = (scope: Scope, r: NewReading) =>
  within(
    scope,
    (
      tx,
    ) => tx`insert into reading (id, outfit_id, tree_id, at, by_person, diameter_cm, at_height_cm, stems, tree_height_m, crown_width_m, crown_base_m, obstacles, arcs, flares, grain_deg, method)
    values (${r.id}, ${scope.outfitId}, ${r.treeId}, now(), ${scope.personId}, ${r.diameterCm}, ${r.atHeightCm}, ${json(tx, r.stems)}, ${r.treeHeightM}, ${r.crownWidthM}, ${r.crownBaseM}, ${r.obstacles}, ${json(tx, r.arcs)}, ${json(tx, r.flares)}, ${r.grainDeg}, ${r.method}) on conflict (id) do nothing`,
  );

export interface NewLook {
  id: string;
  treeId: string;
  crownLoss: number | null;
  vigour: Vigour | null;
  /** Answers of the host key; null where nobody answered. */
  hostKey: (boolean | null)[];
  hostConfirmed: boolean;
  findings: Finding[];
  tests: TestResult[];
  detail: LookDetail;
  note: string;
  today: string;
  /** What the client must agree to, when digging found something. */
  change: { id: string; what: string; priceMinor: number | null } | null;
}
/** Adds looks with their findings and tests, confirms hosts where the key did, and settles the looks that were due by now. */
export const addLooks = (scope: Scope, looks: readonly NewLook[]) =>
  within(scope, async (tx) => {
    for (const l of looks) await insertLook(tx, scope, l);
  });

async function insertLook(tx: Tx, scope: Scope, l: NewLook) {
  const o = scope.outfitId;
  const made = await tx`
    insert into look (id, outfit_id, tree_id, at, by_person, crown_loss, vigour, host_key, note, detail)
    values (${l.id}, ${o}, ${l.treeId}, now(), ${scope.personId}, ${l.crownLoss}, ${l.vigour}, ${json(tx, l.hostKey)}, ${l.note}, ${json(tx, l.detail)})
    on conflict (id) do nothing`;
  if (!made.count) return;
  const findings = l.findings.map((f) => ({
    outfit_id: o,
    look_id: l.id,
    sign_id: f.sign,
    state: f.state,
    grade: f.grade ?? null,
    bearing: f.bearing ?? null,
    counted_of: f.counted?.of ?? null,
    counted_had: f.counted?.had ?? null,
    sure: f.sure ?? 'sure',
    last_season: f.lastSeason ?? false,
  }));
  if (findings.length) await tx`insert into finding ${tx(findings)}`;
  const tests = l.tests.map((t) => ({ outfit_id: o, look_id: l.id, test_id: t.test, outcome: t.outcome }));
  if (tests.length) await tx`insert into test_result ${tx(tests)}`;
  if (l.change)
    await tx`
      insert into plan_change (id, outfit_id, tree_id, look_id, what, price_minor, by_person)
      values (${l.change.id}, ${o}, ${l.treeId}, ${l.id}, ${l.change.what}, ${l.change.priceMinor}, ${scope.personId})`;
  if (l.hostConfirmed)
    await tx`update tree set host_confirmed_at = now(), host_confirmed_by = ${scope.personId} where id = ${l.treeId}`;
  await tx`
    update follow_up set state = 'done', settled_at = now(), settled_by = ${scope.personId}
    where outfit_id = ${o} and tree_id = ${l.treeId} and state = 'open' and kind in ('look', 'check-effect')
      and earliest <= ${l.today}`;
}

/** Takes a look back, with its reason: it stays in the book of the tree and is no evidence any more. */
export const withdrawLook = (scope: Scope, lookId: string, reason: string) =>
  within(
    scope,
    (tx) => tx`
      insert into look_withdrawal (look_id, outfit_id, reason, by_person)
      select l.id, ${scope.outfitId}, ${reason}, ${scope.personId} from look l
      where l.id = ${lookId} and l.outfit_id = ${scope.outfitId}
      on conflict (look_id) do nothing`,
  );

/** Notes that a sample or a photograph was sent. */
export const sendSample = (
  scope: Scope,
  s: { id: string; treeId: string; what: string; sentTo: string; testId: string | null; sentOn: string },
) =>
  within(
    scope,
    (tx) => tx`
      insert into sample (id, outfit_id, tree_id, what, sent_to, test_id, sent_on, by_person)
      values (${s.id}, ${scope.outfitId}, ${s.treeId}, ${s.what}, ${s.sentTo}, ${s.testId}, ${s.sentOn}, ${scope.personId})
      on conflict (id) do nothing`,
  );

/** Keeps the answer to a sample; where it is the outcome of a test, as a look of its own, so that it becomes evidence. */
export const answerSample = (
  scope: Scope,
  a: { sampleId: string; answer: string; onDay: string; look: NewLook | null },
) =>
  within(scope, async (tx) => {
    if (a.look) await insertLook(tx, scope, a.look);
    return tx`
      insert into sample_answer (sample_id, outfit_id, look_id, answer, on_day, by_person)
      values (${a.sampleId}, ${scope.outfitId}, ${a.look?.id ?? null}, ${a.answer}, ${a.onDay}, ${scope.personId})
      on conflict (sample_id) do nothing`;
  });

/** The client's word on something found while digging; only an open one can be settled. */
export const settleChange = (scope: Scope, id: string, state: 'approved' | 'declined', how: string) =>
  within(
    scope,
    (tx) =>
      tx`update plan_change set state = ${state}, settled_at = now(), settled_by = ${scope.personId}, settled_how = ${how} where id = ${id} and state = 'open'`,
  );

/**
 * Conditions named near by in the last three years: the nearest in km, 0 on the same place; great-circle distance by the
 * haversine. A tree without a position counts only on its own place.
 */
export const nearbyFinds = (
  scope: Scope,
  t: Pick<Tree, 'id' | 'placeId' | 'lat' | 'lon'>,
): Promise<Record<string, number>> =>
  within(scope, async (tx) => {
    const finds = await tx<{ id: string; km: number }[]>`
      select v.condition_id as id, min(case when n.place_id = ${t.placeId} then 0 else
        2 * 6371 * asin(least(1, sqrt(sin(radians(n.lat - ${t.lat}::float8) / 2) ^ 2 + cos(radians(${t.lat}::float8)) * cos(radians(n.lat)) * sin(radians(n.lon - ${t.lon}::float8) / 2) ^ 2))) end) as km
      from (select tree_id, condition_id from verdict where outfit_id = ${scope.outfitId} and at > now() - interval '3 years' and decision not in ('leave it alone', 'protect a sound tree') and certainty in ('likely', 'near certain', 'confirmed by test') order by at desc, id limit 2000) v
      join tree n on n.id = v.tree_id and n.outfit_id = ${scope.outfitId} where v.tree_id <> ${t.id} group by 1`;
    return Object.fromEntries(finds.filter((f) => f.km !== null).map((f) => [f.id, f.km]));
  });

/** Trees of the same host that come next on the same place, in walking order. */
export const alikeTrees = (scope: Scope, t: { id: string; placeId: string; hostId: string; walkOrder: number }) =>
  within(
    scope,
    (tx) => tx<
      { id: string; tag: string }[]
    >`select id, tag from tree where outfit_id = ${scope.outfitId} and place_id = ${t.placeId} and host_id = ${t.hostId} and archived_at is null
      and (walk_order, id) > (${t.walkOrder}, ${t.id}) order by walk_order, id limit 60`,
  );

export interface NewVerdict {
  id: string;
  treeId: string;
  lookId: string | null;
  conditionId: string;
  certainty: string;
  decision: string;
  reason: string;
  ranking: { id: string; p: number }[];
  overturnedBy: string[];
  overturns: string[];
}
const insertVerdict = (tx: Tx, scope: Scope, v: NewVerdict) =>
  tx`insert into verdict (id, outfit_id, tree_id, look_id, at, by_person, condition_id, certainty, decision, reason, ranking, overturned_by, overturns)
    values (${v.id}, ${scope.outfitId}, ${v.treeId}, ${v.lookId}, now(), ${scope.personId}, ${v.conditionId}, ${v.certainty}, ${v.decision}, ${v.reason}, ${json(tx, v.ranking)}, ${v.overturnedBy}, ${v.overturns}) on conflict (id) do nothing`;
export const addVerdict = (scope: Scope, v: NewVerdict) => within(scope, (tx) => insertVerdict(tx, scope, v));

/** A tree and its like of the row: what is named on them, their plans and their programme, together or not at all. */
export const planRow = (
  scope: Scope,
  row: {
    plans: readonly NewPlan[];
    verdicts: readonly NewVerdict[];
    programme: { rows: readonly { id: string; treeId: string }[]; as: Programme } | null;
  },
) =>
  within(scope, async (tx) => {
    for (const v of row.verdicts) await insertVerdict(tx, scope, v);
    for (const p of row.plans) await insertPlan(tx, scope, p);
    if (row.programme) await insertProgramme(tx, scope, row.programme.rows, row.programme.as);
  });

export const changeTree = (
  scope: Scope,
  t: {
    id: string;
    tag: string;
    hostId: string;
    note: string;
    walkOrder: number;
    lat: number | null;
    lon: number | null;
    variety: string;
    eaten: boolean | null;
    /** The version that the form rests on. */
    basedOn: number;
  },
) =>
  within(
    scope,
    (
      tx,
    ) => tx`update tree set tag = ${t.tag}, note = ${t.note}, walk_order = ${t.walkOrder}, lat = ${t.lat}, lon = ${t.lon}, variety = ${t.variety}, eaten = ${t.eaten},
    host_confirmed_at = case when host_id = ${t.hostId} then host_confirmed_at end, host_id = ${t.hostId} where id = ${t.id} and version = ${t.basedOn}`,
  );
