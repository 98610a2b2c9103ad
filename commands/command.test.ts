import fc from 'fast-check';
import { v7 } from 'uuid';
import { z } from 'zod';
import { ROLES, may } from '@/core/people/rights';
import { loadViewer, type Viewer } from '@/store/auth';
import { db, within, type Sql } from '@/store/db';
import { getPlace } from '@/store/grounds';
import { makeOutfit, ownerSql, type TestOutfit } from '@/store/testing';
import { simulatedStation } from '@/stand-ins/weather-station';
import { command, digestOf, done, perform, refuse, type Context } from './command';
import { COMMANDS } from './index';
import { measure } from './tree/measure';
import { keepClient } from './grounds/keep-client';
import { keepPlace } from './grounds/keep-place';

let owner: Sql;
let o: TestOutfit;
let viewer: Viewer;
const at = (who: Viewer = viewer): Context => ({
  viewer: who,
  now: new Date('2026-06-01T10:00:00Z'),
  air: (t) => simulatedStation(7).at(t),
});
beforeAll(async () => {
  owner = ownerSql();
  o = await makeOutfit(owner);
  viewer = (await loadViewer(o))!;
});
afterAll(async () => {
  await owner.end();
  await db().end();
});

const reading = (id: string, girth: string) => ({
  id,
  treeId: o.treeId,
  stems: [{ kind: 'girth' as const, value: girth, unit: 'cm' as const }],
  atHeight: '130',
  height: '',
  heightUnit: 'm' as const,
  crownWidth: '',
  crownBase: '',
  flares: [],
  atHeightUnit: 'cm' as const,
  grain: '',
  obstacles: '',
  arcs: [],
  method: 'tape' as const,
});
const kept = async (id: string) =>
  (await owner<{ cm: number }[]>`select diameter_cm::float8 as cm from reading where id = ${id}`).map((r) => r.cm);
const noted = async (id: string) => (await owner`select from command_done where id = ${id}`).length;

describe('the same id', () => {
  it('with the same content is the same answer, and the work is done once', async () => {
    const id = v7();
    const first = await perform(measure, at(), reading(id, '100'));
    expect(first).toMatchObject({ ok: true, value: { next: `/tree/${o.treeId}/decide` } });
    expect(await perform(measure, at(), reading(id, '100'))).toEqual(first);
    expect(await kept(id)).toHaveLength(1);
  });

  it('with other content is refused, names its place, and the first stands', async () => {
    const id = v7();
    await perform(measure, at(), reading(id, '100'));
    const other = await perform(measure, at(), reading(id, '140'));
    expect(other).toMatchObject({
      ok: false,
      faults: [{ path: 'id', sentence: expect.stringMatching(/other content/) }],
    });
    expect((await kept(id))[0]).toBeCloseTo(100 / Math.PI, 6);
  });

  it('sent by two at once is done once, and both are told so', async () => {
    const id = v7();
    const both = await Promise.all([1, 2].map(() => perform(measure, at(), reading(id, '90'))));
    expect(both.map((b) => b.ok)).toEqual([true, true]);
    expect(await kept(id)).toHaveLength(1);
  });

  it('after a refusal is free again', async () => {
    const id = v7();
    expect((await perform(measure, at(), reading(id, 'much'))).ok).toBe(false);
    expect(await noted(id)).toBe(0);
    expect((await perform(measure, at(), reading(id, '95'))).ok).toBe(true);
  });
});

it('what a verb wrote before it answered with a fault, or failed, was never written', async () => {
  const name = `half ${v7()}`;
  const half = command({
    name: 'half',
    right: null,
    schema: z.object({ id: z.string(), fail: z.boolean() }),
    once: (x) => x.id,
    run: async ({ viewer: v }, { fail }) => {
      await within(v, (tx) => tx`insert into client (id, outfit_id, name) values (${v7()}, ${v.outfitId}, ${name})`);
      if (fail) throw new Error('a bug');
      return refuse('name', 'Not so.');
    },
  });
  const id = v7();
  expect(await perform(half, at(), { id, fail: false })).toEqual(refuse('name', 'Not so.'));
  await expect(perform(half, at(), { id, fail: true })).rejects.toThrow('a bug');
  expect(await owner`select from client where name = ${name}`).toHaveLength(0);
  expect(await noted(id)).toBe(0);
});

it('a refusal of the database is a sentence, and nothing stays behind', async () => {
  const twice = command({
    name: 'twice',
    right: null,
    schema: z.object({}),
    run: async ({ viewer: v }) => {
      const id = v7();
      for (let i = 0; i < 2; i++)
        await within(v, (tx) => tx`insert into client (id, outfit_id, name) values (${id}, ${v.outfitId}, 'twice')`);
      return done;
    },
  });
  expect(await perform(twice, at(), {})).toEqual(refuse('', 'There is one like this already.'));
  expect(await owner`select from client where name = 'twice' and outfit_id = ${o.outfitId}`).toHaveLength(0);
});

describe('every verb of the list', () => {
  it('has a name of its own that can stand in an address', () => {
    const names = COMMANDS.map((c) => c.name);
    expect(new Set(names).size).toBe(names.length);
    for (const n of names) expect(n).toMatch(/^[a-z]+(-[a-z]+)*$/);
  });

  it.each(COMMANDS.map((c) => [c.name, c] as const))('%s: refuses every role that lacks its right', async (_, c) => {
    for (const role of ROLES.filter((r) => c.right && !may(r, c.right)))
      expect(await perform(c, at({ ...viewer, role }), {})).toMatchObject({ ok: false, faults: [{ path: '' }] });
  });

  it.each(COMMANDS.map((c) => [c.name, c] as const))('%s: takes no nonsense for a fact', async (name, c) => {
    const before = await owner`select count(*)::int as n from command_done where outfit_id = ${o.outfitId}`;
    const nonsense: unknown[] = [null, undefined, 7, 'text', [], { id: 'x' }, { id: NaN }, { __proto__: { id: v7() } }];
    // What asks for nothing at all may be asked with nothing.
    if (!c.schema.safeParse({}).success) nonsense.push({});
    for (const x of nonsense)
      if (!c.schema.safeParse(x).success) expect([name, (await perform(c, at(), x)).ok]).toEqual([name, false]);
    expect(await owner`select count(*)::int as n from command_done where outfit_id = ${o.outfitId}`).toEqual(before);
  });
});

it('another outfit’s tree cannot be measured, whoever asks', async () => {
  const theirs = await makeOutfit(owner);
  const id = v7();
  expect(await perform(measure, at(), { ...reading(id, '100'), treeId: theirs.treeId })).toMatchObject({ ok: false });
  expect(await kept(id)).toEqual([]);
});

it('one’s own client is kept, changed and found', async () => {
  const id = v7();
  const client = { id, name: 'Harbour board', contact: 'Quay 1' };
  const first = await perform(keepClient, at(), client);
  expect(first.ok).toBe(true);
  await perform(keepClient, at(), { ...client, name: 'Harbour trust' });
  expect((await owner`select name from client where id = ${id}`)[0]!.name).toBe('Harbour trust');
});

describe('a form that rests on an older version', () => {
  const place = (more: object = {}) => ({
    id: o.placeId,
    clientId: '',
    name: 'Place',
    address: '',
    timeZone: 'Europe/London',
    outline: '',
    area: '',
    areaUnit: 'm²',
    soilTexture: 'loam',
    water: '',
    noWater: false,
    distanceUnit: 'm',
    firstPicking: '',
    lastPicking: '',
    pickings: '',
    access: '',
    hazards: '',
    dogs: '',
    notes: '',
    gateCode: null,
    basedOn: 1,
    ...more,
  });
  it('is told what stands now, writes nothing, and goes over it when it is sent again', async () => {
    const [row] = await owner`select client_id, version from place where id = ${o.placeId}`;
    const clientId = row!.client_id as string;
    const version = row!.version as number;
    const send = (more: object) => perform(keepPlace, at(), place({ clientId, ...more }));
    expect((await send({ water: '4', hazards: 'bees in the hedge', basedOn: version })).ok).toBe(true);
    const told = await send({ water: '', hazards: '', timeZone: 'America/New_York', basedOn: version });
    if (told.ok) throw new Error('kept');
    expect(told.faults[0]).toMatchObject({ path: 'version', sentence: expect.stringMatching(/changed this place/) });
    expect(told.faults.slice(1)).toEqual([
      { path: 'timeZone', sentence: 'The time zone is now: Europe/London.' },
      { path: 'water', sentence: 'The distance to water, in metres, is now: 4.' },
      { path: 'hazards', sentence: 'What is said of hazards is now: bees in the hedge.' },
    ]);
    const now = await getPlace(o, o.placeId);
    expect(now).toMatchObject({ waterM: 4, hazards: 'bees in the hedge', timeZone: 'Europe/London' });
    expect((await send({ timeZone: 'America/New_York', basedOn: now!.version })).ok).toBe(true);
    expect(await getPlace(o, o.placeId)).toMatchObject({ waterM: null, hazards: '', timeZone: 'America/New_York' });
  });
});

it('a digest depends on content alone: not on the order of keys, and on every value', () => {
  const plain = fc.jsonValue();
  fc.assert(
    fc.property(fc.dictionary(fc.string(), plain), (x) => {
      const turned = Object.fromEntries(Object.entries(x).reverse());
      expect(digestOf(turned)).toBe(digestOf(x));
    }),
  );
  fc.assert(
    fc.property(plain, plain, (a, b) => {
      const same = JSON.stringify(a) === JSON.stringify(b);
      fc.pre(!same && typeof a !== 'object' && typeof b !== 'object');
      expect(digestOf({ a })).not.toBe(digestOf({ a: b }));
    }),
  );
});
