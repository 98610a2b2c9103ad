import sharp from 'sharp';
import { v7 } from 'uuid';
import { doneBy, ownCompany } from '@/commands/testing';
import { loadViewer } from '@/store/auth';
import { getPhoto } from '@/store/photos';
import { makeCompany } from '@/store/testing';
import { savePhoto } from './save-photo';

const made = ownCompany();
const send = (input: object, who = made.viewer) =>
  doneBy(savePhoto, who, { id: v7(), treeId: made.o.treeId, ...input });
const picture = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#556609' } })
    .withExif({ IFD0: { Make: 'a camera', Copyright: 'a person' } })
    .jpeg()
    .toBuffer()
    .then((b) => b.toString('base64'));

it('keeps it small, and free from what the camera wrote unless somebody wants it', async () => {
  const large = await picture(3200, 800);
  const id = v7();
  expect(await send({ id, picture: large })).toEqual({ ok: true, value: { id, width: 1600, height: 400 } });
  expect((await sharp((await getPhoto(made.o, id))!).metadata()).exif).toBeUndefined();
  const kept = v7();
  await send({ id: kept, picture: large, location: 'keep' });
  expect((await sharp((await getPhoto(made.o, kept))!).metadata()).exif).toBeDefined();
});

it('three times the same is one photo; another under the same id is refused', async () => {
  const id = v7();
  const [one, two] = [await picture(40, 30), await picture(30, 40)];
  const first = await send({ id, picture: one });
  expect(await send({ id, picture: one })).toEqual(first);
  expect(await send({ id, picture: two })).toMatchObject({ ok: false, issues: [{ path: 'id' }] });
  expect((await made.owner`select from photo where id = ${id}`).length).toBe(1);
});

it.each([
  ['text', Buffer.from('no picture').toString('base64')],
  ['nothing', ''],
  ['what is no base64', '%%%'],
])('%s is no photo', async (_, bytes) => expect(await send({ picture: bytes })).toMatchObject({ ok: false }));

it('a tree of another company gets none', async () => {
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await send({ picture: await picture(8, 8) }, theirs)).toMatchObject({
    ok: false,
    issues: [{ path: 'treeId' }],
  });
});
