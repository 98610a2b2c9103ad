import { savePhoto } from '@/commands/trees/save-photo';
import { bytesOf, issueResponse, route } from '../../_server/api';
import { performHere } from '../../_server/serve';

const MOST = 25_000_000;
/** What a fault of the command is over HTTP, by its place. */
const STATUS: Readonly<Record<string, number>> = { treeId: 404, picture: 415, id: 409 };

/** Takes one photo as it is, so that a phone need not hold it twice. */
export const POST = route(
  'measure',
  async (viewer, request) => {
    const asked = new URL(request.url).searchParams;
    const said = savePhoto.schema
      .omit({ picture: true })
      .safeParse({ ...Object.fromEntries(asked), treeId: asked.get('tree') });
    if (!said.success)
      return issueResponse(400, {
        path: String(said.error.issues[0]!.path[0]),
        message: 'The photo belongs to no tree that can be named.',
      });
    const body = await bytesOf(request, MOST);
    if (!body)
      return issueResponse(413, {
        path: 'photo',
        message: 'This photo is larger than 25 MB. Take it smaller and try again.',
      });
    if (body.length === 0) return issueResponse(400, { path: 'photo', message: 'The file is empty.' });
    const answer = await performHere(viewer, savePhoto, { ...said.data, picture: body.toString('base64') });
    return answer.ok
      ? Response.json(answer.value)
      : issueResponse(STATUS[answer.issues[0]!.path] ?? 400, ...answer.issues.map((f) => ({ ...f, path: 'photo' })));
  },
  { what: 'photos', most: 120, seconds: 60 },
);
