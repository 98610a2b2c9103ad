import { db, type Sql } from './db';
import { tooOften } from './rate';
import { makeCompany, ownerSql, type TestCompany } from './testing';

let owner: Sql;
let o: TestCompany;
beforeAll(async () => {
  owner = ownerSql();
  o = await makeCompany(owner);
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
  await owner`update rate set began = now() - interval '61 seconds' where company_id = ${o.companyId}`;
  expect(await tooOften(o, rate)).toBeNull();
});

it('counts each thing and each company by itself', async () => {
  const theirs = await makeCompany(owner);
  const once = { what: 'photo', most: 1, seconds: 60 };
  expect(await tooOften(o, once)).toBeNull();
  expect(await tooOften(o, once)).toBeGreaterThan(0);
  expect(await tooOften(theirs, once)).toBeNull();
  expect(await tooOften(o, { ...once, what: 'offer' })).toBeNull();
});
