import { INTAKE, splitPasses, waterDepth, type Passes, type SoilTexture } from '../basin/basin';
import { atPlacedSites, dose, type Dose, type DoseFault } from '../dose/dose';
import type { Condition, Host } from '../diagnose/knowledge';
import type { Certainty, Decision, LeafState, Vigour } from '../diagnose/words';
import type { Facts, Gate, WaterDistance } from '../gates/gate';
import type { Region } from '../gates/region';
import { blocked, gatesInForce } from '../gates/rules';
import { usesHost } from '../label/match';
import { labelPeriod, within } from '../label/period';
import { carriesOut } from '../label/methods';
import type { Label, LabelUse } from '../label/schema';
import type { Doubt } from '../measure/plausible';
import type { StemRule } from '../measure/trunk';
import type { Vessel } from '../mix/vessels';
import {
  placeRing,
  unevenness,
  USUAL_WEIGHTS,
  whyNotAt,
  type Arc,
  type Flare,
  type OldSite,
  type Ring,
  type RingInput,
  type Sector,
  type Weights,
} from '../ring/ring';
import { uptake, type Uptake } from '../ring/uptake';
import { keepOrReplace, type Weighing } from './costs';
import { WATERS, type GroundsPlan } from '../grounds/plan';
import type { Point } from '../rootzone/probe-grid';
import type { Crown, Density } from '../spray/crown';
import { loads, type Load, type Tank } from '../spray/loads';
import type { Said } from '../gates/said';
import { treatedBy, type Treated } from './treated';
import type { Day } from '../season/follow-ups';
import type { Cm, Grams, SquareM, UnitSystem } from '../units/units';
import type { SoilState } from '../weather/air';

/** All that is known about a tree, its place and the people when something is prescribed for it. */
export interface Situation {
  today: Day;
  host: Host;
  hostConfirmed: boolean;
  /** The trouble in hand; a use that acts on another open one takes that, see {@link aimedAt}. */
  condition: Condition | null;
  certainty: Certainty | null;
  decision: Decision | null;
  liveDrivers: Facts['liveDrivers'];
  /** Every open trouble of the tree, the one in hand among them. */
  troubles: Trouble[];
  atRisk: boolean;
  crownSchool: Facts['crownSchool'];
  barkLoss: number | null;
  south: boolean;
  sticky: boolean;
  withoutEffect: Facts['withoutEffect'];
  crownLoss: number | null;
  vigour: Vigour | null;
  reading: { day: Day; diameters: Cm[]; heightCm: Cm; doubts: Doubt[]; arcs: Arc[] } | null;
  /** Other readings of this trunk, by height: a girth at injection height counts for the holes. */
  girths: { heightCm: Cm; girthCm: Cm }[];
  /** Earlier applications to this tree, newest last. */
  earlier: Facts['earlier'];
  /** Product (mL or g) put on this tree this calendar year, by label key. */
  treeYearProduct: Record<string, number>;
  /** What was put on this tree, by day: counted in the label's own year, by product and by active; null where only sums are known. */
  treeLog: { day: Day; labelKey: string; product: number; actives: { name: string; grams: Grams }[] }[] | null;
  siteAreaM2: SquareM | null;
  /** Grams of each active put on the whole place this year. */
  siteYearActive: Record<string, Grams>;
  /** Grams of each active that open plans on the place will bring, this tree's own left out. */
  sitePlannedActive: Record<string, Grams>;
  water: WaterDistance | null;
  harvest: Facts['harvest'];
  soilTexture: SoilTexture;
  oldSites: OldSite[];
  vessels: Vessel[];
  region: Region;
  /** The crown as measured; null while nobody has. */
  crown: Crown | null;
  heightM: number | null;
  flares: Flare[];
  /** How far clockwise of a part of the crown the flare stands that feeds it. */
  grainDeg: number;
  sectors: Sector[];
  /** What stands near, where no plan is drawn but somebody knows. */
  near: Treated['near'] | null;
  /** The plan of the grounds in local metres, and where this tree and its neighbours stand on it. */
  grounds: { plan: GroundsPlan; at: Point | null; others: Point[] } | null;
  hostContradicted: boolean;
  severity: number | null;
  findKm: number | null;
  helpersSeen: boolean;
  /** Open plans of this tree, the product in hand among them. */
  alsoPlanned: Facts['alsoPlanned'];
  /** Sites on this trunk that are still planned, by product. */
  otherSites: { labelKey: string; bearing: number; heightCm: Cm }[];
  programme: Facts['programme'];
  supervised: boolean;
  /** What its ways are weighed by, and the yearly chance of losing the tree untreated. */
  money: { by: Weighing; lossUntreated: number } | null;
  /** Names of vessels that are not kept for pesticides alone. */
  unreserved: string[];
  /** Spray used on earlier trees of this host, for its own litres a cubic metre. */
  sprayLog: { litres: number; m3: number }[];
  tanks: Tank[];
  /** Minutes from start to empty at earlier injections, by product. */
  uptakeLog: Record<string, number[]>;
  licence: Facts['licence'];
  /** Day of the last check against the label in hand, by label key. */
  checked: Record<string, Day | null>;
}

/** One open trouble of a tree, with what was decided about it. */
export interface Trouble {
  condition: Condition;
  certainty: Certainty;
  decision: Decision;
  liveDrivers: string[];
  severity: number | null;
  findKm: number | null;
  atRisk: boolean;
}
/**
 * The situation as a use sees it: the trouble in hand where the use acts on it, else another open one that it acts on. A
 * feed, a guard or a second fungicide is not held because something else was named last.
 */
export function aimedAt(s: Situation, use: Pick<LabelUse, 'targets'>): Situation {
  if (!s.troubles || (s.condition && use.targets.includes(s.condition.id))) return s;
  const other = s.troubles.find((t) => use.targets.includes(t.condition.id));
  return other ? { ...s, ...other } : s;
}

/** What the person at the bench can set. */
export interface Choices {
  soil: SoilState | null;
  leaf: LeafState | null;
  temperatureC: number | null;
  windMs: number | null;
  rainNext24Mm: number | null;
  humidity?: number | null;
  /** Rain of the coming hours, mm an hour; gusts, m/s. */
  rainByHour?: readonly number[] | null;
  gustMs?: number | null;
  /** Water that the soil took in a timed test, mm/h. */
  intakeMmH?: number | null;
  windFromDeg?: number | null;
  stemRule?: StemRule;
  /** Place in a rate range: 0 low end, 1 high end. */
  rangePoint?: number;
  rangeReason?: string;
  system?: UnitSystem;
  said?: Said;
  density?: Density;
  /** Sites moved by hand: every bearing, in the order of the placed ring. */
  bearings?: number[];
  tankId?: string;
  /** What counts how much when sites are placed. */
  weights?: Weights;
  phase?: 'plan' | 'apply';
  now?: string;
}

export interface Prescription {
  dose: Dose | DoseFault;
  ring: Ring | null;
  gates: Gate[];
  treated: Treated;
  /** How the water of a drench goes in: passes and the wait between them; null where nothing is poured on the ground. */
  passes: Passes | null;
  /** Tank loads of a spray. */
  loads: Load[];
  uptake: Uptake | null;
}

/**
 * One label's use on one tree: the dose, where to drill, and every gate in force.
 * The browser runs it for the instant answer; the server runs it again before anything is written.
 */
export function prescribe(s: Situation, label: Label, use: LabelUse, c: Choices): Prescription {
  return workOut(s, label, use, c, true);
}

/** The ring that a use asks for on this trunk, before any site is moved by hand. */
export function ringInput(
  s: Situation,
  label: Label,
  use: LabelUse,
  worked: Dose,
  weights: Weights = USUAL_WEIGHTS,
): RingInput | null {
  if (!worked.sites || !use.sites) return null;
  return {
    girthCm: worked.girthCm,
    count: worked.sites.count,
    heightCm: use.sites.heightCm,
    year: Number(s.today.slice(0, 4)),
    minSpacingCm: use.sites.minSpacingCm,
    arcClearanceCm: use.sites.oldSiteClearanceCm,
    oldSiteClearanceCm: use.sites.oldSiteClearanceCm,
    oldSiteVerticalCm: use.sites.oldSiteVerticalCm,
    oldSiteYears: use.sites.oldSiteYears,
    rows: use.sites.rows,
    arcs: s.reading?.arcs ?? [],
    oldSites: s.oldSites,
    flares: s.flares,
    sectors: s.sectors,
    grainDeg: s.grainDeg,
    weights,
    others: s.otherSites
      .filter((o) => o.labelKey !== label.key)
      .map((o) => ({ ...o, clearCm: use.sites!.minSpacingCm })),
  };
}

/** The placed ring with the bearings that somebody set by hand; what is wrong with them stands in `illegal`. */
function byHand(ring: Ring, input: RingInput, bearings: number[] | undefined): { ring: Ring; illegal: string | null } {
  if (!bearings || bearings.length !== ring.sites.length) return { ring, illegal: null };
  const out = { ...ring, sites: bearings, unevenness: unevenness(bearings, input.girthCm) };
  return { ring: out, illegal: bearings.map((b, i) => whyNotAt(out, i, b, input)).find((why) => why !== null) ?? null };
}

function workOut(given: Situation, label: Label, use: LabelUse, c: Choices, withRing: boolean): Prescription {
  const s = aimedAt(given, use);
  const year = treeYear(s, label, use);
  const treated = treatedBy(s, use, c);
  const worked = dose({
    label,
    useKey: use.key,
    diameters: s.reading?.diameters ?? [],
    stemRule: c.stemRule,
    rangePoint: c.rangePoint,
    rangeReason: c.rangeReason,
    vessels: s.vessels,
    treeYearProduct: year.product,
    treeYearActive: year.actives,
    girthAtInjection: girthThere(s, use),
    siteAreaM2: s.siteAreaM2 ?? undefined,
    siteYearActive: added(s.siteYearActive, s.sitePlannedActive),
    areaM2: treated.areaM2 ?? undefined,
    holes: treated.grid?.holes.length,
    sprayVolumeMl: treated.spray?.ml,
    system: c.system,
  });
  const input = withRing && worked.ok ? ringInput(s, label, use, worked, c.weights) : null;
  const placed = input ? byHand(placeRing(input), input, c.bearings) : null;
  const tank = s.tanks.find((t) => t.id === c.tankId) ?? s.tanks[0];
  const mixMl = worked.ok && treated.spray && worked.carrier ? worked.carrier.totalMl : 0;
  const near = treated.near ?? s.near;
  const pouredFrom = worked.ok ? worked.pour.vessel?.name : undefined;
  const passes =
    worked.ok && use.method === 'soil-drench' && worked.carrier && treated.areaM2
      ? splitPasses(waterDepth(worked.carrier.totalMl, treated.areaM2), intakeOf(s, c))
      : null;
  const gates = gatesInForce({
    ...s,
    ...c,
    rainByHour: c.rainByHour ?? null,
    gustMs: c.gustMs ?? null,
    humidity: c.humidity ?? null,
    phase: c.phase ?? 'plan',
    now: c.now ?? null,
    system: c.system ?? 'metric',
    said: { ...(s.helpersSeen ? { helpers: 'many at work' } : {}), ...slopeOnPlan(s, near), ...c.said },
    label,
    use,
    alsoPlanned: s.alsoPlanned.filter((p) => p.labelKey !== label.key),
    near: near ?? [],
    driftsOver: treated.driftsOver,
    crownRadiusM: s.crown ? s.crown.widthM / 2 : null,
    heightM: s.heightM,
    readingHeightCm: s.reading?.heightCm ?? null,
    passes: passes?.passes ?? 1,
    severalStems: (s.reading?.diameters.length ?? 0) > 1,
    stemRuleChosen: c.stemRule !== undefined,
    dose: worked,
    ring: placed?.ring ?? null,
    illegalSite: placed?.illegal ?? null,
    vesselUnreserved: pouredFrom && s.unreserved.includes(pouredFrom) ? pouredFrom : null,
    labelChecked: s.checked[label.key] ?? null,
    // Ten years are walked for the way that is chosen, and not for every product on the shelf.
    costs:
      withRing && worked.ok && s.money ? keepOrReplace(label, use, worked, s.money.by, s.money.lossUntreated) : null,
    // What is drawn on the plan is nearer the truth than what was paced, and the nearer of both counts.
    water: nearerWater(s.water, near),
  });
  return {
    dose: worked.ok && placed ? atPlacedSites(worked, placed.ring.sites.length) : worked,
    ring: placed?.ring ?? null,
    gates,
    treated,
    passes,
    loads: worked.ok && tank && mixMl ? loads(mixMl, worked.product, tank.holdsMl) : [],
    uptake:
      worked.ok && use.sites && worked.perSite
        ? uptake(
            {
              device: use.sites.device ?? 'low-pressure bottle',
              mlPerSite: worked.perSite.mixMl ?? worked.perSite.product,
              temperatureC: c.temperatureC ?? 18,
              humidity: c.humidity ?? 60,
              soil: c.soil,
              leaf: c.leaf,
            },
            s.uptakeLog[label.key],
          )
        : null,
  };
}

/** Grams by active, put together. */
export const added = (a: Record<string, number>, b: Record<string, number>): Record<string, number> => {
  const out = { ...a };
  for (const [k, v] of Object.entries(b)) out[k] = (out[k] ?? 0) + v;
  return out;
};

/** What this tree has had in the label's own year: of the product, and of each of its actives by any label. */
function treeYear(s: Situation, label: Label, use: LabelUse): { product: number; actives: Record<string, Grams> } {
  if (!s.treeLog) return { product: s.treeYearProduct[label.key] ?? 0, actives: {} };
  const period = labelPeriod(use, s.today, s.south);
  const log = s.treeLog.filter((r) => within(period, r.day));
  const actives: Record<string, Grams> = {};
  for (const r of log) for (const a of r.actives) actives[a.name] = (actives[a.name] ?? 0) + a.grams;
  return { product: log.filter((r) => r.labelKey === label.key).reduce((sum, r) => sum + r.product, 0), actives };
}

/** A girth that was measured within a hand of where the holes go. */
const girthThere = (s: Situation, use: LabelUse): Cm | undefined =>
  use.sites && s.girths.find((g) => Math.abs(g.heightCm - use.sites!.heightCm) <= 20)?.girthCm;

/** Share of the intake that a slope leaves, and what compacted soil leaves of it. */
const COMPACTED_TAKES = 0.3;
const slopeTakes = (percent: number) => (percent < 5 ? 1 : percent < 15 ? 0.7 : 0.5);
/** Water that the soil takes in, mm/h: as timed on the spot, else by texture, less on a slope and on compacted ground. */
function intakeOf(s: Situation, c: Choices): number {
  if (c.intakeMmH) return c.intakeMmH;
  const compacted = s.troubles?.some((t) => t.condition.id === 'compaction') || s.condition?.id === 'compaction';
  return INTAKE[s.soilTexture] * slopeTakes(s.grounds?.plan.slope?.percent ?? 0) * (compacted ? COMPACTED_TAKES : 1);
}

/** What the drawn slope says about run-off; nothing where no plan is drawn. */
function slopeOnPlan(s: Situation, near: Treated['near']): Said {
  const { plan, at } = s.grounds ?? {};
  if (!plan || !at || !near) return {};
  if (!plan.slope || plan.slope.percent < 2) return { slope: 'level' };
  const spots = [
    ...plan.points.filter((p) => WATERS.some((w) => w === p.kind)).map((p) => p.at),
    ...plan.areas.filter((a) => WATERS.some((w) => w === a.kind)).flatMap((a) => a.corners),
  ];
  const { downDeg } = plan.slope;
  const below = spots.some((p) => {
    const bearing = (Math.atan2(p.x - at.x, p.y - at.y) * 180) / Math.PI;
    const off = Math.abs(((bearing - downDeg + 540) % 360) - 180);
    return off <= 60;
  });
  return { slope: below ? 'slopes to water' : 'slopes away' };
}

function nearerWater(said: Situation['water'], near: Treated['near']): Situation['water'] {
  const drawn = near?.find((n) => WATERS.some((w) => w === n.kind))?.metres;
  if (drawn === undefined) return said;
  return typeof said === 'number' ? Math.min(said, drawn) : drawn;
}

/**
 * How well a use serves what was decided: protection where a sound tree is to be protected, then what acts on the trouble in
 * hand, then on another open one; what answers nothing that was named comes last.
 */
export function serves(s: Situation, use: Pick<LabelUse, 'targets' | 'purpose'>): number {
  const inHand = s.condition !== null && use.targets.includes(s.condition.id);
  const other = s.troubles?.some((t) => use.targets.includes(t.condition.id)) ?? false;
  if (s.decision === 'protect a sound tree') return inHand ? (use.purpose === 'curative' ? 1 : 3) : other ? 1 : 0;
  return inHand ? 2 : other ? 1 : 0;
}

/** Whether the field guide names this method against the trouble in hand: what was decided rests on it. */
const named = (s: Situation, use: Pick<LabelUse, 'method' | 'targets'>): boolean =>
  s.condition !== null &&
  use.targets.includes(s.condition.id) &&
  s.condition.options.some((o) => carriesOut(use.method, o.method));

export interface Option {
  label: Label;
  use: LabelUse;
  stops: number;
  holds: number;
  /** Worked out without its ring, for the comparison; null for what its label never allows here. */
  result: Prescription | null;
}

/** What stands against a way today, the gravest first; nothing while a question is only open. */
export const stopsOf = (o: Pick<Option, 'result'>): Gate[] =>
  o.result?.gates.filter((g) => g.strength === 'stop' && g.state === 'tripped') ?? [];

/** A way on the shelf against one trouble, an open one where there is any; null where no label names it for this host. */
export function wayAgainst(s: Situation, labels: readonly Label[], c: Choices, condition: string): Option | null {
  let freest: Option | null = null;
  for (const label of labels)
    for (const use of label.uses) {
      if (!use.targets.includes(condition) || !meant(s, use)) continue;
      const way = optionOf(s, label, use, c);
      if (!way.stops) return way;
      if (!freest || way.stops < freest.stops) freest = way;
    }
  return freest;
}

/** Whether a use is for this host and for what was named, and not for another. */
const meant = (s: Situation, use: LabelUse) =>
  usesHost(use, s.host.id, s.host.groups) &&
  (!s.condition ||
    use.method === 'root-zone-feeding' ||
    use.method === 'repellent' ||
    [s.condition.id, ...(s.troubles ?? []).map((t) => t.condition.id)].some((t) => use.targets.includes(t)));

function optionOf(s: Situation, label: Label, use: LabelUse, c: Choices): Option {
  // Whether the sites fit is looked at once a use is chosen; here it would cost a ring for every product.
  const result = workOut(s, label, use, c, false);
  return {
    label,
    use,
    // A question that is open stops nothing yet; it stands beside what holds.
    stops: stopsOf({ result }).length,
    holds: blocked(result.gates, {}).filter((g) => g.strength === 'hold' || g.state === 'asked').length,
    result,
  };
}

/**
 * Every use on the shelf, the freest first. Those that the label never allows on this host or against what was named are
 * counted with one stop and come last; they are worked out once somebody opens one.
 */
export function options(s: Situation, labels: readonly Label[], c: Choices): Option[] {
  const offered = labels.flatMap((label) =>
    label.uses.map((use): Option =>
      meant(s, use) ? optionOf(s, label, use, c) : { label, use, stops: 1, holds: 0, result: null },
    ),
  );
  return offered.sort(
    (a, b) =>
      Number(b.result !== null) - Number(a.result !== null) ||
      serves(s, b.use) - serves(s, a.use) ||
      a.stops - b.stops ||
      Number(named(s, b.use)) - Number(named(s, a.use)) ||
      a.holds - b.holds ||
      a.label.key.localeCompare(b.label.key),
  );
}
