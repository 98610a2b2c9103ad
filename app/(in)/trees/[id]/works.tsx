import { findWork } from '@/knowledge/works';
import type { WorkPlan } from '@/store/works';
import { dayAndClock, shortDay } from '@/ui/words';
import { FinishWork } from './finish-work.client';

export const workName = (w: Pick<WorkPlan, 'workId'>): string => findWork(w.workId)?.name ?? w.workId;

/** Works of a tree but for those of its programmes that wait for a later day: they stand with their programme until then. */
export const worksNow = (works: readonly WorkPlan[], today: string): WorkPlan[] =>
  works.filter((w) => !w.assignment || w.state !== 'open' || !w.plannedFor || w.plannedFor <= today);

/** Works without a product: what is done, with what, and how it went. */
export function Works({ works, timeZone, may }: { works: readonly WorkPlan[]; timeZone: string; may: boolean }) {
  return (
    <ul>
      {works.map((w) => (
        <li key={w.id} className="row py-3">
          <p>
            <b>{workName(w)}</b>
            {w.sheet.figures.map((f) => (
              <span key={f.name} className="figures">
                {' '}
                · {f.name} {f.value} {f.unit}
              </span>
            ))}
          </p>
          <p className="text-small text-ink-2">
            {w.byName}, {dayAndClock(w.at, timeZone)}: {stateWords(w)}
          </p>
          {w.state === 'open' && (
            <details>
              <summary className="min-h-hand font-semibold">Sheet</summary>
              <ol className="list-decimal pl-5">
                {w.sheet.steps.map((s) => (
                  <li key={s} className="py-0.5">
                    {s}
                  </li>
                ))}
              </ol>
              <p className="mt-1 text-[0.9375rem]">
                To take: {w.sheet.take.map((t) => `${t.what} ${t.amount}`).join('; ')}.
              </p>
            </details>
          )}
          {w.state === 'open' && may && <FinishWork id={w.id} name={workName(w)} />}
        </li>
      ))}
    </ul>
  );
}

function stateWords({ state, doneOn, note }: WorkPlan): string {
  if (state === 'open') return 'waits for a crew';
  return state === 'done' ? `done ${shortDay(doneOn!)}${note ? `, ${note}` : ''}` : 'dropped';
}
