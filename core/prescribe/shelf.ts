import type { Label, LabelUse } from '../label/schema';
import { meant } from './options';
import type { TreatmentContext } from '../gates/context';

/** A label as the shelf holds it. */
export interface HeldLabel {
  id: string;
  label: Label;
}

/** A label for other hosts or troubles: told by its name until somebody opens it. */
export interface Far {
  id: string;
  key: string;
  name: string;
  actives: string[];
  uses: Pick<LabelUse, 'key' | 'title' | 'method'>[];
}

/** Behind this word a way is a work without a product. */
export const WORK = 'work:';

/** A use by the key of its label and its own. */
export const nameOf = (o: { label: Pick<Label, 'key'>; use: Pick<LabelUse, 'key'> }) => `${o.label.key}/${o.use.key}`;

/** The label and the use that a name stands for; null where the shelf does not hold it. */
export function findUse(shelf: readonly HeldLabel[], name: string): (HeldLabel & { use: LabelUse }) | null {
  for (const held of shelf)
    for (const use of held.label.uses) if (nameOf({ label: held.label, use }) === name) return { ...held, use };
  return null;
}

/**
 * The shelf as one tree needs it: whole where a use is meant for it, by name where none is.
 * @param kept keys of labels that are wanted whole in any case
 */
export function shelfFor(
  context: TreatmentContext,
  shelf: readonly HeldLabel[],
  kept: readonly string[],
): { near: HeldLabel[]; far: Far[] } {
  const near: HeldLabel[] = [];
  const far: Far[] = [];
  for (const held of shelf) {
    const { label } = held;
    if (kept.includes(label.key) || label.uses.some((use) => meant(context, use))) near.push(held);
    else
      far.push({
        id: held.id,
        key: label.key,
        name: label.name,
        actives: label.actives.map((a) => a.name),
        uses: label.uses.map(({ key, title, method }) => ({ key, title, method })),
      });
  }
  return { near, far };
}
