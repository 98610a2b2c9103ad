import { failed } from '@/app/_server/failed';
import { importTrees } from '@/commands/sites/import-trees';
import { databaseSentence, SERVER_FAILED } from '@/commands/command';
import { bodyOf, issueResponse, route } from '../../_server/api';
import { performHere } from '../../_server/serve';

/** Brings a list in, all of it or nothing; the answer is one JSON line a step, so that progress can be shown. */
export const POST = route(
  'edit grounds',
  async (viewer, request) => {
    const sent = await bodyOf(request, 24_000_000);
    if (!sent.ok) return sent.issue;
    const read = importTrees.schema.safeParse(sent.value);
    if (!read.success)
      return issueResponse(
        400,
        ...read.error.issues.map((i) => ({ path: i.path.join('.'), message: i.message })).slice(0, 20),
      );
    const encoder = new TextEncoder();
    const lines = new ReadableStream({
      async start(controller) {
        const say = (line: object) => controller.enqueue(encoder.encode(JSON.stringify(line) + '\n'));
        try {
          const answer = await performHere(viewer, importTrees, sent.value, (done, of) => say({ done, of }));
          say(answer.ok ? { written: answer.value.written } : { issues: answer.issues });
        } catch (error) {
          await failed(error);
          say({ issues: [{ path: '', message: databaseSentence(error) ?? SERVER_FAILED }] });
        }
        controller.close();
      },
    });
    return new Response(lines, { headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' } });
  },
  { what: 'import', most: 12, seconds: 60 },
);
