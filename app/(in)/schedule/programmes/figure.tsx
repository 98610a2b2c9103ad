import { dayAfter } from '@/lib/calendar/days';
import { type LocalDate } from '@/lib/calendar/zone';
import type { YearProgramme } from '@/core/programmes/schema';
import { Ribbons } from '@/ui/figures/ribbons.client';
import type { YearMark, YearRow } from '@/ui/figures/year';
import { tagRuns } from '@/core/site-map/tags';
import { stepName } from './words';
import { startOfMonth } from '@/lib/calendar/months';

/** A visit as the drawing shows it. */
export interface Drawn {
  step: string;
  day: LocalDate;
  earliest: LocalDate;
  latest: LocalDate;
  tag: string;
  state: 'planned' | 'expected' | 'stopped' | 'done' | 'off';
}
const TONES: Record<Exclude<Drawn['state'], 'off'>, YearMark['tone']> = {
  planned: 'visit',
  expected: 'maybe',
  done: 'done',
  stopped: 'left',
};

/** Rows of a programme, a step each: what falls on one day in one state is one mark for all its trees. */
function rowsOf(programme: Pick<YearProgramme, 'steps'>, visits: readonly Drawn[]): YearRow[] {
  return programme.steps.flatMap((step): YearRow[] => {
    const of = visits.filter((v) => v.step === step.key);
    if (!of.length) return [];
    const marks = new Map<string, Drawn[]>();
    for (const v of of)
      if (v.state !== 'off') marks.set(`${v.day} ${v.state}`, [...(marks.get(`${v.day} ${v.state}`) ?? []), v]);
    return [
      {
        id: step.key,
        label: stepName(programme, step.key),
        bands: [],
        marks: [...marks.values()].map((same): YearMark => {
          const [first] = same;
          return {
            day: first!.day,
            earliest: same.reduce((a, v) => (v.earliest < a ? v.earliest : a), first!.earliest),
            latest: same.reduce((a, v) => (v.latest > a ? v.latest : a), first!.latest),
            tone: TONES[first!.state as keyof typeof TONES],
            words: tagRuns(same.map((v) => v.tag)),
          };
        }),
      },
    ];
  });
}

/** The visits of a programme over its days, a row a step; the table beside it tells the same. */
export function ProgrammeFigure({
  programme,
  visits,
  from,
  until,
  today,
}: {
  programme: Pick<YearProgramme, 'steps'>;
  visits: readonly Drawn[];
  from: LocalDate;
  until: LocalDate;
  today: LocalDate;
}) {
  const span = { from: startOfMonth(from), to: dayAfter(startOfMonth(until), 1, 'months') };
  return (
    <figure className="m-0 mt-4">
      <Ribbons
        rows={rowsOf(programme, visits)}
        kind="tall"
        days={[]}
        fits={[]}
        today={today}
        loaded={span}
        shown={span}
        label="The visits as a drawing; the same stands in the table below"
      />
      <figcaption className="text-small text-ink-2">
        A ring is planned, a broken one waits for a look, a full one is done, a barred one is left out. The bar below is
        the time in which it may move.
      </figcaption>
    </figure>
  );
}
