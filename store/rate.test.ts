import { db, type Sql } from './db';
import { tooOften } from './rate';
import { makeOutfit, ownerSql, type TestOutfit } from './testing';

let owner: Sql;
let o: TestOutfit;
beforeAll(async () => {
  owner = ownerSql();
  o = await makeOutfit(owner);
});
afterAll(async () => {
  await owner.end();
  await db().end();
});

it('lets pass as many as it may in its window, many at once too, and begins anew after it', async () => {
  const rate = { what: 'import', most: 5, seconds: 60 };
  const many = await Promise.all(Array.from({ length: 12 }, () => tooOften(o, rate)));
  expect(many.filter((wait) => wait === null)).toHaveLength(5);
  for (const wait of many) if (wait !== null) expect(wait).toBeLessThanOrEqual(60);
  await owner`update rate set began = now() - interval '61 seconds' where outfit_id = ${o.outfitId}`;
  expect(await tooOften(o, rate)).toBeNull();
});

it('counts each thing and each outfit by itself', async () => {
  const theirs = await makeOutfit(owner);
  const once = { what: 'photo', most: 1, seconds: 60 };
  expect(await tooOften(o, once)).toBeNull();
  expect(await tooOften(o, once)).toBeGreaterThan(0);
  expect(await tooOften(theirs, once)).toBeNull();
  expect(await tooOften(o, { ...once, what: 'offer' })).toBeNull();
});
