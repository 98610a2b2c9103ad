import { differenceInCalendarDays, parseISO } from 'date-fns';
import type { Host } from '../diagnose/knowledge';
import { IN_SOIL } from '../label/methods';
import type { Label, LabelUse } from '../label/schema';
import type { Day } from '../season/follow-ups';
import { bloomsFrom, type Bloom, type HostYear } from '../season/year';

/** Days for which a systemic is taken to be in nectar and pollen where its label is silent: after one bloom, not before the next. */
export const USUAL_IN_FLOWERS_DAYS = 300;

/** A bloom that a product would reach. */
export interface BloomAhead {
  bloom: Bloom;
  /** Within the days that the label keeps from bloom; else the bloom falls into the life of the active. */
  near: boolean;
  /** The label's days, or the life of the active. */
  days: number;
}

/**
 * The bloom that a bee-hazardous product put on on a day would reach: within the label's own days before it, or while a systemic
 * lives in the tree. What goes into the soil has a rule of its own, which does not wait for a bloom.
 * @param over somebody says that the bloom of now is over
 * @returns null where none is reached, or where nobody can say when the host flowers
 */
export function bloomAhead(
  label: Pick<Label, 'beeHazard' | 'systemic' | 'inFlowersDays'>,
  use: Pick<LabelUse, 'method' | 'conditions'>,
  host: Pick<Host, 'beePlant'>,
  year: HostYear,
  day: Day,
  over = false,
): BloomAhead | null {
  if (label.beeHazard === 'none' || host.beePlant === 'no') return null;
  const keeps = use.conditions?.bloomDays;
  const lives =
    label.systemic && !IN_SOIL.includes(use.method) ? (label.inFlowersDays ?? USUAL_IN_FLOWERS_DAYS) : undefined;
  const bloom = bloomsFrom(year, day).find((b) => !(over && b.from.day <= day));
  if (!bloom) return null;
  const until = differenceInCalendarDays(parseISO(bloom.from.day), parseISO(day));
  if (keeps !== undefined && until <= keeps) return { bloom, near: true, days: keeps };
  if (lives !== undefined && until <= lives) return { bloom, near: false, days: lives };
  return null;
}
