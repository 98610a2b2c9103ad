import fc from 'fast-check';
import { USUAL_PRICES } from '../cost/prices';
import { conditions, findCondition, findHost, hosts, regionOf, trainingLabels } from '@/knowledge';
import type { Weighing } from '../gates/context';
import { options } from './options';
import { findUse, nameOf, shelfFor, WORK } from './shelf';
import type { Choices, TreatmentContext } from '../gates/context';
import { UNSAID } from './unsaid';
import { firstWay, waysOf } from './ways';

const shelf = trainingLabels.map((label) => ({ id: `id of ${label.key}`, label }));
const sheet: Choices = { soil: 'moist', leaf: 'full', temperatureC: 18, windMs: 2, rainNext24Mm: 0 };
const by: Weighing = {
  on: '2026-07-01',
  prices: USUAL_PRICES,
  school: 'conventional',
  programme: null,
  options: null,
  system: 'metric',
  south: false,
};
const elm: TreatmentContext = {
  ...UNSAID,
  on: '2026-07-01',
  host: findHost('wych-elm')!,
  hostConfirmed: true,
  condition: findCondition('elm-leaf-beetle'),
  certainty: 'likely',
  decision: 'treat now',
  crownLoss: 5,
  vigour: 'good',
  reading: { day: '2026-06-01', diameters: [46.2], heightCm: 130, doubts: [], arcs: [] },
  siteAreaM2: 6200,
  water: 40,
  soilTexture: 'loam',
  region: regionOf('estuary'),
  licence: { number: 'L', categories: ['tree injection', 'ornamental'], expires: '2030-01-01' },
  checked: Object.fromEntries(trainingLabels.map((l) => [l.key, '2026-01-01'])),
  money: { by, lossUntreated: 0.02 },
};
const labels = (of: { label: (typeof trainingLabels)[number] }[]) => of.map((h) => h.label);

describe('the shelf as one tree needs it', () => {
  it('no label is lost, none is there twice, and what is offered is the same as from the whole shelf', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...hosts),
        fc.option(fc.constantFrom(...conditions), { nil: null }),
        fc.subarray(shelf.map((h) => h.label.key)),
        (host, condition, kept) => {
          const here = { ...elm, host, condition };
          const { near, far } = shelfFor(here, shelf, kept);
          expect([...near, ...far].map((h) => h.id).sort()).toEqual(shelf.map((h) => h.id).sort());
          for (const key of kept) expect(near.some((h) => h.label.key === key)).toBe(true);
          const offered = (of: typeof shelf) =>
            options(here, labels(of), sheet)
              .filter((o) => o.result)
              .map(nameOf);
          expect(offered(near)).toEqual(offered(shelf));
        },
      ),
      { numRuns: 40 },
    );
  });
  it('a use is found by its name, and what the shelf does not hold is not', () => {
    for (const { id, label } of shelf)
      for (const use of label.uses) expect(findUse(shelf, nameOf({ label, use }))).toEqual({ id, label, use });
    expect(findUse(shelf, 'training-01/none')).toBeNull();
    expect(findUse([], nameOf({ label: trainingLabels[0]!, use: trainingLabels[0]!.uses[0]! }))).toBeNull();
  });
});

describe('the way that is first in hand', () => {
  const first = (s: Partial<TreatmentContext>, openWork: string | null = null) => {
    const here = { ...elm, ...s };
    return firstWay(here, options(here, trainingLabels, sheet), openWork);
  };
  it('a product that may be poured today goes before a work', () => {
    const way = first({}, 'hang-traps')!;
    expect(way.startsWith(WORK)).toBe(false);
    const use = findUse(shelf, way)!.use;
    expect(use.targets).toContain('elm-leaf-beetle');
  });
  it('where every product is forbidden, the work that may be done; without one, the least forbidden', () => {
    const bare = { reading: null, on: '2026-12-24', crownLoss: 95, vigour: 'poor' as const };
    const here = { ...elm, ...bare };
    const stops = options(here, trainingLabels, sheet).filter((o) => o.result && !o.stops);
    expect(first(bare, 'hang-traps')).toBe(stops.length ? nameOf(stops[0]!) : `${WORK}hang-traps`);
    expect(findUse(shelf, first(bare)!)).not.toBeNull();
  });
  it('for a sound tree at risk its protection, though its months are closed and a work is open', () => {
    const way = first(
      {
        condition: findCondition('dutch-elm-disease'),
        certainty: 'possible',
        decision: 'protect a sound tree',
        on: '2026-11-26',
      },
      'cut-out',
    )!;
    expect(findUse(shelf, way)!.use.purpose).not.toBe('curative');
    expect(findUse(shelf, way)!.use.targets).toContain('dutch-elm-disease');
  });
  it('nothing where there is neither', () => {
    expect(firstWay(elm, [], null)).toBeNull();
    expect(firstWay(elm, [], 'hang-traps')).toBe(`${WORK}hang-traps`);
  });
});

it('every way weighed stands on the shelf with the same gates, and what is for others is not weighed', () => {
  const { ways, weighed, works } = waysOf({ treatmentContext: elm, shelf, choices: sheet, workFacts: null, own: {} });
  expect(ways).toHaveLength(trainingLabels.flatMap((l) => l.uses).length);
  expect(weighed.length).toBeGreaterThan(2);
  for (const w of weighed) {
    const way = ways.find((x) => x.key === w.key)!;
    expect(way).toMatchObject({ meant: true, stops: w.stops, holds: w.holds });
  }
  expect(works).toEqual({ fit: [], other: [] });
});

describe('the way that is first in hand', () => {
  const june = { ...elm, on: '2026-06-20' };
  const here = (context: TreatmentContext) => options(context, trainingLabels, sheet);
  const treats = (name: string | null, id: string) => findUse(shelf, name!)?.use.targets.includes(id) ?? false;

  it('answers the problem that was named, never a feed or a repellent beside it', () => {
    expect(treats(firstWay(june, here(june), null), 'elm-leaf-beetle')).toBe(true);
    const feeds = here(june).filter((o) => o.result && !o.use.targets.includes('elm-leaf-beetle'));
    expect(feeds.length).toBeGreaterThan(0);
    expect(firstWay(june, feeds, null)).toBeNull();
  });

  it('where nothing was named, the freest of the shelf', () => {
    const sound = { ...june, condition: null, problems: [], certainty: null, decision: null };
    const offered = here(sound);
    expect(firstWay(sound, offered, null)).toBe(nameOf(offered.find((o) => o.result)!));
    expect(firstWay(sound, [], null)).toBeNull();
  });

  it('a work that may be done today goes before a product that is stopped or waits, and after one that is free', () => {
    const [free] = here(june).filter(
      (o) => o.result && !o.stops && !o.later && o.use.targets.includes('elm-leaf-beetle'),
    );
    expect(firstWay(june, [free!], 'wash')).toBe(nameOf(free!));
    for (const held of [
      { ...free!, stops: 1 },
      { ...free!, later: true },
    ]) {
      expect(firstWay(june, [held], 'wash')).toBe(`${WORK}wash`);
      expect(firstWay(june, [held], null)).toBe(nameOf(held));
    }
    expect(firstWay(june, [], 'wash')).toBe(`${WORK}wash`);
  });
});
