import { done, type Issue } from '@/lib/result';
import { command } from '@/commands/command';
import { stale } from '@/commands/stale';
import { treeOf } from '@/facts/tree';
import { noTree } from '@/commands/trees/no-tree';
import { numberAt, typed } from '@/lib/units/typed';
import { uuid } from '@/lib/ids';
import { findHost } from '@/knowledge';
import { changeTree } from '@/store/tree';
import { z } from 'zod';

export const editTree = command({
  name: 'edit-tree',
  right: 'edit grounds',
  schema: z.object({
    id: uuid,
    tag: z.string().trim().min(1, 'A tree needs its tag.').max(24, 'A tag has at most 24 characters.'),
    hostId: z.string().refine((h) => findHost(h) !== null, 'Choose a host from the list.'),
    species: z.string().trim().max(120, 'At most 120 characters.').default(''),
    note: z.string().max(2000, 'At most 2000 characters.'),
    walkOrder: typed,
    lat: typed,
    lon: typed,
    variety: z.string().trim().max(80, 'At most 80 characters.'),
    eaten: z.boolean().nullable(),
    basedOn: z.number().int().min(1),
  }),
  run: async ({ viewer, receivedAt }, t) => {
    const issues: Issue[] = [];
    const walkOrder = numberAt(issues, 'walkOrder', t.walkOrder, {
      name: 'The walking order',
      min: 0,
      max: 1_000_000,
      whole: true,
    });
    const lat = numberAt(issues, 'lat', t.lat, { name: 'The latitude', min: -90, max: 90 }, true);
    const lon = numberAt(issues, 'lon', t.lon, { name: 'The longitude', min: -180, max: 180 }, true);
    if (!issues.length && (lat === null) !== (lon === null))
      issues.push({ path: lat === null ? 'lat' : 'lon', message: 'A position needs both numbers.' });
    if (issues.length) return { ok: false, issues };
    const wanted = { ...t, walkOrder: walkOrder!, lat, lon };
    const changed = await changeTree(viewer, wanted);
    if (changed.count) return done;
    const now = await treeOf(viewer, t.id, receivedAt);
    return now
      ? stale('this tree', now, wanted, {
          tag: 'The tag',
          hostId: 'The host',
          species: 'The species',
          note: 'The note',
          walkOrder: 'The walking order',
          variety: 'The variety',
        })
      : noTree;
  },
});
