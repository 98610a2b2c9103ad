import { fortnightOf, type Fortnight } from '@/commands/facts/rounds';
import { todayOf } from '@/commands/today';
import type { StationFor } from '@/core/weather/station';
import type { Viewer } from '@/store/auth';
import { together } from '@/store/db';
import { listPeople, type Person } from '@/store/people';
import { openPlans, openWorks } from '@/store/plans';
import { awaySince, listCrews, roundsBetween, type Away, type CrewRow, type RoundRow } from '@/store/rounds';
import { listEquipment } from '@/store/shelf';

/** What waits for a crew, what it is loaded with, and the rounds of the day. */
export const roundsView = (v: Viewer, now: Date) =>
  together(v, async () => {
    const today = todayOf(v, now);
    const [plans, works, equipment, rounds] = await Promise.all([
      openPlans(v),
      openWorks(v),
      listEquipment(v),
      roundsBetween(v, today, today),
    ]);
    return { plans, works, equipment, rounds };
  });

/** The fortnight from today on: what waits, who goes out, and the rounds that stand. */
export const fortnightView = (v: Viewer, now: Date, station: StationFor): Promise<Fortnight & { rounds: RoundRow[] }> =>
  together(v, async () => {
    const fortnight = await fortnightOf(v, station, now);
    const { days } = fortnight.problem;
    return { ...fortnight, rounds: await roundsBetween(v, days[0]!, days.at(-1)!) };
  });

/** Crews, who is in them, and who is away. */
export const crewsView = (v: Viewer, now: Date): Promise<{ crews: CrewRow[]; people: Person[]; away: Away[] }> =>
  together(v, async () => {
    const [crews, people, away] = await Promise.all([listCrews(v), listPeople(v), awaySince(v, todayOf(v, now))]);
    return { crews, people, away };
  });
