import { UNSAID } from './unsaid';
import type { LabelUse } from '../label/schema';
import type { TreatmentOption } from '../diagnose/knowledge';
import { EMPTY_SITE_MAP } from '../site-map/site-map';
import { USUAL_PRICES } from '../cost/prices';
import { METHODS } from '../label/methods';
import { scoreUse } from './compare';
import { expectedOfUse } from './costs';
import { ringArea } from '../rootzone/probe-grid';
import { findCondition, findHost, regionOf, trainingLabels } from '@/knowledge';
import type { OldSite } from '../ring/ring';
import { options } from './options';
import { prescribe } from './prescribe';
import { type Choices, type TreatmentContext } from '../gates/context';

const elm: TreatmentContext = {
  ...UNSAID,
  supervised: true,
  on: '2026-07-01',
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
const plan = (s: Partial<TreatmentContext> = {}, c: Partial<Choices> = {}) =>
  prescribe({ ...elm, ...s }, infusion, infusion.uses[0]!, { ...summer, ...c });

const treat = { condition: findCondition('elm-leaf-beetle'), certainty: 'likely', decision: 'treat now' } as const;

it('an infusion: stock for each site, ten sites, an even ring, nothing in the way', () => {
  const { dose, ring, gates } = plan();
  if (!dose.ok) throw new Error(dose.issues[0]!.message);
  expect(dose.sites!.count).toBe(10);
  expect(ring!.sites).toHaveLength(10);
  expect(ring!.unevenness).toBeCloseTo(0, 6);
  expect(dose.pour).toMatchObject({ what: 'stock', per: 'site', amount: 124 });
  expect(dose.stockMl).toBeCloseTo(1240, 9);
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

it('the plan of the grounds answers what it can: slope, water, beds, hives', () => {
  const box = (x: number, y: number) => [
    { x, y },
    { x: x + 2, y },
    { x: x + 2, y: y + 2 },
  ];
  const plan = {
    ...EMPTY_SITE_MAP,
    areas: [{ id: 'a', kind: 'water' as const, name: 'Pond', corners: box(-30, 0) }],
    slope: { downDeg: 270, percent: 12 },
  };
  const drench = trainingLabels.find((l) => l.key === 'training-01-drench')!;
  const on = (more: object) =>
    prescribe(
      { ...elm, ...treat, siteMap: { plan: { ...plan, ...more }, at: { x: 0, y: 0 }, others: [] } },
      drench,
      drench.uses[0]!,
      summer,
    ).gates.map((g) => g.id);
  expect(on({})).toContain('slope-runoff');
  expect(on({ slope: { downDeg: 90, percent: 12 } })).not.toContain('slope-runoff');
  expect(on({ slope: null })).not.toContain('slope-unknown');
  expect(on({ areas: [{ ...plan.areas[0]!, corners: box(-12, 0) }] })).toContain('water-too-near');
  expect(on({ areas: [{ ...plan.areas[0]!, kind: 'bed', corners: box(2, 0) }] })).toContain('edibles-in-root-zone');
});

it('sprays, probes, feeds and bark are dosed by crown, ground and bark once they are measured', () => {
  const crown = { shape: 'ellipsoid' as const, widthM: 6.2, depthM: 7.5 };
  const apple = {
    ...elm,
    ...treat,
    host: findHost('cider-apple')!,
    condition: findCondition('apple-scab'),
    harvest: { from: '2026-10-01', to: null },
  };
  const of = (key: string, s: object) => {
    const label = trainingLabels.find((l) => l.key === key)!;
    return prescribe({ ...apple, ...s }, label, label.uses[0]!, { ...summer, density: 'middling' });
  };
  expect(of('training-20-sulphur', {}).dose).toMatchObject({ ok: false, issues: [{ path: 'sprayVolumeMl' }] });
  const spray = of('training-20-sulphur', {
    crown,
    heightM: 9,
    tanks: [{ id: 't', name: 'knapsack', holdsMl: 5000, flowMlMin: 1000, calibratedOn: null, deadMl: 0 }],
  });
  if (!spray.dose.ok) throw new Error('no dose');
  // 300 g in 100 L on 14.19 L.
  expect(spray.dose.exact).toBeCloseTo(42.5688946154071, 9);
  expect(spray.loads.map((l) => Math.round(l.spray))).toEqual([4730, 4730, 4730]);
  expect(spray.loads.reduce((a, l) => a + l.product, 0)).toBeCloseTo(spray.dose.product, 9);
  const hemlock = { condition: findCondition('hemlock-woolly-adelgid'), host: findHost('western-hemlock')! };
  const probe = of('training-13-probe', { crown, ...hemlock });
  if (!probe.dose.ok) throw new Error(probe.dose.issues[0]!.message);
  expect(probe.treated.grid!.holes.length).toBeGreaterThan(40);
  expect(probe.dose.exact).toBeCloseTo(0.5 * probe.treated.grid!.holes.length, 9);
  const feed = of('training-14-feed-slow', { crown });
  expect(feed.treated.areaM2).toBeCloseTo(ringArea(0.6, 3.1), 9);
});

it('what a region forbids for good on this tree is never offered; what only waits for its season is', () => {
  const lime = {
    ...elm,
    ...treat,
    host: findHost('common-lime')!,
    condition: findCondition('lime-aphid'),
  };
  const weighed = (key: string, c: Partial<Choices> = {}, use: Partial<LabelUse> = {}) => {
    const training = trainingLabels.find((l) => l.key === key)!;
    const label = { ...training, uses: [{ ...training.uses[0]!, ...use }] };
    const crown = { shape: 'ellipsoid' as const, widthM: 6, depthM: 7 };
    const result = prescribe({ ...lime, crown, heightM: 9 }, label, label.uses[0]!, { ...summer, ...c });
    return scoreUse({
      label,
      use: label.uses[0]!,
      result,
      held: 0,
      weighing: {
        prices: USUAL_PRICES,
        system: 'metric',
        on: '2026-05-20',
        programme: null,
        school: 'conventional',
        options: null,
        south: false,
      },
    })!;
  };
  expect(weighed('training-01-drench', {}, { hosts: ['lime'], targets: ['lime-aphid'] })).toMatchObject({
    forbidden: 'No soil systemic under Common lime',
  });
  expect(weighed('training-01-drench')).toMatchObject({ forbidden: 'Not for Common lime' });
  expect(weighed('training-08-soap', { temperatureC: 40 })).toMatchObject({ forbidden: null });
});

it('expects less outside the window that the field guide gives, less where it does not name the method, and leans on own checks', () => {
  const drench = trainingLabels.find((l) => l.key === 'training-01-drench')!.uses[0]!;
  const option = {
    method: 'soil drench' as const,
    what: 'x',
    when: 'as leaves unfold',
    from: 4,
    to: 6,
    use: 'cure' as const,
    organic: false,
    hosts: [] as string[],
    covers: false,
    antibiotic: false,
  } satisfies TreatmentOption;
  const at = (day: string, options: (typeof option)[] | null, own?: { none: number; some: number; good: number }) =>
    expectedOfUse(drench, day, { options, south: false }, own);
  const inside = at('2026-05-01', [option]);
  expect(inside).toMatchObject({ low: 0.5, likely: 0.8, high: 0.95, window: 'as leaves unfold' });
  expect(at('2026-05-01', null)).toMatchObject({ likely: 0.8, window: null });
  expect(at('2026-07-01', [option])).toMatchObject({
    likely: 0.4,
    from: expect.stringContaining('outside its window'),
  });
  expect(at('2026-05-01', [])).toMatchObject({ from: expect.stringContaining('does not name it') });
  const failed = at('2026-05-01', [option], { none: 12, some: 0, good: 0 });
  expect(failed.likely).toBeCloseTo(0.4);
  expect(failed.high - failed.low).toBeLessThan(inside.high - inside.low);
  // A window over the turn of the year.
  expect(at('2026-01-15', [{ ...option, from: 11, to: 2 } as unknown as typeof option])).toMatchObject({ likely: 0.8 });
});

it('the side that suffers draws sites down its grain, as much as the arborist lets it count', () => {
  const sites = (grainDeg: number, sector: number) =>
    plan({ sectors: [{ from: 80, to: 130, severity: 4 }], grainDeg }, { weights: { flare: 0, sector } }).ring!.sites;
  expect(sites(120, 3)).not.toEqual(sites(0, 3));
  expect(sites(120, 0)).toEqual(sites(0, 0));
});

it('an own log of five injections takes the place of the estimate of uptake', () => {
  const log = (n: number) => plan({ uptakeLog: { [infusion.key]: [30, 50, 40, 200, 45].slice(0, n) } }).uptake!;
  expect(log(4).n).toBe(0);
  expect(log(5)).toMatchObject({ n: 5, minutes: 45 });
});

it('the open plan of the product in hand is no other product on this trunk', () => {
  const first = plan();
  const sites = first.ring!.sites.map((bearing) => ({ labelKey: infusion.key, bearing, heightCm: 20 }));
  const also = {
    on: '2026-06-15',
    assignment: false,
    labelKey: infusion.key,
    labelName: 'x',
    method: 'trunk-injection' as const,
    families: [],
    actives: [],
  };
  const again = plan({ otherSites: sites, alsoPlanned: [also] });
  expect(again.ring!.sites).toEqual(first.ring!.sites);
  expect(again.gates).toEqual(first.gates);
  const other = plan({
    otherSites: sites.map((x) => ({ ...x, labelKey: 'other' })),
    alsoPlanned: [{ ...also, labelKey: 'other' }],
  });
  expect(other.ring!.sites).not.toEqual(first.ring!.sites);
  expect(other.gates.map((g) => g.id)).toContain('two-products');
});

it('the passes that are told are the passes that are gated: slope, compacted soil and a timed test pour count in both', () => {
  const label = trainingLabels.find((l) => l.key === 'training-01-drench')!;
  const drench = (s: Partial<TreatmentContext> = {}, c: Partial<Choices> = {}) => {
    const { passes, gates } = prescribe({ ...elm, ...treat, ...s }, label, label.uses[0]!, { ...summer, ...c });
    expect(gates.find((g) => g.id === 'soil-passes')?.title).toBe(
      passes!.passes > 1 ? `Pour in ${passes!.passes} passes` : undefined,
    );
    return passes!.passes * (passes!.waitMinutes + 1);
  };
  const level = drench();
  const sloped = { ...EMPTY_SITE_MAP, slope: { percent: 20, downDeg: 180 } };
  expect(drench({ siteMap: { plan: sloped, at: { x: 0, y: 0 }, others: [] } })).toBeGreaterThan(level);
  expect(drench({ ...treat, condition: findCondition('compaction') })).toBeGreaterThan(level);
  // What was timed on the spot takes the place of what such soil usually takes.
  expect(drench({ soilTexture: 'clay' }, { intakeMmH: 1000 })).toBe(1);
});

it('where not every site fits, the sheet, the sum and the ring name the same number of sites and the same product', () => {
  const capsules = trainingLabels.find((l) => l.key === 'training-09-capsule')!;
  const at = (girth: number, s: Partial<TreatmentContext> = {}) =>
    prescribe(
      { ...elm, ...treat, reading: { ...elm.reading!, diameters: [girth / Math.PI] }, ...s },
      capsules,
      capsules.uses[0]!,
      summer,
    );
  const whole = at(200);
  if (!whole.dose.ok) throw new Error('no dose');
  const third = {
    ...elm.reading!,
    diameters: [200 / Math.PI],
    arcs: [{ from: 10, to: 130, kind: 'dead-bark' as const }],
  };
  const short = at(200, { reading: third });
  if (!short.dose.ok) throw new Error('no dose');
  const placed = short.ring!.sites.length;
  expect(placed).toBeLessThan(whole.dose.sites!.count);
  expect(short.dose.sites!.count).toBe(placed);
  expect(short.dose.product).toBeCloseTo((whole.dose.product * placed) / whole.dose.sites!.count, 9);
  expect(short.dose.pour.amount).toBe(whole.dose.pour.amount);
  expect(short.gates.map((g) => g.id)).toContain('ring-short');
  const none = at(200, { reading: { ...third, arcs: [{ from: 0, to: 360, kind: 'dead-bark' }] } });
  expect(none.gates.find((g) => g.id === 'ring-short')).toMatchObject({ strength: 'stop' });
});

it('no bark and no dormant spray has a dose by a height that nobody measured, on any label', () => {
  const sprays = trainingLabels.flatMap((label) =>
    label.uses
      .filter((u) => u.method === 'bark-spray' || u.method === 'dormant-spray')
      .map((use) => [label, use] as const),
  );
  expect(sprays.length).toBeGreaterThan(2);
  for (const [label, use] of sprays) {
    const at = (heightM: number | null) => prescribe({ ...elm, ...treat, heightM }, label, use, summer);
    expect(at(null).treated.spray).toBeNull();
    if (use.rate.basis.per === 'spray-volume') expect(at(null).dose.ok).toBe(false);
    // Higher trees take more up to where the label ends, and no tree is sprayed above its top.
    const [low, high] = [at(3).treated.spray!, at(12).treated.spray!];
    expect(high.ml).toBeGreaterThanOrEqual(low.ml);
    expect(low.sum).toMatch(/up to ([0-2]\.\d|3\.0) m/);
  }
});
