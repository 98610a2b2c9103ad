import { inRealUse } from './real-use';
import { isOver } from '@/core/prescribe/follow';
import { removalOf } from '@/core/cost/prices';
import { barkGone } from '@/core/decide/bark-gone';
import { severityOf } from '@/core/decide/severity';
import { openProblems } from '@/core/decide/problems';
import type { Condition } from '@/core/diagnose/knowledge';
import { signsOf } from '@/core/diagnose/reading';
import type { Visit } from '@/core/diagnose/visit';
import { onPlan } from '@/core/site-map/site-map';
import { doubts } from '@/core/measure/plausible';
import { stemDiameters } from '@/core/measure/trunk';
import { lossUntreated } from '@/core/prescribe/costs';
import { faced, type AlsoPlanned, type Choices, type TreatmentContext, type Weighing } from '@/core/gates/context';
import { sitesWithHeights, type OldSite } from '@/core/ring/ring';
import { dayIn, type LocalDate } from '@/lib/calendar/zone';
import { expectedLeaf, type HostYear } from '@/core/season/year';
import { crownVolume, type Crown } from '@/core/spray/crown';
import type { UnitSystem } from '@/lib/units/units';
import { soilState, type Weather } from '@/core/weather/air';
import { customKnowledgeNow } from '@/knowledge/custom';
import type { WorkFacts } from '@/core/work/work';
import { findCondition, findHost, findSign } from '@/knowledge';
import type { Viewer } from '@/store/auth';
import type { Held } from '@/store/stock';
import type { Reading, SavedDiagnosis, Tree, TreeRecord } from '@/store/tree';
import type { Detections } from '@/store/diagnoses';
import { barkLossOf, checksOf, heightOf, hostOf, treeSouth, visitOf, type Located } from './diagnosis';
import { regionFor } from './region';
import { yearOf } from '@/lib/calendar/months';

const YEAR = 365.25 * 864e5;

/** How bad a trouble is by its own signs, as the decision weighs it; null when none of them was looked at. */
function severityAt(condition: Condition, visit: Visit | null): number | null {
  const own = signsOf(condition);
  const looked = (visit?.findings ?? []).filter((f) => own.includes(f.sign) && f.state !== 'not looked');
  return looked.length ? severityOf(condition, looked) : null;
}

/** What is doubtful about a reading, in the light of the ones before it, its height and its host. */
export function doubtsOf(
  reading: Pick<Reading, 'diameterCm' | 'treeHeightM' | 'at'>,
  before: Pick<Reading, 'diameterCm' | 'at'> | undefined,
  hostId: string,
  system: UnitSystem,
) {
  const host = findHost(hostId);
  return doubts({
    diameterCm: reading.diameterCm,
    ...(before
      ? { last: { diameterCm: before.diameterCm, yearsAgo: (reading.at.getTime() - before.at.getTime()) / YEAR } }
      : {}),
    ...(reading.treeHeightM ? { heightM: reading.treeHeightM } : {}),
    system,
    growthCmPerYear: host?.growthCmPerYear,
    largestCm: host?.largestCm,
  });
}

/** Where a tree and its neighbours stand on the plan of the site; null and none where no plan is drawn. */
const standsAt = (tree: Pick<Tree, 'siteMap' | 'planX' | 'planY' | 'lat' | 'lon' | 'others'>) => ({
  at: onPlan(tree.siteMap, { x: tree.planX, y: tree.planY, lat: tree.lat, lon: tree.lon }),
  others: tree.others.flatMap((t) => onPlan(tree.siteMap, t) ?? []),
});

/** The ground on which a tree and those within 30 m of it stand, m. */
function groupOf(tree: Tree): WorkFacts['group'] {
  const { at, others } = standsAt(tree);
  if (!at) return null;
  const near = [at, ...others].filter((p) => Math.hypot(p.x - at.x, p.y - at.y) <= 30);
  const span = (of: number[]) => Math.max(...of) - Math.min(...of);
  return { lengthM: span(near.map((p) => p.x)), widthM: span(near.map((p) => p.y)) };
}

/** The crown as last measured; conifers stand as cones. */
export function crownOf(tree: Pick<Tree, 'readings' | 'hostId'>): Crown | null {
  const height = heightOf(tree);
  const wide = tree.readings.find((r) => r.crownWidthM !== null);
  if (!height || !wide?.crownWidthM) return null;
  const conifer = findHost(tree.hostId)?.groups.includes('conifer');
  return {
    shape: conifer ? 'cone' : 'ellipsoid',
    widthM: wide.crownWidthM,
    depthM: Math.max(0.5, height - (wide.crownBaseM ?? height * 0.25)),
  };
}

/** When this tree is picked: by its variety where the place names it, else as the place is. */
function harvestOf(
  tree: Pick<Tree, 'firstPicking' | 'lastPicking' | 'pickings' | 'variety'>,
): TreatmentContext['harvest'] {
  const own = tree.variety
    ? tree.pickings.find((p) => p.variety.toLowerCase() === tree.variety.toLowerCase())
    : undefined;
  if (own) return { from: own.from, to: own.to };
  return tree.firstPicking === null ? null : { from: tree.firstPicking, to: tree.lastPicking };
}

/** A kept decision as an open trouble; none where its condition is no longer known. */
function problemOf(
  savedDiagnosis: SavedDiagnosis,
  tree: Tree,
  visit: Visit | null,
  detections: Readonly<Record<string, number>>,
): NonNullable<TreatmentContext['problems']> {
  const condition = findCondition(savedDiagnosis.conditionId);
  if (!condition) return [];
  const findKm = detections[condition.id] ?? null;
  return [
    {
      condition,
      certainty: savedDiagnosis.certainty,
      decision: savedDiagnosis.decision,
      liveDrivers: savedDiagnosis.ranking
        .filter((r) => r.p >= 0.3 && condition.drivers.includes(r.id))
        .map((r) => findCondition(r.id)!.name),
      severity: severityAt(condition, visit),
      findKm,
      atRisk:
        (condition.protect && findKm !== null && findKm <= condition.protect.withinKm) ||
        tree.savedDiagnoses.some((x) => x.conditionId === condition.id),
    },
  ];
}

/** What was done and waits to be settled counts as what it is: done. */
const unsettledAsDone = (tree: Tree): TreatmentContext['earlier'] =>
  tree.unsettled.map((u) => ({
    day: dayIn(u.doneAt, tree.timeZone),
    labelKey: u.labelKey,
    actives: u.actives,
    families: u.families,
    unsettledPlan: u.planId,
  }));

type OpenPlan = Tree['plans'][number];
/** What a plan's label says of its use, as it is held now. */
const useOf = (plan: OpenPlan, labels: Held['labels']) =>
  labels.find((l) => l.key === plan.labelKey)?.label.uses.find((u) => u.key === plan.useKey);

/** An open plan as another one sees it. */
function alsoPlanned(plan: OpenPlan, labels: Held['labels'], today: string): AlsoPlanned {
  const label = labels.find((l) => l.key === plan.labelKey)?.label;
  return {
    on: plan.plannedFor && plan.plannedFor > today ? plan.plannedFor : today,
    assignment: plan.assignment,
    labelKey: plan.labelKey,
    labelName: plan.labelName,
    method: useOf(plan, labels)?.method ?? 'soil-drench',
    families: label?.actives.map((a) => a.family) ?? [],
    actives: label?.actives.map((a) => a.name) ?? [],
  };
}

/** The problem in hand, and every open one beside it, as decisions have them. */
function problemsOf(tree: Tree, visit: Visit | null, detections: Detections, asked: string | null) {
  const open = openProblems(tree.savedDiagnoses);
  // The one asked for, else the newest open one, else what was decided last.
  const saved = open.find((t) => t.conditionId === asked) ?? open[0] ?? tree.savedDiagnoses[0];
  const inHand = saved && problemOf(saved, tree, visit, detections)[0];
  const condition = saved ? findCondition(saved.conditionId) : null;
  return {
    condition,
    certainty: saved?.certainty ?? null,
    decision: saved?.decision ?? null,
    liveDrivers: inHand?.liveDrivers ?? [],
    severity: condition ? severityAt(condition, visit) : null,
    findKm: inHand?.findKm ?? null,
    atRisk: inHand?.atRisk ?? false,
    problems: open.flatMap((t) => problemOf(t, tree, visit, detections)),
  };
}

/** The trunk as it was last measured; null while it has not been. */
function readingOf(tree: Tree, visit: Visit | null, units: UnitSystem): TreatmentContext['reading'] {
  const [reading, before] = tree.readings;
  if (!reading) return null;
  const deadBark = (visit?.detail.barkLoss ?? []).map((a) => ({ kind: 'dead-bark' as const, from: a.from, to: a.to }));
  return {
    day: dayIn(reading.at, tree.timeZone),
    diameters: stemDiameters(reading.stems),
    heightCm: reading.atHeightCm,
    doubts: doubtsOf(reading, before, tree.hostId, units),
    arcs: [...reading.arcs, ...deadBark],
  };
}

/** The tree's own body: trunk, crown, roots’ flares, and what suffers. */
function bodyOf(tree: Tree, visit: Visit | null, crown: Crown | null, units: UnitSystem) {
  const [newest] = tree.readings;
  const seen = visit?.findings ?? [];
  return {
    reading: readingOf(tree, visit, units),
    girths: tree.readings.map((r) => ({ heightCm: r.atHeightCm, girthCm: r.diameterCm * Math.PI })),
    crown,
    heightM: heightOf(tree),
    flares: newest?.flares ?? [],
    grainDeg: newest?.grainDeg ?? 0,
    sectors: seen.flatMap((f) =>
      f.bearing !== undefined && f.grade
        ? [{ from: (f.bearing + 315) % 360, to: (f.bearing + 45) % 360, severity: f.grade }]
        : [],
    ),
    barkLoss: barkGone(barkLossOf(visit), seen, findSign),
    crownLoss: visit?.crownLoss ?? null,
    vigour: visit?.vigour ?? null,
    sticky: seen.some((f) => ['honeydew', 'sticky-below'].includes(f.sign) && f.state === 'seen'),
    helpersSeen: seen.some((f) => f.sign === 'helpers' && (f.grade ?? 0) >= 2),
  };
}

/** What was put on the tree before: by its records, by others, and what was done and waits to be settled. */
function earlierOn(tree: Tree, done: readonly TreeRecord[], labels: Held['labels']): TreatmentContext['earlier'] {
  const byOthers = tree.byOthers.map((o) => ({
    day: o.onDay,
    labelKey: '',
    actives: [o.active],
    families: o.family ? [o.family] : [],
    groups: o.resistance ? [o.resistance] : [],
    byOthers: true,
  }));
  const own = done.map((r) => ({
    day: r.doneOn,
    rootId: r.rootId,
    labelKey: r.labelKey,
    actives: r.actives.map((a) => a.name),
    groups: r.groups,
    families: r.families,
    reEntryUntil: r.reEntryUntil,
    notWith: labels.find((l) => l.key === r.labelKey)?.label.notWith ?? [],
  }));
  return [...byOthers, ...unsettledAsDone(tree), ...own].sort((a, b) => a.day.localeCompare(b.day));
}

/** What was used on the tree, and what its own records tell of how it goes in and how much it takes. */
function usedOn(tree: Tree, held: Held, crown: Crown | null, year: number) {
  const done = tree.records.filter((r) => !r.withdrawn);
  const treeYearProduct: Record<string, number> = {};
  for (const r of done)
    if (yearOf(r.doneOn) === year) treeYearProduct[r.labelKey] = (treeYearProduct[r.labelKey] ?? 0) + r.amount;
  return {
    treeYearProduct,
    treeLog: done.map((r) => ({ day: r.doneOn, labelKey: r.labelKey, product: r.amount, actives: r.actives })),
    earlier: earlierOn(tree, done, held.labels),
    oldSites: oldSitesOf(tree),
    sprayLog: crown
      ? done
          .filter((r) => r.method === 'foliar-spray' && r.mixMl)
          .map((r) => ({ litres: r.mixMl! / 1000, m3: crownVolume(crown) }))
      : [],
    withoutEffect: checksOf(tree)
      .filter((c) => c.savedDiagnosis.kind === 'no effect')
      .map((c) => ({ condition: c.condition, labelKey: c.labelKey })),
  };
}

/** What is still planned on the tree. What nobody will carry out any more stands in no other plan's way. */
function plannedOn(tree: Tree, labels: Held['labels'], today: LocalDate) {
  const planned = tree.plans.filter(
    (p) => p.state === 'open' && !isOver({ latest: p.latest, at: dayIn(p.at, tree.timeZone) }, today),
  );
  return {
    alsoPlanned: planned.map((p) => alsoPlanned(p, labels, today)),
    otherSites: planned.flatMap((p) =>
      sitesWithHeights(p.result.ring, useOf(p, labels)?.sites?.heightCm).map((site) => ({
        labelKey: p.labelKey,
        ...site,
      })),
    ),
  };
}

/** The site: its ground, its map, its water, and what was and will be put on the whole of it. */
const siteOf = (tree: Tree) => ({
  south: treeSouth(tree),
  siteAreaM2: tree.areaM2,
  siteYearActive: tree.siteYearActive,
  sitePlanned: tree.sitePlanned,
  water: tree.waterM === -1 ? ('none within 100 m' as const) : tree.waterM,
  harvest: harvestOf(tree),
  soilTexture: tree.soilTexture,
  near: null,
  siteMap: tree.siteMap ? { plan: tree.siteMap, ...standsAt(tree) } : null,
});

/** What the company holds, and who of it is asking. */
const companyOf = (viewer: Viewer, { labels, vessels, tanks, uptakeLog }: Held) => ({
  crownSchool: viewer.schools.crownLoss,
  vessels,
  tanks,
  uptakeLog,
  unreserved: vessels.filter((x) => x.reserved === false).map((x) => x.name),
  supervised: viewer.licence !== null || viewer.role === 'owner' || viewer.role === 'arborist',
  licence: viewer.licence,
  checked: Object.fromEntries(labels.map((l) => [l.key, l.checkedOn])),
  newestVersions: Object.fromEntries(labels.map((l) => [l.key, l.label.version])),
  clientTrees: inRealUse(),
});

/** What is asked about a tree. */
export interface ContextAsked {
  /** What the company holds, and how fast its own injections went in. */
  held: Held;
  /** What was named near by. */
  detections: Detections;
  now: Date;
  /** The problem in hand, by its condition; null: the newest open one. */
  problem: string | null;
  /** What the seasons bring to this host at this place. */
  year: HostYear;
}

/**
 * Everything a prescription for this tree rests on: built here for every page, every command and every phone, so that the
 * browser's checks and the server's ask the same facts.
 */
export function treatmentContextFor(viewer: Viewer, tree: Tree, asked: ContextAsked): TreatmentContext {
  const { held, detections, now, year } = asked;
  const host = hostOf(tree);
  if (!host) throw new Error(`unknown host ${tree.hostId}`);
  const today = dayIn(now, tree.timeZone);
  const visit = visitOf(tree);
  const problems = problemsOf(tree, visit, detections, asked.problem);
  const crown = crownOf(tree);
  return {
    on: today,
    host,
    hostConfirmed: tree.hostConfirmedAt !== null,
    hostContradicted: tree.keyContradicted,
    year,
    ...problems,
    ...bodyOf(tree, visit, crown, viewer.units),
    ...usedOn(tree, held, crown, yearOf(today)),
    ...plannedOn(tree, held.labels, today),
    ...siteOf(tree),
    ...companyOf(viewer, held),
    region: regionFor(viewer, tree.region),
    money: {
      by: weighingOf(viewer, tree, now),
      lossUntreated: lossUntreated(problems.condition?.lossPerYear ?? null, visit?.crownLoss ?? null),
    },
    programme: tree.programme?.school ?? viewer.schools.programme,
  };
}

/**
 * The context in which a plan is carried out. A visit of a programme acts on its own problem, whether or not anybody named it on
 * this tree; any other plan rests on what was named.
 */
export function treatmentContextOfPlan(
  viewer: Viewer,
  tree: Tree,
  asked: Omit<ContextAsked, 'problem'> & { plan: { id: string; conditionId: string; visitId: string | null } },
): TreatmentContext {
  const { plan, ...known } = asked;
  const seen = treatmentContextFor(viewer, tree, { ...known, problem: plan.conditionId });
  // Its own record, sent once more, does not stand in its own way.
  const context = { ...seen, earlier: seen.earlier.filter((e) => e.unsettledPlan !== plan.id) };
  const condition = plan.visitId === null ? null : findCondition(plan.conditionId);
  return condition ? faced(context, condition, asked.detections[condition.id] ?? null) : context;
}

/** Soil and air as the station has them, the leaf as it is expected; the person at the tree may say otherwise. */
export function usualChoices(tree: Pick<Tree, 'hostId'> & Located, weather: Weather, year: HostYear): Choices {
  const today = dayIn(weather.at, tree.timeZone);
  return {
    soil: soilState(weather),
    leaf: expectedLeaf(findHost(tree.hostId) ?? { evergreen: false }, year, today, treeSouth(tree)),
    temperatureC: weather.temperatureC,
    windMs: weather.windMs,
    rainNext24Mm: weather.rainNext24Mm,
    rainByHour: weather.rainByHour ?? null,
    humidity: weather.humidity,
    windFromDeg: weather.windFromDeg,
  };
}

/** Where this trunk was drilled before, by what the book holds. */
export const oldSitesOf = (tree: Pick<Tree, 'records'>): OldSite[] =>
  tree.records
    .filter((r) => !r.withdrawn)
    .flatMap((r) => r.sites.map((s) => ({ bearing: s.bearing, heightCm: s.heightCm, year: yearOf(r.doneOn) })));

/** What the ways for this tree are weighed by, and what its steps bring. */
export const weighingOf = (viewer: Viewer, tree: Tree, now: Date): Weighing => ({
  // A tree is weighed against removing this one, not one of any size.
  prices: { ...viewer.prices, removeAndReplant: removalOf(viewer.prices, tree.readings[0]?.diameterCm ?? null) },
  system: viewer.units,
  on: dayIn(now, tree.timeZone),
  programme: tree.programme,
  school: viewer.schools.programme,
  options: tree.savedDiagnoses[0] ? (findCondition(tree.savedDiagnoses[0].conditionId)?.options ?? null) : null,
  south: treeSouth(tree),
});

/** What a work without a label rests on; null while the trunk has not been measured. */
export function workFactsOf(viewer: Viewer, tree: Tree, now: Date): WorkFacts | null {
  const host = findHost(tree.hostId);
  const reading = tree.readings[0];
  if (!host || !reading) return null;
  const region = regionFor(viewer, tree.region);
  const condition = tree.savedDiagnoses[0] ? findCondition(tree.savedDiagnoses[0].conditionId) : null;
  return {
    on: dayIn(now, tree.timeZone),
    system: viewer.units,
    tag: tree.tag,
    host: {
      id: host.id,
      name: host.name,
      groups: host.groups,
      growthCmPerYear: host.growthCmPerYear,
      edible: host.edible,
    },
    diameterCm: reading.diameterCm,
    heightM: heightOf(tree),
    crownWidthM: tree.readings.find((r) => r.crownWidthM !== null)?.crownWidthM ?? null,
    texture: tree.soilTexture,
    condition: condition
      ? {
          id: condition.id,
          name: condition.name,
          noCut: condition.nature.includes('no cut'),
          disease: ['fungus', 'bacterium', 'virus', 'water mould'].includes(condition.kind),
        }
      : null,
    south: treeSouth(tree),
    wiltRegion:
      region.closedSeasons.some((c) => c.hosts.some((h) => h === 'oak' || h === 'red-oak' || h === 'live-oak')) ||
      (region.presence['oak-wilt'] ?? 0) >= 0.3,
    mainRoots: visitOf(tree)?.detail.anchors ?? [],
    group: groupOf(tree),
    zoneSchool: viewer.schools.rootZone,
    woundSchool: viewer.schools.woundDressing,
    meshSchool: viewer.schools.mesh,
    closedSeasons: region.closedSeasons,
    customWorks: customKnowledgeNow().works,
    region: region.name,
  };
}
