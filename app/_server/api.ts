import type { Issue } from '@/lib/result';
import { AsyncLocalStorage } from 'node:async_hooks';
import { may, refusal, type Right } from '@/core/people/rights';
import type { Viewer } from '@/store/auth';
import { databaseSentence, SERVER_FAILED } from '@/commands/command';
import { tooOften, type Rate } from '@/store/rate';
import { withCustomKnowledge } from '@/facts/custom-knowledge';
import { failed } from './failed';
import { currentViewer } from './viewer';

export const issueResponse = (status: number, ...issues: Issue[]) => Response.json({ issues }, { status });

const tooMany = (seconds: number) =>
  Response.json(
    { issues: [{ path: '', message: `That was asked very often. Wait ${seconds} seconds and try again.` }] },
    { status: 429, headers: { 'retry-after': String(seconds) } },
  );

/** Whether a request that changes something comes from our own pages. */
export function fromHere(request: Request): boolean {
  const site = request.headers.get('sec-fetch-site');
  if (site !== null) return site === 'same-origin';
  // What says nothing of its site (an older browser, a program) may still say where it comes from.
  const origin = request.headers.get('origin');
  if (origin === null) return true;
  const host = request.headers.get('x-forwarded-host') ?? request.headers.get('host');
  return URL.canParse(origin) && new URL(origin).host === host;
}

/**
 * The bytes of a request, read no further than they may go: the declared length is not believed, what comes in pieces is
 * counted while it comes.
 * @param most bytes
 * @returns null where there are more
 */
export async function bytesOf(request: Request, most: number): Promise<Buffer | null> {
  if (Number(request.headers.get('content-length') ?? 0) > most) return null;
  const pieces: Uint8Array[] = [];
  let length = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { value, done } = await reader.read();
    if (done) break;
    length += value.length;
    if (length > most) {
      await reader.cancel();
      return null;
    }
    pieces.push(value);
  }
  return Buffer.concat(pieces);
}

/**
 * The JSON of a request; a body that is longer than it may be, or no JSON, is a fault.
 * @param most bytes
 */
export async function bodyOf(
  request: Request,
  most: number,
): Promise<{ ok: true; value: unknown } | { ok: false; issue: Response }> {
  const body = await bytesOf(request, most);
  if (!body)
    return {
      ok: false,
      issue: issueResponse(413, { path: '', message: `At most ${Math.floor(most / 1000)} kB can be sent at once.` }),
    };
  try {
    return { ok: true, value: JSON.parse(body.toString('utf8')) as unknown };
  } catch {
    return { ok: false, issue: issueResponse(400, { path: '', message: 'This is not JSON.' }) };
  }
}

/** Wraps a route: the session, the right, for writes where the request comes from, and a sentence instead of a crash. */
export function route(
  right: Right | null,
  work: (viewer: Viewer, request: Request, params: Record<string, string>) => Promise<Response>,
  /** How often one person may. */
  rate?: Rate,
) {
  return async (request: Request, context: { params: Promise<Record<string, string>> }): Promise<Response> => {
    try {
      const viewer = await currentViewer();
      if (!viewer) return issueResponse(401, { path: '', message: 'Sign in first.' });
      if (right && !may(viewer.role, right))
        return issueResponse(403, { path: '', message: refusal(viewer.role, right) });
      if (request.method !== 'GET' && !fromHere(request))
        return issueResponse(403, { path: '', message: 'This request comes from another site.' });
      const wait = rate ? await tooOften(viewer, rate) : null;
      if (wait !== null) return tooMany(wait);
      const params = await context.params;
      const answer = await withCustomKnowledge(viewer, () => work(viewer, request, params));
      // What is one person's is kept by no cache, unless the route has said for how long.
      if (!answer.headers.has('cache-control')) answer.headers.set('cache-control', 'private, no-store');
      return answer;
    } catch (error) {
      const sentence = databaseSentence(error);
      if (sentence) return issueResponse(409, { path: '', message: sentence });
      await failed(error);
      return issueResponse(503, { path: '', message: SERVER_FAILED });
    }
  };
}

/** A file that is written while it is read, piece by piece. */
export function download(name: string, type: string, pieces: AsyncGenerator<string>): Response {
  const encoder = new TextEncoder();
  // What is read later still belongs to whoever asked: names of hosts of their own among it.
  const asAsked = AsyncLocalStorage.snapshot();
  const stream = new ReadableStream<Uint8Array>({
    async pull(controller) {
      try {
        const { value, done } = await asAsked(() => pieces.next());
        if (done) controller.close();
        else controller.enqueue(encoder.encode(value));
      } catch (error) {
        await failed(error);
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
