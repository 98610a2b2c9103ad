import { refuse, type Result } from '@/lib/result';
import { inTurns } from '@/lib/slices';
import { command, refuseRows } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { looksLikeText, readTableInTurns } from '@/core/exchange/table';
import { hourSlices, weatherNamesIn } from '@/core/exchange/weather-csv';
import { weatherReadingSchema } from '@/core/exchange/weather-reading';
import { getSite } from '@/store/sites';
import { keepHours } from '@/store/season';
import { z } from 'zod';

/** Rows at a time: more than three years of hours. */
const MOST_ROWS = 30_000;

/** Brings the readings of a station at a place in: all of a file, or nothing and what is wrong in which line. */
export const importReadings = command({
  name: 'import-readings',
  right: 'edit grounds',
  schema: z.object({
    id: uuid,
    siteId: uuid,
    reading: weatherReadingSchema,
    csv: z.string().max(1_900_000, 'At most 1.9 MB at a time: about four years of hours.'),
  }),
  once: (x) => x.id,
  run: async (
    { viewer, receivedAt },
    { siteId, reading, csv },
  ): Promise<Result<{ hours: number; days: number; missing: number }>> => {
    const place = await getSite(viewer, siteId);
    if (!place) return refuse('siteId', 'There is no such place in this company.');
    if (!looksLikeText(csv)) return refuse('csv', 'This is not a text file. Save the readings as CSV (UTF-8).');
    const table = await readTableInTurns(csv, weatherNamesIn);
    if (!table.rows.length) return refuse('csv', 'There are no rows under a line of column names.');
    if (table.rows.length > MOST_ROWS) return refuse('csv', `${MOST_ROWS} rows at a time is the most.`);
    const read = await inTurns(hourSlices(table.rows, reading, place.timeZone, receivedAt));
    const issues = [...table.issues, ...read.issues];
    if (issues.length) return refuseRows(issues, 200);
    const days = await keepHours({ scope: viewer, siteId, timeZone: place.timeZone, hours: read.hours, reading });
    return {
      ok: true,
      value: { hours: read.hours.length, days, missing: read.gaps.reduce((sum, g) => sum + g.hours, 0) },
    };
  },
});
