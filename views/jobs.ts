import { fortnightFacts, fortnightFrom, type Fortnight } from '@/facts/fortnight';
import { aboutWords, tagsOf } from '@/facts/about';
import { todayOf } from '@/facts/today';
import type { Limit } from '@/core/schedule/problem';
import { turned } from '@/core/schedule/turned';
import { dayAfter } from '@/lib/calendar/days';
import { type LocalDate } from '@/lib/calendar/zone';
import type { StationFor } from '@/core/weather/station';
import type { Viewer } from '@/store/auth';
import { batchesAbout } from '@/store/batches';
import { together } from '@/store/db';
import { installedCount } from '@/store/devices';
import { listPeople, type Person } from '@/store/people';
import { dueWithin } from '@/store/follow-ups';
import { atNewestDose } from '@/facts/newest-plans';
import { openVisits } from '@/store/plans';
import {
  absentSince,
  listCrews,
  crewDaysBetween,
  type Absence,
  type CrewRow,
  type CrewDayRow,
} from '@/store/crew-days';
import { listEquipment, listLots, type Lot } from '@/store/stock';

/** How much of each product is on hand and good on a day, by its key. */
export function goodStock(lots: readonly Lot[], day: LocalDate): Map<string, number> {
  const stock = new Map<string, number>();
  for (const l of lots) if (l.expiresOn >= day) stock.set(l.labelKey, (stock.get(l.labelKey) ?? 0) + l.onHand);
  return stock;
}

/** What waits for a crew, what it is loaded with, the rounds of the day, and how many stand in all. */
export const scheduleView = (v: Viewer, now: Date, siteId: string | null) =>
  together(v, async () => {
    const today = todayOf(v, now);
    const [{ plans, works, sites }, due, equipment, lots, kept, hanging, mixes] = await Promise.all([
      openVisits(v, siteId ? { today, siteId, plans: 5000, works: 5000 } : { today, plans: 300, works: 300 }),
      siteId ? dueWithin(v, [{ from: '1900-01-01', to: today, most: 5000 }], siteId) : [],
      listEquipment(v),
      listLots(v),
      crewDaysBetween(v, today, dayAfter(today, 13, 'days')),
      installedCount(v),
      batchesAbout(v),
    ]);
    return {
      hanging,
      mixes,
      sites,
      due,
      plans: await atNewestDose(v, now, plans),
      works,
      equipment,
      stock: goodStock(lots, today),
      rounds: kept.filter((r) => r.day === today),
      ahead: kept.filter((r) => r.day > today && r.items.length),
    };
  });

/** The fortnight from today on: what waits, who goes out, and the rounds that stand. */
export async function fortnightView(
  v: Viewer,
  now: Date,
  station: StationFor,
): Promise<Fortnight & { rounds: CrewDayRow[] }> {
  const { facts, rounds } = await together(v, async () => {
    const read = await fortnightFacts(v, now);
    return { facts: read, rounds: await crewDaysBetween(v, read.days[0]!, read.days.at(-1)!) };
  });
  return { ...fortnightFrom(facts, v, station, now), rounds };
}

/** Crews, who is in them, and who is away. */
export const crewsView = (v: Viewer, now: Date): Promise<{ crews: CrewRow[]; people: Person[]; away: Absence[] }> =>
  together(v, async () => {
    const [crews, people, away] = await Promise.all([listCrews(v), listPeople(v), absentSince(v, todayOf(v, now))]);
    return { crews, people, away };
  });

/** A job of the rounds in force that cannot stand where it stands any more. */
export interface InvalidatedJob {
  jobId: string;
  title: string;
  tags: string;
  day: LocalDate;
  crewId: string;
  limit: Limit;
}
/** What has turned under the rounds in force since they were kept, with the names that tell it. */
export interface InvalidatedDays {
  jobs: InvalidatedJob[];
  places: Record<string, string>;
  crews: Record<string, string>;
}
export async function invalidatedView(v: Viewer, now: Date, station: StationFor): Promise<InvalidatedDays> {
  const facts = await together(v, () => fortnightFacts(v, now));
  const { problem, places, crews } = fortnightFrom(facts, v, station, now);
  const about = new Map(problem.jobs.map((j) => [j.id, j]));
  return {
    jobs: turned(problem).map(({ job, now: stands, limit }) => {
      const told = about.get(job.id)!;
      return { jobId: job.id, title: aboutWords(told.items[0]!.about), tags: tagsOf(told), ...stands, limit };
    }),
    places: Object.fromEntries(places.map((p) => [p.id, p.name])),
    crews: Object.fromEntries(crews.map((c) => [c.id, c.name])),
  };
}
