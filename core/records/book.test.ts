import { monthOf } from '../../lib/calendar/months';
import fc from 'fast-check';
import { UNSAID } from '../prescribe/unsaid';
import { stepOfUse } from '../prescribe/costs';
import { treatedGround } from '../prescribe/treated-ground';
import { findCondition, findHost, regionOf, trainingLabels } from '@/knowledge';
import { simulatedStation } from '@/stand-ins/weather/station';
import { prescribe } from '../prescribe/prescribe';
import { correct } from './correct';
import { recordSchema, type TreatmentInput, type Correction } from './record';
import { writeUp, type RecordContext } from './write';

const label = trainingLabels[0]!;
const use = label.uses[0]!;
const id = (n: number) => `00000000-0000-7000-8000-00000000000${n}`;
const now = new Date('2026-06-01T12:00:00Z');
const weather = simulatedStation(1).at(now);
const host = findHost('wych-elm')!;
const condition = findCondition('elm-leaf-beetle')!;
const licence = { number: 'L-1', categories: ['ornamental'], expires: '2030-01-01' };
const treated = {
  on: '2026-06-01',
  host,
  hostConfirmed: true,
  condition,
  certainty: 'likely',
  decision: 'treat now',
  crownLoss: 5,
  severity: 3,
  vigour: 'good',
  reading: { day: '2026-05-01', diameters: [46.2], heightCm: 130, doubts: [], arcs: [] },
  earlier: [],
  treeYearProduct: {},
  siteAreaM2: 6200,
  siteYearActive: {},
  water: 40,
  harvest: null,
  soilTexture: 'loam',
  oldSites: [],
  vessels: [{ id: 's', name: 'syringe', dimension: 'volume', capacity: 60, graduation: 1 }],
  region: regionOf('estuary'),
  licence,
  checked: { [label.key]: '2026-01-01' },
} as const;
const plan = prescribe(
  {
    ...UNSAID,
    ...treated,
    vessels: [...treated.vessels],
    earlier: [],
    oldSites: [],
    reading: { ...treated.reading, diameters: [46.2], doubts: [], arcs: [] },
  },
  label,
  use,
  {
    soil: 'moist',
    leaf: 'full',
    temperatureC: 15,
    windMs: 1,
    rainNext24Mm: 0,
    said: { boundary: 'far enough', edibles: 'nothing', 'ground-bloom': 'nothing', slope: 'level' },
  },
);
if (!plan.dose.ok) throw new Error('no dose');
const lot = { id: id(3), labelKey: label.key, lotNumber: '26-031', expiresOn: '2027-01-01', onHand: 500 };
const step = (south: boolean) => stepOfUse(use, { programme: null, school: 'conventional', south });
const context: RecordContext = {
  now,
  timeZone: 'Europe/London',
  applicator: { id: id(4), name: 'Wren', licence },
  beside: [],
  labelId: id(5),
  label,
  use,
  step: step(false),
  drawn: null,
  condition,
  host,
  tree: { id: id(6), tag: '117', lat: null, lon: null },
  place: { id: id(7), name: 'Quay Avenue', address: 'Quay Avenue', client: 'Town' },
  dose: plan.dose,
  ring: null,
  gates: plan.gates,
  released: {},
  lot,
};
const treatmentInput: TreatmentInput = {
  id: id(1),
  planId: id(2),
  startedAt: '2026-06-01T11:00:00Z',
  endedAt: '2026-06-01T11:30:00Z',
  amount: plan.dose.product,
  lotId: lot.id,
  weather,
  soil: 'moist',
  said: {},
  released: {},
  protection: use.protection,
  withIds: [],
  deviation: '',
  mark: 'blue dot',
  note: '',
  photoIds: [],
};
const written = writeUp(context, treatmentInput);
if (!written.ok) throw new Error(written.issues[0]!.message);

it('a record is complete for a regulator', () => {
  const d = recordSchema.parse(written.data);
  expect(d).toMatchObject({
    applicator: { name: 'Wren', licence: 'L-1' },
    product: { registration: 'TR-0001' },
    lot: { number: '26-031' },
    target: { name: 'Elm leaf beetle' },
    method: 'soil-drench',
    reEntryUntil: '2026-06-01T23:30:00.000Z',
    deviation: '',
  });
  expect(d.amount).toBe(44);
  expect(d.concentration).toBe('44 mL in 7.257 L (0.606 %)');
  expect(d.actives[0]!.grams).toBeCloseTo(44 * 0.24, 9);
  expect(d.areaM2).toBeCloseTo(1.00091141943371, 9);
  for (const word of ['117', 'Quay Avenue', 'TR-0001', '26-031', 'imidacloprid', 'Wren'])
    expect(written.words).toContain(word);
  expect(written.followUps.map((f) => [f.ruleId, f.due])).toEqual([
    ['settle', '2026-06-02'],
    ['effect', '2026-08-10'],
    ['again', '2027-09-01'],
  ]);
});

it('whoever had a hand in it stands in the record with the licence of that day, and is found by name', () => {
  const two = writeUp({ ...context, beside: [{ id: id(8), name: 'Idris', licence: null }] }, treatmentInput);
  if (!two.ok) throw new Error(two.issues[0]!.message);
  expect(recordSchema.parse(two.data).beside).toEqual([
    { id: id(8), name: 'Idris', licence: 'none entered', categories: [], licenceExpires: null },
  ]);
  expect(two.words).toContain('Idris');
  expect(written.data.beside).toBeUndefined();
});

it.each([
  ['more than planned', { amount: plan.dose.product * 1.06 }, 'deviation'],
  ['less than planned', { amount: plan.dose.product * 0.9 }, 'deviation'],
  ['gloves not worn', { protection: use.protection.slice(1) }, 'deviation'],
  ['more than the lot holds', { amount: 501 }, 'lotId'],
  ['an end in the future', { endedAt: '2026-06-01T13:00:00Z' }, 'endedAt'],
  ['a start two years ago', { startedAt: '2024-06-01T13:00:00Z' }, 'startedAt'],
])('%s asks for its place', (_, change, path) => {
  const r = writeUp(context, { ...treatmentInput, ...change });
  expect(r.ok ? [] : r.issues.map((f) => f.path)).toContain(path);
});
it('what happened can always be recorded, with a reason', () => {
  const stop = {
    id: 'x',
    strength: 'stop' as const,
    state: 'tripped' as const,
    title: 'Frozen soil',
    sentence: 'The soil is frozen.',
    source: 's',
    facts: [],
    satisfy: 's',
  };
  const r = writeUp(
    { ...context, gates: [stop], lot: { ...lot, expiresOn: '2026-05-31' } },
    { ...treatmentInput, protection: [], deviation: 'Thawed by ten' },
  );
  expect(r.ok && r.data.deviation).toMatch(/Not worn.*Frozen soil.*expired.*Reason: Thawed by ten/);
});

it('what is done again comes in the months of the place: south of the equator half a year later, corrected or not', () => {
  const months = (r: { ok: true; followUps: { kind: string; due: string }[] } | { ok: false }) =>
    r.ok ? r.followUps.filter((f) => f.kind === 'treat-again').map((f) => monthOf(f.due)) : [];
  const again = {
    kind: 'treat-again',
    id: 'x',
    what: 'x',
    why: 'x',
    after: { count: 1, unit: 'months' },
    months: [2],
  } as const;
  const rule = (south: boolean) =>
    stepOfUse(
      { ...use, months: [], followUps: [{ ...again, months: [...again.months] }] },
      { programme: null, school: 'conventional', south },
    );
  expect(months(writeUp({ ...context, step: rule(false) }, treatmentInput))).toEqual([2]);
  expect(months(writeUp({ ...context, step: rule(true) }, treatmentInput))).toEqual([8]);
});

describe('a correction', () => {
  const k: Correction = {
    id: id(8),
    rootId: id(1),
    amount: 40,
    lotId: lot.id,
    startedAt: treatmentInput.startedAt,
    endedAt: treatmentInput.endedAt,
    note: '',
    mark: '',
    deviation: '',
    withdrawn: false,
    reason: 'misread the syringe',
  };
  const run = (change: Partial<Correction>, more: object = {}) =>
    correct(
      {
        ...{
          now,
          timeZone: 'Europe/London',
          use,
          step: step(false),
          was: written.data,
          wasWithdrawn: false,
          lot,
          host,
        },
        ...more,
      },
      { ...k, ...change },
    );
  it('gives back what was booked too much, and scales the active', () => {
    const r = run({});
    expect(r).toMatchObject({ ok: true, stock: [{ lotId: lot.id, amount: 4 }] });
    expect(r.ok && r.data.actives[0]!.grams).toBeCloseTo(9.6, 9);
  });
  it('moves stock from lot to lot', () =>
    expect(run({ lotId: id(9), amount: 44 }, { lot: { ...lot, id: id(9) } })).toMatchObject({
      stock: [
        { lotId: lot.id, amount: 44 },
        { lotId: id(9), amount: -44 },
      ],
    }));
  it('withdrawn gives all of it back, and back again', () => {
    expect(run({ withdrawn: true, amount: 44 })).toMatchObject({ stock: [{ amount: 44 }] });
    expect(run({ amount: 44 }, { wasWithdrawn: true })).toMatchObject({ stock: [{ amount: -44 }] });
  });
  it('says what would have been written with the corrected facts from the start: liquid, strength, waits and days', () => {
    const apple = findHost('apple')!;
    const eaten = { ...use, intervals: { ...use.intervals, preHarvestDays: 21 } };
    const drawn = [
      {
        id: id(5),
        code: 'K7M2P',
        mixMl: 9000,
        product: plan.dose.ok ? plan.dose.product : NaN,
        lots: [],
        goodUntil: now.toISOString(),
      },
    ];
    for (const c of [context, { ...context, host: apple, use: eaten }, { ...context, drawn }])
      fc.assert(
        fc.property(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 0, max: 60 }), (amount, days) => {
          const moved = (t: string) => new Date(Date.parse(t) - days * 86_400_000).toISOString();
          const times = { startedAt: moved(treatmentInput.startedAt), endedAt: moved(treatmentInput.endedAt) };
          const fresh = writeUp(c, { ...treatmentInput, ...times, amount, deviation: 'As it was.' });
          const first = writeUp(c, { ...treatmentInput, deviation: 'As it was.' });
          if (!fresh.ok || !first.ok) throw new Error('not written');
          const after = run(
            { ...times, amount, mark: treatmentInput.mark, lotId: lot.id },
            { was: first.data, use: c.use, host: c.host, lot: { ...lot, onHand: 1e6 } },
          );
          if (!after.ok) throw new Error(after.issues[0]!.message);
          // What was said of the plan is for whoever corrects it to say anew.
          const told = after.data;
          const { mixMl, waterMl, actives, batches } = fresh.data;
          const close = { deviation: '', mixMl: 0, waterMl: 0, actives: [], batches: [] };
          // Undefined and missing are one, on paper and in the database.
          const plain = (d: object): unknown => JSON.parse(JSON.stringify({ ...d, ...close }));
          expect(plain(told)).toEqual(plain(fresh.data));
          expect(told.mixMl).toBeCloseTo(mixMl!, 6);
          expect(told.waterMl).toBeCloseTo(waterMl!, 6);
          expect(told.actives[0]!.grams).toBeCloseTo(actives[0]!.grams, 9);
          expect(told.batches?.map((b) => b.mixMl)).toEqual(batches?.map((b) => expect.closeTo(b.mixMl, 6)));
          expect(after.followUps).toEqual(fresh.followUps);
          // The mix is as strong as it was made, whatever was drawn of it.
          if (c.drawn === null) expect(told.mixMl! / amount).toBeCloseTo(first.data.mixMl! / first.data.amount, 9);
        }),
      );
  });
  it('never takes more than the lot holds', () =>
    expect(run({ amount: 600 })).toMatchObject({ ok: false, issues: [{ path: 'lotId' }] }));
});

it('the record says what was treated: the basin of a drench, or what the plan worked out for another method', () => {
  expect(treatedGround(use, 46.2)).toMatchObject({ m2: expect.closeTo(1.00091141943371, 9), inner: 15, outer: 45 });
  const probe = { ...use, method: 'soil-injection' as const };
  const treated = { areaM2: 61.5, words: '110 holes, 0.6 to 4.5 m from the trunk' };
  expect(treatedGround(probe, 46.2, treated)).toMatchObject({ m2: 61.5, words: treated.words });
  expect(treatedGround({ ...use, method: 'trunk-injection' }, 46.2, { areaM2: null, words: '' }).words).toBe(
    'trunk only, no ground treated',
  );
});
