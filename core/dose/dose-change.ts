import type { Dose, DoseIssue } from '../dose/dose';
import { figure, showAmount, showTrunk, type UnitSystem } from '../../lib/units/units';

/** Which dose the work follows where the newest facts give another than the plan. */
export const DOSE_BASES = ['newest', 'planned'] as const;
export type DoseBasis = (typeof DOSE_BASES)[number];

/** What a plan gives and what the newest facts of its tree give, where the two differ. */
export interface DoseChange {
  dimension: Dose['dimension'];
  /** Product for the tree, mL or g. */
  planned: number;
  /** Null where the newest facts allow no dose; `why` says so. */
  newest: number | null;
  plannedGirthCm: number;
  newestGirthCm: number | null;
  sites: { planned: number | null; newest: number | null };
  why: string | null;
}

/** A change of dose, and which of both the work followed. */
export interface DoseAnswer {
  was: DoseChange;
  followed: DoseBasis;
}

/** Without a vessel nothing is read off marks: half a percent is what a sum may be rounded by. */
const ROUNDED = 0.005;

/** What one mark of the vessel stands for, in product for the tree. */
function markOf({ pour, product }: Dose): number {
  const part = pour.amount > 0 ? product / pour.amount : 1;
  return Math.max(pour.vessel ? pour.vessel.graduation * part : 0, product * ROUNDED);
}

/**
 * Where the dose that the newest facts give differs from the planned one by more than a mark of the vessel, or by an injection
 * site; null where the plan still says what the tree gets.
 * @param newest the same plan worked out again: newest girth, crown, stage, vessels, and what was used since
 */
export function doseChange(planned: Dose, newest: Dose | DoseIssue): DoseChange | null {
  const { dimension, product, girthCm } = planned;
  const sites = planned.sites?.count ?? null;
  const was = { dimension, planned: product, plannedGirthCm: girthCm };
  if (!newest.ok)
    return {
      ...was,
      newest: null,
      newestGirthCm: null,
      sites: { planned: sites, newest: null },
      why: newest.issues[0]?.message ?? null,
    };
  const now = newest.sites?.count ?? null;
  const same = Math.abs(newest.product - product) <= Math.max(markOf(planned), markOf(newest)) * (1 + 1e-9);
  if (same && now === sites && newest.dimension === dimension) return null;
  return {
    ...was,
    newest: newest.product,
    newestGirthCm: newest.girthCm,
    sites: { planned: sites, newest: now },
    why: newest.binding?.sentence ?? null,
  };
}

/** A change of dose in a sentence, in the units of the reader. @example 'Dose 30 mL → 18 mL: girth 60 cm, planned at 100 cm.' */
export function doseChangeSentence(c: DoseChange, units: UnitSystem): string {
  const amount = (x: number) => showAmount(x, c.dimension, units).text;
  if (c.newest === null) return `No dose by the newest facts (planned ${amount(c.planned)}): ${c.why ?? 'see checks'}`;
  const girth = (cm: number) => showTrunk(cm, units).text;
  const reasons = [
    c.newestGirthCm !== null && Math.abs(c.newestGirthCm - c.plannedGirthCm) > 0.05
      ? `girth ${girth(c.newestGirthCm)}, planned at ${girth(c.plannedGirthCm)}`
      : null,
    c.sites.newest !== c.sites.planned
      ? `${figure(c.sites.newest ?? 0)} injection sites, planned ${figure(c.sites.planned ?? 0)}`
      : null,
  ].filter(Boolean);
  const because = reasons.length ? reasons.join('; ') : (c.why ?? 'facts of the tree, site or label changed');
  return `Dose ${amount(c.planned)} → ${amount(c.newest)}: ${because.replace(/\.$/, '')}.`;
}
