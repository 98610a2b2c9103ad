import fc from 'fast-check';
import { findCondition, findHost, regionOf, trainingLabels } from '@/knowledge';
import { dayAfter } from '../../lib/calendar/days';
import type { Choices, TreatmentContext, When } from '../gates/context';
import { meant, options, wayAgainst, type Option } from './options';
import { UNSAID } from './unsaid';

/** Trees with a problem that several products on the shelf answer, and one that a single product does. */
const CASES = [
  ['wych-elm', 'elm-leaf-beetle'],
  ['eastern-hemlock', 'hemlock-woolly-adelgid'],
  ['small-leaved-lime', 'lime-aphid'],
] as const;

const contextOf = (on: string, [host, condition]: (typeof CASES)[number], water: number): TreatmentContext => ({
  ...UNSAID,
  on,
  supervised: true,
  host: findHost(host)!,
  hostConfirmed: true,
  condition: findCondition(condition),
  certainty: 'near certain',
  decision: 'treat now',
  crownLoss: 10,
  vigour: 'good',
  reading: { day: on, diameters: [46.2], heightCm: 130, doubts: [], arcs: [] },
  siteAreaM2: 6200,
  water,
  soilTexture: 'loam',
  vessels: [{ id: 'a', name: '60 mL syringe', dimension: 'volume', capacity: 60, graduation: 1 }],
  region: regionOf('estuary'),
  licence: { number: 'L', categories: ['tree injection', 'ornamental'], expires: '2030-01-01' },
  checked: Object.fromEntries(trainingLabels.map((l) => [l.key, '2026-01-01'])),
});

/** What `wayAgainst` promises, said the slow way: every way worked out, in the order of the shelf. */
function freestOfAll(context: TreatmentContext, choices: Choices, condition: string): Option | null {
  const worked = options(context, trainingLabels, choices);
  let freest: Option | null = null;
  for (const label of trainingLabels)
    for (const use of label.uses.filter((u) => u.targets.includes(condition) && meant(context, u))) {
      const way = worked.find((o) => o.label === label && o.use === use)!;
      if (!way.stops && !way.later) return way;
      if (!freest || way.stops < freest.stops || (way.stops === freest.stops && freest.later && !way.later))
        freest = way;
    }
  return freest;
}

it('the freest way is the one that is found when every way is worked out, on any day and however it is asked', () => {
  const found = { open: 0, later: 0, stopped: 0 };
  fc.assert(
    fc.property(
      fc.constantFrom(...CASES),
      fc.integer({ min: 0, max: 365 }),
      fc.constantFrom<When['kind']>('now', 'window', 'day'),
      fc.integer({ min: 0, max: 300 }),
      fc.constantFrom(2, 60),
      (tree, start, kind, ahead, water) => {
        const on = dayAfter('2026-01-01', start, 'days');
        const context = contextOf(on, tree, water);
        const when: When = kind === 'day' ? { kind, day: dayAfter(on, ahead, 'days') } : { kind };
        const choices: Choices = { soil: 'moist', leaf: 'full', temperatureC: 18, windMs: 2, rainNext24Mm: 0, when };
        const way = wayAgainst(context, trainingLabels, choices, tree[1]);
        const slow = freestOfAll(context, choices, tree[1]);
        expect([way?.label.key, way?.use.key, way?.stops, way?.result?.on]).toEqual([
          slow?.label.key,
          slow?.use.key,
          slow?.stops,
          slow?.result?.on,
        ]);
        if (way) found[way.stops ? 'stopped' : way.later ? 'later' : 'open']++;
      },
    ),
    { numRuns: 120, seed: 30 },
  );
  // The three ends that Today tells apart are all met.
  expect(Math.min(...Object.values(found))).toBeGreaterThan(3);
});

it('no way where no label on the shelf names the problem for this host', () => {
  const context = contextOf('2026-06-01', ['wych-elm', 'elm-leaf-beetle'], 60);
  expect(wayAgainst(context, trainingLabels, UNSAID_CHOICES, 'apple-scab')).toBeNull();
});

const UNSAID_CHOICES: Choices = { soil: null, leaf: null, temperatureC: null, windMs: null, rainNext24Mm: null };
