import Link from 'next/link';
import { groupBy } from '@/core/work/load-out';
import type { TreeVisit } from '@/store/assignments';
import { Section } from '@/ui/frame/pieces';
import { shortDay } from '@/ui/words';

/** What a visit that is still to come says of itself. */
function stateWords(v: TreeVisit, today: string): string {
  if (v.state === 'expected') return 'waits for a look';
  if (v.state === 'stopped') return 'left out';
  if (v.state === 'done') return v.found === null ? 'done' : v.found ? 'done: found' : 'done: nothing found';
  return v.day < today ? 'late' : 'planned';
}

/** The programmes that are laid over a tree, with what is to come of each. */
export function ItsProgrammes({
  treeId,
  visits,
  today,
}: {
  treeId: string;
  visits: readonly TreeVisit[];
  today: string;
}) {
  const assignment = [...groupBy([...visits], (v) => v.assignmentId).values()];
  return assignment.map((of) => {
    const ahead = of.filter((v) => v.state !== 'done');
    return (
      <Section
        key={of[0]!.assignmentId}
        title={of[0]!.programme}
        aside={<Link href={`/schedule/programmes/assigned/${of[0]!.assignmentId}`}>the whole programme</Link>}
      >
        <p className="text-[0.9375rem] text-ink-2">
          {of.length - ahead.length} of its visits are done, {ahead.length} are to come.
        </p>
        <ol>
          {ahead.map((v) => (
            <li key={v.id} className="row flex flex-wrap items-baseline justify-between gap-x-6 py-2">
              {v.planId && v.state === 'planned' ? (
                <Link
                  href={`/trees/${treeId}/treat?plan=${v.planId}`}
                  className="font-bold underline underline-offset-3"
                >
                  {v.step}
                  {v.nth > 1 && ` ${v.nth}`}
                </Link>
              ) : (
                <b>
                  {v.step}
                  {v.nth > 1 && ` ${v.nth}`}
                </b>
              )}
              <span className="figures">
                {shortDay(v.day)}, {stateWords(v, today)}
              </span>
            </li>
          ))}
        </ol>
      </Section>
    );
  });
}
