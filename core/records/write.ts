import type { Issue } from '../../lib/result';
import type { Condition, Host } from '../diagnose/knowledge';
import type { Dose } from '../dose/dose';
import type { Gate } from '../gates/gate';
import { groupWords } from '../label/group';
import type { Label, LabelUse } from '../label/schema';
import { sitesWithHeights, type Ring } from '../ring/ring';
import { dayIn, type LocalDate } from '../../lib/calendar/zone';
import { followUps, type FollowUp } from '../season/follow-ups';
import type { Step } from '../season/programme';
import { figure } from '../../lib/units/units';
import type { DoseAnswer } from '../dose/dose-change';
import { deviations } from './deviations';
import { amountsFor, type Amounts } from './amounts';
import { eatFrom, reEntryUntil } from './eat';
import { treatedGround } from '../prescribe/treated-ground';
import type { ApplicationRecord, TreatmentInput } from './record';
import { searchWords } from './words';
import { givesReason } from '../../lib/reason';

export interface Applicator {
  id: string;
  name: string;
  licence: { number: string; categories: string[]; expires: string } | null;
}
export interface RecordContext {
  now: Date;
  timeZone: string;
  applicator: Applicator;
  /** Who had a hand in it beside the applicator. */
  beside: readonly Applicator[];
  labelId: string;
  label: Label;
  use: LabelUse;
  /** The use as a step of its plan: what follows it, under the programme and in the months of the place. */
  step: Step;
  condition: Condition;
  host: Host;
  tree: { id: string; tag: string; lat: number | null; lon: number | null };
  place: { id: string; name: string; address: string; client: string };
  /** What the work followed: the plan, or the newest facts where they give another dose. */
  dose: Dose;
  /** Product as planned, where the dose was another by the newest facts; which of both was followed. */
  change?: DoseAnswer | null;
  ring: Ring | null;
  /** The ground, crown or bark that the plan treats; a plan of an older version does not say. */
  treated?: { areaM2: number | null; words: string };
  /** In force with the weather and soil at the time of the work. */
  gates: Gate[];
  released: Record<string, string>;
  lot: { id: string; labelKey: string; lotNumber: string; expiresOn: LocalDate; onHand: number } | null;
  /** What came from mixes that were made before; null where it came from the lot itself. */
  drawn: readonly Drawn[] | null;
}
/** What was taken from a mix for a tree. */
export interface Drawn {
  id: string;
  code: string;
  mixMl: number;
  product: number;
  goodUntil: string;
  /** The lots in it, by their part of the product. */
  lots: readonly { number: string; part: number }[];
}

const recorded = ({ id, name, licence }: Applicator): ApplicationRecord['applicator'] => ({
  id,
  name,
  licence: licence?.number ?? 'none entered',
  categories: licence?.categories ?? [],
  licenceExpires: licence?.expires ?? null,
});

/** The air of the hour, without what was forecast then. */
const asMeasured = ({ rainByHour: _, ...air }: TreatmentInput['weather']) => air;

/** The liquid of a treatment, for the product that its dose or its mixes hold. */
function liquidOf(c: Pick<RecordContext, 'dose' | 'drawn' | 'label'>, unit: 'mL' | 'g'): Amounts {
  const { dose, drawn, label } = c;
  if (drawn) {
    const amount = drawn.reduce((a, d) => a + d.product, 0);
    const mixMl = drawn.reduce((a, d) => a + d.mixMl, 0);
    const batches = drawn.map(({ id, code, mixMl: ml, lots }) => ({ id, code, mixMl: ml, lots: [...lots] }));
    return { unit, amount, mixMl, waterMl: mixMl - (unit === 'mL' ? amount : 0), batches, concentration: '' };
  }
  const stock =
    label.stock && dose.stockMl !== null
      ? `stock ${label.stock.concentrate.value} ${label.stock.concentrate.unit} made up to ${label.stock.madeUpTo.value} ${label.stock.madeUpTo.unit}`
      : 'undiluted';
  return {
    unit,
    amount: dose.product,
    mixMl: dose.carrier?.totalMl ?? dose.stockMl,
    waterMl: dose.carrier?.waterMl ?? null,
    concentration: stock,
  };
}

/**
 * Turns a crew's booking into the record, the day it was done and what follows from it. What happened can always be
 * recorded; where it went against the plan, a label or a gate, only with a written reason.
 */
export function writeUp(
  c: RecordContext,
  b: TreatmentInput,
):
  | { ok: true; data: ApplicationRecord; doneOn: LocalDate; followUps: FollowUp[]; words: string }
  | { ok: false; issues: Issue[] } {
  const issues: Issue[] = [];
  const issue = (path: string, sentence: string) => issues.push({ path, message: sentence });
  if (Date.parse(b.endedAt) > c.now.getTime() + 10 * 60_000) issue('endedAt', 'The end lies in the future.');
  if (Date.parse(b.startedAt) < c.now.getTime() - 366 * 24 * 3_600_000)
    issue('startedAt', 'That is more than a year ago; check the day.');
  const unit = c.dose.dimension === 'volume' ? 'mL' : 'g';
  if (!c.lot || c.lot.labelKey !== c.label.key) issue('lotId', 'This lot is not of the product in the plan.');
  else if (!c.drawn && b.amount > c.lot.onHand + 1e-9)
    issue(
      'lotId',
      `Lot ${c.lot.lotNumber} holds only ${figure(c.lot.onHand)} ${unit}; book a delivery or take another lot.`,
    );
  const doneOn = dayIn(b.endedAt, c.timeZone);
  const against = deviations(c, { ...b, doneOn });
  if (against.length && !givesReason(b.deviation)) issue('deviation', `Say why: ${against.join(' ')}`);
  if (issues.length || !c.lot) return { ok: false, issues };

  const share = b.amount / c.dose.product;
  const ground = treatedGround(c.use, c.dose.diameterCm, c.treated);
  const site = c.use.sites;
  const eaten = eatFrom(c.host, c.use, doneOn);
  const data: ApplicationRecord = {
    format: 'elmhorn-record',
    formatVersion: 1,
    applicator: recorded(c.applicator),
    ...(c.beside.length ? { beside: c.beside.map(recorded) } : {}),
    product: {
      labelId: c.labelId,
      key: c.label.key,
      version: c.label.version,
      name: c.label.name,
      registration: c.label.registration,
      formulation: c.label.formulation,
      signalWord: c.label.signalWord,
      restricted: c.label.restricted,
      actives: c.label.actives.map((a) => ({
        name: a.name,
        concentration: a.gPerL !== undefined ? `${a.gPerL} g/L` : `${figure(100 * a.massFraction!, 3)} %`,
        group: groupWords(a.group),
      })),
    },
    use: { key: c.use.key, title: c.use.title },
    method: c.use.method,
    target: { id: c.condition.id, name: c.condition.name },
    host: { id: c.host.id, name: c.host.name, latin: c.host.latin },
    tree: { ...c.tree, diameterCm: c.dose.diameterCm, girthCm: c.dose.girthCm },
    place: c.place,
    planned: c.change?.was.planned ?? c.dose.product,
    ...(c.change
      ? {
          doseChange: {
            newest: c.change.was.newest,
            plannedGirthCm: c.change.was.plannedGirthCm,
            newestGirthCm: c.change.was.newestGirthCm,
            followed: c.change.followed,
          },
        }
      : {}),
    ...amountsFor(liquidOf(c, unit), b.amount),
    ...(b.typed ? { typed: b.typed } : {}),
    lot: { id: c.lot.id, number: c.lot.lotNumber, expires: c.lot.expiresOn },
    rate: c.use.rate.text,
    actives: c.dose.actives.map((a) => ({ name: a.name, grams: a.grams * share })),
    sites: sitesWithHeights(c.ring, site?.heightCm).map((s, i) => ({ number: i + 1, ...s })),
    drill: site ? `${site.drillMm} mm bit, ${site.depthMm} mm past the bark, ${site.heightCm} cm above soil` : '',
    areaM2: ground.m2,
    areaWords: ground.words,
    weather: asMeasured(b.weather),
    soil: b.soil,
    protection: b.protection,
    reEntryHours: c.use.intervals.reEntryHours,
    reEntryUntil: reEntryUntil(c.use, b.endedAt),
    ...(eaten ? { eatFrom: eaten } : {}),
    deviation: against.length ? `${against.join(' ')} Reason: ${b.deviation.trim()}` : b.deviation.trim(),
    mark: b.mark,
    note: b.note,
    photoIds: b.photoIds,
    gates: c.gates.map((gate) => ({
      id: gate.id,
      strength: gate.strength,
      sentence: gate.sentence,
      ...(c.released[gate.id] ? { released: c.released[gate.id] } : {}),
    })),
  };
  return {
    ok: true,
    data,
    doneOn,
    followUps: followUps(c.step.rules, doneOn, c.step.minDays, c.step.months),
    words: searchWords(data),
  };
}
