import { yearOf, type LocalMonth } from '../../lib/calendar/months';
import type { LocalDate } from '../../lib/calendar/zone';
import { localMonth } from '../../lib/calendar/hemisphere';
import type { StageDate } from '../season/stages';
import { monthSpans, timedSpans } from '../season/timed';
import type { HeatDate, HostYear } from '../season/year';
import type { StepTime } from './schema';

/** Why a visit stands on its day: what it was first counted from, and what moved it since. */
export type DayReason =
  | {
      by: 'stage';
      code: StageDate['code'];
      day: LocalDate;
      earliest: LocalDate;
      latest: LocalDate;
      rests: StageDate['rests'];
    }
  | { by: 'heat'; model: string; day: LocalDate; earliest: LocalDate; latest: LocalDate; rests: HeatDate['rests'] }
  | { by: 'months'; from: LocalMonth; to: LocalMonth }
  | { by: 'begun'; from: LocalDate }
  | { by: 'after'; step: string; day: LocalDate; done: boolean }
  | { by: 'interval'; day: LocalDate; days: number; done: boolean }
  | { by: 'rain'; day: LocalDate; mm: number }
  | { by: 'hand'; because: string }
  /** Label, book or a closed season left no earlier day. */
  | { by: 'label'; wished: LocalDate; product: string | null };

/** A time of one year in which a step may be done. */
export interface StepSpan {
  /** The year in which it ends: what tells it from the same step of another year. */
  year: number;
  from: LocalDate;
  to: LocalDate;
  earliest: LocalDate;
  reasons: DayReason[];
}

type OwnTime = Exclude<StepTime, { by: 'after' }>;

function known({
  time,
  year,
  south,
  first,
  last,
}: {
  time: OwnTime;
  year: HostYear;
  south: boolean;
  first: number;
  last: number;
}): StepSpan[] {
  if (time.by === 'months') {
    const months = { from: localMonth(time.from, south), to: localMonth(time.to, south) };
    return monthSpans(time, south, first, last).map(({ from, to }) => ({
      year: yearOf(to),
      from,
      to,
      earliest: from,
      reasons: [{ by: 'months', ...months }],
    }));
  }
  return timedSpans(time, year).flatMap((s): StepSpan[] => {
    // It had begun before the seasons that are known.
    if (!s.from)
      return [
        {
          year: yearOf(s.to),
          from: `${first - 1}-01-01`,
          to: s.to,
          earliest: `${first - 1}-01-01`,
          reasons: [],
        },
      ];
    const { date } = s.from;
    const { day, earliest, latest } = date;
    const reason: DayReason =
      s.from.kind === 'stage'
        ? { by: 'stage', code: s.from.date.code, day, earliest, latest, rests: s.from.date.rests }
        : { by: 'heat', model: s.from.date.modelId, day, earliest, latest, rests: s.from.date.rests };
    return [{ year: yearOf(s.to), from: day, to: s.to, earliest, reasons: [reason] }];
  });
}

/**
 * The times in which a step may be done between two days, in order.
 * @param span first and last day of what is planned
 */
export function stepSpans(
  time: OwnTime,
  year: HostYear,
  south: boolean,
  span: { from: LocalDate; to: LocalDate },
  everyYears = 1,
): StepSpan[] {
  const [first, last] = [yearOf(span.from), yearOf(span.to)];
  const spans = known({ time, year, south, first, last });
  return spans
    .filter((s) => s.to >= span.from && s.from <= span.to)
    .filter((_, i) => i % everyYears === 0)
    .map((s) =>
      s.from >= span.from
        ? s
        : { ...s, from: span.from, earliest: span.from, reasons: [...s.reasons, { by: 'begun', from: span.from }] },
    );
}
