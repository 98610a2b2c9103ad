import type { Instant, LocalDate } from '@/lib/calendar/zone';
import type { SiteMap } from '@/core/site-map/site-map';
import type { WorkPlan } from './works';
import type { Finding, TestResult } from '@/core/diagnose/knowledge';
import type { InspectionDetail } from '@/core/diagnose/inspection';
import type { Certainty, Decision, Vigour } from '@/core/diagnose/words';
import type { ReadReading } from '@/core/measure/reading';
import type { Priced } from '@/core/prescribe/costs';
import type { Prescription } from '@/core/prescribe/prescribe';
import type { Programme } from '@/core/season/programme';
import type { ByOthers } from './others-applied';
import { asList, dated, within, type Scope } from './db';
import * as part from './tree-parts';
import { unsettledOf, type Unsettled } from './unsettled';

/** A reading as it is kept: whose, and of when. */
export interface Reading extends ReadReading {
  id: string;
  at: Date;
  byName: string;
}
export interface Inspection {
  id: string;
  at: Date;
  byName: string;
  crownLoss: number | null;
  vigour: Vigour | null;
  note: string;
  findings: Finding[];
  tests: TestResult[];
  detail: Partial<InspectionDetail>;
}
export interface SavedDiagnosis {
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
  inspectionId: string | null;
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
  /** The day it is planned for and the span it may move in; null for what may be done at once. */
  plannedFor: string | null;
  earliest: string | null;
  latest: string | null;
  /** It carries out a visit of a programme that is laid over the tree. */
  assignment: boolean;
}
export interface TreeRecord {
  id: string;
  rootId: string;
  doneOn: LocalDate;
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
  reEntryUntil: Instant;
  /** The product's name and registration as the record holds them, and who put it on. */
  product: string;
  registration: string;
  by: string;
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
  due: LocalDate;
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
  /** The species as it was written, where the host does not say it. */
  species: string;
  hostConfirmedAt: Date | null;
  lat: number | null;
  lon: number | null;
  note: string;
  archivedAt: Date | null;
  walkOrder: number;
  /** Counts the changes of what its form shows. */
  version: number;
  siteId: string;
  siteName: string;
  address: string;
  clientName: string;
  timeZone: string;
  /** The region whose rules are in force there; null where it is that of the company. */
  region: string | null;
  areaM2: number | null;
  waterM: number | null;
  siteMap: SiteMap | null;
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
  looks: Inspection[];
  savedDiagnoses: SavedDiagnosis[];
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
  /** Treatments that were done and are not in the book yet: they count, and nothing offers them again. */
  unsettled: Unsettled[];
  /** Looks that were taken back, with why. */
  withdrawn: { id: string; at: Date; reason: string; byName: string }[];
  /** Where the neighbours stand: on the plan, or on the globe. */
  others: { lat: number | null; lon: number | null; x: number | null; y: number | null }[];
  /** Whether the last look answered its host key with a no. */
  keyContradicted: boolean;
  /** Grams of each active put on the whole place in the current year. */
  siteYearActive: Record<string, number>;
  /** Grams of each active that open plans of other trees will bring to the place. */
  sitePlanned: Record<string, Record<string, number>>;
}

/** One tree with all that was ever read, seen, decided, planned and done on it; null when this company has no such tree. */
export const getTree = async (scope: Scope, id: string, year: string): Promise<Tree | null> =>
  (await getTrees(scope, [id], year))[0] ?? null;

/**
 * Trees with all that was ever read, seen, decided, planned and done on them, in the order asked for: one statement, however
 * many there are. What this company has not got is left out.
 * @param year whose sums of actives are wanted, YYYY
 */
export const getTrees = (scope: Scope, ids: readonly string[], year: string): Promise<Tree[]> =>
  within(scope, async (tx) => {
    const o = scope.companyId;
    const rows = await tx<Tree[]>`
      select
        t.id, t.tag, t.host_id as "hostId", t.species, t.host_confirmed_at as "hostConfirmedAt", t.lat, t.lon, t.note,
        t.archived_at as "archivedAt", t.walk_order as "walkOrder", t.version, t.plan_x as "planX", t.plan_y as "planY",
        t.variety, t.eaten,
        p.id as "siteId", p.name as "siteName", p.address, c.name as "clientName", p.time_zone as "timeZone",
          p.region,
        p.area_m2 as "areaM2", p.water_m as "waterM", p.site_map as "siteMap", p.soil_texture as "soilTexture",
        p.first_picking as "firstPicking", p.last_picking as "lastPicking", p.pickings,
        ${part.neighbour(tx, 'before')} as "previousId",
        ${part.neighbour(tx, 'after')} as "nextId",
        ${asList(tx, part.readings(tx))} as readings,
        ${asList(tx, part.looks(tx))} as looks,
        ${asList(tx, part.savedDiagnoses(tx))} as "savedDiagnoses",
        ${asList(tx, part.plans(tx))} as plans,
        ${asList(tx, part.records(tx))} as records,
        ${asList(tx, part.followUps(tx))} as "followUps",
        ${asList(tx, part.photos(tx))} as photos,
        ${asList(tx, part.changes(tx))} as changes,
        ${asList(tx, part.works(tx))} as works,
        ${asList(tx, part.samples(tx))} as samples,
        ${asList(tx, part.byOthers(tx))} as "byOthers",
        ${asList(tx, part.withdrawn(tx))} as withdrawn,
        ${asList(tx, part.others(tx))} as others,
        ${asList(tx, unsettledOf(tx, o))} as unsettled,
        ${part.programme(tx)} as programme,
        ${part.keyContradicted(tx)} as "keyContradicted",
        ${part.yearActives(tx, year)} as "siteYearActive",
        ${part.plannedActives(tx, year)} as "sitePlanned"
      from (
        -- The wanted trees first, and their place and client after: a plan that is kept for every company knows nothing of a
        -- large one, and would walk all its trees.
        select t.*, wanted.n
        from unnest(${[...ids]}::uuid[]) with ordinality wanted (id, n)
        join tree t on t.id = wanted.id and t.company_id = ${o}
        offset 0) t
      join site p on p.id = t.site_id and p.company_id = t.company_id
      join client c on c.id = p.client_id and c.company_id = t.company_id
      order by t.n`;
    return rows.map(withInstants);
  });

const withInstants = (tree: Tree): Tree => ({
  ...tree,
  readings: dated(tree.readings),
  looks: dated(tree.looks),
  savedDiagnoses: dated(tree.savedDiagnoses),
  plans: dated(tree.plans),
  photos: dated(tree.photos),
  changes: dated(tree.changes),
  works: dated(tree.works),
  withdrawn: dated(tree.withdrawn),
});

/** A tree that may be planned together with another one of its place. */
export interface RowTree {
  id: string;
  tag: string;
  hostId: string;
  section: string;
}
/** The other trees of a place, of whatever kind, in walking order. */
export const rowTrees = (scope: Scope, t: { id: string; siteId: string }): Promise<RowTree[]> =>
  within(scope, async (tx) => [
    ...(await tx<RowTree[]>`
      select id, tag, host_id as "hostId", section
      from tree
      where company_id = ${scope.companyId} and site_id = ${t.siteId} and archived_at is null and id <> ${t.id}
      order by walk_order, id
      limit 400`),
  ]);

/** Trees of the same host that come next on the same place, in walking order. */
export const alikeTrees = (scope: Scope, t: { id: string; siteId: string; hostId: string; walkOrder: number }) =>
  within(
    scope,
    (tx) => tx<
      { id: string; tag: string }[]
    >`select id, tag from tree where company_id = ${scope.companyId} and site_id = ${t.siteId} and host_id = ${t.hostId} and archived_at is null
      and (walk_order, id) > (${t.walkOrder}, ${t.id}) order by walk_order, id limit 60`,
  );

export const changeTree = (
  scope: Scope,
  t: {
    id: string;
    tag: string;
    hostId: string;
    species: string;
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
    (tx) => tx`
      update tree
      set tag = ${t.tag}, note = ${t.note}, walk_order = ${t.walkOrder}, lat = ${t.lat}, lon = ${t.lon},
        variety = ${t.variety}, eaten = ${t.eaten}, species = ${t.species},
        host_confirmed_at = case when host_id = ${t.hostId} then host_confirmed_at end, host_id = ${t.hostId}
      where id = ${t.id} and version = ${t.basedOn}`,
  );
