import type { LocalDate } from '../../lib/calendar/zone';
import type { Life, LifeStage, LifeTime } from './life-schema';
import { monthSpans, timedSpans, type Expected } from './timed';
import type { HostYear } from './year';
import { yearOf } from '../../lib/calendar/months';

/** A stage of a life with the days in which it is expected. */
export interface LifeSpan {
  stage: LifeStage;
  time: LifeTime;
  /** Null where it begins by the calendar, or had begun before the seasons that are known. */
  from: Expected | null;
  /** First and last day, cut to what was asked for. */
  first: LocalDate;
  last: LocalDate;
}

/**
 * When the stages of a condition come on a host, between two days, in the order of its life.
 * @returns without those whose time hangs on a stage or a sum of heat that nobody can tell for this host
 */
export function lifeSpans(
  life: Life,
  year: HostYear,
  south: boolean,
  between: { from: LocalDate; to: LocalDate },
): LifeSpan[] {
  const [firstYear, lastYear] = [yearOf(between.from), yearOf(between.to)];
  return life.flatMap(({ stage, time }) => {
    const spans =
      time.by === 'months'
        ? monthSpans(time, south, firstYear, lastYear).map((s) => ({ expected: null, ...s }))
        : timedSpans(time, year).map((s) => ({
            expected: s.from,
            from: s.from?.date.day ?? between.from,
            to: s.to,
          }));
    const inside = spans.filter((s) => s.to >= between.from && s.from <= between.to);
    return inside.map((s) => ({
      stage,
      time,
      from: s.expected,
      first: s.from < between.from ? between.from : s.from,
      last: s.to > between.to ? between.to : s.to,
    }));
  });
}
