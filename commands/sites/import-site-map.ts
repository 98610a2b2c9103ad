import { refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { toDegrees } from '@/core/exchange/positions';
import { readGeoJson, type ReadPlan } from '@/core/site-map/geojson';
import { v7 } from 'uuid';
import { z } from 'zod';

/** Reads a file into a plan that is shown before it is kept; nothing is written. */
export const importSiteMap = command({
  name: 'import-site-map',
  right: 'edit grounds',
  schema: z.object({ siteId: uuid, text: z.string().max(1_000_000, 'A plan has at most 1 MB.') }),
  run: async (_context, { text }): Promise<Result<ReadPlan>> => {
    const read = readGeoJson(text, v7, toDegrees);
    return read.ok ? { ok: true, value: read.value } : refuse(read.path, read.message);
  },
});
