import type { LabelUse } from '../label/schema';
import type { LocalDate } from '../../lib/calendar/zone';
import { USUAL_PROGRAMME, visitsOf, type Programme } from '../season/programme';
import { stepOfUse } from './costs';

/** A use of a label that is done again and again on a tree, as the plan of that tree has it. */
export interface Series {
  use: LabelUse;
  /** Null where nobody has set one: the usual. */
  programme: Programme | null;
}

/**
 * The times that come after the next one of a series, if each is done on its day: nobody has planned them yet.
 * @param next the day of the next one
 * @param until the last day that is asked about
 * @returns days after `next`, in order, each with what it waits for
 */
export const comesAgain = (
  next: LocalDate,
  { use, programme }: Series,
  { school, south }: { school: NonNullable<Programme['school']>; south: boolean },
  until: LocalDate,
): { day: LocalDate; onlyIf: string | null }[] =>
  visitsOf(stepOfUse(use, { programme, school, south }), next, (programme ?? USUAL_PROGRAMME).years)
    .filter((v) => v.kind === 'treat' && v.day > next && v.day <= until)
    .map(({ day, onlyIf }) => ({ day, onlyIf }));
