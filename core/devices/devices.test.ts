import fc from 'fast-check';
import { dose } from '../dose/dose';
import { trainingLabels } from '@/knowledge';
import {
  byTurn,
  DEVICE_STATES,
  emptyAt,
  enteredOf,
  fillOf,
  habitOf,
  readOff,
  taughtBy,
  turnOf,
  type Installed,
} from './devices';
import { seasonOf } from './testing';

const EIGHT = '2026-06-01T08:00:00.000Z';
const at = (minutes: number) => new Date(Date.parse(EIGHT) + minutes * 60_000).toISOString();
const installed = (more: Partial<Installed> = {}): Installed => ({
  id: 'a',
  device: 'low-pressure bottle',
  putMl: 20,
  installedAt: EIGHT,
  expectedMinutes: 40,
  seen: [],
  overnight: false,
  dark: null,
  ...more,
});
const nobody = habitOf('low-pressure bottle', []);

describe('when a device is empty', () => {
  it('before anything is known: as usual, with a wide spread', () => {
    const told = emptyAt(installed(), nobody, EIGHT);
    expect(told.at).toBe(at(40));
    expect(told.earliest < at(25) && told.earliest > at(15)).toBe(true);
    expect(told.latest > at(65) && told.latest < at(105)).toBe(true);
  });

  it('a company whose bottles take half as long again is told so, and surer', () => {
    const log = Array.from({ length: 30 }, (_, i) => ({
      device: 'low-pressure bottle' as const,
      expectedMinutes: 40,
      minutes: 60 + (i % 5) * 2 - 4,
    }));
    const told = emptyAt(installed(), habitOf('low-pressure bottle', log), EIGHT);
    expect(told.at > at(54) && told.at < at(61)).toBe(true);
    expect(Date.parse(told.latest) - Date.parse(told.earliest)).toBeLessThan(45 * 60_000);
    // Another kind of device is none the wiser.
    expect(habitOf('capsule', log)).toEqual(habitOf('capsule', []));
  });

  it('what was read off moves it: a quarter gone after forty minutes is not empty at once', () => {
    const told = emptyAt(installed({ seen: [{ at: at(40), state: 'running', leftMl: 15 }] }), nobody, at(40));
    expect(told.at > at(60)).toBe(true);
    const nearly = emptyAt(installed({ seen: [{ at: at(40), state: 'running', leftMl: 1 }] }), nobody, at(40));
    expect(nearly.at > at(40) && nearly.at < at(45)).toBe(true);
  });

  it('the last amount that was read counts, and one that was only seen running tells no amount', () => {
    const half = { at: at(20), state: 'running' as const, leftMl: 10 };
    const minutes = (leftMl: number | null) => {
      const seen = leftMl === 10 ? [half] : [half, { at: at(25), state: 'running' as const, leftMl }];
      return (Date.parse(emptyAt(installed({ seen }), nobody, at(25)).at) - Date.parse(EIGHT)) / 60_000;
    };
    expect(minutes(null)).toBeCloseTo(minutes(10), 1);
    // Running with nothing left is a slip, and no amount either.
    expect(minutes(0)).toBeCloseTo(minutes(10), 1);
    expect(minutes(9)).toBeGreaterThan(minutes(10) + 2);
  });

  it('never before it was last seen to hang, in order, and an empty one is empty when that was seen', () => {
    fc.assert(
      fc.property(
        fc.record({
          expected: fc.double({ min: 1, max: 600, noNaN: true }),
          seenAt: fc.integer({ min: 0, max: 900 }),
          left: fc.option(fc.double({ min: 0, max: 20, noNaN: true })),
          state: fc.constantFrom(...DEVICE_STATES),
        }),
        ({ expected, seenAt, left, state }) => {
          const h = installed({ expectedMinutes: expected, seen: [{ at: at(seenAt), state, leftMl: left }] });
          const told = emptyAt(h, nobody, at(seenAt));
          expect(told.earliest <= told.at && told.at <= told.latest).toBe(true);
          expect(told.earliest >= at(seenAt) || seenAt < 1).toBe(true);
          if (state === 'empty') expect(told.at).toBe(at(seenAt));
        },
      ),
    );
  });

  it.each([false, true])('four times in five, over the seasons of many companies (read off: %s)', (read) => {
    const all = Array.from({ length: 60 }, (_, i) => seasonOf(80, i + 1, read));
    const share = all.reduce((a, s) => a + s.within, 0) / all.reduce((a, s) => a + s.of, 0);
    expect(share).toBeGreaterThan(0.75);
    expect(share).toBeLessThan(0.85);
  });
});

describe('whose turn it is', () => {
  const why = (more: Partial<Installed>, now: number) => turnOf(installed(more), nobody, at(now)).why;
  const seen = (state: (typeof DEVICE_STATES)[number], minutes: number) => [{ at: at(minutes), state, leftMl: null }];

  it('a leak before everything, then dark, then what is empty or should be', () => {
    expect(why({ seen: seen('leaking', 5) }, 6)).toBe('leaking');
    expect(why({ dark: at(60) }, 20)).toBe('dark');
    expect(why({ dark: at(60), overnight: true }, 20)).toBe('running');
    expect(why({ seen: seen('empty', 30) }, 31)).toBe('empty');
    expect(why({}, 41)).toBe('due');
    expect(why({ seen: seen('stuck', 10) }, 12)).toBe('stuck');
    expect(why({ seen: seen('slow', 10) }, 12)).toBe('slow');
    expect(why({}, 200)).toBe('late');
    // Said to be empty by a slip and to run after it, it runs.
    const slip = [...seen('empty', 5), ...seen('running', 6)];
    expect(why({ seen: slip }, 7)).toBe('running');
    expect(emptyAt(installed({ seen: slip }), nobody, at(7)).at > at(30)).toBe(true);
    expect(taughtBy({ ...installed({ seen: slip }), removedAt: at(60), leftMl: 0 })).toBeNull();
    const late = turnOf(installed({ expectedMinutes: 10 }), nobody, at(100));
    expect(byTurn(late, turnOf(installed({ expectedMinutes: 90 }), nobody, at(100)))).toBeLessThan(0);
    const order = [
      turnOf(installed(), nobody, at(1)),
      turnOf(installed({ seen: seen('leaking', 0) }), nobody, at(1)),
      turnOf(installed({ expectedMinutes: 20 }), nobody, at(1)),
    ].sort(byTurn);
    expect(order.map((t) => t.why)).toEqual(['leaking', 'running', 'running']);
    expect(order[1]!.at < order[2]!.at).toBe(true);
  });
});

describe('what went in', () => {
  it('is what was put in without what is left and lost; a false start takes nothing from what is hung after it', () => {
    expect(enteredOf(90, 30, [{ putMl: 30, leftMl: 0, lostMl: 0 }])).toBe(90);
    const three = [30, 30, 30].map((putMl, i) => ({ putMl, leftMl: i * 10, lostMl: 0 }));
    expect(enteredOf(90, 90, three)).toBeCloseTo(60, 9);
    const falseStart = { putMl: 30, leftMl: 30, lostMl: 0 };
    expect(enteredOf(90, 30, [falseStart, { putMl: 30, leftMl: 0, lostMl: 0 }])).toBe(90);
    const again = [
      { putMl: 30, leftMl: 20, lostMl: 0 },
      { putMl: 20, leftMl: 0, lostMl: 5 },
    ];
    expect(enteredOf(90, 30, again)).toBe(75);
    expect(enteredOf(90, 30, [])).toBe(0);
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            putMl: fc.double({ min: 0.1, max: 1e3, noNaN: true }),
            left: fc.double({ min: 0, max: 1, noNaN: true }),
            lost: fc.double({ min: 0, max: 1, noNaN: true }),
          }),
          { minLength: 1, maxLength: 30 },
        ),
        fc.double({ min: 0.1, max: 1e4, noNaN: true }),
        (of, product) => {
          const devices = of.map((d) => {
            const leftMl = d.putMl * d.left;
            return { putMl: d.putMl, leftMl, lostMl: (d.putMl - leftMl) * d.lost };
          });
          const fill = devices.reduce((a, d) => a + d.putMl, 0);
          const went = enteredOf(product, fill, devices);
          expect(went).toBeGreaterThanOrEqual(0);
          expect(went).toBeLessThanOrEqual(product * (1 + 1e-12));
          const share = devices.reduce((a, d) => a + d.leftMl + d.lostMl, 0) / devices.reduce((a, d) => a + d.putMl, 0);
          expect(went / product + share).toBeCloseTo(1, 9);
        },
      ),
    );
  });

  it('teaches by its own end, or by its rate where most has gone in; a stuck one teaches nothing', () => {
    const removed = (more: object) => ({ ...installed(), removedAt: at(60), leftMl: 0, ...more });
    expect(taughtBy(removed({ seen: [{ at: at(50), state: 'empty', leftMl: null }] }))).toMatchObject({ minutes: 50 });
    expect(taughtBy(removed({ leftMl: 5 }))).toMatchObject({ minutes: 80 });
    expect(taughtBy(removed({ leftMl: 15 }))).toBeNull();
    expect(taughtBy(removed({}))).toBeNull();
    expect(taughtBy(removed({ leftMl: 5, seen: [{ at: at(9), state: 'stuck', leftMl: null }] }))).toBeNull();
  });
});

describe('what hangs is the liquid, and what went in is product', () => {
  const infusions = trainingLabels.flatMap((label) =>
    label.uses
      .filter((u) => u.sites?.device)
      .map(
        (use) =>
          [`${label.key} ${use.key}, carrier ${use.carrier.kind}${label.stock ? ', stock' : ''}`, label, use] as const,
      ),
  );
  it('is tried over every carrier form in which something hangs', () => {
    const forms = new Set(
      infusions.map(([, label, use]) => (label.stock && use.rate.of === 'stock' ? 'stock' : use.carrier.kind)),
    );
    expect(forms).toEqual(new Set(['none', 'stock', 'fixed']));
  });
  it.each(infusions)('%s', (_, label, use) => {
    const worked = dose({ label, useKey: use.key, diameters: [40], vessels: [], siteAreaM2: 60_000 });
    if (!worked.ok) throw new Error(worked.issues[0]!.message);
    // A dry capsule holds no liquid: nothing of it is told by volume.
    if (worked.dimension === 'mass' && !worked.carrier) return expect(fillOf(worked)).toBeNull();
    const fill = fillOf(worked)!;
    const liquid = worked.carrier?.totalMl ?? worked.stockMl ?? worked.product;
    expect(fill).toBeCloseTo(liquid, 9);
    expect(fill).toBeGreaterThanOrEqual(worked.product * (worked.dimension === 'volume' ? 1 : 0));
    const each = (left: number, lost = 0) =>
      Array.from({ length: 4 }, () => ({ putMl: fill / 4, leftMl: left * (fill / 4), lostMl: lost * (fill / 4) }));
    expect(enteredOf(worked.product, fill, each(0))).toBeCloseTo(worked.product, 9);
    expect(enteredOf(worked.product, fill, each(0.5))).toBeCloseTo(worked.product / 2, 9);
    expect(enteredOf(worked.product, fill, each(0.25, 0.25))).toBeCloseTo(worked.product / 2, 9);
    expect(enteredOf(worked.product, fill, each(1))).toBe(0);
  });
});

it('what went in is told as it can be read off marks: four figures, never more than it was', () => {
  expect([103.33333, 0.123456, 9.99999, 1000, 120, 0, -1, NaN].map(readOff)).toEqual([
    103.3, 0.1234, 9.999, 1000, 120, 0, 0, 0,
  ]);
  fc.assert(
    fc.property(fc.double({ min: 0.001, max: 1e6, noNaN: true }), (amount) => {
      expect(readOff(amount)).toBeLessThanOrEqual(amount * (1 + 1e-9));
      expect(readOff(amount)).toBeGreaterThan(amount * 0.998);
    }),
  );
});
