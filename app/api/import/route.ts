import { failed } from '@/app/_server/failed';
import { bringTrees } from '@/commands/grounds/bring-trees';
import { databaseSentence, NOT_YOUR_FAULT } from '@/commands/command';
import { bodyOf, faulty, route } from '../../_server/api';
import { performHere } from '../../_server/serve';

/** Brings a list in, all of it or nothing; the answer is one JSON line a step, so that progress can be shown. */
export const POST = route(
  'edit grounds',
  async (viewer, request) => {
    const sent = await bodyOf(request, 24_000_000);
    if (!sent.ok) return sent.fault;
    const read = bringTrees.schema.safeParse(sent.value);
    if (!read.success)
      return faulty(
        400,
        ...read.error.issues.map((i) => ({ path: i.path.join('.'), sentence: i.message })).slice(0, 20),
      );
    const encoder = new TextEncoder();
    const lines = new ReadableStream({
      async start(controller) {
        const say = (line: object) => controller.enqueue(encoder.encode(JSON.stringify(line) + '\n'));
        try {
          const answer = await performHere(viewer, bringTrees, sent.value, (done, of) => say({ done, of }));
          say(answer.ok ? { written: answer.value.written } : { faults: answer.faults });
        } catch (error) {
          await failed(error);
          say({ faults: [{ path: '', sentence: databaseSentence(error) ?? NOT_YOUR_FAULT }] });
        }
        controller.close();
      },
    });
    return new Response(lines, { headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' } });
  },
  { what: 'import', most: 12, seconds: 60 },
);
