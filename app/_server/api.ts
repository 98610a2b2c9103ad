import { may, refusal, type Right } from '@/core/people/rights';
import type { Fault } from '@/core/book/write';
import type { Viewer } from '@/store/auth';
import { databaseSentence, NOT_YOUR_FAULT } from '@/commands/command';
import { currentViewer } from './viewer';

export const faulty = (status: number, ...faults: Fault[]) => Response.json({ faults }, { status });

/** Whether a request that changes something comes from our own pages. */
const fromHere = (request: Request) => {
  const site = request.headers.get('sec-fetch-site');
  return site === null || site === 'same-origin';
};

/**
 * The JSON of a request, read no further than it may go; a body that is longer, or no JSON, is a fault.
 * @param most bytes
 */
export async function bodyOf(
  request: Request,
  most: number,
): Promise<{ ok: true; value: unknown } | { ok: false; fault: Response }> {
  const tooLong = faulty(413, { path: '', sentence: `At most ${Math.floor(most / 1000)} kB can be sent at once.` });
  if (Number(request.headers.get('content-length') ?? 0) > most) return { ok: false, fault: tooLong };
  const pieces: Uint8Array[] = [];
  let length = 0;
  const reader = request.body?.getReader();
  // The declared length is not believed; what comes in pieces is counted while it comes.
  while (reader) {
    const { value, done } = await reader.read();
    if (done) break;
    length += value.length;
    if (length > most) {
      await reader.cancel();
      return { ok: false, fault: tooLong };
    }
    pieces.push(value);
  }
  try {
    return { ok: true, value: JSON.parse(Buffer.concat(pieces).toString('utf8')) as unknown };
  } catch {
    return { ok: false, fault: faulty(400, { path: '', sentence: 'This is not JSON.' }) };
  }
}

/** Wraps a route: the session, the right, for writes where the request comes from, and a sentence instead of a crash. */
export function route(
  right: Right | null,
  work: (viewer: Viewer, request: Request, params: Record<string, string>) => Promise<Response>,
) {
  return async (request: Request, context: { params: Promise<Record<string, string>> }): Promise<Response> => {
    try {
      const viewer = await currentViewer();
      if (!viewer) return faulty(401, { path: '', sentence: 'Sign in first.' });
      if (right && !may(viewer.role, right)) return faulty(403, { path: '', sentence: refusal(viewer.role, right) });
      if (request.method !== 'GET' && !fromHere(request))
        return faulty(403, { path: '', sentence: 'This request comes from another site.' });
      return await work(viewer, request, await context.params);
    } catch (error) {
      const sentence = databaseSentence(error);
      if (sentence) return faulty(409, { path: '', sentence });
      console.error(error);
      return faulty(503, { path: '', sentence: NOT_YOUR_FAULT });
    }
  };
}

/** A file that is written while it is read, piece by piece. */
export function download(name: string, type: string, pieces: AsyncGenerator<string>): Response {
  const encoder = new TextEncoder();
  const stream = new ReadableStream<Uint8Array>({
    async pull(controller) {
      try {
        const { value, done } = await pieces.next();
        if (done) controller.close();
        else controller.enqueue(encoder.encode(value));
      } catch (error) {
        console.error(error);
        controller.error(error);
      }
    },
  });
  return new Response(stream, {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename="${name}"`,
      'cache-control': 'no-store',
    },
  });
}
