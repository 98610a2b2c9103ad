import Link from 'next/link';
import type { Task } from '@/store/tasks';
import { fromToday, shortDay } from '@/ui/words';
import { SettleTask } from './tasks.client';

/** What became of a task, or when it is due. */
function standing(t: Task, today: string): string {
  if (t.state === 'dropped') return 'left out';
  if (t.state === 'done') return t.doneBy ? `done, says ${t.doneBy}${t.said ? `: “${t.said}”` : ''}` : 'done';
  return fromToday(t.due, today);
}

/** Tasks of places: what it is, where, by whom and when, and its settling. */
export function TaskList({
  tasks,
  today,
  may,
  place,
}: {
  tasks: readonly Task[];
  today: string;
  may: boolean;
  /** Whether each says where it is. */
  place: boolean;
}) {
  return (
    <ul>
      {tasks.map((t) => (
        <li key={t.id} className="row flex flex-wrap items-center justify-between gap-x-6 gap-y-1 py-2.5">
          <div className="min-w-0 flex-1 basis-72">
            <p>
              <b>{t.what}</b>
              {t.who === 'client' && ', left to the client'}
            </p>
            <p className="text-[0.9375rem] text-ink-2">
              {place && (
                <>
                  <Link href={`/sites/${t.siteId}`}>{t.siteName}</Link>,{' '}
                </>
              )}
              {t.treeId && (
                <>
                  <Link href={`/trees/${t.treeId}`}>tree {t.tag}</Link>,{' '}
                </>
              )}
              <span className="figures">{shortDay(t.due)}</span>, {standing(t, today)}
            </p>
            {t.instructions && <p className="text-[0.9375rem]">{t.instructions}</p>}
          </div>
          {may && <SettleTask id={t.id} what={t.what} state={t.state} />}
        </li>
      ))}
    </ul>
  );
}
