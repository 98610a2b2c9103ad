import { refuse, type Result } from '@/lib/result';
import sharp from 'sharp';
import { z } from 'zod';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { addPhoto } from '@/store/photos';

/** Pixels that are still decoded: four times what a good phone takes. */
const MOST_PIXELS = 80_000_000;
const SIDE = 1600;

/** Keeps a photo of a tree: judged by its content, made small, and freed from all but the picture unless asked otherwise. */
export const savePhoto = command({
  name: 'save-photo',
  right: 'measure',
  schema: z.object({
    id: uuid,
    treeId: uuid,
    /** The sign that it shows. */
    sign: z.string().min(1).max(60).nullable().default(null),
    /** Where and when it was taken stays in it only when somebody says so. */
    location: z.enum(['keep', 'strip']).default('strip'),
    picture: z.base64('This is not a photo in base64.').min(1, 'The file is empty.').max(34_000_000, 'At most 25 MB.'),
  }),
  once: (x) => x.id,
  prepare: async (p) => {
    if (!isPhoto(Buffer.from(p.picture.slice(0, 64), 'base64')))
      return refuse('picture', 'This file is not a photo that can be read. Send a JPEG, PNG, WebP or AVIF.');
    const made = await inTurn(() => smaller(Buffer.from(p.picture, 'base64'), p.location === 'keep'));
    return made
      ? { ok: true, value: { ...p, picture: made.toString('base64') } }
      : refuse('picture', 'This file is not a photo that can be read. Send a JPEG, PNG, WebP or AVIF.');
  },
  run: async ({ viewer }, p): Promise<Result<{ id: string; width: number; height: number }>> => {
    const bytes = Buffer.from(p.picture, 'base64');
    const { width, height } = await sharp(bytes).metadata();
    const photo = {
      id: p.id,
      treeId: p.treeId,
      width,
      height,
      locationKept: p.location === 'keep',
      sign: p.sign,
      bytes,
    };
    return (await addPhoto(viewer, photo))
      ? { ok: true, value: { id: p.id, width, height } }
      : refuse('treeId', 'There is no such tree in this company.');
  },
});

/** Whether a file begins as a photo does: JPEG, PNG, WebP, AVIF or HEIC. A drawing (SVG) is a program, and is none. */
function isPhoto(head: Buffer): boolean {
  const text = (from: number, to: number) => head.toString('latin1', from, to);
  return (
    (head[0] === 0xff && head[1] === 0xd8 && head[2] === 0xff) ||
    text(0, 8) === '\x89PNG\r\n\x1a\n' ||
    (text(0, 4) === 'RIFF' && text(8, 12) === 'WEBP') ||
    (text(4, 8) === 'ftyp' && /^(avi[fs]|hei[cfsx]|hev[cx]|mif1|msf1)/.test(text(8, 12)))
  );
}

/** Pictures are made small one after another: each takes a core and its memory for a moment. */
let turn: Promise<unknown> = Promise.resolve();
const inTurn = <T>(work: () => Promise<T>): Promise<T> => {
  const mine = turn.then(work, work);
  turn = mine.catch(() => {});
  return mine;
};

/** The picture as a small JPEG, turned as the camera meant; null when it is none. */
async function smaller(bytes: Buffer, withSite: boolean): Promise<Buffer | null> {
  try {
    // No metadata is written unless told to; turning by the camera's own flag comes first.
    const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .rotate()
      .resize(SIDE, SIDE, { fit: 'inside', withoutEnlargement: true });
    return await (withSite ? picture.keepExif() : picture).jpeg({ quality: 82, mozjpeg: true }).toBuffer();
  } catch {
    return null;
  }
}
