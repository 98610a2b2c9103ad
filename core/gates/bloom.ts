import { daysBetween } from '../../lib/calendar/days';
import type { Host } from '../diagnose/knowledge';
import { IN_SOIL } from '../label/methods';
import type { Label, LabelUse } from '../label/schema';
import type { LocalDate } from '../../lib/calendar/zone';
import { bloomsFrom, type Bloom, type HostYear } from '../season/year';

/** Days for which a systemic is taken to be in nectar and pollen where its label is silent: after one bloom, not before the next. */
const USUAL_IN_FLOWERS_DAYS = 300;

/** A bloom that a product would reach. */
export interface BloomAhead {
  bloom: Bloom;
  /** Within the days that the label keeps from bloom; else the bloom falls into the life of the active. */
  near: boolean;
  /** The label's days, or the life of the active. */
  days: number;
}

/** Days before a bloom in which it is reached: by the label's own days, and by the life of a systemic in the tree. */
export interface BloomReach {
  keeps: number | undefined;
  lives: number | undefined;
}
type Reaching = Pick<Label, 'beeHazard' | 'systemic' | 'inFlowersDays'>;

/** How far ahead of a bloom a use must keep; nothing where it spares bees, or they do not visit the host. */
export function bloomReach(
  label: Reaching,
  use: Pick<LabelUse, 'method' | 'conditions'>,
  host: Pick<Host, 'beePlant'>,
): BloomReach {
  if (label.beeHazard === 'none' || host.beePlant === 'no') return { keeps: undefined, lives: undefined };
  const inTree = label.systemic && !IN_SOIL.includes(use.method);
  return {
    keeps: use.conditions?.bloomDays,
    lives: inTree ? (label.inFlowersDays ?? USUAL_IN_FLOWERS_DAYS) : undefined,
  };
}

/**
 * The bloom that a bee-hazardous product put on on a day would reach: within the label's own days before it, or while a systemic
 * lives in the tree. What goes into the soil has a rule of its own, which does not wait for a bloom.
 * @param over somebody says that the bloom of now is over
 * @returns null where none is reached, or where nobody can say when the host flowers
 */
export function bloomAhead({
  label,
  use,
  host,
  year,
  day,
  over = false,
}: {
  label: Reaching;
  use: Pick<LabelUse, 'method' | 'conditions'>;
  host: Pick<Host, 'beePlant'>;
  year: HostYear;
  day: LocalDate;
  over?: boolean;
}): BloomAhead | null {
  const { keeps, lives } = bloomReach(label, use, host);
  if (keeps === undefined && lives === undefined) return null;
  const bloom = bloomsFrom(year, day).find((b) => !(over && b.from.day <= day));
  if (!bloom) return null;
  const until = daysBetween(day, bloom.from.day);
  if (keeps !== undefined && until <= keeps) return { bloom, near: true, days: keeps };
  if (lives !== undefined && until <= lives) return { bloom, near: false, days: lives };
  return null;
}
