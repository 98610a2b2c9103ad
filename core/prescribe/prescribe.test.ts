import { METHODS } from '../label/methods';
import { findCondition, findHost, regionOf, trainingLabels } from '@/knowledge';
import type { OldSite } from '../ring/ring';
import { options, prescribe, type Choices, type Situation } from './prescribe';

const elm: Situation = {
  today: '2026-07-01',
  host: findHost('wych-elm')!,
  hostConfirmed: true,
  condition: findCondition('dutch-elm-disease'),
  certainty: 'possible',
  decision: 'protect a sound tree',
  crownLoss: 3,
  vigour: 'good',
  reading: { day: '2026-06-01', diameters: [46.2], heightCm: 130, doubts: [], arcs: [] },
  earlier: [],
  treeYearProduct: {},
  siteAreaM2: 6200,
  siteYearActive: {},
  water: 40,
  harvest: null,
  soilTexture: 'loam',
  oldSites: [],
  vessels: [{ id: 'a', name: '60 mL syringe', dimension: 'volume', capacity: 60, graduation: 1 }],
  region: regionOf('estuary'),
  licence: { number: 'L', categories: ['tree injection', 'ornamental'], expires: '2030-01-01' },
  checked: Object.fromEntries(trainingLabels.map((l) => [l.key, '2026-01-01'])),
};
const summer: Choices = { soil: 'moist', leaf: 'full', temperatureC: 18, windMs: 2, rainNext24Mm: 0 };
const infusion = trainingLabels.find((l) => l.key === 'training-02-elm-infusion')!;
const plan = (s: Partial<Situation> = {}, c: Partial<Choices> = {}) =>
  prescribe({ ...elm, ...s }, infusion, infusion.uses[0]!, { ...summer, ...c });

it('an infusion: stock for each site, ten sites, an even ring, nothing in the way', () => {
  const { dose, ring, gates } = plan();
  if (!dose.ok) throw new Error(dose.faults[0]!.sentence);
  expect(dose.sites!.count).toBe(10);
  expect(ring!.sites).toHaveLength(10);
  expect(ring!.unevenness).toBeCloseTo(0, 6);
  expect(dose.pour).toMatchObject({ what: 'stock', per: 'site', amount: 41 });
  expect(dose.stockMl).toBeCloseTo(410, 9);
  expect(gates.filter((g) => g.strength !== 'note')).toEqual([]);
});

it('what stands in the book moves the ring: no new site near a young hole at this height', () => {
  const old: OldSite[] = plan().ring!.sites.map((bearing) => ({
    bearing,
    heightCm: infusion.uses[0]!.sites!.heightCm,
    year: 2025,
  }));
  const again = plan({ oldSites: old });
  const degrees = (360 * infusion.uses[0]!.sites!.oldSiteClearanceCm) / (46.2 * Math.PI);
  for (const site of again.ring!.sites)
    for (const hole of old)
      expect(Math.min((site - hole.bearing + 360) % 360, (hole.bearing - site + 360) % 360)).toBeGreaterThanOrEqual(
        degrees - 1e-6,
      );
  expect(again.ring!.barring).toHaveLength(10);
});

it('the shelf: what is free comes first, what is stopped last, whatever the method', () => {
  const offered = options(elm, trainingLabels, summer);
  expect(offered[0]).toMatchObject({ label: { key: infusion.key }, stops: 0, holds: 0 });
  expect(new Set(offered.map((o) => o.use.method)).size).toBe(METHODS.length);
  const meant = offered.filter((o) => o.result);
  expect(offered.slice(0, meant.length)).toEqual(meant);
  expect(meant.map((o) => o.stops)).toEqual([...meant.map((o) => o.stops)].sort((a, b) => a - b));
  expect(
    options(
      { ...elm, condition: findCondition('elm-leaf-beetle'), certainty: 'likely', decision: 'treat now' },
      trainingLabels,
      { ...summer, leaf: 'falling' },
    )[0]!.label.key,
  ).toBe('training-01-drench');
});

it('both unit systems read the same amounts', () => {
  const metric = plan().dose;
  const us = plan({}, { system: 'us' }).dose;
  if (!metric.ok || !us.ok) throw new Error('no dose');
  expect(us.product).toBe(metric.product);
  expect(us.steps.map((s) => s.value)).toEqual(metric.steps.map((s) => s.value));
  expect(us.steps.some((s) => /fl oz|in\b/.test(s.result))).toBe(true);
});

it('a tree that nobody measured has no dose, and the gate asks for the tape', () => {
  const { dose, ring, gates } = plan({ reading: null });
  expect(dose.ok).toBe(false);
  expect(ring).toBeNull();
  expect(gates.find((g) => g.id === 'not-measured')).toMatchObject({ strength: 'stop', state: 'asked' });
});

it('stops stand before holds, holds before notes', () => {
  const order = { stop: 0, hold: 1, note: 2 };
  const ranks = plan({ hostConfirmed: false, vigour: null, licence: null }, { leaf: 'leafless' }).gates.map(
    (g) => order[g.strength],
  );
  expect(ranks.length).toBeGreaterThan(3);
  expect(ranks).toEqual([...ranks].sort());
});
