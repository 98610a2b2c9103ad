import fc from 'fast-check';
import { findCondition, findHost } from '@/knowledge';
import { closedSeason } from './cuts';
import { WORK_RULES } from './rules';
import { elmFacts as f } from './testing';
import { factsOn, readAnswers, usualAnswers, type Answers, type Work, type WorkFacts, northernMonthOf } from './work';
import { findWork, WORKS, worksFor } from './works';

const out = (id: string, a: Answers = {}, facts: Partial<WorkFacts> = {}) => {
  const w = findWork(id, [])!;
  const all = { ...f, ...facts };
  return w.workOut(all, { ...usualAnswers(w, all), ...a });
};
const figures = (id: string, a?: Answers, facts?: Partial<WorkFacts>) =>
  out(id, a, facts).figures.map((x) => `${x.value} ${x.unit}`.trim());
const gateIds = (id: string, a?: Answers, facts?: Partial<WorkFacts>) => out(id, a, facts).gates.map((g) => g.id);

const numberFor = (ask: { min: number; max: number; whole?: boolean }) =>
  ask.whole
    ? fc.integer({ min: Math.ceil(ask.min), max: ask.max })
    : fc.double({ min: ask.min, max: ask.max, noNaN: true });

/** Any answers to a work, each within what it asks for. */
const answersTo = (w: Work) =>
  fc.record(
    Object.fromEntries(
      w.asks.map((ask) => [
        ask.key,
        ask.kind === 'number' ? numberFor(ask) : ask.kind === 'choice' ? fc.constantFrom(...ask.options) : fc.boolean(),
      ]),
    ),
  ) as fc.Arbitrary<Answers>;

it('every work gives figures, steps, a load and no nonsense, whatever is answered within its ranges', () => {
  for (const w of WORKS) {
    fc.assert(
      fc.property(
        answersTo(w),
        fc.double({ min: 1, max: 250, noNaN: true }),
        fc.constantFrom('metric' as const, 'us' as const),
        (a, diameterCm, system) => {
          const sheet = w.workOut({ ...f, diameterCm, system }, a);
          expect(sheet.figures.length).toBeGreaterThan(0);
          expect(sheet.steps.length).toBeGreaterThan(0);
          expect(sheet.take.length).toBeGreaterThan(0);
          expect(Number.isFinite(sheet.minutes)).toBe(true);
          expect(JSON.stringify(sheet)).not.toMatch(/NaN|undefined|Infinity|"–/);
          expect(sheet.minutes).toBeGreaterThan(0);
        },
      ),
      { numRuns: 25, endOnFailure: true },
    );
  }
});

it('the matrix of rules names every gate of every work, with its strength, and no other', () => {
  const root = { bearing: 90, state: 'decayed' as const };
  const facts = fc
    .record({
      host: fc.constantFrom(
        findHost('wych-elm')!,
        findHost('pedunculate-oak')!,
        findHost('silver-birch')!,
        findHost('plum')!,
        findHost('canary-palm')!,
      ),
      condition: fc.constantFrom(
        null,
        { id: 'canker-stain', name: 'Canker stain', noCut: true, disease: true },
        { id: 'oak-wilt', name: 'Oak wilt', disease: true },
      ),
      on: fc.constantFrom('2026-01-15', '2026-06-01'),
      mainRoots: fc.constantFrom([], [root]),
      diameterCm: fc.double({ min: 5, max: 120, noNaN: true }),
    })
    .map((x) => ({ ...x }));
  const seen = new Set<string>();
  for (const w of WORKS)
    fc.assert(
      fc.property(answersTo(w), facts, (a, more) => {
        for (const g of w.workOut({ ...f, ...more }, a).gates) {
          const row = WORK_RULES.find((r) => r.ids.includes(g.id));
          expect([g.id, row?.works.includes(w.id), row?.strength.includes(g.strength)]).toEqual([g.id, true, true]);
          seen.add(`${w.id} ${g.id}`);
        }
      }),
      { numRuns: 300 },
    );
  const ids = new Set([...seen].map((x) => x.split(' ')[1]!));
  expect(WORK_RULES.flatMap((r) => r.ids).filter((id) => !ids.has(id))).toEqual([]);
  const idle = WORK_RULES.flatMap((r) =>
    r.works.filter((w) => !r.ids.some((id) => seen.has(`${w} ${id}`))).map((w) => [r.about, w]),
  );
  expect(idle).toEqual([]);
});

it('reads what was typed, and names the field that cannot be read', () => {
  const w = findWork('guard', [])!;
  expect(readAnswers(w, f, { snow: '70', years: 'four' })).toMatchObject({ ok: false, issues: [{ path: 'years' }] });
  expect(readAnswers(w, f, { snow: '301' })).toMatchObject({ ok: false, issues: [{ path: 'snow' }] });
  expect(readAnswers(w, f, { material: 'wool' })).toMatchObject({ ok: false, issues: [{ path: 'material' }] });
  expect(readAnswers(w, f, { snow: '70' })).toMatchObject({ ok: true, answers: { snow: 70, years: 4 } });
});

it('worked figures', () => {
  expect(figures('guard', { snow: 70, years: 4 }, { diameterCm: 6.5 })).toEqual(['98.0 cm', '58.3 cm', '6.4 mm']);
  expect(figures('band', {}, { diameterCm: 30 })[0]).toBe('99.2 cm');
  expect(figures('disinfect', { litres: 1, stock: 96 })).toEqual(['729 mL', '271 mL']);
  expect(figures('disinfect', { litres: 2, with: 'bleach 1 in 10' })).toEqual(['200 mL', '1.8 L']);
  expect(out('disinfect', { trees: 6 }).minutes).toBe(17);
  expect(figures('water', { emitters: 8, flow: 4, hours: 3, wetted: 6, et: 4 })).toEqual(['96 L', '16 mm', '8 days']);
  expect(figures('prune-diseased')[0]).toBe('300.0 cm');
  expect(figures('water-shoots', { shoots: 30, keep: 40 })).toEqual(['18', '12']);
  expect(figures('deer-fence', {}, { group: { lengthM: 18, widthM: 6 } })).toEqual(['64 m', '22']);
  expect(figures('release', { perTree: 501, pack: 250 })[1]).toBe('3');
  expect(figures('sanitation', { radius: 2, litres: 4 })).toEqual(['50 L', '1']);
  expect(figures('removal', { height: 20 }, { diameterCm: 100 })).toEqual(['7.85 m³']);
  expect(figures('drainage', { length: 10, width: 20, depth: 50, fall: 1 })).toEqual(['1 m³', '10 cm']);
  expect(figures('livestock-fence', { reach: 1.5, posts: 2 }, { diameterCm: 100 })).toEqual(['16 m', '8']);
  expect(figures('whitening', { height: 200, cover: 0.3 }, { diameterCm: 50 })[0]).toBe('1.9 L');
  expect(figures('beaver-mesh', { snow: 20, clear: 15 }, { diameterCm: 30 })).toEqual(['120.0 cm', '208.5 cm']);
  expect(figures('bar-holes', { radius: 3, apart: 60, depth: 40 }, { diameterCm: 40 })[0]).toBe('44');
  expect(figures('compost', { radius: 2, depth: 1.5 }, { diameterCm: 40 })).toEqual(['0.184 m³']);
  expect(figures('replant', { ball: 50, ballDepth: 40 })).toEqual(['125.0 cm', '40.0 cm', '79 L']);
  // π × 10 cm × 60 % = 18.8 cm bare, one scion each 5 cm; (12 + 12) × 1.1.
  expect(figures('bridge-graft', { gap: 12, share: 60 }, { diameterCm: 10 })).toEqual(['4', '26.4 cm']);
  expect(figures('leach', { area: 10, depth: 30 })).toEqual(['1500 L', '150 mm', '6']);
  expect(figures('leach', { area: 10, depth: 30, out: 'four fifths of the salt' })[0]).toBe('3000 L');
  expect(figures('shade-cloth', { height: 2, width: 1.4, sides: 'sun and wind' })).toEqual(['8 m²', '3']);
  expect(figures('tie-release', { ties: 2, stands: true })).toEqual(['2']);
  // A cubic metre of wood is 1.5 of chips; 1.2 m high on √1.25 + 1.2 m, half a metre more on each side.
  expect(figures('wood-cover', { wood: 1, height: 1.2 })).toEqual(['11 m²', '1.5 m³']);
  expect(figures('protection-fence', { radius: 5.5, panel: 3.45 })).toEqual(['11', '38 m']);
});

describe('each gate of a work trips, and just does not', () => {
  const oak = { host: findHost('pedunculate-oak')! };
  it.each<[string, string, Answers, Answers, Partial<WorkFacts>?]>([
    ['collar', 'services-not-located', { services: false }, { services: true }],
    ['bridge-graft', 'graft-not-needed', { share: 49 }, { share: 50 }],
    ['bridge-graft', 'graft-season', { asleep: true }, { asleep: true, slips: true }],
    ['leach', 'leach-drains', { drains: false }, { drains: true }],
    ['tie-release', 'tie-overgrown', { grown: 'all round' }, { grown: 'part of it' }],
    ['trenches', 'services-not-located', { services: false }, { services: true }],
    ['trenches', 'trench-share', { count: 24, width: 60 }, { count: 6, width: 20 }],
    ['trenches', 'trench-ends', { start: 5, end: 5 }, { start: 1, end: 5 }],
    ['girdling', 'girdling-leave', { root: 16 }, { root: 15 }],
    ['girdling', 'girdling-many', { others: 3 }, { others: 2 }],
    ['mulch', 'mulch-ring', { radius: 0.33 }, { radius: 1 }],
    ['compost', 'mulch-ring', { radius: 0.5 }, { radius: 1 }, { diameterCm: 90 }],
    ['water', 'supply-short', { emitters: 8, flow: 4, supply: 31 }, { emitters: 8, flow: 4, supply: 32 }],
    ['replant', 'replant-same', { soilBorne: true, sameKind: true }, { soilBorne: true, sameKind: false }],
    ['replant', 'replant-near', { soilBorne: true, away: 4.9 }, { soilBorne: true, away: 5 }],
    ['band', 'band-bridged', { bridges: false }, { bridges: true }],
    ['band', 'band-stems', { stems: 2 }, { stems: 1 }],
    ['deer-fence', 'fence-low', { height: 239 }, { height: 240 }],
    ['band', 'band-on-bark', { wrapped: false }, { wrapped: true }],
    ['guard', 'guard-plastic-voles', { material: 'plastic spiral' }, { material: 'metal mesh' }],
    ['wash', 'wash-thin-bark', { brush: 'medium' }, { brush: 'soft' }, { host: findHost('silver-birch')! }],
    ['prune-diseased', 'closed-season', { hazard: false }, { hazard: true }, oak],
    ['prune-diseased', 'closed-season-hazard', { hazard: true }, { hazard: false }, oak],
    ['prune-diseased', 'no-clear-wood', { below: 30, room: 29 }, { below: 30, room: 30 }],
    ['prune-diseased', 'graft-union', { union: false }, { union: true }],
    ['prune-diseased', 'live-crown-limit', { live: 26 }, { live: 25 }],
    ['open-crown', 'cut-wet', { dry: false }, { dry: true }],
    ['open-crown', 'large-cut', { largest: 11 }, { largest: 10 }],
    ['rootstock', 'graft-union', { union: false }, { union: true }],
    ['water-shoots', 'shoots-all', { keep: 24 }, { keep: 25 }],
    ['release', 'release-cold', { night: 9, needs: 10 }, { night: 10, needs: 10 }],
    ['release', 'release-residue', { residue: 27 }, { residue: 28 }],
    ['release', 'release-ants', { ants: false }, { ants: true }],
    ['bagging', 'bagging-late', { size: 31 }, { size: 30 }],
    ['removal', 'brittle-climbed', { how: 'climbed', brittle: true }, { how: 'from a lift', brittle: true }],
    ['removal', 'felling-leave', { leave: false }, { leave: true }],
    ['nest-removal', 'hairs-unprotected', { hairs: true, suit: false }, { hairs: true, suit: true }],
    ['ivy-window', 'nesting', { nests: false }, { nests: true }],
    ['drainage', 'services-not-located', { services: false }, { services: true }],
    ['limb-relief', 'live-crown-limit', { live: 26 }, { live: 25 }],
    ['sanitation', 'burning-rules', { then: 'burnt where allowed' }, { then: 'buried 50 cm deep' }],
    ['sanitation', 'wood-moves', { what: 'infested wood' }, { what: 'leaves' }],
  ])('%s: %s', (id, gateId, trips, not, ...[facts]) => {
    expect(gateIds(id, trips, facts)).toContain(gateId);
    expect(gateIds(id, not, facts)).not.toContain(gateId);
  });
  it('a trunk over 30 cm is thick for a bridge', () => {
    const taken = { share: 60, asleep: true, slips: true };
    expect(gateIds('bridge-graft', taken, { diameterCm: 30.1 })).toEqual(['graft-size']);
    expect(gateIds('bridge-graft', taken, { diameterCm: 30 })).toEqual([]);
  });
  it('a doubtful anchorage holds the digging and names its roots', () => {
    const root = (bearing: number, state: 'sound' | 'doubtful' | 'decayed') => ({ bearing, state });
    const sound = [root(0, 'sound'), root(120, 'sound'), root(240, 'doubtful')];
    expect(gateIds('collar', {}, { mainRoots: sound })).not.toContain('anchors-doubtful');
    const out2 = out('collar', {}, { mainRoots: [...sound.slice(0, 2), root(240, 'decayed')] });
    expect(out2.gates.find((g) => g.id === 'anchors-doubtful')).toMatchObject({
      strength: 'hold',
      facts: ['root at 240°: decayed'],
    });
    expect(out2.sum).toContain('3 main roots: 2 sound, 0 doubtful, 1 decayed.');
  });
  it('water shoots out of season get a note', () => {
    expect(gateIds('water-shoots', {}, { on: '2026-02-01' })).toContain('shoots-season');
    expect(gateIds('water-shoots')).not.toContain('shoots-season');
  });
});

it('a closed season runs over the turn of a year', () => {
  const host = findHost('pedunculate-oak')!;
  const closedSeasons = [{ hosts: ['oak'], from: '11-01', to: '02-28', why: 'x' }];
  expect(closedSeason({ host, closedSeasons, on: '2026-01-10' })).not.toBeNull();
  expect(closedSeason({ host, closedSeasons, on: '2026-03-01' })).toBeNull();
  expect(closedSeason({ host, closedSeasons, on: '2026-11-01' })).not.toBeNull();
});

it.each([
  ['ties', 'tie-release'],
  ['salt-damage', 'leach'],
  ['voles', 'guard'],
  ['winter-burn', 'water'],
  ['compaction', 'trenches'],
])('against %s %s comes first, and what is for other troubles does not come at all', (id, first) => {
  const condition = findCondition(id)!;
  const { fit } = worksFor({ ...f, condition }, condition.options);
  expect(fit[0]!.id).toBe(first);
  expect(fit.map((w) => w.id)).not.toContain('deer-fence');
});

it('offers what the knowledge base names for a condition first', () => {
  const { fit, other } = worksFor(
    { ...f, condition: findCondition('lime-aphid') },
    findCondition('lime-aphid')!.options,
  );
  expect(fit.map((w) => w.id)).toEqual(['water-jet', 'band', 'wash']);
  expect(fit.length + other.length).toBe(WORKS.length);
});

it('each trouble has the cut of its own: rotten wood is relieved, nothing is cut out of it', () => {
  const first = (id: string) =>
    worksFor({ ...f, condition: findCondition(id) }, findCondition(id)!.options).fit.map((w) => w.id);
  expect(first('brittle-cinder')).toEqual(['limb-relief', 'removal']);
  expect(first('mistletoe')).toEqual(['mistletoe-cut']);
  expect(first('ivy-cover')).toEqual(['ivy-window']);
  expect(first('beaver')).toEqual(expect.arrayContaining(['beaver-mesh', 'removal']));
  expect(first('pine-processionary')).toContain('nest-removal');
  expect(first('fire-blight')).not.toContain('limb-relief');
});

it('facts on a later day: its season, north and south, and never a day that has passed', () => {
  expect(factsOn(f, '2026-05-01')).toBe(f);
  expect(factsOn(f, '2026-11-10')).toMatchObject({ on: '2026-11-10' });
  expect(northernMonthOf(factsOn(f, '2027-01-10'))).toBe(1);
  // January in the south is July of the northern year.
  expect(northernMonthOf(factsOn({ ...f, south: true }, '2027-01-10'))).toBe(7);
  const summer = { ...f, host: findHost('plum')!, on: '2026-06-01' };
  const ids = (on: string) => out('open-crown', {}, factsOn(summer, on)).gates.map((g) => g.id);
  expect(ids('2026-06-20')).not.toContain('stone-fruit-winter');
  expect(ids('2026-12-20')).toContain('stone-fruit-winter');
});

it('digging keeps out of the roots that hold the tree: a stop within three diameters, a hold within five', () => {
  const plate = (id: string, a: Answers, diameterCm: number) =>
    gateIds(id, { services: true, ...a }, { diameterCm }).filter((g) => g.startsWith('root-plate'));
  expect(plate('trenches', { start: 1 }, 100)).toEqual(['root-plate-stop']);
  expect(plate('trenches', { start: 2.99 }, 100)).toEqual(['root-plate-stop']);
  expect(plate('trenches', { start: 3 }, 100)).toEqual(['root-plate']);
  expect(plate('drainage', { from: 4.99 }, 100)).toEqual(['root-plate']);
  expect(plate('drainage', { from: 5 }, 100)).toEqual([]);
  // Where nobody says otherwise nothing digs there, on any trunk; what is no number is stopped.
  fc.assert(
    fc.property(fc.double({ min: 5, max: 200, noNaN: true }), (d) => {
      for (const id of ['trenches', 'drainage', 'root-barrier', 'bar-holes']) expect(plate(id, {}, d)).toEqual([]);
    }),
  );
  expect(plate('trenches', { start: NaN }, 60)).toEqual(['root-plate-stop']);
});

it('on a palm nothing is offered that cuts a crown of branches or joins bark, and what is asked for is stopped', () => {
  const palm = { ...f, host: findHost('canary-palm')!, condition: null };
  const { fit, other } = worksFor(palm, [{ method: 'pruning' }, { method: 'excavation' }]);
  const offered = [...fit, ...other].map((w) => w.id);
  for (const id of ['open-crown', 'limb-relief', 'bridge-graft', 'girdling', 'water-shoots']) {
    expect(offered).not.toContain(id);
    expect(gateIds(id, {}, palm)).toContain('not-on-palms');
    expect(gateIds(id)).not.toContain('not-on-palms');
  }
  expect(offered).toContain('removal');
});

it('the months of a work are those where the tree stands: a southern January is a northern July', () => {
  const south = { on: '2026-01-15', south: true };
  expect(gateIds('water-shoots', {}, south)).not.toContain('shoots-season');
  expect(gateIds('water-shoots', {}, { on: '2026-07-15', south: true })).toContain('shoots-season');
  expect(usualAnswers(findWork('water', [])!, { ...f, ...south })['et']).toBe(4);
  const plum = { host: findHost('plum')!, condition: null, on: '2026-07-15', south: true };
  const gate = out('open-crown', {}, plum).gates.find((g) => g.id === 'stone-fruit-winter');
  expect(gate!.satisfy).toMatch(/November to February/);
});

it('a mulch ring is proposed as wide as half the crown reaches, never under 1 m, never over 3', () => {
  const radius = (crownWidthM: number | null) => usualAnswers(findWork('mulch', [])!, { ...f, crownWidthM })['radius'];
  expect([null, 1, 2, 3.3, 5, 6, 14].map(radius)).toEqual([1.5, 1, 1, 1.7, 2.5, 3, 3]);
});

it('what a work asks for is asked in the units that its sum reads, none of feet and inches', () => {
  const units = new Set(WORKS.flatMap((w) => w.asks.flatMap((ask) => (ask.kind === 'number' ? [ask.unit] : []))));
  expect([...units].filter((u) => /^(in|ft|yd|oz|lb|gal|°F)$/.test(u))).toEqual([]);
  expect(units).toContain('cm');
});
