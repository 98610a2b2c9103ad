import type { YearProgramme } from '@/core/programmes/schema';
import type { StopTold } from '@/store/assignments';
import { spanWords } from '@/ui/season-words';
import { tagRuns } from '@/core/site-map/tags';
import { stepName, stopWords } from './words';

/** A step that has no day on a tree. */
export interface LeftRow {
  /** The visit, where it is kept. */
  id: string | null;
  tag: string;
  step: string;
  day: string;
  stop: StopTold;
}
export interface LeftGroup {
  step: string;
  words: string;
  from: string;
  to: string;
  rows: LeftRow[];
}

/** What is left out for one reason, together. */
export function groupLeft(rows: readonly LeftRow[]): LeftGroup[] {
  const groups = new Map<string, LeftGroup>();
  for (const row of rows) {
    const words = stopWords(row.stop);
    const key = `${row.step} ${words}`;
    const of = groups.get(key) ?? { step: row.step, words, from: row.day, to: row.day, rows: [] };
    of.rows.push(row);
    if (row.day < of.from) of.from = row.day;
    if (row.day > of.to) of.to = row.day;
    groups.set(key, of);
  }
  return [...groups.values()].sort((a, b) => a.from.localeCompare(b.from));
}

/** What is left out, each with its reason and what would satisfy it. */
export function LeftOut({
  rows,
  programme,
  children,
}: {
  rows: readonly LeftRow[];
  programme: Pick<YearProgramme, 'steps'>;
  children?: (group: LeftGroup) => React.ReactNode;
}) {
  const groups = groupLeft(rows);
  if (!groups.length) return null;
  return (
    <>
      <h3 className="mt-5">Left out, and why</h3>
      <ul>
        {groups.map((g) => (
          <li key={`${g.step}${g.words}`} className="row py-2">
            <b>{stepName(programme, g.step)}</b>, {spanWords(g.from, g.to)}: {g.words}
            <span className="block text-[0.9375rem] text-ink-2">{tagRuns([...new Set(g.rows.map((r) => r.tag))])}</span>
            {children?.(g)}
          </li>
        ))}
      </ul>
    </>
  );
}
