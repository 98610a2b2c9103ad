import { v7 } from 'uuid';
import { commandNamed } from '@/commands';
import type { AnyCommand } from '@/commands/command';
import { ownCompany } from '@/commands/testing';
import { drenchRow } from '@/commands/trees/testing';
import { putRight } from '@/core/phone/clock';
import { nextOf, stillQueued, type Numbered } from '@/core/phone/queue';
import type { Send } from '@/core/phone/send';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer, type Viewer } from '@/store/auth';
import { handshake } from './handshake';
import { receive } from './receive';

/**
 * A week of a company whose phones have signal now and then: two hundred of them, five days, and whatever can go wrong on the
 * way. The phones keep to the queue of the core, the server is the real one. What must come out does not depend on the issues.
 */
const SEED = Number(process.env.ELMHORN_SEED ?? 20260601);
const PHONES = 200;
const DAYS = 5;
const START = Date.parse('2026-06-01T06:00:00Z');
const HOUR = 3_600_000;

/** Numbers between none and one, the same for the same seed (mulberry32). */
function randomOf(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

const made = ownCompany();
const row = drenchRow(made);

interface Phone {
  id: string;
  viewer: Viewer;
  /** How far its clock is ahead, s. */
  aheadS: number;
  /** What it has learnt of that. */
  knowsS: number;
  seq: number;
  waiting: (Send & Numbered)[];
}
interface Wrote {
  send: Send;
  kind: 'reading' | 'record' | 'tick';
  treeId?: string;
  product?: number;
  /** When it was done, by the true time. */
  at: number;
}

it(`two hundred phones, five days without signal for most of it, seed ${SEED}: nothing is lost, nothing doubled, the stock is right`, async () => {
  const random = randomOf(SEED);
  const chance = (p: number) => random() < p;
  const { owner, o } = made;
  const people: Viewer[] = [row.viewer];
  for (let i = 0; i < 7; i++) {
    const id = v7();
    await owner`
      insert into person (id, company_id, name, email, password_hash, role, licence_number, licence_categories,
        licence_expires)
      values (${id}, ${o.companyId}, ${`Crew ${i}`}, ${`${id}@test.example`}, 'x', 'technician', 'L', ${['ornamental']}, '2028-01-01')`;
    people.push((await loadViewer({ companyId: o.companyId, personId: id }))!);
  }
  // One bottle for far fewer trees than wait for it: many will find it empty.
  const plans = await Promise.all(Array.from({ length: 120 }, (_, i) => row.planned(`S${i}`, 20)));
  const [bottle] = await owner<{ n: number }[]>`
    select sum(amount)::float8 as n from stock_move where lot_id = ${o.lotId}`;
  const phones: Phone[] = [];
  for (let i = 0; i < PHONES; i++) {
    const viewer = people[i % people.length]!;
    const aheadS = chance(0.2) ? Math.round((random() - 0.5) * 4800) : 0;
    const phone = { id: v7(), viewer, aheadS, knowsS: aheadS, seq: 0, waiting: [] };
    const clockNow = new Date(START + aheadS * 1000).toISOString();
    const met = await handshake(viewer, new Date(START), { phoneId: phone.id, name: `P${i}`, clockNow, waiting: 0 });
    expect(met!.aheadS).toBe(Math.abs(aheadS) <= 5 ? 0 : aheadS);
    phones.push(phone);
  }
  const wrote: Wrote[] = [];
  const write = (p: Phone, now: number) => {
    const clockAt = now + p.aheadS * 1000;
    const at = putRight(clockAt, p.knowsS);
    const id = v7();
    const common = { id, what: 'A write', at: at.toISOString(), clockAt: new Date(clockAt).toISOString() };
    const planId = chance(0.12) ? plans.pop() : undefined;
    let input: object;
    let kind: Wrote['kind'] = 'reading';
    if (planId) {
      kind = 'record';
      input = row.booked(planId, 5, { id });
    } else {
      const girth = (60 + random() * 200).toFixed(1);
      input = {
        id,
        treeId: o.treeId,
        // Now and then somebody types what nobody can read.
        stems: [{ kind: 'girth', value: chance(0.03) ? 'thick' : girth, unit: 'cm' }],
        atHeight: '130',
        atHeightUnit: 'cm',
        height: '',
        heightUnit: 'm',
        crownWidth: '',
        crownBase: '',
        flares: [],
        grain: '',
        obstacles: '',
        arcs: [],
        method: 'tape',
      };
    }
    const send: Send = { ...common, verb: kind === 'record' ? 'record-treatment' : 'measure-tree', input };
    p.waiting.push({ ...send, seq: p.seq++, bytes: JSON.stringify(send).length });
    wrote.push({ send, kind, at: now });
  };
  /** The server falls over while it reads the so-many-eth write. */
  const falling = (after: number) => {
    let n = 0;
    return (name: string): AnyCommand | null => {
      if (n++ >= after) throw new Error('the server fell over');
      return commandNamed(name);
    };
  };
  const trySend = async (p: Phone, now: number) => {
    for (let tries = 0; p.waiting.length && tries < 6; tries++) {
      const batch = nextOf(p.waiting);
      const sends = batch.map(({ id, verb, what, input, at, clockAt }) => ({ id, verb, what, input, at, clockAt }));
      const message = { phoneId: p.id, clockNow: new Date(now + p.aheadS * 1000).toISOString(), sends };
      const at = { viewer: p.viewer, receivedAt: new Date(now), station: fair };
      const issue = random();
      // The line breaks on the way there.
      if (issue < 0.15) continue;
      const verbs = issue < 0.3 ? falling(Math.floor(random() * batch.length)) : commandNamed;
      // The same message twice at the same time: a line that repeats what it has carried.
      const twice = issue > 0.9;
      const answers = await Promise.allSettled([
        receive(at, verbs, message),
        ...(twice ? [receive(at, commandNamed, message)] : []),
      ]);
      const [got] = answers.flatMap((a) => (a.status === 'fulfilled' && a.value ? [a.value] : []));
      // The answer is lost on the way back, or the phone is killed before it has read it: what waits still waits.
      if (!got || (issue >= 0.3 && issue < 0.45)) continue;
      if (twice) expect(answers.every((a) => a.status === 'fulfilled')).toBe(true);
      p.waiting = stillQueued(p.waiting, got.synced);
    }
  };
  for (let day = 0; day < DAYS; day++) {
    for (const p of phones) {
      const begins = START + day * 24 * HOUR;
      const many = Math.floor(random() * 4);
      for (let i = 0; i < many; i++) write(p, begins + (i + random()) * HOUR);
    }
    // In the evening a third of them finds some signal, eight at a time.
    const evening = phones.filter(() => chance(0.33));
    for (let i = 0; i < evening.length; i += 8)
      await Promise.all(evening.slice(i, i + 8).map((p) => trySend(p, START + day * 24 * HOUR + 12 * HOUR)));
  }
  for (let round = 0; round < 60 && phones.some((p) => p.waiting.length); round++)
    for (let i = 0; i < phones.length; i += 8)
      await Promise.all(phones.slice(i, i + 8).map((p) => trySend(p, START + (DAYS * 24 + round) * HOUR)));
  expect(phones.filter((p) => p.waiting.length)).toEqual([]);

  const ids = wrote.map((w) => w.send.id);
  const synced = await owner<{ id: string; seen_at: Date }[]>`
    select id, seen_at from command_done where company_id = ${o.companyId} and id = any(${ids})`;
  const refused = await owner<{ id: string }[]>`
    select id from sync_conflict where company_id = ${o.companyId} and id = any(${ids})`;
  // Every write has one end, and none has two.
  expect(new Set([...synced, ...refused].map((x) => x.id)).size).toBe(ids.length);
  expect(synced.length + refused.length).toBe(ids.length);
  const of = (kind: Wrote['kind']) => wrote.filter((w) => w.kind === kind);
  const stands = new Set(synced.map((l) => l.id));
  const readings = await owner<{ id: string; at: Date }[]>`
    select id, at from measurement where company_id = ${o.companyId} and id = any(${ids})`;
  expect(readings.map((r) => r.id).sort()).toEqual(
    of('reading')
      .flatMap((w) => (stands.has(w.send.id) ? w.send.id : []))
      .sort(),
  );
  // Of the hour in which it was done, whatever the clock of the phone showed.
  const trueAt = new Map(wrote.map((w) => [w.send.id, w.at]));
  for (const r of readings) expect(Math.abs(r.at.getTime() - trueAt.get(r.id)!)).toBeLessThan(6000);
  const records = await owner<{ id: string; amount: number }[]>`
    select id, (data->>'amount')::float8 as amount from record where company_id = ${o.companyId} and id = any(${ids})`;
  expect(records.map((r) => r.id).sort()).toEqual(
    of('record')
      .flatMap((w) => (stands.has(w.send.id) ? w.send.id : []))
      .sort(),
  );
  const [left] = await owner<{ n: number }[]>`
    select sum(amount)::float8 as n from stock_move where lot_id = ${o.lotId}`;
  expect(left!.n).toBeGreaterThanOrEqual(0);
  expect(left!.n).toBeCloseTo(bottle!.n - records.reduce((sum, r) => sum + r.amount, 0), 6);
  // The bottle was emptied as far as whole trees go, and the others were told.
  expect(left!.n).toBeLessThan(5);
  expect(of('record').length).toBeGreaterThan(records.length);
  // What nobody could read waits for somebody, and only that and the empty bottle.
  const thick = of('reading')
    .filter((w) => JSON.stringify(w.send.input).includes('thick'))
    .map((w) => w.send.id);
  expect(refused.map((r) => r.id).sort()).toEqual(
    [...thick, ...of('record').flatMap((w) => (stands.has(w.send.id) ? [] : w.send.id))].sort(),
  );
}, 240_000);
