import { commandNamed } from '@/commands';
import { bodyOf, issueResponse, route } from '../../../../_server/api';
import { performHere } from '../../../../_server/serve';

/** One command over plain HTTP, at an address that stays from build to build; JSON in, the answer of the command out. */
export const POST = route(
  null,
  async (viewer, request, { name }) => {
    const verb = commandNamed(name!);
    if (!verb) return issueResponse(404, { path: '', message: 'There is no such command.' });
    const sent = await bodyOf(request, 2_500_000);
    if (!sent.ok) return sent.issue;
    const answer = await performHere(viewer, verb, sent.value);
    return Response.json(answer, { status: answer.ok ? 200 : 422, headers: { 'cache-control': 'no-store' } });
  },
  { what: 'commands', most: 1200, seconds: 60 },
);
