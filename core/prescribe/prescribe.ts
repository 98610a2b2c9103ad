import { INTAKE, splitPasses, waterDepth, type Passes } from '../basin/basin';
import { atPlacedSites, dose, type Dose, type DoseIssue } from '../dose/dose';
import type { Gate } from '../gates/gate';
import { gatesInForce } from '../gates/rules';
import { labelPeriod, within } from '../label/period';
import type { Label, LabelUse } from '../label/schema';
import { placeRing, unevenness, USUAL_WEIGHTS, whyNotAt, type Ring, type RingInput, type Weights } from '../ring/ring';
import { uptake, type Uptake } from '../ring/uptake';
import { keepOrReplace } from './costs';
import { WATERS } from '../site-map/site-map';
import { loads, type Load } from '../spray/loads';
import type { Said } from '../gates/said';
import { treatedBy, type Treated } from './treated';
import type { LocalDate } from '../../lib/calendar/zone';
import type { Cm, Grams } from '../../lib/units/units';
import { type TreatmentContext, type Choices, aimedAt } from '../gates/context';
import { choicesOn, contextOn, dayOf, firstOpen, nextWindow, type Window } from './when';
import { yearOf } from '../../lib/calendar/months';

export interface Prescription {
  /** The day that the dose and the standing gates were worked out for; later than today, the gates of the day are conditions. */
  on: LocalDate;
  /** When it may be expected to be allowed next; null where no day within a year is. */
  window: Window | null;
  dose: Dose | DoseIssue;
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
export function prescribe(s: TreatmentContext, label: Label, use: LabelUse, c: Choices): Prescription {
  return workOut({ given: s, label, use, asked: c, withRing: true });
}

/** The ring that a use asks for on this trunk, before any site is moved by hand. */
export function ringInput({
  context,
  label,
  use,
  worked,
  weights = USUAL_WEIGHTS,
}: {
  context: TreatmentContext;
  label: Label;
  use: LabelUse;
  worked: Dose;
  weights?: Weights;
}): RingInput | null {
  if (!worked.sites || !use.sites) return null;
  return {
    girthCm: worked.girthCm,
    count: worked.sites.count,
    heightCm: use.sites.heightCm,
    year: yearOf(context.on),
    minSpacingCm: use.sites.minSpacingCm,
    arcClearanceCm: use.sites.oldSiteClearanceCm,
    oldSiteClearanceCm: use.sites.oldSiteClearanceCm,
    oldSiteVerticalCm: use.sites.oldSiteVerticalCm,
    oldSiteYears: use.sites.oldSiteYears,
    rows: use.sites.rows,
    arcs: context.reading?.arcs ?? [],
    oldSites: context.oldSites,
    flares: context.flares,
    sectors: context.sectors,
    grainDeg: context.grainDeg,
    weights,
    others: context.otherSites
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

/** What went in of the same treatment is no earlier one: the rest goes in with it. Amounts of the year count it all the same. */
const besidesRest = (s: TreatmentContext, rest: Choices['rest']): TreatmentContext =>
  rest ? { ...s, earlier: s.earlier.filter((e) => e.rootId === undefined || !rest.of.includes(e.rootId)) } : s;

export function workOut({
  given,
  label,
  use,
  asked,
  withRing,
}: {
  given: TreatmentContext;
  label: Label;
  use: LabelUse;
  asked: Choices;
  withRing: boolean;
}): Prescription {
  const aimed = aimedAt(besidesRest(given, asked.rest), use);
  const window = nextWindow(aimed, label, use);
  // At the tree it is today, whatever the plan was made for.
  const on = asked.phase === 'apply' ? aimed.on : dayOf(aimed, window?.from ?? null, asked.when);
  return workOutOn(aimed, label, use, asked, { on, window }, withRing);
}

/** Whether a use would wait for a later day as it is asked for: told from its first open day alone, without a dose or a check. */
export function waits(given: TreatmentContext, label: Label, use: LabelUse, asked: Choices): boolean {
  if (asked.phase === 'apply') return false;
  const aimed = aimedAt(besidesRest(given, asked.rest), use);
  const first = asked.when?.kind === 'window' ? firstOpen(aimed, label, use) : null;
  return dayOf(aimed, typeof first === 'string' ? first : null, asked.when) > aimed.on;
}

/**
 * The same for a day that is known already: what lays a programme has looked for it by its own time.
 * @param at the day, and the window that it lies in where somebody wants it told
 */
export function workOutOn(
  aimed: TreatmentContext,
  label: Label,
  use: LabelUse,
  asked: Choices,
  { on, window }: Pick<Prescription, 'on' | 'window'>,
  withRing: boolean,
): Prescription {
  const context = contextOn(aimed, on);
  const choices = choicesOn(asked, aimed, on);
  const year = treeYear(context, label, use);
  const treated = treatedBy(context, use, choices);
  const worked = dose({
    label,
    useKey: use.key,
    diameters: context.reading?.diameters ?? [],
    stemRule: choices.stemRule,
    rangePoint: choices.rangePoint,
    rangeReason: choices.rangeReason,
    vessels: context.vessels,
    treeYearProduct: year.product,
    treeYearActive: year.actives,
    girthAtInjection: girthThere(context, use),
    siteAreaM2: context.siteAreaM2 ?? undefined,
    // At the tree only what was done counts against the cap: what is planned elsewhere has its own turn.
    siteYearActive: added(
      context.siteYearActive,
      choices.phase === 'apply' ? {} : (context.sitePlanned[yearOf(on)] ?? {}),
    ),
    areaM2: treated.areaM2 ?? undefined,
    holes: treated.grid?.holes.length,
    sprayVolumeMl: treated.spray?.ml,
    part: choices.rest?.part,
    system: choices.system,
  });
  const input = withRing && worked.ok ? ringInput({ context, label, use, worked, weights: choices.weights }) : null;
  const placed = input ? byHand(placeRing(input), input, choices.bearings) : null;
  const tank = context.tanks.find((t) => t.id === choices.tankId) ?? context.tanks[0];
  const mixMl = worked.ok && treated.spray && worked.carrier ? worked.carrier.totalMl : 0;
  const near = treated.near ?? context.near;
  const pouredFrom = worked.ok ? worked.pour.vessel?.name : undefined;
  const passes =
    worked.ok && use.method === 'soil-drench' && worked.carrier && treated.areaM2
      ? splitPasses(waterDepth(worked.carrier.totalMl, treated.areaM2), intakeOf(context, choices))
      : null;
  const gates = gatesInForce({
    ...context,
    ...choices,
    rainByHour: choices.rainByHour ?? null,
    gustMs: choices.gustMs ?? null,
    humidity: choices.humidity ?? null,
    phase: choices.phase ?? 'plan',
    now: choices.now ?? null,
    system: choices.system ?? 'metric',
    said: {
      ...(context.helpersSeen ? { helpers: 'many at work' } : {}),
      ...slopeOnPlan(context, near),
      ...choices.said,
    },
    label,
    use,
    // The plan in hand gives way to itself; the other visits of a programme stay, and count until they are at the tree.
    alsoPlanned: context.alsoPlanned.filter(
      (p) => p.labelKey !== label.key || (p.assignment && choices.phase !== 'apply'),
    ),
    near: near ?? [],
    driftsOver: treated.driftsOver,
    crownRadiusM: context.crown ? context.crown.widthM / 2 : null,
    readingHeightCm: context.reading?.heightCm ?? null,
    passes: passes?.passes ?? 1,
    severalStems: (context.reading?.diameters.length ?? 0) > 1,
    stemRuleChosen: choices.stemRule !== undefined,
    dose: worked,
    ring: placed?.ring ?? null,
    illegalSite: placed?.illegal ?? null,
    vesselUnreserved: pouredFrom && context.unreserved.includes(pouredFrom) ? pouredFrom : null,
    labelChecked: context.checked[label.key] ?? null,
    labelNewest: context.newestVersions[label.key] ?? null,
    // Ten years are walked for the way that is chosen, and not for every product on the shelf.
    costs:
      withRing && worked.ok && context.money && !context.money.by.prices.unentered
        ? keepOrReplace({ label, use, dose: worked, by: context.money.by, lossWithout: context.money.lossUntreated })
        : null,
    // What is drawn on the plan is nearer the truth than what was paced, and the nearer of both counts.
    water: nearerWater(context.water, near),
  });
  return {
    on,
    window,
    dose: worked.ok && placed ? atPlacedSites(worked, placed.ring.sites.length) : worked,
    ring: placed?.ring ?? null,
    gates,
    treated,
    passes,
    loads: worked.ok && tank && mixMl ? loads(mixMl, worked.product, tank) : [],
    uptake:
      worked.ok && use.sites && worked.perSite
        ? uptake(
            {
              device: use.sites.device ?? 'low-pressure bottle',
              mlPerSite: worked.perSite.mixMl ?? worked.perSite.product,
              temperatureC: choices.temperatureC,
              humidity: choices.humidity ?? null,
              soil: choices.soil,
              leaf: choices.leaf,
            },
            context.uptakeLog[label.key],
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
function treeYear(
  context: TreatmentContext,
  label: Label,
  use: LabelUse,
): { product: number; actives: Record<string, Grams> } {
  if (!context.treeLog) return { product: context.treeYearProduct[label.key] ?? 0, actives: {} };
  const period = labelPeriod(use, context.on, context.south);
  const log = context.treeLog.filter((r) => within(period, r.day));
  const actives: Record<string, Grams> = {};
  for (const r of log) for (const a of r.actives) actives[a.name] = (actives[a.name] ?? 0) + a.grams;
  return { product: log.filter((r) => r.labelKey === label.key).reduce((sum, r) => sum + r.product, 0), actives };
}

/** A girth that was measured within a hand of where the holes go. */
const girthThere = (s: TreatmentContext, use: LabelUse): Cm | undefined =>
  use.sites && s.girths.find((g) => Math.abs(g.heightCm - use.sites!.heightCm) <= 20)?.girthCm;

/** Share of the intake that a slope leaves, and what compacted soil leaves of it. */
const COMPACTED_TAKES = 0.3;

const slopeTakes = (percent: number) => (percent < 5 ? 1 : percent < 15 ? 0.7 : 0.5);

/** Water that the soil takes in, mm/h: as timed on the spot, else by texture, less on a slope and on compacted ground. */
function intakeOf(s: TreatmentContext, c: Choices): number {
  if (c.intakeMmH) return c.intakeMmH;
  const compacted = s.problems?.some((t) => t.condition.id === 'compaction') || s.condition?.id === 'compaction';
  return INTAKE[s.soilTexture] * slopeTakes(s.siteMap?.plan.slope?.percent ?? 0) * (compacted ? COMPACTED_TAKES : 1);
}

/** What the drawn slope says about run-off; nothing where no plan is drawn. */
function slopeOnPlan(context: TreatmentContext, near: Treated['near']): Said {
  const { plan, at } = context.siteMap ?? {};
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

function nearerWater(said: TreatmentContext['water'], near: Treated['near']): TreatmentContext['water'] {
  const drawn = near?.find((n) => WATERS.some((w) => w === n.kind))?.metres;
  if (drawn === undefined) return said;
  return typeof said === 'number' ? Math.min(said, drawn) : drawn;
}
