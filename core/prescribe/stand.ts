import { choose, type Choice } from '../cost/choose';
import type { Prices } from '../cost/prices';
import { dose, type Dose } from '../dose/dose';
import { METHOD_NAMES } from '../label/methods';
import { usesHost } from '../label/match';
import type { Label, LabelUse } from '../label/schema';
import { toBase, toM2, type Cm, type Grams, type SquareM } from '../../lib/units/units';

/** A tree of the stand as far as a choice needs it. */
export interface Standing {
  id: string;
  tag: string;
  host: { id: string; groups: string[] };
  diameters: Cm[];
  crownLoss: number | null;
  conditionId: string | null;
}
export interface Considered {
  tree: Standing;
  dose: Dose;
  /** Grams of the capped active, or money in minor units. */
  takes: number;
  /** Living trunk that is kept: cross-section in cm², less what the crown has lost, times the control that is likely. */
  worth: number;
}
export interface StandChoice {
  considered: Considered[];
  choice: Choice;
  /** Trees that the use is not for, or that have no dose. */
  outside: { tag: string; why: string }[];
  limit: number;
  what: string;
}

/** What a yearly cap of a use leaves on a place this year, g; null when the use has none. */
export function capLeft(
  use: LabelUse,
  area: SquareM | null,
  used: Record<string, Grams>,
): { active: string; left: Grams; whole: Grams } | null {
  const cap = use.limits.find((l) => l.limit === 'per-area-year');
  if (cap?.limit !== 'per-area-year' || area === null) return null;
  const whole = (toBase(cap.amount.value, cap.amount.unit) * area) / toM2(cap.each.value, cap.each.unit);
  return { active: cap.active, whole, left: Math.max(0, whole - (used[cap.active] ?? 0)) };
}

/**
 * Which trees of a stand get a product when not all can: most living trunk kept under the label's yearly cap for the area,
 * or for a sum of money. The rest gets another method, or waits.
 * @param likely share of the trouble that goes where it is used, 0 to 1
 * @param limit grams of the capped active, or minor units of money
 */
export function chooseTrees({
  trees,
  label,
  use,
  by,
  likely,
}: {
  trees: readonly Standing[];
  label: Label;
  use: LabelUse;
  by: { kind: 'cap'; active: string; left: Grams } | { kind: 'budget'; left: number; prices: Prices };
  likely: number;
}): StandChoice {
  const outside: StandChoice['outside'] = [];
  const considered: Considered[] = [];
  for (const tree of trees) {
    if (!usesHost(use, tree.host.id, tree.host.groups)) outside.push({ tag: tree.tag, why: 'host not on the label' });
    else if (!tree.conditionId || !use.targets.includes(tree.conditionId))
      outside.push({ tag: tree.tag, why: 'nothing named that it acts on' });
    else {
      // The cap itself is what is being shared out, so it must not bind a single tree here.
      const worked = dose({ label, useKey: use.key, diameters: tree.diameters, vessels: [], siteAreaM2: 1e9 });
      if (!worked.ok) {
        outside.push({ tag: tree.tag, why: worked.issues[0]!.message });
        continue;
      }
      const takes =
        by.kind === 'cap'
          ? (worked.actives.find((a) => a.name === by.active)?.grams ?? 0)
          : ((label.priceMinor ?? 0) * worked.product) / 1000 +
            by.prices.hour / 2 +
            by.prices.device * (worked.sites?.count ?? 0);
      const section = tree.diameters.reduce((a, d) => a + (Math.PI / 4) * d * d, 0);
      considered.push({ tree, dose: worked, takes, worth: section * (1 - (tree.crownLoss ?? 0) / 100) * likely });
    }
  }
  return {
    considered,
    outside,
    limit: by.left,
    what: `${METHOD_NAMES[use.method]}, ${label.name}`,
    choice: choose(
      considered.map((c) => ({ id: c.tree.id, takes: c.takes, worth: c.worth })),
      by.left,
    ),
  };
}
