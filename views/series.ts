import { comesAgain } from '@/core/prescribe/series';
import type { LocalDate } from '@/lib/calendar/zone';
import type { SeriesAt, YearVisit } from '@/store/year-visits';

/** The visits with those that come after them as label and programme have it: expected, and planned by nobody yet. */
export function withSeries(
  visits: readonly YearVisit[],
  series: readonly SeriesAt[],
  by: Parameters<typeof comesAgain>[2],
  until: LocalDate,
): YearVisit[] {
  const of = new Map(series.flatMap((s) => s.ids.map((id) => [id, s] as const)));
  // Trees that have the same on one day have the same after it.
  const known = new Map<SeriesAt, Map<LocalDate, ReturnType<typeof comesAgain>>>();
  const later = visits.flatMap((v): YearVisit[] => {
    const s = v.state === 'planned' ? of.get(v.id) : undefined;
    if (!s) return [];
    const days = known.get(s) ?? new Map<LocalDate, ReturnType<typeof comesAgain>>();
    known.set(s, days);
    const again = days.get(v.day) ?? comesAgain(v.day, s, by, until);
    days.set(v.day, again);
    return again.map(({ day, onlyIf }) => ({
      ...v,
      id: `${v.id} ${day}`,
      kind: 'step',
      day,
      earliest: day,
      latest: day,
      state: 'again',
      onlyIf: v.onlyIf ?? onlyIf,
      accepted: false,
    }));
  });
  return [...visits, ...later];
}
