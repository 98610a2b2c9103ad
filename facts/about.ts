import { METHOD_NAMES } from '@/core/label/methods';
import type { About, JobOf } from '@/core/schedule/jobs';
import type { Limit } from '@/core/schedule/problem';
import { limitWords } from '@/core/schedule/words';
import type { Fortnight } from './fortnight';
import { findWork } from '@/knowledge/works';

/** What something that waits is, in a few words. */
export const aboutWords = (about: About): string =>
  about.kind === 'plan'
    ? `${METHOD_NAMES[about.method]}: ${about.label}`
    : about.kind === 'work'
      ? (findWork(about.workId)?.name ?? about.workId)
      : about.what;

/** Tags of a job: one, or the first and how many more. */
export function tagsOf({ items }: Pick<JobOf, 'items'>): string {
  const [first] = items;
  return items.length > 1 ? `${first!.tag} and ${items.length - 1} more` : first!.tag;
}
/** A job in a line. @example titleOf(job) // 'Soil drench: Marlbane Soil, 201 and 11 more' */
export const titleOf = (job: Pick<JobOf, 'items'>): string => `${aboutWords(job.items[0]!.about)}, ${tagsOf(job)}`;

/** What limits of a fortnight say, by the names of its crews, places and jobs. */
export function limitsOf(f: Pick<Fortnight, 'problem'>): (limit: Limit) => string {
  const { crews, places, jobs } = f.problem;
  const named =
    <T extends { id: string; name: string }>(of: readonly T[]) =>
    (id: string) =>
      of.find((o) => o.id === id)?.name ?? 'another one';
  const job = (id: string) => {
    const found = jobs.find((j) => j.id === id);
    return found ? titleOf(found) : 'something else';
  };
  const names = { crew: named(crews), place: named(places), job, kit: (key: string) => `What ${key} needs` };
  return (limit) => limitWords(limit, names);
}
