import type { SoilTexture } from '../basin/basin';
import type { Condition, Host, TreatmentOption } from '../diagnose/knowledge';
import type { Certainty, Decision, Vigour } from '../diagnose/words';
import type { LeafState } from '../season/leaf-state';
import type { Schools } from '../decide/schools';
import type { Region } from './region';
import type { LabelUse } from '../label/schema';
import type { Doubt } from '../measure/plausible';
import type { StemRule } from '../measure/trunk';
import type { Vessel } from '../dose/vessels';
import type { OldSite, Sector, Weights } from '../ring/ring';
import type { Arc, Flare } from '../measure/trunk-marks';
import type { Near, SiteMap } from '../site-map/site-map';
import type { Point } from '../rootzone/probe-grid';
import type { Crown, Density } from '../spray/crown';
import type { Tank } from '../spray/loads';
import type { Said } from './said';
import type { LocalDate, Instant } from '../../lib/calendar/zone';
import type { HostYear } from '../season/year';
import type { Cm, Grams, SquareM, UnitSystem } from '../../lib/units/units';
import type { SoilState } from '../weather/air';
import type { Method } from '../label/methods';
import type { Prices } from '../cost/prices';
import type { Programme } from '../season/programme';

/** All that is known about a tree, its place and the people when something is prescribed for it. */
export interface TreatmentContext {
  on: LocalDate;
  host: Host;
  hostConfirmed: boolean;
  /** The trouble in hand; a use that acts on another open one takes that, see {@link aimedAt}. */
  condition: Condition | null;
  certainty: Certainty | null;
  decision: Decision | null;
  /** Names of the drivers behind the condition that the decision found alive. */
  liveDrivers: string[];
  /** Every open trouble of the tree, the one in hand among them. */
  problems: TreeProblem[];
  /** The condition is a state of risk here: a find near by, its own past. */
  atRisk: boolean;
  /** The practice of the company on crown loss; it never loosens a label. */
  crownSchool: Schools['crownLoss'];
  /** Share of the girth without living bark. */
  barkLoss: number | null;
  /** South of the equator: months of the northern year come half a year later. */
  south: boolean;
  /** What the seasons of now and next bring to this host here. */
  year: HostYear;
  /** Honeydew was found on it at the last inspection. */
  sticky: boolean;
  /** Products that a proper check found without effect on a condition of this tree. */
  withoutEffect: { condition: string; labelKey: string }[];
  crownLoss: number | null;
  vigour: Vigour | null;
  reading: { day: LocalDate; diameters: Cm[]; heightCm: Cm; doubts: Doubt[]; arcs: Arc[] } | null;
  /** Other readings of this trunk, by height: a girth at injection height counts for the holes. */
  girths: { heightCm: Cm; girthCm: Cm }[];
  /** Earlier applications to this tree, newest last. */
  earlier: Earlier[];
  /** Product (mL or g) put on this tree this calendar year, by label key. */
  treeYearProduct: Record<string, number>;
  /** What was put on this tree, by day: counted in the label's own year, by product and by active; null where only sums are known. */
  treeLog: { day: LocalDate; labelKey: string; product: number; actives: { name: string; grams: Grams }[] }[] | null;
  siteAreaM2: SquareM | null;
  /** Grams of each active put on the whole place this year. */
  siteYearActive: Record<string, Grams>;
  /** Grams of each active that open plans on the place will bring, by the year they are planned for; this tree's own left out. */
  sitePlanned: Record<string, Record<string, Grams>>;
  water: WaterDistance | null;
  /** First and last picking of an edible crop on this tree; the last is null where nobody has said. */
  harvest: { from: string; to: string | null } | null;
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
  near: Near[] | null;
  /** The plan of the grounds in local metres, and where this tree and its neighbours stand on it. */
  siteMap: { plan: SiteMap; at: Point | null; others: Point[] } | null;
  /** An inspection answered the host key with a “no”. */
  hostContradicted: boolean;
  /** Worst grade of the condition's own signs, 0 to 4; null when nobody graded one. */
  severity: number | null;
  /** Nearest find of the condition, km; null when none is known. */
  findKm: number | null;
  helpersSeen: boolean;
  /** Open plans of this tree, the product in hand among them. */
  alsoPlanned: AlsoPlanned[];
  /** Sites on this trunk that are still planned, by product. */
  otherSites: { labelKey: string; bearing: number; heightCm: Cm }[];
  programme: 'conventional' | 'organic' | 'threshold';
  /** The person who applies holds a licence and may supervise. */
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
  /** Who prescribes or applies. */
  licence: { number: string; categories: string[]; expires: string } | null;
  /** Day of the last check against the label in hand, by label key. */
  checked: Record<string, LocalDate | null>;
  /** Version of each label that stands on the shelf now, by its key. */
  newestVersions: Record<string, number>;
  /** The trees are a client's: no product that exists only for training is put on them. */
  clientTrees: boolean;
}

/** One open trouble of a tree, with what was decided about it. */
export interface TreeProblem {
  condition: Condition;
  certainty: Certainty;
  decision: Decision;
  liveDrivers: string[];
  severity: number | null;
  findKm: number | null;
  atRisk: boolean;
}

/**
 * What is known as a use sees it: the problem in hand where the use acts on it, else another open one that it acts on. A
 * feed, a guard or a second fungicide is not held because something else was named last.
 */
export function aimedAt(s: TreatmentContext, use: Pick<LabelUse, 'targets'>): TreatmentContext {
  if (s.condition && use.targets.includes(s.condition.id)) return s;
  const other = s.problems.find((t) => use.targets.includes(t.condition.id));
  return other ? { ...s, ...other } : s;
}

/**
 * What is known of a tree, faced with one problem: as it stands open there, else as one that nobody has named on it yet. What
 * a programme puts on for prevention is not held because nothing, or something else, was named.
 * @param findKm nearest find of it, km; null where none is known
 */
export function faced(s: TreatmentContext, condition: Condition, findKm: number | null): TreatmentContext {
  if (s.condition?.id === condition.id) return s;
  const open = s.problems.find((t) => t.condition.id === condition.id);
  if (open) return { ...s, ...open };
  return {
    ...s,
    condition,
    certainty: null,
    decision: null,
    liveDrivers: [],
    severity: null,
    findKm,
    atRisk: Boolean(condition.protect && findKm !== null && findKm <= condition.protect.withinKm),
  };
}

/** When somebody wants it done: this very day, in its next window, or on a day of their own. */
export type When = { kind: 'now' } | { kind: 'window' } | { kind: 'day'; day: LocalDate };

/** What the person at the bench can set. */
export interface Choices {
  /** When it is to be done; today where nothing is said. */
  when?: When;
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
  /** It is what did not go in of a treatment: only so much of the dose, and that treatment does not stand in its way. */
  rest?: Rest;
  phase?: 'plan' | 'apply';
  now?: Instant;
}

/** The rest of a treatment of which part went in. */
export interface Rest {
  /** The records of what went in, by their roots. */
  of: readonly string[];
  /** The day of the first of them. */
  since: LocalDate;
  /** Part of the whole dose that is still out, 0–1. */
  part: number;
}

/** Water a drench or a spray could reach, as somebody found it on the spot. */
export type WaterDistance = number | 'none within 100 m';
/** An earlier application to this tree, by anyone. */
export interface Earlier {
  day: LocalDate;
  labelKey: string;
  actives: string[];
  families?: string[];
  /** Resistance groups such as IRAC 4A. */
  groups?: string[];
  reEntryUntil?: Instant;
  /** What its label must not meet, by family or active, with the days. */
  notWith?: readonly { what: string; days: number }[];
  /** Put on by the client or by others. */
  byOthers?: boolean;
  /** Its record; none where others put it on. */
  rootId?: string;
  /** The plan that it carried out, where it was done and its record waits to be settled. */
  unsettledPlan?: string;
}

/** A product that is planned on this tree and not yet put on. */
export interface AlsoPlanned {
  /** The day it is planned for; today where it may be done at once. */
  on: LocalDate;
  /** A visit of a programme that is laid over the tree: another plan of its product does not take its place. */
  assignment: boolean;
  labelKey: string;
  labelName: string;
  method: Method;
  families: string[];
  actives: string[];
}

/** What ways are weighed by: the prices of the company, the day, and the programme of the plan. */
export interface Weighing {
  prices: Prices;
  system: UnitSystem;
  on: LocalDate;
  /** The programme of the tree's plan; null until somebody sets one. */
  programme: Programme | null;
  /** What the company does where the plan says nothing. */
  school: NonNullable<Programme['school']>;
  /** What the field guide offers against the trouble of this tree; null while nothing is named. */
  options: readonly TreatmentOption[] | null;
  /** South of the equator: what is known by northern months comes half a year later. */
  south: boolean;
}
