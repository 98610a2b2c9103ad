import sharp from 'sharp';
import { z } from 'zod';
import { uuid } from '@/core/book/record';
import { addPhoto } from '@/store/photos';
import { faulty, route } from '../../_server/api';

const MOST = 25_000_000;
const query = z.object({
  id: uuid,
  tree: uuid,
  location: z.enum(['keep', 'strip']).default('strip'),
  sign: z.string().min(1).max(60).optional(),
});

/** Reads a body up to `most` bytes; null when there is more, without holding more than that. */
async function readBody(request: Request, most: number): Promise<Buffer | null> {
  if (Number(request.headers.get('content-length') ?? 0) > most) return null;
  const parts: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.length;
    if (size > most) {
      await reader.cancel();
      return null;
    }
    parts.push(value);
  }
  return Buffer.concat(parts);
}

/** Takes one photo: judged by its content, made small, and freed from everything but the picture unless asked otherwise. */
export const POST = route('measure', async (v, request) => {
  const q = query.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!q.success)
    return faulty(400, {
      path: String(q.error.issues[0]!.path[0]),
      sentence: 'The photo belongs to no tree that can be named.',
    });
  const body = await readBody(request, MOST);
  if (!body)
    return faulty(413, { path: 'photo', sentence: 'This photo is larger than 25 MB. Take it smaller and try again.' });
  if (body.length === 0) return faulty(400, { path: 'photo', sentence: 'The file is empty.' });
  let made;
  try {
    // Sharp writes no metadata unless told to; turning by the camera's own flag comes first.
    const picture = sharp(body, { limitInputPixels: 80_000_000, failOn: 'error' })
      .rotate()
      .resize(1600, 1600, { fit: 'inside', withoutEnlargement: true });
    made = await (q.data.location === 'keep' ? picture.keepExif() : picture)
      .jpeg({ quality: 82, mozjpeg: true })
      .toBuffer({ resolveWithObject: true });
  } catch {
    return faulty(415, {
      path: 'photo',
      sentence: 'This file is not a photo that can be read. Send a JPEG, PNG, WebP or AVIF.',
    });
  }
  const kept = await addPhoto(v, {
    id: q.data.id,
    treeId: q.data.tree,
    width: made.info.width,
    height: made.info.height,
    locationKept: q.data.location === 'keep',
    sign: q.data.sign ?? null,
    bytes: made.data,
  });
  return kept
    ? Response.json({ id: q.data.id, width: made.info.width, height: made.info.height })
    : faulty(404, { path: 'tree', sentence: 'There is no such tree in this outfit.' });
});
