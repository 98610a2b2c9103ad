import { v7 } from 'uuid';
import { db, within, type Sql } from './db';
import { addTrees, exportTrees, siteTrees } from './tree-list';
import { getSite, upsertSite } from './sites';
import { getSiteMap, upsertSiteMap } from './site-map';
import { searchTrees } from './tree-search';
import { migrate, MigrationRefused } from './migrate';
import {
  calendarOwner,
  checkPassword,
  endSession,
  floorOf,
  hashPassword,
  makeReset,
  newCalendarToken,
  openSessions,
  resetFor,
  setPassword,
  signIn,
  signOutEverywhere,
  useReset,
} from './auth';
import { EMPTY_SITE_MAP } from '@/core/site-map/site-map';
import { insertPerson, changePerson, listPeople } from './people';
import { makeCompany, ownerSql, ownerUrl, type TestCompany } from './testing';

let owner: Sql;
let o: TestCompany;
beforeAll(async () => {
  owner = ownerSql();
  o = await makeCompany(owner);
  await addTrees({
    scope: o,
    trees: Array.from({ length: 1200 }, (_, i) => ({
      id: v7(),
      siteId: o.siteId,
      tag: `${i % 2 ? 'A' : 'b'}${i}`,
      hostId: i % 3 ? 'wych-elm' : 'common-ash',
      lat: null,
      lon: null,
      walkOrder: i,
      section: '',
      note: '',
      species: i === 7 ? 'Paulownia tomentosa' : '',
      reading: i % 2 ? { at: new Date(), diameterCm: 30, stems: [], heightM: null, method: 'tape' } : null,
    })),
    breastHeightCm: 130,
    readingId: v7,
  });
});
afterAll(async () => {
  await owner.end();
  await db().end();
});
const find = (words: string[], after: { tag: string; id: string } | null = null, limit = 50) =>
  searchTrees(o, { words, hostsOfWord: words.map((w) => (w === 'elm' ? ['wych-elm'] : [])), after, limit });

it('finds by tag, host, place and client, by several words at once, whatever the case', async () => {
  expect((await find(['a7'])).map((t) => t.tag)).toContain('A7');
  expect((await find(['A7', 'elm'])).every((t) => t.hostId === 'wych-elm' && t.tag.startsWith('A7'))).toBe(true);
  expect((await find(['client', 'A11'])).map((t) => t.tag)).toContain('A11');
  expect((await find(['paulownia'])).map((t) => t.tag)).toEqual(['A7']);
  expect(await find(['paulownia', 'A9'])).toEqual([]);
  expect(await find(['%'])).toEqual([]);
  expect(await find(["'; drop table tree; --"])).toEqual([]);
});

it('pages through all of it, each tree once, in natural order', async () => {
  const seen: string[] = [];
  for (let after: { tag: string; id: string } | null = null; ;) {
    const rows = await find([], after, 100);
    seen.push(...rows.slice(0, 100).map((r) => r.tag));
    if (rows.length <= 100) break;
    after = rows[99]!;
  }
  expect(seen).toHaveLength(1201);
  expect(new Set(seen).size).toBe(1201);
  expect(seen.indexOf('A9')).toBeLessThan(seen.indexOf('A11'));
  let walked = 0;
  for (let after: { walkOrder: number; id: string } | null = null; ;) {
    const rows = await siteTrees(o, o.siteId, after, 400);
    walked += Math.min(rows.length, 400);
    if (rows.length <= 400) break;
    after = rows[399]!;
  }
  expect(walked).toBe(1201);
  let out = 0;
  for await (const rows of exportTrees(o, null)) out += rows.length;
  expect(out).toBe(1201);
});

it('an import is all or nothing', async () => {
  const good = {
    id: v7(),
    siteId: o.siteId,
    tag: 'Z1',
    hostId: 'wych-elm',
    lat: null,
    lon: null,
    walkOrder: 1,
    section: '',
    note: '',
    species: '',
    reading: null,
  };
  await expect(
    addTrees({ scope: o, trees: [good, { ...good, id: v7() }], breastHeightCm: 130, readingId: v7 }),
  ).rejects.toMatchObject({ code: '23505' });
  expect(await find(['Z1'])).toEqual([]);
});

it('lists run along an index, never through the whole table', async () => {
  await owner`analyze tree`;
  const plan = await within(o, async (tx) => {
    await tx`set local enable_seqscan = off`;
    const rows = await tx<
      { 'QUERY PLAN': string }[]
    >`explain select id from tree where company_id = ${o.companyId} and archived_at is null and (tag collate natural_order, id) > ('b5', ${o.treeId}::uuid) order by tag collate natural_order, id limit 50`;
    return rows.map((r) => r['QUERY PLAN']).join('\n');
  });
  expect(plan).toContain('tree_by_tag');
  expect(plan).not.toContain('Seq Scan on tree');
});

it('migrations: a second run changes nothing, a changed file is refused', async () => {
  expect(await migrate(ownerUrl)).toEqual([]);
  await owner`update schema_migration set checksum = 'other' where version = 1`;
  await expect(migrate(ownerUrl)).rejects.toBeInstanceOf(MigrationRefused);
  const right = (await import('./migrate')).migrations()[0]!.checksum;
  await owner`update schema_migration set checksum = ${right} where version = 1`;
  await owner`insert into schema_migration (version, name, checksum) values (9999, 'future', 'x')`;
  await expect(migrate(ownerUrl)).rejects.toThrow(/newer than this Elmhorn knows/);
  await owner`delete from schema_migration where version = 9999`;
});

describe('signing in', () => {
  const email = () => `${o.personId}@test.example`;
  const machine = () => v7();
  beforeEach(
    async () =>
      void (await owner`update person set password_hash = ${await hashPassword('right-password')} where id = ${o.personId}`),
  );
  const tokenOf = async (password: string, from: string) => {
    const opened = await signIn(email(), password, from);
    return 'token' in opened ? opened.token : null;
  };

  it('opens a session; signing out everywhere ends every session and the calendar address', async () => {
    const token = (await tokenOf('right-password', machine()))!;
    expect((await floorOf(token, new Date()))?.viewer).toMatchObject({ companyId: o.companyId, role: 'owner' });
    const calendar = await newCalendarToken(o);
    expect(await calendarOwner(calendar)).not.toBeNull();
    await signOutEverywhere(o);
    expect(await floorOf(token, new Date())).toBeNull();
    expect(await calendarOwner(calendar)).toBeNull();
  });

  it('guessing is slowed where it comes from, and locks nobody out elsewhere', async () => {
    const [attacker, home] = [machine(), machine()];
    for (let i = 0; i < 8; i++)
      expect(await signIn(email(), 'wrong', attacker)).toEqual({ sentence: 'E-mail and password do not match.' });
    expect(await signIn(email(), 'right-password', attacker)).toEqual({
      sentence: expect.stringMatching(/Too many attempts/),
    });
    expect(await tokenOf('right-password', home)).not.toBeNull();
  });

  it('many guesses at once are counted like many one by one, and so are many addresses of one machine', async () => {
    const from = machine();
    const at = await Promise.all(Array.from({ length: 20 }, () => signIn(email(), 'wrong', from)));
    expect(at.filter((a) => 'sentence' in a && /match/.test(a.sentence))).toHaveLength(8);
    const one = machine();
    const many = await Promise.all(Array.from({ length: 40 }, (_, i) => signIn(`n${i}@test.example`, 'wrong', one)));
    expect(many.filter((a) => 'sentence' in a && /match/.test(a.sentence))).toHaveLength(30);
  });

  it('one desk that guesses shuts nobody out who came in from the same office before', async () => {
    const office = machine();
    expect(await tokenOf('right-password', office)).not.toBeNull();
    await Promise.all(Array.from({ length: 40 }, (_, i) => signIn(`m${i}@test.example`, 'wrong', office)));
    expect(await signIn('stranger@test.example', 'wrong', office)).toEqual({
      sentence: expect.stringMatching(/Too many attempts/),
    });
    expect(await tokenOf('right-password', office)).not.toBeNull();
  });

  it('a person sees where they are signed in and ends one of them; what is not used ends by itself', async () => {
    await signOutEverywhere(o);
    const opened = await Promise.all(
      ['computer', 'phone or tablet', 'computer'].map((d) => signIn(email(), 'right-password', machine(), d)),
    );
    const [here, lost, idle] = opened.map((x) => ('token' in x ? x.token : '')) as [string, string, string];
    const list = await openSessions(o, here);
    expect(list).toHaveLength(3);
    expect(list.filter((s) => s.here)).toHaveLength(1);
    const theirs = await makeCompany(owner);
    const phone = list.find((s) => s.device === 'phone or tablet')!;
    expect(await endSession(theirs, phone.id)).toBe(false);
    expect(await endSession(o, phone.id)).toBe(true);
    expect(await floorOf(lost, new Date())).toBeNull();
    await owner`
      update session set used_at = clock_now() - interval '11 days'
      where id = ${(await openSessions(o, idle)).find((s) => s.here)!.id}`;
    expect(await floorOf(idle, new Date())).toBeNull();
    expect(await floorOf(here, new Date())).not.toBeNull();
    expect(await openSessions(o, here)).toHaveLength(1);
  });

  it('a password is changed by whoever knows the old one, and every session ends', async () => {
    const token = (await tokenOf('right-password', machine()))!;
    const v = (await floorOf(token, new Date()))!.viewer;
    expect(await checkPassword(v, 'wrong')).toMatch(/not your password/);
    expect(await checkPassword(v, 'right-password')).toBeNull();
    await setPassword(v, 'a-new-one');
    expect(await floorOf(token, new Date())).toBeNull();
    expect(await tokenOf('right-password', machine())).toBeNull();
    expect(await tokenOf('a-new-one', machine())).not.toBeNull();
  });

  it('a reset link serves once, a newer one ends it, and no other company can make one', async () => {
    const first = (await makeReset(o, o.personId))!;
    const second = (await makeReset(o, o.personId))!;
    expect(await resetFor(first)).toBeNull();
    expect(await resetFor(second)).toMatchObject({ personId: o.personId, email: email() });
    const both = await Promise.all([useReset(second, 'by-the-link'), useReset(second, 'by-another')]);
    expect(both.filter(Boolean)).toHaveLength(1);
    expect(await resetFor(second)).toBeNull();
    expect(await tokenOf(both[0] ? 'by-the-link' : 'by-another', machine())).not.toBeNull();
    const theirs = await makeCompany(owner);
    expect(await makeReset(theirs, o.personId)).toBeNull();
  });
  it('a company keeps an owner', async () =>
    expect(
      await changePerson(o, {
        id: o.personId,
        role: 'office',
        licenceNumber: null,
        licenceCategories: [],
        licenceExpires: null,
        active: true,
        basedOn: 1,
      }),
    ).toBe('last owner'));
  it('a form of somebody that rests on an older version overwrites nothing; a new password makes none stale', async () => {
    const id = v7();
    const email = `${id}@test.example`;
    await insertPerson(o, { id, name: 'B. Crew', email, role: 'technician', password: 'a-long-enough-one' });
    const version = async () => (await listPeople(o)).find((p) => p.id === id)!.version;
    const form = {
      id,
      role: 'arborist' as const,
      licenceNumber: 'ED 7',
      licenceCategories: ['ornamental'],
      licenceExpires: '2027-01-01',
      active: true,
    };
    const first = await version();
    expect(await changePerson(o, { ...form, basedOn: first })).toBe('kept');
    expect(await changePerson(o, { ...form, role: 'office', basedOn: first })).toBe('stale');
    expect((await listPeople(o)).find((p) => p.id === id)).toMatchObject({ role: 'arborist', version: first + 1 });
    await owner`update person set password_hash = 'x', theme = 'night' where id = ${id}`;
    expect(await version()).toBe(first + 1);
    expect(await changePerson(o, { ...form, id: v7(), basedOn: 1 })).toBe('nobody');
  });
});

describe('the plan of a place', () => {
  const drawn = { ...EMPTY_SITE_MAP, slope: { downDeg: 90, percent: 5 } };
  it('two who draw at once: the second is told, and the first drawing stands', async () => {
    const { version } = (await getSiteMap(o, o.siteId))!;
    expect(
      await upsertSiteMap({ scope: o, siteId: o.siteId, siteMap: drawn, areaM2: null, trees: [], basedOn: version }),
    ).toBe('kept');
    expect(
      await upsertSiteMap({
        scope: o,
        siteId: o.siteId,
        siteMap: EMPTY_SITE_MAP,
        areaM2: null,
        trees: [],
        basedOn: version,
      }),
    ).toBe('stale');
    const now = (await getSiteMap(o, o.siteId))!;
    expect(now).toMatchObject({ siteMap: { slope: drawn.slope }, version: version + 1 });
    expect(await upsertSiteMap({ scope: o, siteId: v7(), siteMap: drawn, areaM2: null, trees: [], basedOn: 1 })).toBe(
      'no place',
    );
  });
  it('makes no form of the place stale, nor the form the plan', async () => {
    const place = (await getSite(o, o.siteId))!;
    const { version } = (await getSiteMap(o, o.siteId))!;
    await upsertSiteMap({
      scope: o,
      siteId: o.siteId,
      siteMap: EMPTY_SITE_MAP,
      areaM2: null,
      trees: [],
      basedOn: version,
    });
    expect((await getSite(o, o.siteId))!.version).toBe(place.version);
    expect(await upsertSite(o, { ...place, region: 'upland', gateCode: null, basedOn: place.version })).toBe(true);
    expect(await getSite(o, o.siteId)).toMatchObject({ region: 'upland', version: place.version + 1 });
    expect((await getSiteMap(o, o.siteId))!.version).toBe(version + 1);
  });
});
