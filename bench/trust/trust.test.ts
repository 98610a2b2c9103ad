import { shipped } from '@/knowledge';
import { heldOut } from '@/knowledge/vignettes/held-out';
import { aside } from '@/knowledge/vignettes/aside';
import { practice } from '@/knowledge/vignettes/practice';
import { wider } from '@/knowledge/vignettes/wider';
import { worked } from '@/knowledge/vignettes/worked';
import { DECISIONS } from '@/core/diagnose/words';
import { drawnPairs, dutiesHeld, harmlessBeside, historyAlone } from './beside';
import { cleanCases } from './clean';
import { CAREFUL, drawnCases, perturbed } from './drawn';
import { harmsOf, QUARANTINE, type Said, type Stood } from './harm';
import { Engine } from './put';
import { nothingLooked, oneSignAlone, steps } from './quiet';
import { asField, putTold } from './told';

/** A seeded share of what `npm run trust` measures; the figures are those that it must reach. */
const engine = new Engine(shipped);
const seeds = Array.from({ length: 600 }, (_, i) => 7001 + i);
const share = (a: number, b: number) => a / Math.max(1, b);

const told = [...practice, ...aside, ...wider, ...worked.map(asField), ...heldOut.map(asField)];

/** Egg masses alone on an oak in winter: several moths lay them, and it asks for one more look where the practitioner scrapes. */
const OPEN = ['oak-eggs-winter'];
const settled = putTold(told, engine).filter((v) => !OPEN.includes(v.id));

it.each(settled.map((v) => [v.id, v.issues] as const))('told case %s', (_, issues) => expect(issues).toEqual([]));

it('told cases name only what the base knows, and cover every table, decision and quarantine organism', () => {
  const signs = new Set(shipped.signs.map((s) => s.id));
  const outcomes = new Set(shipped.tests.flatMap((t) => t.outcomes.map((o) => `${t.id}/${o.id}`)));
  for (const c of told) {
    expect(shipped.hosts.some((h) => h.id === c.host)).toBe(true);
    for (const w of c.seen.split(' ').filter(Boolean))
      expect([c.id, w, w.includes('/') ? outcomes.has(w) : signs.has(w.split(':')[0]!)]).toEqual([c.id, w, true]);
    for (const t of c.truth) expect([c.id, t, t === '-' || engine.base.condition(t) !== null]).toEqual([c.id, t, true]);
  }
  const of = <T>(f: (c: (typeof told)[number]) => readonly T[]) => new Set(told.flatMap(f));
  const decided = of((c) => c.decisions);
  expect(DECISIONS.filter((d) => !decided.has(d))).toEqual([]);
  const tables = of((c) => (c.table ? [c.table] : []));
  expect(shipped.lookalikes.map((t) => t.id).filter((t) => !tables.has(t))).toEqual([]);
  const named = of((c) => c.truth);
  expect([...QUARANTINE].filter((q) => !named.has(q))).toEqual([]);
  expect(told.some((c) => (c.lat ?? 0) < 0)).toBe(true);
});

it('one clean case for every condition: first, in three, decided as somebody of the trade would, no harm', () => {
  const t = cleanCases(engine);
  expect(t.cases).toBeGreaterThan(350);
  expect(t.harms).toEqual({});
  expect(share(t.first, t.cases)).toBeGreaterThanOrEqual(0.9);
  expect(share(t.firstThree, t.cases)).toBeGreaterThanOrEqual(0.99);
  expect(share(t.decided, t.cases)).toBeGreaterThanOrEqual(0.97);
});

it('one harmful sign alone, on every host: never a sound tree, never a harm', () => {
  // A prime step, so that hosts, signs, months and extents are all met.
  const t = oneSignAlone(engine, 101);
  expect(t.cases).toBeGreaterThan(3000);
  expect([t.sound, t.harms, t.examples]).toEqual([0, {}, []]);
});

it('nothing looked at says nothing but “look further”; crown, bark and vigour never jump without a word', () => {
  expect(nothingLooked(engine).other).toEqual([]);
  expect(steps(engine).jumps).toEqual([]);
});

it('of what it is nine in ten sure of, at most three in a hundred is wrong; from a world that is not as the base says, eight', () => {
  const base = drawnCases(shipped, seeds, { who: CAREFUL });
  expect(base.sure.n).toBeGreaterThan(30);
  expect(share(base.sure.wrong, base.sure.n)).toBeLessThanOrEqual(0.05);
  expect(base.first).toBeGreaterThan(0.85 * base.best);
  const world = drawnCases(shipped, seeds, { who: CAREFUL, world: perturbed });
  expect(share(world.sure.wrong, world.sure.n)).toBeLessThanOrEqual(0.1);
});

it('history and finds near by give a look that is named, never a treatment, calm words or giving it up', () =>
  expect(historyAlone(engine, [1, 7]).broken).toEqual([]));

it('a harmless sign beside a grave case drops no duty and makes nothing calm', () =>
  expect(harmlessBeside(engine).broken).toEqual([]));

it('two drawn troubles together owe what each owes by itself, and are not calm where one is not', () => {
  const drawn = drawnPairs(engine);
  expect(drawn.cases).toBe(300);
  expect(drawn.broken).toEqual([]);
});

it('no look, no method and no sentence is told that a duty forbids', () =>
  expect(dutiesHeld(engine, [5, 11]).broken).toEqual([]));

it('what the base does not hold is not named', () => {
  const t = drawnCases(shipped, seeds, { who: CAREFUL, removed: true });
  expect(1 - share(t.named, t.cases)).toBeGreaterThanOrEqual(0.83);
});

describe('the predicate of harm trips on each of its kinds', () => {
  const calm: Said = {
    decision: 'leave it alone',
    condition: 'nothing-wrong',
    now: [],
    duties: [],
    tell: 'A sound tree.',
  };
  const well: Stood = {
    truth: [],
    hostId: 'field-elm',
    edible: false,
    month: 6,
    seen: [],
    tests: [],
    crownLoss: 0,
    vigour: 'good',
    barkLoss: null,
  };
  const inject = { method: 'trunk injection', use: 'cure', what: 'Systemic' };
  const treat: Said = {
    decision: 'treat now',
    condition: 'emerald-ash-borer',
    now: [inject],
    duties: ['report'],
    tell: 'Now.',
  };
  const seen = (sign: string) => [{ sign, grade: 3, sure: true }];
  const kind = (id: string) => engine.base.condition(id)?.kind;
  it('is silent where nothing is wrong', () => expect(harmsOf(calm, well, kind)).toEqual([]));
  it.each<[string, Said, Stood]>([
    ['calm at danger', calm, { ...well, seen: seen('base-brackets') }],
    ['calm at something unexplained', calm, { ...well, seen: seen('crown-thin') }],
    ['treatment that cannot help', treat, { ...well, truth: ['honey-fungus'] }],
    ['treatment the tree cannot take', treat, { ...well, crownLoss: 80, truth: ['emerald-ash-borer'] }],
    ['medicine for another kind of organism', treat, { ...well, truth: ['oak-wilt'] }],
    ['no report where one is due', { ...calm, decision: 'test first' }, { ...well, seen: seen('strips-stained') }],
    [
      'a cut that spreads it',
      { ...treat, now: [{ method: 'pruning', use: 'relief', what: 'Cut' }] },
      { ...well, truth: ['canker-stain'] },
    ],
    [
      'food-tree breach',
      { ...treat, now: [{ ...inject, what: 'Antibiotic injection' }] },
      { ...well, edible: true, truth: ['emerald-ash-borer'] },
    ],
    ['words against the decision', { ...treat, tell: 'A sound tree.' }, { ...well, truth: ['emerald-ash-borer'] }],
  ])('%s', (harm, said, stood) => expect(harmsOf(said, stood, kind)).toContain(harm));
});
