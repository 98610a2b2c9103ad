import { refuse, type Result } from '@/lib/result';
import { z } from 'zod';
import { v7 } from 'uuid';
import { command, refuseRows } from '@/commands/command';
import { dayIn, zonedInstant } from '@/lib/calendar/zone';
import { uuid } from '@/lib/ids';
import { toDegrees } from '@/core/exchange/positions';
import { speciesIndex } from '@/core/exchange/species';
import { eachOf, inTurns } from '@/lib/slices';
import { doubtSlices, LIST_DOUBTS } from '@/core/exchange/list-doubts';
import { looksLikeText, readTableInTurns } from '@/core/exchange/table';
import { COLUMNS, namesIn, treeSlices, unitIssues, type TreeRow } from '@/core/exchange/trees-csv';
import { findHost, hostsNow } from '@/knowledge';
import { addTrees, nextWalkOrder, takenTags, type NewTree } from '@/store/tree-list';
import { daySites, getSite } from '@/store/sites';
import { noteImport } from '@/store/imports';

/** Rows at a time. */
export const MOST_TREES = 50_000;

const column = z.string().max(200).nullable();

/** Brings a list of trees in: all of it, or nothing and what is wrong in which line. */
export const importTrees = command({
  name: 'import-trees',
  right: 'edit grounds',
  schema: z.object({
    id: uuid,
    siteId: z.string().refine((x) => uuid.safeParse(x).success, 'Choose the place.'),
    mapping: z.object(
      Object.fromEntries(COLUMNS.map((c) => [c, column.default(null)])) as Record<
        (typeof COLUMNS)[number],
        z.ZodDefault<typeof column>
      >,
    ),
    units: z.object({ trunk: z.enum(['mm', 'cm', 'in']), height: z.enum(['m', 'ft']) }),
    /** What species that no host is called by are, by the species as it is written. */
    species: z
      .record(z.string().max(400), z.string())
      .refine((said) => Object.values(said).every((h) => findHost(h) !== null), 'Choose a host from the list.')
      .default({}),
    /** The EPSG number of eastings and northings; empty for degrees. */
    system: z.string().max(20).default(''),
    /** The day on which trunks without one of their own were measured; empty while nobody has said. */
    measuredOn: z.union([z.literal(''), z.iso.date('Give a day that exists, like 2026-05-14.')]).default(''),
    /** Lines of the file that are no trees (a sum, a stump, an empty site) and stay out. */
    leaveOut: z.array(z.number().int().min(1)).max(MOST_TREES).default([]),
    /** How the list is called afterwards; as a rule the name of its file. */
    name: z.string().trim().max(200, 'At most 200 characters.').default(''),
    /** What the list as a whole was asked, and somebody has said is right. */
    sure: z.array(z.enum(LIST_DOUBTS)).max(LIST_DOUBTS.length).default([]),
    csv: z.string().max(16_000_000, 'A list may have 16 MB at most.'),
  }),
  once: (x) => x.id,
  run: async ({ viewer, receivedAt, progress }, sent): Promise<Result<{ written: number }>> => {
    const place = await getSite(viewer, sent.siteId);
    if (!place) return refuse('siteId', 'There is no such place in this company.');
    if (!looksLikeText(sent.csv)) return refuse('csv', 'This is not a text file. Save the list as CSV (UTF-8).');
    const positions = sent.system ? toDegrees(sent.system) : null;
    if (sent.system && !positions) return refuse('system', 'This coordinate system is not known.');
    const mixed = unitIssues(sent.mapping, sent.units);
    if (mixed.length) return { ok: false, issues: mixed };
    const whole = await readTableInTurns(sent.csv, namesIn);
    const out = new Set(sent.leaveOut);
    const table = { ...whole, rows: whole.rows.filter((r) => !out.has(r.line)) };
    if (table.rows.length > MOST_TREES) return refuse('csv', `${MOST_TREES} rows at a time is the most.`);
    const { tag } = sent.mapping;
    const tags = tag ? table.rows.map((r) => r.cells[tag] ?? '').filter(Boolean) : [];
    const today = dayIn(receivedAt, place.timeZone);
    if (sent.measuredOn > today) return refuse('measuredOn', 'This day has not come yet.');
    const reading = treeSlices(table.rows, {
      mapping: sent.mapping,
      units: sent.units,
      hosts: new Map(hostsNow().map((h) => [h.id, h])),
      // Laid out for each list: so many guesses are for one list, and not for all that ever come.
      species: speciesIndex(hostsNow()),
      chosen: sent.species,
      toDegrees: positions,
      measuredOn: sent.measuredOn || null,
      today,
      taken: new Set(await takenTags(viewer, sent.siteId, tags)),
    });
    const read = await inTurns(reading);
    const issues = [...table.issues, ...read.issues];
    if (issues.length) return refuseRows(issues, 1000);
    const [site] = await daySites(viewer, [sent.siteId], false);
    const sized = eachOf(read.trees, (t) => ({ ...t, largestCm: findHost(t.hostId)?.largestCm ?? null }));
    const spot = site && site.lat !== null && site.lon !== null ? { lat: site.lat, lon: site.lon } : null;
    const asked = await inTurns(doubtSlices(await inTurns(sized), spot));
    const doubts = asked.filter((d) => !sent.sure.includes(d.id));
    if (doubts.length) return { ok: false, issues: doubts.map((d) => ({ path: `sure.${d.id}`, message: d.sentence })) };
    await noteImport(viewer, {
      id: sent.id,
      siteId: sent.siteId,
      name: sent.name || `List of ${today}`,
      trees: read.trees.length,
    });
    const noonOf = noonsIn(place.timeZone);
    const from = await nextWalkOrder(viewer, sent.siteId);
    const fresh = eachOf(read.trees, (t, i) =>
      asNew(t, { importId: sent.id, siteId: sent.siteId, noonOf, walkOrder: from + i }),
    );
    await addTrees({
      scope: viewer,
      trees: await inTurns(fresh),
      breastHeightCm: viewer.breastHeightCm,
      readingId: v7,
      onProgress: (done) => progress?.(done, read.trees.length),
    });
    return { ok: true, value: { written: read.trees.length } };
  },
});

/** The noon of a day in a zone, looked up once for each day: a list has thousands of rows and few days. */
function noonsIn(timeZone: string): (day: string) => Date {
  const known = new Map<string, Date>();
  return (day) => {
    const noon = known.get(day) ?? new Date(zonedInstant(`${day}T12:00`, timeZone)!);
    known.set(day, noon);
    return noon;
  };
}

/** A row of the list as a tree that hangs; a trunk measured on a day was measured at its noon, in the place's own zone. */
function asNew(
  row: TreeRow,
  at: { importId: string; siteId: string; noonOf: (day: string) => Date; walkOrder: number },
): NewTree {
  return {
    id: v7(),
    importId: at.importId,
    siteId: at.siteId,
    tag: row.tag,
    hostId: row.hostId,
    species: row.species,
    lat: row.lat,
    lon: row.lon,
    walkOrder: row.walkOrder ?? at.walkOrder,
    note: row.note,
    section: row.section,
    reading:
      row.diameterCm === null
        ? null
        : {
            at: at.noonOf(row.measuredOn!),
            diameterCm: row.diameterCm,
            stems: row.stems,
            heightM: row.heightM,
            method: 'import',
          },
  };
}
