import { firstOf, type NorthernMonth } from '../../lib/calendar/months';
import { memoizeEach } from '../../lib/memoize';
import { trackOf, type Bbch } from './bbch';
import { dayAfter } from '../../lib/calendar/days';
import { type LocalDate } from '../../lib/calendar/zone';
import { localMonth } from '../../lib/calendar/hemisphere';
import type { StageDate } from './stages';
import type { Timed } from './timed-schema';
import type { HeatDate, HostYear } from './year';

/** What a day of the year is expected by. */
export type Expected = { kind: 'stage'; date: StageDate } | { kind: 'heat'; date: HeatDate };

/** A time of the year as it is expected: from what, and the last day of it. */
export interface TimedSpan {
  /** Null where it had begun before the seasons that are known. */
  from: Expected | null;
  to: LocalDate;
}

/** Stages of one track that stand for one another where a host has not got the one that is named. */
const NEAR: Partial<Record<Bbch, readonly Bbch[]>> = {
  1: [7, 9, 10, 31],
  7: [9, 10],
  9: [7, 10, 31],
  10: [11],
  11: [10, 31],
  19: [39],
  31: [11],
  39: [19],
  57: [60, 65],
  60: [65],
  65: [60],
  69: [65],
  71: [69, 65],
};
const has = (stages: readonly StageDate[], code: Bbch) =>
  [code, ...(NEAR[code] ?? [])].find((c) => stages.some((s) => s.code === c && trackOf(c) === trackOf(code))) ?? null;

/** The times of this year and the next as they are expected, in order; empty where the host's stages or the heat are not known. */
export const timedSpans = (timed: Timed, year: HostYear): TimedSpan[] =>
  spans(year, JSON.stringify(timed), () => spansOf(timed, year));
/** A window asks for them on every day on which it may turn. */
const spans = memoizeEach<HostYear, TimedSpan[]>();

const moved = <T extends { day: LocalDate; earliest: LocalDate; latest: LocalDate }>(date: T, days = 0): T =>
  days
    ? {
        ...date,
        day: dayAfter(date.day, days, 'days'),
        earliest: dayAfter(date.earliest, days, 'days'),
        latest: dayAfter(date.latest, days, 'days'),
      }
    : date;

function spansOf(timed: Timed, year: HostYear): TimedSpan[] {
  if (timed.by === 'heat')
    return year.heat
      .filter((h) => h.modelId === timed.model)
      .map((date) => ({
        from: { kind: 'heat', date: moved(date, timed.fromDays) },
        to: dayAfter(date.day, timed.days, 'days'),
      }));
  const [first, last] = [has(year.stages, timed.from), has(year.stages, timed.to)];
  if (first === null || last === null) return [];
  const byDay = [...year.stages].sort((a, b) => a.day.localeCompare(b.day));
  return byDay
    .filter((s) => s.code === last)
    .flatMap((end): TimedSpan[] => {
      const from = byDay.filter((s) => s.code === first && s.day <= end.day).at(-1);
      const to = dayAfter(end.day, timed.toDays ?? 0, 'days');
      // A stage that closes within a season of the one that opened it; longer ago, the opening one is not known.
      if (!from || from.day <= dayAfter(end.day, -300, 'days')) return [{ from: null, to }];
      const date = moved(from, timed.fromDays);
      // Leaves that fall early leave no time for what comes long after they came.
      return date.day > to ? [] : [{ from: { kind: 'stage', date }, to }];
    });
}

/** First and last day of a span of northern months, ending in each year from `first` to `last`; it may cross New Year. */
export function monthSpans(
  { from, to }: { from: NorthernMonth; to: NorthernMonth },
  south: boolean,
  first: number,
  last: number,
): { from: LocalDate; to: LocalDate }[] {
  const [opens, closes] = [localMonth(from, south), localMonth(to, south)];
  return Array.from({ length: last - first + 2 }, (_, i) => first - 1 + i).map((y) => ({
    from: firstOf(y, opens),
    to: dayAfter(dayAfter(firstOf(closes < opens ? y + 1 : y, closes), 1, 'months'), -1, 'days'),
  }));
}
