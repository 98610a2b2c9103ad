import { issuesOf, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { labelSchema } from '@/core/label/schema';
import { addLabel } from '@/store/stock';
import { v7 } from 'uuid';
import { z } from 'zod';

/** A label from its file: the schema's own sentences name the place of every fault. */
export const importLabel = command({
  name: 'import-label',
  right: 'keep the shelf',
  schema: z.object({ text: z.string().max(400_000, 'A label file has at most 400 kB.') }),
  run: async ({ viewer }, { text }): Promise<Result<{ name: string; version: number }>> => {
    let data: unknown;
    try {
      data = JSON.parse(text);
    } catch {
      return refuse('label', 'This file is not JSON. docs/label-format.md shows what a label looks like.');
    }
    const read = labelSchema.safeParse(data);
    if (!read.success)
      return {
        ok: false,
        issues: issuesOf(read.error)
          .slice(0, 12)
          .map((f) => ({ path: 'label', message: `${f.path || 'The file'}: ${f.message}` })),
      };
    const version = await addLabel(viewer, v7(), read.data);
    return { ok: true, value: { name: read.data.name, version } };
  },
});
