import Papa from 'papaparse';
import { v7 } from 'uuid';
import { z } from 'zod';
import { uuid } from '@/core/book/record';
import { COLUMNS, looksLikeText, parserFaults, readTrees } from '@/core/exchange/trees-csv';
import { hosts } from '@/knowledge';
import { addTrees, getPlace, nextWalkOrder, takenTags } from '@/store/grounds';
import { databaseSentence, NOT_YOUR_FAULT } from '@/commands/command';
import { bodyOf, faulty, route } from '../../_server/api';

const MOST = 20_000;
const body = z.object({
  placeId: z.string().refine((x) => uuid.safeParse(x).success, 'Choose the place.'),
  mapping: z.object(
    Object.fromEntries(COLUMNS.map((c) => [c, z.string().max(200).nullable()])) as Record<
      (typeof COLUMNS)[number],
      z.ZodNullable<z.ZodString>
    >,
  ),
  units: z.object({ trunk: z.enum(['mm', 'cm', 'in']), height: z.enum(['m', 'ft']) }),
  csv: z.string().max(9_000_000, 'A list may have 8 MB at most.'),
});

/** Reads a tree list and writes all of it or nothing; the answer is one JSON line a step, so that progress can be shown. */
export const POST = route('edit grounds', async (v, request) => {
  const sent = await bodyOf(request, 12_000_000);
  if (!sent.ok) return sent.fault;
  const read = body.safeParse(sent.value);
  if (!read.success)
    return faulty(400, { path: read.error.issues[0]!.path.join('.'), sentence: read.error.issues[0]!.message });
  const { placeId, mapping, units, csv } = read.data;
  const lines = (work: (say: (line: object) => void) => Promise<void>) => {
    const encoder = new TextEncoder();
    return new Response(
      new ReadableStream({
        async start(controller) {
          const say = (line: object) => controller.enqueue(encoder.encode(JSON.stringify(line) + '\n'));
          try {
            await work(say);
          } catch (error) {
            const sentence = databaseSentence(error);
            if (!sentence) console.error(error);
            say({
              sentence: sentence ? `Nothing was written. ${sentence}` : NOT_YOUR_FAULT,
            });
          }
          controller.close();
        },
      }),
      { headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' } },
    );
  };
  return lines(async (say) => {
    if (!(await getPlace(v, placeId))) return say({ sentence: 'There is no such place in this outfit.' });
    if (!looksLikeText(csv)) return say({ sentence: 'This is not a text file. Save the list as CSV (UTF-8).' });
    const parsed = Papa.parse<Record<string, string>>(csv.replace(/^\ufeff/, ''), {
      header: true,
      skipEmptyLines: 'greedy',
    });
    if (parsed.data.length > MOST) return say({ sentence: `${MOST} rows at a time is the most.` });
    const tags = mapping.tag ? parsed.data.map((r) => (r[mapping.tag!] ?? '').trim()).filter(Boolean) : [];
    const known = new Map(
      hosts.flatMap((h) => [h.id, h.name.toLowerCase(), h.latin.toLowerCase()].map((k) => [k, h] as const)),
    );
    const { trees, faults } = readTrees(parsed.data, {
      mapping,
      units,
      hosts: known,
      taken: new Set(await takenTags(v, placeId, tags)),
    });
    const all = [...parserFaults(parsed.errors), ...faults];
    if (all.length) return say({ faults: all.slice(0, 1000) });
    const from = await nextWalkOrder(v, placeId);
    await addTrees(
      v,
      trees.map((t, i) => ({
        id: v7(),
        placeId,
        tag: t.tag,
        hostId: t.hostId,
        lat: t.lat,
        lon: t.lon,
        walkOrder: t.walkOrder ?? from + i,
        note: t.note,
        ...(t.diameterCm === null ? {} : { diameterCm: t.diameterCm, stems: t.stems, heightM: t.heightM }),
      })),
      v.breastHeightCm,
      v7,
      (done) => say({ done, of: trees.length }),
    );
    say({ written: trees.length });
  });
});
