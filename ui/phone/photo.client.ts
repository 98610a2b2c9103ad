'use client';

import { queueWrite } from './outbox.client';

/** Pixels of the longer side that the server keeps; no more waits on a phone. */
const SIDE = 1600;

const base64Of = (blob: Blob): Promise<string> =>
  new Promise((done, fail) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result).split(',')[1] ?? '');
    reader.onerror = () => fail(new Error('this picture cannot be read'));
    reader.readAsDataURL(blob);
  });

/**
 * Keeps a photo on this phone to be sent in its turn: made as small as the server keeps it, and freed of where and when it was
 * taken. @returns false where it cannot be kept
 */
export async function savePhotoHere(
  file: File,
  of: { id: string; treeId: string; sign: string | null },
): Promise<boolean> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const part = Math.min(1, SIDE / Math.max(picture.width, picture.height));
  const canvas = new OffscreenCanvas(Math.round(picture.width * part), Math.round(picture.height * part));
  canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  const small = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.82 });
  const input = { ...of, location: 'strip', picture: await base64Of(small) };
  return queueWrite({ id: of.id, verb: 'save-photo', what: 'A photo', input });
}
