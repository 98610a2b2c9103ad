import type { Facts, Gate, Rule } from './gate';
import { amountRules } from './rules/amounts';
import { beeRules } from './rules/bees';
import { handRules } from './rules/hands';
import { labelFitRules } from './rules/label-fit';
import { licenceRules } from './rules/licences';
import { numberRules } from './rules/numbers';
import { reasonRules } from './rules/reasons';
import { siteRules } from './rules/sites';
import { soilRules } from './rules/soil';
import { sprayingRules } from './rules/spraying';
import { waterRules } from './rules/water';
import { weatherRules } from './rules/weather';
import { givesReason } from '../../lib/reason';

/** Every gate by the question it belongs to, in the order they are read out. */
export const CHAPTERS: readonly { name: string; rules: readonly Rule[] }[] = [
  { name: 'Is treatment right at all', rules: [...labelFitRules, ...reasonRules] },
  { name: 'Numbers of the label', rules: numberRules },
  { name: 'Tree and trunk', rules: [...amountRules, ...siteRules] },
  { name: 'Ground and water', rules: [...soilRules, ...waterRules] },
  { name: 'Air and sun', rules: [...weatherRules, ...sprayingRules] },
  { name: 'Bees and helpers', rules: beeRules },
  { name: 'People and paper', rules: [...licenceRules, ...handRules] },
];
const RULES = CHAPTERS.flatMap((c) => c.rules);

/** Stops that no other hour, season or person lifts on this tree: what they forbid is never offered to anybody. */
const LASTING: readonly string[] = [
  'host-not-on-label',
  'host-forbidden',
  'target-not-on-label',
  'region-banned',
  'region-banned-use',
  'bee-tree-soil-systemic',
  'water-too-near',
  'boundary-too-near',
  'size-outside-label',
  'area-cap',
  'area-cap-short',
  'crown-loss',
  'edible-not-on-label',
];
/** The first stop that will still stand on another day, or null. */
export const forbidding = (gates: readonly Gate[]): Gate | null =>
  gates.find((g) => g.strength === 'stop' && g.state === 'tripped' && LASTING.includes(g.id)) ?? null;

const ORDER = { stop: 0, hold: 1, note: 2 };

/**
 * The gates in force for one plan, stops first. Rules of a label or a region stop; practice and schools hold or note.
 * @returns an empty list when nothing stands in the way
 */
export function gatesInForce(facts: Facts): Gate[] {
  return RULES.flatMap((rule) => {
    const tripped = rule.check(facts);
    return tripped ? [rule.day ? { ...tripped, day: true as const } : tripped] : [];
  }).sort((a, b) => ORDER[a.strength] - ORDER[b.strength]);
}

/** What can be answered while planning; the rest is answered on the day of the work. */
export const standing = (gates: readonly Gate[]): Gate[] => gates.filter((g) => !g.day);

/** Whether a plan may be made: no stop, and every hold released with a written reason. */
export function blocked(gates: Gate[], released: Record<string, string>): Gate[] {
  return gates.filter((g) => g.strength === 'stop' || (g.strength === 'hold' && !givesReason(released[g.id])));
}
