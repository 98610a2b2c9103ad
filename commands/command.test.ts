import { digestOf } from '@/facts/digest';
import { done, refuse } from '@/lib/result';
import type { Context } from '@/facts/context';
import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { v7 } from 'uuid';
import { z } from 'zod';
import { OFFLINE_COMMANDS } from '@/core/phone/command-names';
import { sendSchema } from '@/core/phone/send';
import { ROLES, may } from '@/core/people/rights';
import { type Viewer } from '@/store/auth';
import { within } from '@/store/db';
import { getSite } from '@/store/sites';
import { makeCompany } from '@/store/testing';
import { NOW, ownCompany } from './testing';
import { fair } from '@/stand-ins/weather/fair';
import { command, perform } from './command';
import { COMMANDS, commandNamed } from './index';
import { measureTree } from './trees/measure-tree';
import { saveClient } from './sites/save-client';
import { saveSite } from './sites/save-site';

const made = ownCompany();
const at = (who: Viewer = made.viewer): Omit<Context, 'occurredAt'> => ({
  viewer: who,
  receivedAt: NOW,
  station: fair,
});

const reading = (id: string, girth: string) => ({
  id,
  treeId: made.o.treeId,
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
  (await made.owner<{ cm: number }[]>`select diameter_cm::float8 as cm from measurement where id = ${id}`).map(
    (r) => r.cm,
  );
const noted = async (id: string) => (await made.owner`select from command_done where id = ${id}`).length;

describe('the same id', () => {
  it('with the same content is the same answer, and the work is done once', async () => {
    const id = v7();
    const first = await perform(measureTree, at(), reading(id, '100'));
    expect(first).toMatchObject({ ok: true, value: { next: `/trees/${made.o.treeId}/diagnose` } });
    expect(await perform(measureTree, at(), reading(id, '100'))).toEqual(first);
    expect(await kept(id)).toHaveLength(1);
  });

  it('with other content is refused, names its place, and the first stands', async () => {
    const id = v7();
    await perform(measureTree, at(), reading(id, '100'));
    const other = await perform(measureTree, at(), reading(id, '140'));
    expect(other).toMatchObject({
      ok: false,
      issues: [{ path: 'id', message: expect.stringMatching(/other content/) }],
    });
    expect((await kept(id))[0]).toBeCloseTo(100 / Math.PI, 6);
  });

  it('sent by two at once is done once, and both are told so', async () => {
    const id = v7();
    const both = await Promise.all([1, 2].map(() => perform(measureTree, at(), reading(id, '90'))));
    expect(both.map((b) => b.ok)).toEqual([true, true]);
    expect(await kept(id)).toHaveLength(1);
  });

  it('after a refusal is free again', async () => {
    const id = v7();
    expect((await perform(measureTree, at(), reading(id, 'much'))).ok).toBe(false);
    expect(await noted(id)).toBe(0);
    expect((await perform(measureTree, at(), reading(id, '95'))).ok).toBe(true);
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
      await within(v, (tx) => tx`insert into client (id, company_id, name) values (${v7()}, ${v.companyId}, ${name})`);
      if (fail) throw new Error('a bug');
      return refuse('name', 'Not so.');
    },
  });
  const id = v7();
  expect(await perform(half, at(), { id, fail: false })).toEqual(refuse('name', 'Not so.'));
  await expect(perform(half, at(), { id, fail: true })).rejects.toThrow('a bug');
  expect(await made.owner`select from client where name = ${name}`).toHaveLength(0);
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
        await within(v, (tx) => tx`insert into client (id, company_id, name) values (${id}, ${v.companyId}, 'twice')`);
      return done;
    },
  });
  expect(await perform(twice, at(), {})).toEqual(refuse('', 'There is one like this already.'));
  expect(await made.owner`select from client where name = 'twice' and company_id = ${made.o.companyId}`).toHaveLength(
    0,
  );
});

describe('figures', () => {
  const girth = async (value: unknown) => {
    const id = v7();
    const input = { ...reading(id, ''), stems: [{ kind: 'girth', value, unit: 'cm' }], height: null, atHeight: 130 };
    return { answer: await perform(measureTree, at(), input), cm: (await kept(id))[0] };
  };
  it('come as a program says them, or as somebody typed them; the same figure is the same content', async () => {
    expect((await girth(145.1)).cm).toBeCloseTo(145.1 / Math.PI, 9);
    expect((await girth('145,1')).cm).toBeCloseTo(145.1 / Math.PI, 9);
    const id = v7();
    const first = await perform(measureTree, at(), reading(id, '100'));
    expect(
      await perform(measureTree, at(), { ...reading(id, ''), stems: [{ kind: 'girth', value: 100, unit: 'cm' }] }),
    ).toEqual(first);
  });
  it.each([Number.NaN, Infinity, null, true, {}, 1e300])('%p is none', async (value) => {
    const { answer, cm } = await girth(value);
    expect(answer.ok).toBe(false);
    expect(cm).toBeUndefined();
  });
});

describe('when it was seen', () => {
  const seen = async (occurredAt: string | undefined) => {
    const id = v7();
    const answer = await perform(measureTree, at(), { ...reading(id, '100'), ...(occurredAt ? { occurredAt } : {}) });
    const [row] = await made.owner<{ at: Date; received: Date }[]>`
      select at, created_at as received from measurement where id = ${id}`;
    return { answer, row };
  };
  it('is what the device says, beside when it was received', async () => {
    const { row } = await seen('2026-05-28T07:30:00+01:00');
    expect(row!.at.toISOString()).toBe('2026-05-28T06:30:00.000Z');
    expect(Math.abs(Date.now() - row!.received.getTime())).toBeLessThan(60_000);
  });
  it('is when it was received, where the device says nothing or its clock is ahead', async () => {
    for (const said of [undefined, '2026-06-01T10:40:00Z', '2027-01-01T00:00:00Z'])
      expect((await seen(said)).row!.at.toISOString()).toBe('2026-06-01T10:00:00.000Z');
  });
  it.each(['2026-04-01T10:00:00Z', 'yesterday'])('%s is refused', async (said) => {
    const { answer, row } = await seen(said);
    expect(answer).toMatchObject({ ok: false, issues: [{ path: 'occurredAt' }] });
    expect(row).toBeUndefined();
  });
  it.each(COMMANDS.map((c) => [c.name, c] as const))(
    '%s: takes it beside its content, however strict that is',
    async (_, c) => {
      const answer = await perform(c, at(), { occurredAt: '2026-05-30T10:00:00Z' });
      const issues = answer.ok ? [] : answer.issues;
      expect(issues.filter((f) => /occurredAt/.test(f.message + f.path))).toEqual([]);
    },
  );
  it('is understood under the name that it had in the release before', async () => {
    const id = v7();
    const answer = await perform(measureTree, at(), { ...reading(id, '100'), observedAt: '2026-05-28T06:30:00Z' });
    expect(answer).toMatchObject({ ok: true });
    const [row] = await made.owner<{ at: Date }[]>`select at from measurement where id = ${id}`;
    expect(row!.at.toISOString()).toBe('2026-05-28T06:30:00.000Z');
  });
  it('is no content: a repeat that says another instant is the same', async () => {
    const id = v7();
    const first = await perform(measureTree, at(), { ...reading(id, '100'), occurredAt: '2026-05-30T10:00:00Z' });
    expect(await perform(measureTree, at(), { ...reading(id, '100'), occurredAt: '2026-05-31T10:00:00Z' })).toEqual(
      first,
    );
    expect(await kept(id)).toHaveLength(1);
  });
});

describe('every verb of the list', () => {
  it('has a name of its own that can stand in an address', () => {
    const names = COMMANDS.map((c) => c.name);
    expect(new Set(names).size).toBe(names.length);
    for (const n of names) expect(n).toMatch(/^[a-z]+(-[a-z]+)*$/);
  });

  it('that a phone may queue is there, and is found by the name of the release before', () => {
    expect(OFFLINE_COMMANDS.filter((n) => commandNamed(n)?.name !== n)).toEqual([]);
    const former = ['book', 'hang', 'tick-load', 'take-back-left', 'keep-photo'];
    expect(former.map((n) => commandNamed(n)?.name)).toEqual([
      'record-treatment',
      'install-devices',
      'check-load-item',
      'reopen-not-done',
      'save-photo',
    ]);
    const queued = { id: v7(), verb: 'tick-load', what: 'A line', at: NOW.toISOString(), clockAt: NOW.toISOString() };
    expect(sendSchema.parse({ ...queued, input: { roundId: 'r', ticks: [{ placeId: 'p' }] } })).toEqual({
      ...queued,
      verb: 'check-load-item',
      input: { crewDayId: 'r', ticks: [{ siteId: 'p' }] },
    });
  });

  it('is done by a test that names it: its own words, what it refuses, and what stands afterwards', () => {
    const under = (folder: string): string[] =>
      readdirSync(folder, { withFileTypes: true }).flatMap((f) =>
        f.isDirectory()
          ? under(join(folder, f.name))
          : /(\.test|\.spec)\.tsx?$/.test(f.name)
            ? [readFileSync(join(folder, f.name), 'utf8')]
            : [],
      );
    const told = ['commands', 'store', 'views', 'e2e'].flatMap((d) => under(join(__dirname, '..', d))).join('\n');
    const untold = COMMANDS.filter(
      (c) => ![`/${c.name}'`, `'${c.name}'`, `/${c.name}\``].some((x) => told.includes(x)),
    );
    expect(untold.map((c) => c.name)).toEqual([]);
  });

  it.each(COMMANDS.map((c) => [c.name, c] as const))('%s: refuses every role that lacks its right', async (_, c) => {
    for (const role of ROLES.filter((r) => c.right && !may(r, c.right)))
      expect(await perform(c, at({ ...made.viewer, role }), {})).toMatchObject({ ok: false, issues: [{ path: '' }] });
  });

  it.each(COMMANDS.map((c) => [c.name, c] as const))('%s: takes no nonsense for a fact', async (name, c) => {
    const before = await made.owner`select count(*)::int as n from command_done where company_id = ${made.o.companyId}`;
    const nonsense: unknown[] = [null, undefined, 7, 'text', [], { id: 'x' }, { id: NaN }, { __proto__: { id: v7() } }];
    // What asks for nothing at all may be asked with nothing.
    if (!c.schema.safeParse({}).success) nonsense.push({});
    for (const x of nonsense)
      if (!c.schema.safeParse(x).success) expect([name, (await perform(c, at(), x)).ok]).toEqual([name, false]);
    expect(
      await made.owner`select count(*)::int as n from command_done where company_id = ${made.o.companyId}`,
    ).toEqual(before);
  });
});

it('another company’s tree cannot be measured, whoever asks', async () => {
  const theirs = await makeCompany(made.owner);
  const id = v7();
  expect(await perform(measureTree, at(), { ...reading(id, '100'), treeId: theirs.treeId })).toMatchObject({
    ok: false,
  });
  expect(await kept(id)).toEqual([]);
});

it('one’s own client is kept, changed and found', async () => {
  const id = v7();
  const client = { id, name: 'Harbour board', contact: 'Quay 1' };
  const first = await perform(saveClient, at(), client);
  expect(first.ok).toBe(true);
  await perform(saveClient, at(), { ...client, name: 'Harbour trust' });
  expect((await made.owner`select name from client where id = ${id}`)[0]!.name).toBe('Harbour trust');
});

describe('a form that rests on an older version', () => {
  const place = (more: object = {}) => ({
    id: made.o.siteId,
    clientId: '',
    name: 'Place',
    address: '',
    timeZone: 'Europe/London',
    region: '',
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
    const [row] = await made.owner`select client_id, version from site where id = ${made.o.siteId}`;
    const clientId = row!.client_id as string;
    const version = row!.version as number;
    const send = (more: object) => perform(saveSite, at(), place({ clientId, ...more }));
    expect((await send({ water: '4', hazards: 'bees in the hedge', basedOn: version })).ok).toBe(true);
    const told = await send({ water: '', hazards: '', timeZone: 'America/New_York', basedOn: version });
    if (told.ok) throw new Error('kept');
    expect(told.issues[0]).toMatchObject({ path: 'version', message: expect.stringMatching(/changed this place/) });
    expect(told.issues.slice(1)).toEqual([
      { path: 'timeZone', message: 'The time zone is now: Europe/London.' },
      { path: 'water', message: 'The distance to water, in metres, is now: 4.' },
      { path: 'hazards', message: 'What is said of hazards is now: bees in the hedge.' },
    ]);
    const now = await getSite(made.o, made.o.siteId);
    expect(now).toMatchObject({ waterM: 4, hazards: 'bees in the hedge', timeZone: 'Europe/London' });
    expect((await send({ timeZone: 'America/New_York', basedOn: now!.version })).ok).toBe(true);
    expect(await getSite(made.o, made.o.siteId)).toMatchObject({
      waterM: null,
      hazards: '',
      timeZone: 'America/New_York',
    });
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
