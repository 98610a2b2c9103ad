import fc from 'fast-check';
import { DEVICES, METHODS } from '../label/methods';
import { dayOrder, loadOut, type Equipment, type SheetToLoad } from './load-out';

const sheet = (more: Partial<SheetToLoad>): SheetToLoad => ({
  tag: '1',
  labelKey: 'a',
  labelName: 'A',
  method: 'trunk-injection',
  unit: 'volume',
  product: 100,
  mixMl: null,
  stockMl: null,
  sites: 12,
  holes: null,
  drillMm: 6,
  device: 'capsule',
  deviceHolds: null,
  girthCm: 150,
  inStations: false,
  protection: ['Goggles'],
  ...more,
});
const bits = (count: number, sizeMm = 6): Equipment => ({
  id: 'b',
  kind: 'bit',
  name: 'bit',
  sizeMm,
  holdsMl: null,
  count,
  checkedOn: null,
});
const at = (groups: ReturnType<typeof loadOut>, what: RegExp) =>
  groups.flatMap((g) => g.lines).find((l) => what.test(l.what));

it('capsules stay with their trees and have spares; bottles are moved on; bits are counted by their holes', () => {
  const capsules = loadOut([sheet({}), sheet({ tag: '2', sites: 30 })], [], [bits(2)], 'metric');
  expect(at(capsules, /^Capsules/)?.amount).toBe('42 + 5 spare');
  expect(at(capsules, /^Bits/)).toEqual({ what: 'Bits 6 mm, sharp and clean', amount: '3', short: 'the shelf has 2' });
  const bottles = loadOut(
    [sheet({ device: 'pressure bottle' }), sheet({ device: 'pressure bottle', sites: 8 })],
    [],
    [bits(9)],
    'metric',
  );
  expect(at(bottles, /^Pressure/)?.amount).toBe('20; at least 12, moved on when empty');
  expect(at(bottles, /^Bits/)?.short).toBeUndefined();
  // Bits of another size are no help.
  expect(at(loadOut([sheet({})], [], [bits(9, 5)], 'metric'), /^Bits/)?.short).toBe('the shelf has 0');
  // Where nobody keeps a list, nothing is called short.
  expect(at(loadOut([sheet({})], [], [], 'metric'), /^Bits/)?.short).toBeUndefined();
  expect(at(loadOut([sheet({ device: 'tee infusion', girthCm: 240 })], [], [], 'metric'), /^Hose/)?.amount).toBe(
    '5.4 m',
  );
});

it('works are added up by what they take, one set serves all, mesh comes as a cutting list', () => {
  const guard = (tag: string, length: number, height = 98) => ({
    tag,
    sheet: {
      take: [
        { what: 'Snips', amount: '1 set' },
        { what: 'Compost', amount: '0.4 m³' },
      ],
      cut: { length, height },
    },
  });
  const groups = loadOut([], [guard('7', 600), guard('8', 500), guard('9', 80, 151)], [], 'metric');
  expect(at(groups, /Snips/)?.amount).toBe('1 set (7, 8, 9)');
  expect(at(groups, /Compost/)?.amount).toBe('1.2 m³ (7, 8, 9)');
  expect(groups.find((g) => g.title.startsWith('Mesh'))!.lines.map((l) => l.what)).toEqual([
    'Roll 1, 400.0 cm left over',
    'Roll 2, 500.0 cm left over',
    '9: no roll gives it',
  ]);
  expect(loadOut([], [], [], 'metric')).toEqual([]);
});

it('every method brings what it needs, a product is on the list once with its whole amount', () => {
  const spray = sheet({ method: 'foliar-spray', device: null, drillMm: null, sites: null, mixMl: 20_000, product: 40 });
  const groups = loadOut([spray, { ...spray, tag: '2' }], [], [], 'metric');
  expect(groups[0]!.lines).toEqual([
    { what: 'A', amount: '80 mL' },
    { what: 'Water', amount: '40 L' },
  ]);
  expect(at(groups, /Wind meter/)).toBeDefined();
  expect(at(loadOut([sheet({ method: 'bait', inStations: true })], [], [], 'metric'), /Locked bait/)).toBeDefined();
  expect(at(loadOut([sheet({ method: 'soil-injection', holes: 44 })], [], [], 'metric'), /probe/)?.amount).toBe(
    '44 holes',
  );
});

const job = fc.record({
  labelKey: fc.constantFrom('a', 'b', 'c'),
  method: fc.constantFrom(...METHODS),
  product: fc.double({ min: 0.1, max: 5000, noNaN: true }),
  mixMl: fc.option(fc.double({ min: 10, max: 50_000, noNaN: true })),
  sites: fc.option(fc.integer({ min: 1, max: 60 })),
  device: fc.option(fc.constantFrom(...DEVICES)),
  drillMm: fc.option(fc.constantFrom(5, 6, 9.5)),
});
it('for any day: every product once, capsules for every site and more, short only where something is listed', () => {
  fc.assert(
    fc.property(
      fc.array(job, { minLength: 1, maxLength: 30 }),
      fc.constantFrom('metric' as const, 'us' as const),
      fc.integer({ min: 0, max: 40 }),
      (jobs, system, owned) => {
        const sheets = jobs.map((j, i) => sheet({ ...j, labelName: j.labelKey, tag: String(i) }));
        const groups = loadOut(sheets, [], [bits(owned)], system);
        const names = groups[0]!.lines.map((l) => l.what).filter((w) => w !== 'Water');
        expect(names.sort()).toEqual([...new Set(jobs.map((j) => j.labelKey))].sort());
        expect(JSON.stringify(groups)).not.toMatch(/NaN|undefined|Infinity/);
        const capsules = sheets.filter((s) => s.method === 'trunk-injection' && s.device === 'capsule');
        if (capsules.length) {
          const [all, spare] = at(groups, /^Capsules/)!
            .amount.match(/\d+/g)!
            .map(Number);
          expect(all).toBe(capsules.reduce((a, s) => a + (s.sites ?? 0), 0));
          expect(spare).toBeGreaterThan(0);
        }
        for (const l of groups.flatMap((g) => g.lines)) if (l.short) expect(l.what).toMatch(/^Bits/);
      },
    ),
    { numRuns: 150 },
  );
});

it('sound trees come before sick ones and each kind keeps its row', () => {
  fc.assert(
    fc.property(fc.array(fc.record({ n: fc.integer(), sound: fc.boolean() }), { maxLength: 40 }), (row) => {
      const day = dayOrder(row);
      expect(day.stops.filter((s) => s.sound)).toEqual(row.filter((s) => s.sound));
      expect(day.stops.filter((s) => !s.sound)).toEqual(row.filter((s) => !s.sound));
      const mixed = new Set(row.map((s) => s.sound)).size === 2;
      expect(day.soundFirst).toBe(mixed ? row.filter((s) => s.sound).length : 0);
      if (mixed) expect(day.stops.slice(day.soundFirst).some((s) => s.sound)).toBe(false);
    }),
  );
});

it('a product that the shelf does not hold says what is there, and what is made up as stock says how much of it', () => {
  const drench = sheet({
    method: 'soil-drench',
    product: 46.8,
    stockMl: 280.8,
    sites: null,
    device: null,
    drillMm: null,
  });
  const of = (stock: Map<string, number> | null) => loadOut([drench, { ...drench, tag: '2' }], [], [], 'metric', stock);
  expect(at(of(new Map([['a', 60]])), /^A$/)).toEqual({
    what: 'A',
    amount: '93.6 mL',
    short: 'the shelf has 60 mL that has not expired',
  });
  expect(at(of(new Map()), /^A$/)?.short).toBe('the shelf has none that has not expired');
  expect(at(of(new Map([['a', 93.6]])), /^A$/)?.short).toBeUndefined();
  expect(at(of(null), /^A$/)?.short).toBeUndefined();
  expect(at(of(null), /^Stock made/)?.amount).toBe('561.6 mL');
  expect(at(of(null), /^Water/)?.amount).toBe('468 mL');
});
