import { dayAfter } from '../../lib/calendar/days';
import { chanceFrom } from '../../lib/random';
import { driveMatrix } from './drive';
import { weekdayOf } from './hours';
import type { Job, Problem } from './problem';

/** For tests and the bench: a town with crews and what waits for them, drawn from a seed. */
export interface Drawn {
  jobs: number;
  crews: number;
  days: number;
  places: number;
  /** Hours of a crew's day. */
  hours: number;
  /** Only what an office would plan: nothing locked against something else, nothing that waits for another place. */
  orderly?: boolean;
}
const FIRST = '2027-05-03';
const on = (d: number) => dayAfter(FIRST, d, 'days');

export function drawProblem({ jobs, crews, days, places, hours, orderly = false }: Drawn, seed: number): Problem {
  const roll = chanceFrom(seed);
  const whole = (from: number, to: number) => from + Math.floor(roll() * (to - from + 1));
  const calendar = Array.from({ length: days }, (_, d) => on(d));
  const works = (d: number) => weekdayOf(on(d)) <= 5;
  const points = Array.from({ length: crews + places }, (_, i) =>
    i < crews ? { lat: 50.33, lon: -4.12 } : { lat: 50.33 + (roll() - 0.5) * 0.12, lon: -4.12 + (roll() - 0.5) * 0.19 },
  );
  return {
    days: calendar,
    crews: Array.from({ length: crews }, (_, c) => ({
      id: `c${c}`,
      name: `Crew ${c + 1}`,
      hours: calendar.map((_, d) => (works(d) && !(c === 1 && d === 2) ? { from: 420, to: 420 + hours * 60 } : null)),
      rests: calendar.map((_, d) => (c % 2 === 0 && works(d) ? [{ from: 720, to: 750 }] : [])),
      licences: calendar.map(() => (c % 3 < 2 ? ['tree injection', 'ornamental'] : c % 2 ? null : ['ornamental'])),
    })),
    places: Array.from({ length: places }, (_, p) => ({
      id: `p${p}`,
      name: `Place ${p + 1}`,
      // Every seventh is a school: late in the day on weekdays, any time at the end of a week.
      open: calendar.map((_, d) =>
        p % 7 === 3 && works(d) ? [{ from: 900, to: 1200 }] : p % 11 === 5 && !orderly ? [] : [{ from: 360, to: 1260 }],
      ),
    })),
    kits: [
      { key: 'spray', setUp: 25, count: Math.max(1, crews - 1) },
      { key: 'injection', setUp: 15, count: Math.max(1, crews - 1) },
      { key: 'drench', setUp: 10, count: null },
    ],
    drive: driveMatrix(points),
    jobs: Array.from({ length: jobs }, (_, i): Job => {
      const kit = [null, 'spray', 'injection', 'drench'][whole(0, 3)]!;
      const length = whole(4, 15);
      const earliest = whole(-3, days - 2);
      const crew = `c${whole(0, crews - 1)}`;
      const stands = roll() < 0.1 && !orderly;
      return {
        id: `j${i}`,
        siteId: `p${whole(0, places - 1)}`,
        earliest: on(earliest),
        latest: on(Math.max(earliest + length, 1)),
        firm: roll() < 0.6,
        wanted: roll() < 0.8 ? on(earliest + Math.floor(length / 2)) : null,
        told: roll() < 0.05 ? on(Math.max(0, earliest + 1)) : null,
        minutes: whole(5, 45),
        hangs: kit === 'injection' && roll() < 0.15 ? 60 : 0,
        kit,
        licences: kit === 'injection' ? ['tree injection'] : [],
        licensed: kit !== null,
        chances: kit === 'spray' ? calendar.map((_, d) => (d < 10 ? roll() : null)) : null,
        // Every other spray wants the cool of the morning, or of a late afternoon.
        daytimes:
          kit === 'spray' && i % 2
            ? calendar.map((_, d) =>
                d < 10
                  ? [
                      { from: 360, to: 660 },
                      { from: 900, to: 1260 },
                    ]
                  : null,
              )
            : null,
        stake: whole(1, 3) as Job['stake'],
        sick: roll() < 0.3,
        reEntryHours: kit === 'spray' ? whole(0, 24) : 0,
        after: i > 0 && roll() < 0.1 && !orderly ? [{ jobId: `j${whole(0, i - 1)}`, days: whole(0, 5) }] : [],
        now: stands ? { day: on(whole(0, days - 1)), crewId: crew } : null,
        locked: stands && roll() < 0.3,
      };
    }),
  };
}
