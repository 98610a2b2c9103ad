import { inMajor, type Currency } from '../cost/prices';
import { AREA, LENGTH, VOLUME } from '../../lib/units/units';
import type { FollowUpRule } from '../season/rules';
import type { Device, Method } from './methods';
import type { Banded, Carrier, Label, LabelUse, RatePoint, SiteRule } from './schema';

/**
 * A label as it is typed: text throughout, so that nothing typed is lost while it is no number yet. `labelOf` in
 * `written.ts` makes the label of it.
 */
export interface RowDraft {
  over: string;
  upTo: string;
  /** The value of a class, or the low end of its range. */
  low: string;
  high: string;
  unit: string;
}
/** A table of size classes, by diameter or girth. */
export interface TableDraft {
  by: 'diameter' | 'girth';
  unit: string;
  boundary: Banded<unknown>['boundary'];
  rows: RowDraft[];
}
export const PER = ['diameter', 'girth', 'tree', 'site', 'hole', 'area', 'spray-volume'] as const;
export type Per = (typeof PER)[number];
/** Units of what a rate goes by; none where it goes by the piece. */
export const unitsFor = (per: Per): string[] =>
  per === 'diameter' || per === 'girth'
    ? Object.keys(LENGTH)
    : per === 'area'
      ? Object.keys(AREA)
      : per === 'spray-volume'
        ? Object.keys(VOLUME)
        : [];
export const LIMITS = [
  'per-tree',
  'per-application',
  'per-tree-year',
  'per-area-year',
  'min-size',
  'max-size',
] as const;
export interface LimitDraft {
  limit: (typeof LIMITS)[number];
  value: string;
  unit: string;
  of: 'product' | 'active' | 'stock';
  by: 'diameter' | 'girth';
  active: string;
  each: string;
  eachUnit: string;
}
export interface FollowUpDraft {
  id: string;
  kind: FollowUpRule['kind'];
  what: string;
  count: string;
  unit: FollowUpRule['after']['unit'];
  onlyIf: string;
  why: string;
}
export interface UseDraft {
  /** Key of the use that it was drawn from; null for a new one. */
  base: string | null;
  title: string;
  method: Method;
  hosts: string[];
  never: string[];
  targets: string[];
  stages: string;
  purpose: LabelUse['purpose'];
  of: LabelUse['rate']['of'];
  form: 'flat' | 'classes';
  low: string;
  high: string;
  unit: string;
  classes: TableDraft;
  per: Per;
  each: string;
  eachUnit: string;
  ground: 'basin' | 'treated' | 'canopy';
  stems: LabelUse['rate']['stems'];
  measuredAt: 'breast-height' | 'injection-height';
  text: string;
  carrier: Carrier['kind'];
  water: string;
  waterUnit: string;
  waterBy: 'diameter' | 'girth';
  waterEach: string;
  waterEachUnit: string;
  waterTable: TableDraft;
  mm: string;
  inner: string;
  outer: string;
  siteRule: SiteRule['count']['rule'];
  siteEvery: string;
  siteUnit: string;
  siteTable: TableDraft;
  device: Device | '';
  holds: string;
  holdsUnit: string;
  drill: string;
  depth: string;
  height: string;
  spacing: string;
  rows: string;
  sprayTo: 'to wet' | 'to run-off';
  sprayUpTo: string;
  probeSpacing: string;
  probePattern: 'square' | 'triangular';
  probeDepth: string;
  inStations: boolean;
  limits: LimitDraft[];
  months: string;
  needsLeaf: boolean;
  minDays: string;
  maxPerYear: string;
  preHarvest: string;
  reEntry: string;
  minC: string;
  maxC: string;
  minSoilC: string;
  minWind: string;
  wind: string;
  rain: string;
  leafDry: boolean;
  lowSun: boolean;
  waterDistance: string;
  bloomDays: string;
  crownLoss: string;
  protection: string;
  followUps: FollowUpDraft[];
}
export interface LabelDraft {
  name: string;
  registration: string;
  formulation: string;
  /** Null: not said yet; a label that names none says so. */
  signalWord: Label['signalWord'] | null;
  restricted: boolean;
  organic: boolean;
  systemic: boolean;
  beeHazard: Label['beeHazard'] | null;
  licence: string;
  density: string;
  keeps: string;
  inFlowers: string;
  partners: string;
  price: string;
  n: string;
  p2o5: string;
  k2o: string;
  release: 'slow' | 'quick';
  sensitive: string[];
  notWith: { what: string; days: string }[];
  stock: string;
  stockUnit: string;
  madeUpTo: string;
  madeUpUnit: string;
  actives: { name: string; amount: string; as: 'g/L' | '%'; group: string; family: string }[];
  uses: UseDraft[];
}

const str = (x: number | undefined | null) => (x === undefined || x === null ? '' : String(x));
/** A share as it is printed, in percent, without the dust of binary fractions. */
const percent = (x: number | undefined) => (x === undefined ? '' : String(Number((100 * x).toPrecision(12))));

export const emptyRow = (unit: string, over = ''): RowDraft => ({ over, upTo: '', low: '', high: '', unit });
const emptyTable = (unit: string): TableDraft => ({
  by: 'diameter',
  unit: 'cm',
  boundary: 'unanswered',
  rows: [emptyRow(unit, '0')],
});
function tableDraft<T>(t: Banded<T>, cell: (entry: T) => Omit<RowDraft, 'over' | 'upTo'>): TableDraft {
  return {
    by: t.by,
    unit: t.unit,
    boundary: t.boundary,
    rows: t.bands.map((b) => ({ over: str(b.over), upTo: str(b.upTo), ...cell(b.entry) })),
  };
}
const pointDraft = (p: RatePoint) => ({
  low: str(p.kind === 'range' ? p.low : p.value),
  high: p.kind === 'range' ? str(p.high) : '',
  unit: p.unit as string,
});

/** A use as it is typed; without one, an empty use of a drench. No figure of a label is filled in that nobody typed. */
export function draftOfUse(u: LabelUse | null): UseDraft {
  const dose = u?.rate.dose;
  const basis = u?.rate.basis;
  const each = basis && 'each' in basis ? basis.each : undefined;
  const c = u?.carrier;
  const s = u?.sites;
  const flat = dose?.form === 'flat' ? pointDraft(dose.point) : { low: '', high: '', unit: 'mL' };
  const classes = dose?.form === 'classes' ? tableDraft(dose.classes, pointDraft) : emptyTable(flat.unit);
  return {
    base: u?.key ?? null,
    title: u?.title ?? '',
    method: u?.method ?? 'soil-drench',
    hosts: u?.hosts ?? [],
    never: (u?.forbiddenHosts ?? []).map((h) => h.host),
    targets: u?.targets ?? [],
    stages: (u?.stages ?? []).join(', '),
    purpose: u?.purpose ?? 'both',
    of: u?.rate.of ?? 'product',
    form: dose?.form ?? 'flat',
    ...flat,
    ...(dose?.form === 'classes' ? { unit: classes.rows[0]!.unit } : {}),
    classes,
    per: basis?.per ?? 'diameter',
    each: each ? str(each.value) : '',
    eachUnit: each?.unit ?? 'cm',
    ground: basis?.per === 'area' ? basis.ground : 'treated',
    stems: u?.rate.stems ?? 'unanswered',
    measuredAt: u?.rate.measuredAt === 'injection-height' ? 'injection-height' : 'breast-height',
    text: u?.rate.text ?? '',
    carrier: c?.kind ?? 'none',
    water: c?.kind === 'fixed' || c?.kind === 'per-size' ? str(c.volume.value) : '',
    waterUnit:
      c?.kind === 'fixed' || c?.kind === 'per-size'
        ? c.volume.unit
        : c?.kind === 'by-size'
          ? c.classes.bands[0]!.entry.unit
          : 'L',
    waterBy: c?.kind === 'per-size' ? c.by : 'diameter',
    waterEach: c?.kind === 'per-size' ? str(c.each.value) : '1',
    waterEachUnit: c?.kind === 'per-size' ? c.each.unit : 'cm',
    waterTable:
      c?.kind === 'by-size'
        ? tableDraft(c.classes, (v) => ({ low: str(v.value), high: '', unit: v.unit }))
        : emptyTable('L'),
    mm: c?.kind === 'wet-basin' ? str(c.mm) : '',
    inner: c?.kind === 'wet-basin' ? str(c.innerCm) : '',
    outer: c?.kind === 'wet-basin' ? str(c.outerCm) : '',
    siteRule: s?.count.rule ?? 'per-diameter',
    siteEvery:
      s && 'each' in s.count
        ? str(s.count.each.value)
        : s?.count.rule === 'volume-per-device'
          ? str(s.count.volume.value)
          : '',
    siteUnit:
      s && 'each' in s.count ? s.count.each.unit : s?.count.rule === 'volume-per-device' ? s.count.volume.unit : 'cm',
    siteTable:
      s?.count.rule === 'classes'
        ? tableDraft(s.count.classes, (v) => ({ low: str(v), high: '', unit: '' }))
        : emptyTable(''),
    device: s?.device ?? '',
    holds: str(s?.deviceHolds?.value),
    holdsUnit: s?.deviceHolds?.unit ?? 'mL',
    drill: str(s?.drillMm),
    depth: str(s?.depthMm),
    height: str(s?.heightCm),
    spacing: str(s?.minSpacingCm),
    rows: str(s?.rows ?? 1),
    sprayTo: u?.spray?.to ?? 'to run-off',
    sprayUpTo: str(u?.spray?.upToM),
    probeSpacing: str(u?.rootzone?.spacingCm),
    probePattern: u?.rootzone?.pattern ?? 'triangular',
    probeDepth: str(u?.rootzone?.depthCm),
    inStations: u?.inStations ?? false,
    limits: (u?.limits ?? []).map((l) => ({
      limit: l.limit,
      value: str('amount' in l ? l.amount.value : l.size.value),
      unit: 'amount' in l ? l.amount.unit : l.size.unit,
      of: 'of' in l ? l.of : 'product',
      by: 'by' in l ? l.by : 'diameter',
      active: 'active' in l ? l.active : '',
      each: 'each' in l ? str(l.each.value) : '1',
      eachUnit: 'each' in l ? l.each.unit : 'ha',
    })),
    months: (u?.months ?? []).join(', '),
    needsLeaf: u?.needsLeaf ?? false,
    minDays: str(u?.intervals.minDays),
    maxPerYear: str(u?.intervals.maxPerYear),
    preHarvest: str(u?.intervals.preHarvestDays),
    reEntry: str(u?.intervals.reEntryHours),
    minC: str(u?.conditions?.minC),
    maxC: str(u?.conditions?.maxC),
    minSoilC: str(u?.conditions?.minSoilC),
    minWind: str(u?.conditions?.minWindMs),
    wind: str(u?.conditions?.maxWindMs),
    rain: str(u?.conditions?.rainFreeHours),
    leafDry: u?.conditions?.leafDry ?? false,
    lowSun: u?.conditions?.lowSun ?? false,
    waterDistance: str(u?.conditions?.waterDistanceM),
    bloomDays: str(u?.conditions?.bloomDays),
    crownLoss: str(u?.conditions?.maxCrownLoss),
    protection: (u?.protection ?? []).join('\n'),
    followUps: (u?.followUps ?? []).map((f) => ({
      id: f.id,
      kind: f.kind,
      what: f.what,
      count: str(f.after.count),
      unit: f.after.unit,
      onlyIf: f.onlyIf ?? '',
      why: f.why,
    })),
  };
}

/**
 * A label as it is typed; without one, an empty form with one use.
 * @param money the currency of the company, in which the price is typed
 */
export function labelDraft(from: Label | null, money: Currency): LabelDraft {
  return {
    name: from?.name ?? '',
    registration: from?.registration ?? '',
    formulation: from?.formulation ?? '',
    signalWord: from?.signalWord ?? null,
    restricted: from?.restricted ?? false,
    organic: from?.organic ?? false,
    systemic: from?.systemic ?? false,
    beeHazard: from?.beeHazard ?? null,
    licence: from?.licenceCategory ?? '',
    density: str(from?.densityGPerMl),
    keeps: str(from?.mixKeepsHours),
    inFlowers: str(from?.inFlowersDays),
    partners: (from?.tankPartners ?? []).join(', '),
    price: from?.priceMinor === undefined ? '' : str(inMajor(from.priceMinor, money)),
    n: percent(from?.nutrients?.n),
    p2o5: percent(from?.nutrients?.p2o5),
    k2o: percent(from?.nutrients?.k2o),
    release: from?.nutrients?.release ?? 'slow',
    sensitive: (from?.sensitiveHosts ?? []).map((h) => h.host),
    notWith: (from?.notWith ?? []).map((x) => ({ what: x.what, days: str(x.days) })),
    stock: str(from?.stock?.concentrate.value),
    stockUnit: from?.stock?.concentrate.unit ?? 'mL',
    madeUpTo: str(from?.stock?.madeUpTo.value),
    madeUpUnit: from?.stock?.madeUpTo.unit ?? 'mL',
    actives: from
      ? from.actives.map((a) => ({
          name: a.name,
          amount: a.gPerL === undefined ? percent(a.massFraction) : str(a.gPerL),
          as: a.gPerL === undefined ? ('%' as const) : ('g/L' as const),
          group: a.group.scheme === 'none' ? '' : `${a.group.scheme} ${a.group.code}`,
          family: a.family,
        }))
      : [{ name: '', amount: '', as: 'g/L', group: '', family: '' }],
    uses: from ? from.uses.map(draftOfUse) : [draftOfUse(null)],
  };
}
