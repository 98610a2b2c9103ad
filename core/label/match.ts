import type { Active, Banded, Label, LabelUse } from './schema';
import { LENGTH, type Cm } from '../../lib/units/units';
import { girthFromDiameter } from '../measure/trunk';

/** Grams of an active in one base unit (mL or g) of product, or null when the label does not let it be worked out. */
export function activePerUnit(label: Pick<Label, 'densityGPerMl'>, active: Active, liquid: boolean): number | null {
  if (liquid) {
    if (active.gPerL !== undefined) return active.gPerL / 1000;
    return active.massFraction !== undefined && label.densityGPerMl !== undefined
      ? active.massFraction * label.densityGPerMl
      : null;
  }
  if (active.massFraction !== undefined) return active.massFraction;
  return active.gPerL !== undefined && label.densityGPerMl !== undefined
    ? active.gPerL / 1000 / label.densityGPerMl
    : null;
}

/** The size a class table or a limit asks for, in cm. */
export const sizeBy = (by: 'diameter' | 'girth', diameter: Cm): Cm =>
  by === 'girth' ? girthFromDiameter(diameter) : diameter;

export interface Found<T> {
  entry: T;
  /** The class in words, e.g. "30–40 cm". */
  name: string;
  note?: string;
}

/**
 * The entry of the class that a size falls in. A size exactly on a boundary goes where the label says; while that is
 * unanswered, the entry that `less` prefers holds.
 * @returns null when the size is outside every class
 */
export function pickClass<T>(classes: Banded<T>, diameter: Cm, less: (a: T, b: T) => T): Found<T> | null {
  const size = sizeBy(classes.by, diameter) / LENGTH[classes.unit];
  const eps = 1e-9 * Math.max(1, size);
  const on = (mark: number | null) => mark !== null && Math.abs(size - mark) <= eps;
  const name = (b: { over: number; upTo: number | null }) =>
    `${b.upTo === null ? `over ${b.over}` : `${b.over}–${b.upTo}`} ${classes.unit}`;
  const inside = classes.bands.find((b) => size > b.over + eps && (b.upTo === null || size < b.upTo - eps));
  if (inside) return { entry: inside.entry, name: name(inside) };
  const below = classes.bands.find((b) => on(b.upTo));
  const above = classes.bands.find((b) => on(b.over));
  if (below && above) {
    if (classes.boundary === 'unanswered') {
      const entry = less(below.entry, above.entry);
      return {
        entry,
        name: `${name(below)} or ${name(above)}`,
        note: 'The size stands on a class boundary and the label has not been asked which class it means: the lower dose holds.',
      };
    }
    const chosen = classes.boundary === 'smaller-class' ? below : above;
    return {
      entry: chosen.entry,
      name: name(chosen),
      note: `On the boundary; the label puts it in the ${classes.boundary === 'smaller-class' ? 'smaller' : 'larger'} class.`,
    };
  }
  // The outer edges of the table belong to it unless the label says otherwise.
  if (below) return classes.boundary === 'larger-class' ? null : { entry: below.entry, name: name(below) };
  if (above) return classes.boundary === 'smaller-class' ? null : { entry: above.entry, name: name(above) };
  return null;
}

/** Whether a use names this host: by its own id or by one of the groups it belongs to. */
export const usesHost = (use: Pick<LabelUse, 'hosts'>, hostId: string, groups: string[]): boolean =>
  use.hosts.some((h) => h === hostId || groups.includes(h));
