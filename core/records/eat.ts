import type { Host } from '../diagnose/knowledge';
import type { LabelUse } from '../label/schema';
import { dayAfter } from '../../lib/calendar/days';
import { type LocalDate } from '../../lib/calendar/zone';

/** First day on which the fruit may be picked and eaten; null where the tree bears none, or the label asks no wait. */
export const eatFrom = (
  host: Pick<Host, 'edible'>,
  use: Pick<LabelUse, 'intervals'>,
  doneOn: LocalDate,
): LocalDate | null =>
  host.edible && use.intervals.preHarvestDays !== undefined
    ? dayAfter(doneOn, use.intervals.preHarvestDays, 'days')
    : null;
/** Until when nobody goes there, as an instant. */
export const reEntryUntil = (use: Pick<LabelUse, 'intervals'>, endedAt: string): string =>
  new Date(Date.parse(endedAt) + use.intervals.reEntryHours * 3_600_000).toISOString();
