import { refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { tagsIn } from '@/core/site-map/tags';
import { getSite } from '@/store/sites';
import { putIntoSection, tagsAt } from '@/store/tree-list';
import { z } from 'zod';

/** Trees of a place stand in a section of it: by their tags, as somebody writes them on a list; an empty name takes them out. */
export const setSection = command({
  name: 'set-section',
  right: 'edit grounds',
  schema: z.object({
    siteId: uuid,
    section: z.string().trim().max(60, 'At most 60 characters.'),
    tags: z.string().trim().min(1, 'Say which tags, like 1–20, 33.').max(2000, 'At most 2000 characters.'),
  }),
  run: async ({ viewer }, p): Promise<Result<{ trees: number }>> => {
    if (!(await getSite(viewer, p.siteId))) return refuse('siteId', 'This place is not in this company.');
    const named = tagsIn(p.tags);
    if (!named.ok) return refuse('tags', named.sentence);
    const trees = (await tagsAt(viewer, p.siteId)).filter((t) => named.has(t.tag));
    if (!trees.length) return refuse('tags', 'No tree here wears one of these tags.');
    await putIntoSection(
      viewer,
      trees.map((t) => t.id),
      p.section,
    );
    return { ok: true, value: { trees: trees.length } };
  },
});
