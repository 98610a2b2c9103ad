import { refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { typed } from '@/lib/units/typed';
import { uuid } from '@/lib/ids';
import { combinedDiameter, stemDiameters } from '@/core/measure/trunk';
import { readNumber } from '@/lib/units/numbers';
import { LENGTH } from '@/lib/units/units';
import { findHost } from '@/knowledge';
import { addTrees, nextWalkOrder, takenTags } from '@/store/tree-list';
import { getSite } from '@/store/sites';
import { v7 } from 'uuid';
import { z } from 'zod';

export const addTree = command({
  name: 'add-tree',
  right: 'edit grounds',
  schema: z.object({
    id: uuid,
    siteId: uuid,
    tag: z.string().trim().min(1, 'A tree needs its tag.').max(24, 'A tag has at most 24 characters.'),
    hostId: z.string().refine((h) => findHost(h) !== null, 'Choose the host.'),
    /** What the tree is, where it stands for a species without an entry. */
    species: z.string().trim().max(120, 'At most 120 characters.').default(''),
    girth: typed,
    unit: z.enum(['cm', 'in']),
  }),
  run: async ({ viewer, occurredAt }, t): Promise<Result<{ id: string }>> => {
    if (!(await getSite(viewer, t.siteId))) return refuse('', 'There is no such place in this company.');
    const girth =
      t.girth.trim() === ''
        ? null
        : readNumber(t.girth, { name: 'The girth', above: 0, max: Math.round(3000 / LENGTH[t.unit]), unit: t.unit });
    if (girth && !girth.ok) return refuse('girth', girth.sentence);
    if ((await takenTags(viewer, t.siteId, [t.tag])).length)
      return refuse('tag', `Tag ${t.tag} hangs at this place already.`);
    const stems = girth ? [{ kind: 'girth' as const, typed: { value: girth.value, unit: t.unit } }] : null;
    await addTrees({
      scope: viewer,
      trees: [
        {
          id: t.id,
          siteId: t.siteId,
          tag: t.tag,
          hostId: t.hostId,
          species: t.species,
          lat: null,
          lon: null,
          walkOrder: await nextWalkOrder(viewer, t.siteId),
          section: '',
          note: '',
          reading: stems && {
            at: occurredAt,
            diameterCm: combinedDiameter(stemDiameters(stems), 'sum'),
            stems,
            heightM: null,
            method: 'tape',
          },
        },
      ],
      breastHeightCm: viewer.breastHeightCm,
      readingId: v7,
    });
    return { ok: true, value: { id: t.id } };
  },
});
