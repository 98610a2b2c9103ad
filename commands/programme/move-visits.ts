import { command, refuse, type Answer } from '@/commands/command';
import { layOver, type LaidTree } from '@/commands/facts/laying';
import { uuid } from '@/core/book/record';
import type { Fault } from '@/core/book/write';
import { keyOf } from '@/core/programmes/lay';
import { dayWords, type Day } from '@/core/season/follow-ups';
import { getLaid, visitsNamed } from '@/store/laid';
import { following, stopTold, writeChanges } from './settle';
import { z } from 'zod';

/** What a move breaks on a tree; null where the visit may stand on that day. */
function breaks({ tree, visits, kept }: LaidTree, ids: ReadonlySet<string>, day: Day): Fault | null {
  const moved = kept.filter((v) => ids.has(v.id));
  for (const was of moved) {
    const now = visits.find((v) => keyOf(v) === keyOf(was));
    const path = `visitIds.${was.id}`;
    if (!now || now.stop) {
      const told = now?.stop ? stopTold(now.stop) : null;
      const gates = told && 'gates' in told ? told.gates.map((g) => `${g.title}. ${g.satisfy}`).join(' ') : '';
      return { path, sentence: `${tree.tag}: on no day from ${dayWords(day)} on. ${gates}`.trim() };
    }
    if (now.day !== day)
      return {
        path,
        sentence: `${tree.tag}: not before ${dayWords(now.day)}, by its label and what stands before it.`,
      };
  }
  return null;
}

/** Visits of a programme are moved to a day by hand, with why; what comes after them follows, and what it breaks is told. */
export const moveVisits = command({
  name: 'move-visits',
  right: 'prescribe',
  schema: z.object({
    visitIds: z.array(uuid).min(1, 'Choose one visit at least.').max(300, 'At most 300 visits at once.'),
    day: z.iso.date('Give the day like 2027-05-14.'),
    because: z.string().trim().min(4, 'Say why it is moved.').max(500, 'At most 500 signs.'),
  }),
  run: async ({ viewer, now, station }, p): Promise<Answer<{ followed: number }>> => {
    const named = await visitsNamed(viewer, p.visitIds);
    const ids = new Set(p.visitIds);
    const [first] = named;
    if (!first || named.length < ids.size) return refuse('visitIds', 'A visit among them is not in this outfit.');
    const laid = await getLaid(viewer, first.laidId);
    if (!laid || named.some((v) => v.laidId !== laid.id))
      return refuse('visitIds', 'Move the visits of one programme at a time.');
    if (laid.endedOn) return refuse('visitIds', 'This programme was ended.');
    const treeIds = [...new Set(named.map((v) => v.treeId))];
    const byHand = { ids, day: p.day, because: p.because };
    const { held, rows, trees } = await layOver(viewer, station, now, laid, laid.id, treeIds, byHand);
    if (rows.some((v) => ids.has(v.id) && v.state !== 'planned' && v.state !== 'expected'))
      return refuse('visitIds', 'What is done, off or left out cannot be moved.');
    if (trees.some((t) => p.day < t.today)) return refuse('day', 'This day has passed; give today or a day to come.');
    if (p.day > laid.until) return refuse('day', `The programme ends on ${dayWords(laid.until)}.`);
    const faults = trees.flatMap((t) => breaks(t, ids, p.day) ?? []);
    if (faults.length) return { ok: false, faults };
    const follow = following(trees);
    await writeChanges({ viewer, now, station }, laid, held, follow);
    const followed = follow.reduce((sum, t) => sum + t.changes.filter((c) => !c.was || !ids.has(c.was.id)).length, 0);
    return { ok: true, value: { followed } };
  },
});
