import { refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { isFor, assignOver, MOST_TREES, notThen, programmeNamed } from '@/facts/assigning';
import { saidSchema } from '@/facts/answers';
import { uuid } from '@/lib/ids';
import { formatDay } from '@/lib/calendar/days';
import { dayIn } from '@/lib/calendar/zone';
import { findHost } from '@/knowledge';
import { insertAssignment, getAssignment, assignedAlready } from '@/store/assignments';
import { getSite } from '@/store/sites';
import { writeChanges } from './settle';
import { z } from 'zod';

/** A programme is laid over trees of a place: every visit that may be planned is planned, and what is left out says why. */
export const assignProgramme = command({
  name: 'assign-programme',
  right: 'prescribe',
  schema: z.object({
    id: uuid,
    programme: z.string().max(60),
    siteId: uuid,
    treeIds: z
      .array(uuid)
      .min(1, 'Choose one tree at least.')
      .max(MOST_TREES, `At most ${MOST_TREES} trees at once; lay the rest in another go.`),
    from: z.iso.date('Give the day like 2026-11-26.'),
    until: z.iso.date('Give the day like 2027-11-25.'),
    /** Why to go on in spite of what only holds, for all trees. */
    reason: z.string().trim().max(600, 'At most 600 characters.').default(''),
    /** What was answered for all of them. */
    said: saidSchema.default({}),
    carriedFrom: uuid.nullable().default(null),
  }),
  once: (x) => x.id,
  run: async (
    { viewer, receivedAt, station },
    p,
  ): Promise<Result<{ planned: number; waiting: number; left: number }>> => {
    const [programme, place] = await Promise.all([programmeNamed(viewer, p.programme), getSite(viewer, p.siteId)]);
    if (!programme) return refuse('programme', 'There is no such programme.');
    if (!place) return refuse('siteId', 'This place is not in this company.');
    const never = notThen(p, dayIn(receivedAt, place.timeZone));
    if (never) return refuse(never.path, never.message);
    if (p.carriedFrom && !(await getAssignment(viewer, p.carriedFrom)))
      return refuse('carriedFrom', 'The season that it goes on from is not in this company.');
    const assigning = { ...p, programme };
    const { held, trees } = await assignOver({
      viewer,
      stationFor: station,
      now: receivedAt,
      assigning,
      assignmentId: null,
      treeIds: [...new Set(p.treeIds)],
    });
    const stranger = trees.find((t) => t.tree.siteId !== p.siteId || t.tree.archivedAt);
    if (stranger) return refuse('treeIds', `${stranger.tree.tag} does not stand at ${place.name}.`);
    if (trees.length < new Set(p.treeIds).size) return refuse('treeIds', 'A tree among them is not in this company.');
    const wrong = trees.find((t) => !isFor(programme, t.tree.hostId));
    if (wrong)
      return refuse(
        'treeIds',
        `${wrong.tree.tag} is a ${findHost(wrong.tree.hostId)?.name.toLowerCase() ?? 'tree'}; this programme is not for it.`,
      );
    const [twice] = await assignedAlready(viewer, programme.key, p.treeIds, p);
    if (twice)
      return refuse(
        'treeIds',
        `${twice.tag} has this programme already, until ${formatDay(twice.until)}. End that first, or begin after it.`,
      );
    await insertAssignment(viewer, { ...assigning, id: p.id });
    const { visits } = await writeChanges({ viewer, receivedAt, station }, { ...assigning, id: p.id }, held, trees);
    const count = (state: string) => visits.filter((v) => v.state === state).length;
    const planned = count('planned');
    if (!planned && !count('expected'))
      return refuse('treeIds', 'Nothing of it can be planned on these trees: the preview says what stands against it.');
    return { ok: true, value: { planned, waiting: count('expected'), left: count('stopped') } };
  },
});
