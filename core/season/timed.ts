import { onceEach } from '../diagnose/once';
import { trackOf, type Bbch } from './bbch';
import { after, type Day } from './follow-ups';
import type { StageDate } from './stages';
import type { Timed } from './timed-schema';
import type { HeatDate, HostYear } from './year';

/** What a day of the year is expected by. */
export type Expected = { kind: 'stage'; date: StageDate } | { kind: 'heat'; date: HeatDate };

/** A time of the year as it is expected: from what, and the last day of it. */
export interface TimedSpan {
  /** Null where it had begun before the seasons that are known. */
  from: Expected | null;
  to: Day;
}

/** Stages of one track that stand for one another where a host has not got the one that is named. */
const NEAR: Partial<Record<Bbch, readonly Bbch[]>> = { 7: [9, 10], 9: [7, 10], 10: [11], 71: [69], 69: [65] };
const has = (stages: readonly StageDate[], code: Bbch) =>
  [code, ...(NEAR[code] ?? [])].find((c) => stages.some((s) => s.code === c && trackOf(c) === trackOf(code))) ?? null;

/** The times of this year and the next as they are expected, in order; empty where the host's stages or the heat are not known. */
export const timedSpans = (timed: Timed, year: HostYear): TimedSpan[] =>
  spans(year, JSON.stringify(timed), () => spansOf(timed, year));
/** A window asks for them on every day on which it may turn. */
const spans = onceEach<HostYear, TimedSpan[]>();

function spansOf(timed: Timed, year: HostYear): TimedSpan[] {
  if (timed.by === 'heat')
    return year.heat
      .filter((h) => h.modelId === timed.model)
      .map((date) => ({ from: { kind: 'heat', date }, to: after(date.day, timed.days, 'days') }));
  const [first, last] = [has(year.stages, timed.from), has(year.stages, timed.to)];
  if (first === null || last === null) return [];
  const byDay = [...year.stages].sort((a, b) => a.day.localeCompare(b.day));
  return byDay
    .filter((s) => s.code === last)
    .map((to) => {
      const from = byDay.filter((s) => s.code === first && s.day <= to.day).at(-1);
      // A stage that closes within a season of the one that opened it; longer ago, the opening one is not known.
      const near = from && from.day > after(to.day, -300, 'days');
      return { from: near ? { kind: 'stage' as const, date: from } : null, to: to.day };
    });
}
