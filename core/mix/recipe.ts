import type { Dose } from '../dose/dose';
import type { Label } from '../label/schema';
import { oneMix } from './one-mix';
import { toBase } from '../../lib/units/units';
import type { BatchKind } from './batch';

/** What trees want of one mix. */
export interface Recipe {
  kind: BatchKind;
  /** mL of the mix that the trees take. */
  mixMl: number;
  /** Product in a mL of it, mL or g. */
  strength: number;
}
type Worked = Extract<Dose, { ok: true }>;

/** mL of mix that one tree takes; null where it is given undiluted. */
export const mixMlOf = (dose: Worked): number | null => dose.stockMl ?? dose.carrier?.totalMl ?? null;

/**
 * The mix from which some trees are served: the label's stock, or product in its carrier as strong as planned.
 * @param doses of one label; of one use, where it is no stock
 * @returns null where they are given undiluted, or are not done from one mix
 */
export function recipeOf(label: Pick<Label, 'stock'>, doses: readonly Worked[]): Recipe | null {
  const [first] = doses;
  if (!first || doses.some((d) => mixMlOf(d) === null)) return null;
  const mixMl = doses.reduce((sum, d) => sum + mixMlOf(d)!, 0);
  const product = doses.reduce((sum, d) => sum + d.product, 0);
  if (label.stock && doses.every((d) => d.stockMl !== null)) {
    const { concentrate, madeUpTo } = label.stock;
    return {
      kind: 'stock',
      mixMl,
      strength: toBase(concentrate.value, concentrate.unit) / toBase(madeUpTo.value, madeUpTo.unit),
    };
  }
  const poured = (d: Worked) => ({ product: d.product, mixMl: mixMlOf(d) });
  if (doses.some((d) => d.stockMl !== null || !oneMix(poured(first), poured(d)))) return null;
  return { kind: 'tank', mixMl, strength: product / mixMl };
}

/** A mix is never stronger than its label; the rounding of a can is no mistake, and weaker is one beyond it. */
const STRONGER = 0.005;
const WEAKER = 0.03;
/** Whether a mix is as strong as its recipe, but for what a can shows. */
export function asStrong({ strength }: Recipe, made: { product: number; totalMl: number }): boolean {
  const off = made.product / made.totalMl / strength - 1;
  return off <= STRONGER && off >= -WEAKER;
}

/**
 * Whether a mix of the same label serves what plans give: made in the same way, and as strong. One that was made for these very
 * plans was held against all of them together; each of them alone may be rounded otherwise by its can.
 */
export function isServed(
  made: { kind: BatchKind; product: number; totalMl: number; planIds: readonly string[] },
  label: Pick<Label, 'stock'>,
  dose: Worked,
  planIds: readonly string[],
): boolean {
  const recipe = recipeOf(label, [dose]);
  if (recipe === null || recipe.kind !== made.kind) return false;
  const meant = planIds.some((id) => made.planIds.includes(id));
  const one = { product: recipe.strength, mixMl: 1 };
  return asStrong(recipe, made) || (meant && oneMix({ product: made.product, mixMl: made.totalMl }, one));
}
