import fc from 'fast-check';
import { exclusions, findHost, findSign, findTest, shipped } from '@/knowledge';
import { alarming, observationDoubts } from './doubts';
import { balance, scoreOption, wouldChange } from './evidence';
import { compile, signInSeason, SOUND, UNKNOWN, type Model } from './model';
import { nextInspections } from './next-look';
import { evidenceOf, posterior, priorWeights, ranking, sharpen, type Observed } from './rank';
import { certaintyOf, inWords } from './sureness';

const model = (host: string, month = 6, setting = {}) => compile(shipped, findHost(host)!, { month, ...setting });
const MODELS = ['field-elm', 'pear', 'norway-spruce', 'sweet-orange'].map((h) => model(h));
const rank = (m: Model, o: Observed) => ranking(m, posterior(m, evidenceOf(m, o)));
const chance = (m: Model, o: Observed, id: string) => rank(m, o).find((c) => c.id === id)!.p;

/** Any mixture of signs and tests on one of a few hosts. */
const look = fc.integer({ min: 0, max: MODELS.length - 1 }).chain((i) => {
  const m = MODELS[i]!;
  const signs = m.observables.filter((o) => o.kind === 'sign');
  const tests = m.observables.filter((o) => o.kind === 'test');
  return fc.record({
    m: fc.constant(m),
    findings: fc.uniqueArray(fc.integer({ min: 0, max: signs.length - 1 }), { maxLength: 40 }).chain((at) =>
      fc.tuple(...at.map((k) => fc.constantFrom(0, 1, 2, 3, 4, -1).map((g) => ({ k, g })))).map((list) =>
        list.map(({ k, g }): Observed['findings'][number] => {
          const sign = signs[k]!.id;
          return g < 0
            ? { sign, state: 'not looked' }
            : g === 0
              ? { sign, state: 'absent' }
              : { sign, state: 'seen', grade: g };
        }),
      ),
    ),
    tests: fc
      .uniqueArray(fc.integer({ min: 0, max: tests.length - 1 }), { maxLength: 8 })
      .chain((at) =>
        fc.tuple(
          ...at.map((k) => fc.constantFrom(...tests[k]!.outcomes).map((o) => ({ test: tests[k]!.id, outcome: o.id }))),
        ),
      ),
  });
});

it('probabilities stay proper with any mixture of signs, and the sound tree and the unknown are never lost', () => {
  fc.assert(
    fc.property(look, ({ m, ...o }) => {
      const post = posterior(m, evidenceOf(m, o));
      const sum = post.weight.reduce((a, b) => a + b, 0);
      expect(sum).toBeCloseTo(1, 9);
      for (const p of post.marginal) expect(p >= 0 && p <= 1 + 1e-9).toBe(true);
      expect(post.weight.every(Number.isFinite)).toBe(true);
      const ids = ranking(m, post).map((c) => c.id);
      expect(ids).toEqual(expect.arrayContaining([SOUND, UNKNOWN]));
    }),
    { numRuns: 60 },
  );
});

it('the order of entry does not matter, one by one or all at once', () => {
  fc.assert(
    fc.property(look, fc.nat(), ({ m, ...o }, seed) => {
      const all = posterior(m, evidenceOf(m, o));
      const shuffled = [...o.findings].sort(
        (a, b) => ((a.sign.length * seed) % 7) - ((b.sign.length * seed) % 7) || (a.sign < b.sign ? 1 : -1),
      );
      let step = priorWeights(m);
      for (const t of [...o.tests].reverse()) step = sharpen(step, evidenceOf(m, { findings: [], tests: [t] }));
      for (const f of shuffled) step = sharpen(step, evidenceOf(m, { findings: [f], tests: [] }));
      all.marginal.forEach((p, i) => expect(step.marginal[i]).toBeCloseTo(p, 9));
    }),
    { numRuns: 40 },
  );
});

it('not looked changes nothing', () => {
  fc.assert(
    fc.property(look, ({ m, ...o }) => {
      const signs = m.observables.filter((x) => x.kind === 'sign' && !o.findings.some((f) => f.sign === x.id));
      const more = {
        ...o,
        findings: [...o.findings, ...signs.map((s) => ({ sign: s.id, state: 'not looked' as const }))],
      };
      expect(rank(m, more)).toEqual(rank(m, o));
    }),
    { numRuns: 30 },
  );
});

it('an observation that one candidate makes likelier than all its rivals never lowers that candidate', () => {
  fc.assert(
    fc.property(look, fc.nat(), fc.nat(), ({ m, ...o }, pick, by) => {
      const c = pick % m.conditions.length;
      const free = m.observables.filter((x) => x.kind === 'sign' && !o.findings.some((f) => f.sign === x.id));
      if (!free.length) return;
      const sign = free[by % free.length]!;
      const of = (a: number, b: number) => sign.chances[0]![a * sign.profiles + b]!;
      const own = of(sign.profile[c]!, 0);
      // Rivals alone and in pairs: all that does not hold the candidate.
      const rivals = m.conditions.map((_, i) => i).filter((i) => i !== c);
      const most = Math.max(
        ...rivals.flatMap((a) => [0, ...rivals.map((b) => sign.profile[b]!)].map((b) => of(sign.profile[a]!, b))),
      );
      const least = Math.min(
        ...rivals.flatMap((a) => [0, ...rivals.map((b) => sign.profile[b]!)].map((b) => of(sign.profile[a]!, b))),
      );
      const id = m.conditions[c]!.id;
      const before = chance(m, o, id);
      // With a rival beside it the candidate may show the sign less surely; it still counts as its own.
      const together = Math.min(...rivals.map((r) => of(sign.profile[c]!, sign.profile[r]!)), own);
      if (together > most)
        expect(
          chance(m, { ...o, findings: [...o.findings, { sign: sign.id, state: 'seen', grade: 3 }] }, id),
        ).toBeGreaterThanOrEqual(before - 1e-12);
      const apart = Math.max(...rivals.map((r) => of(sign.profile[c]!, sign.profile[r]!)), own);
      if (apart < least)
        expect(
          chance(m, { ...o, findings: [...o.findings, { sign: sign.id, state: 'absent' }] }, id),
        ).toBeGreaterThanOrEqual(before - 1e-12);
    }),
    { numRuns: 400 },
  );
});

it('a trace counts for less than a plain sight of the same sign', () => {
  const m = model('field-elm');
  const at = (grade: number) =>
    chance(m, { findings: [{ sign: 'one-limb-yellow', state: 'seen', grade }], tests: [] }, 'dutch-elm-disease');
  const steps = [1, 2, 3, 4].map(at);
  for (let i = 1; i < 4; i++) expect(steps[i]!).toBeGreaterThan(steps[i - 1]!);
});

it('a sign that echoes another counts for less than it would alone', () => {
  const m = model('common-lime');
  const seen = (...signs: string[]) => ({
    findings: signs.map((sign) => ({ sign, state: 'seen' as const, grade: 3 })),
    tests: [],
  });
  expect(m.observables.find((o) => o.id === 'sticky-below')!.weight).toBeLessThan(1);
  const gain = (a: Observed, b: Observed) => chance(m, b, 'lime-aphid') - chance(m, a, 'lime-aphid');
  expect(gain(seen('honeydew'), seen('honeydew', 'sticky-below'))).toBeLessThan(gain(seen(), seen('honeydew')));
});

it('finds near by, history, region and outcomes move the prior, and only theirs', () => {
  const p = (setting: object, id = 'dutch-elm-disease') =>
    chance(model('wych-elm', 7, setting), { findings: [], tests: [] }, id);
  expect(p({ nearby: { 'dutch-elm-disease': 0 } })).toBeGreaterThan(p({ nearby: { 'dutch-elm-disease': 30 } }));
  expect(p({ nearby: { 'dutch-elm-disease': 30 } })).toBeGreaterThan(p({}));
  expect(p({ presence: { 'dutch-elm-disease': 0.03 } })).toBeLessThan(p({}) / 5);
  expect(p({ history: ['dutch-elm-disease'] })).toBeGreaterThan(p({}));
  // A treatment that was properly done and did nothing speaks against what it was for.
  expect(p({ outcomes: [{ condition: 'elm-leaf-beetle', effect: 'none' }] }, 'elm-leaf-beetle')).toBeLessThan(
    p({}, 'elm-leaf-beetle') / 2,
  );
  expect(p({ outcomes: [{ condition: 'elm-leaf-beetle', effect: 'none' }] })).toBeGreaterThan(p({}));
});

it('a driver that is found makes its follower likelier', () => {
  const m = model('silver-birch', 7);
  const probe = (outcome: string): Observed => ({
    findings: [{ sign: 'exit-holes-d', state: 'seen', grade: 2 }],
    tests: [{ test: 'soil-probe', outcome }],
  });
  expect(m.chains.length).toBeGreaterThan(0);
  expect(chance(m, probe('dry'), 'bronze-birch-borer')).toBeGreaterThan(chance(m, probe('none'), 'bronze-birch-borer'));
});

describe('the next look', () => {
  const m = model('common-ash', 7);
  const seen: Observed = { findings: [{ sign: 'top-dieback', state: 'seen', grade: 3 }], tests: [] };
  const post = posterior(m, evidenceOf(m, seen));
  const looks = nextInspections({ model: m, post, observed: seen, most: 60 });
  it('asks nothing twice, and tells what each outcome would do', () => {
    expect(looks.length).toBeGreaterThan(8);
    expect(looks.map((l) => l.id)).not.toContain('top-dieback');
    for (const l of looks) {
      expect(l.outcomes.reduce((s, o) => s + o.chance, 0)).toBeCloseTo(1, 6);
      for (const o of l.outcomes) expect(m.conditions.map((c) => c.id)).toContain(o.leader);
      // What an outcome is said to do is what it does.
      const [first] = l.outcomes;
      const then = rank(
        m,
        l.kind === 'sign'
          ? { ...seen, findings: [...seen.findings, { sign: l.id, state: 'seen', grade: 2 }] }
          : { ...seen, tests: [{ test: l.id, outcome: first!.id }] },
      );
      if (first!.p > 0.8) expect(then.slice(0, 2).map((c) => c.id)).toContain(first!.leader);
    }
  });
  it('comes before the wound: a bark window is not asked first where eyes can still tell', () => {
    expect(looks[0]!.wounds).toBe(0);
    expect(looks.slice(0, 3).map((l) => l.id)).not.toContain('peel-window');
  });
  it('leaves out what cannot be looked at now', () => {
    expect(
      nextInspections({ model: m, post, observed: seen, most: 60, allowed: (o) => o.kind === 'sign' }).every(
        (l) => l.kind === 'sign',
      ),
    ).toBe(true);
    const winter = model('common-ash', 1);
    expect(winter.observables.some((o) => o.id === 'light-leaf')).toBe(false);
    const there = (sign: string, evergreen: boolean, month: number) =>
      signInSeason(findSign(sign)!, { evergreen }, month);
    expect([there('mines', false, 1), there('mines', true, 1)]).toEqual([false, true]);
    // What lasts counts in every month, and citrus hangs through winter.
    expect([there('exit-holes-d', false, 1), there('mummies', false, 2), there('fruit-lopsided', true, 1)]).toEqual([
      true,
      true,
      true,
    ]);
  });
});

it('evidence is told for and against, in the words of the signs; what would change the leader is found', () => {
  const m = model('pear');
  const o: Observed = {
    findings: [
      { sign: 'leaves-black-hang', state: 'seen', grade: 3 },
      { sign: 'honeydew', state: 'absent' },
    ],
    tests: [{ test: 'scratch', outcome: 'brown-black' }],
  };
  const post = posterior(m, evidenceOf(m, o));
  const i = m.conditions.findIndex((c) => c.id === 'fire-blight');
  const w = scoreOption(m, o, post, i);
  expect(w.find((x) => x.id === 'scratch')).toMatchObject({ kind: 'test', words: 'Brown-black, wet' });
  expect(w.find((x) => x.id === 'leaves-black-hang')!.bits).toBeGreaterThan(1);
  const beams = balance({ model: m, observed: o, post, most: 3, named: 'sooty-mould' });
  expect(beams.map((b) => b.id)).toEqual(expect.arrayContaining(['fire-blight', 'sooty-mould', SOUND, UNKNOWN]));
  expect(beams.find((b) => b.id === 'sooty-mould')!.against.map((x) => x.id)).toContain('scratch');
  const one: Observed = { findings: [{ sign: 'leaves-black-hang', state: 'seen', grade: 3 }], tests: [] };
  expect(wouldChange(m, one)[0]).toMatchObject({ id: 'leaves-black-hang' });
});

it('a laboratory confirms by itself, another deciding test where nothing weighs against it, a telling sign makes near certain', () => {
  const elm = shipped.conditions.find((c) => c.id === 'dutch-elm-disease')!;
  const ash = shipped.conditions.find((c) => c.id === 'emerald-ash-borer')!;
  const sure = (p: number, c: typeof elm, tests: Observed['tests'], findings: Observed['findings'] = []) =>
    certaintyOf({ p, condition: c, tests, findings, test: findTest });
  const lab = { test: 'lab-wilt', outcome: 'elm-disease' };
  expect(sure(0.95, elm, [])).toBe('near certain');
  expect(sure(0.05, elm, [lab])).toBe('confirmed by test');
  expect(sure(0.95, elm, [{ test: 'lab-wilt', outcome: 'none' }])).toBe('near certain');
  // Two answers to one test confirm nothing.
  expect(sure(0.4, elm, [lab, { test: 'lab-wilt', outcome: 'none' }])).toBe('possible');
  const window = { test: 'peel-window', outcome: 's-galleries' };
  expect([sure(0.6, ash, [window]), sure(0.4, ash, [window])]).toEqual(['confirmed by test', 'possible']);
  // The galleries seen with one’s own eyes are the window done by eye; perhaps and last season are not.
  const galleries = { sign: 'gallery-s', state: 'seen', grade: 3 } as const;
  expect(sure(0.7, ash, [], [galleries])).toBe('confirmed by test');
  expect(sure(0.7, ash, [], [{ ...galleries, sure: 'perhaps' }])).toBe('likely');
  expect(sure(0.7, ash, [], [{ sign: 'exit-holes-d', state: 'seen', grade: 2 }])).toBe('near certain');
  expect([0.8, 0.5, 0.125, 0.04, 0.95].map(inWords)).toEqual(['4 in 5', '1 in 2', '1 in 8', '1 in 25', '19 in 20']);
});

it('how much and how sure are two things: more of it and surer of it each weigh more', () => {
  const m = model('field-elm');
  const p = (grade: number, sure?: 'perhaps') =>
    chance(
      m,
      { findings: [{ sign: 'one-limb-yellow', state: 'seen', grade, ...(sure ? { sure } : {}) }], tests: [] },
      'dutch-elm-disease',
    );
  expect(p(3)).toBeGreaterThan(p(1));
  expect(p(3)).toBeGreaterThan(p(3, 'perhaps'));
  expect(p(1, 'perhaps')).toBeGreaterThan(chance(m, { findings: [], tests: [] }, 'dutch-elm-disease') * 0.5);
});

it.each([
  ['white-ash', 11, ['exit-holes-d', 'gallery-s', 'woodpecker-flecks'], 'emerald-ash-borer'],
  ['peach', 3, ['red-puckered'], 'peach-leaf-curl'],
  ['pedunculate-oak', 6, ['caterpillars-procession'], 'oak-processionary'],
  ['scots-pine', 1, ['silk-nest-pine'], 'pine-processionary'],
  ['cider-apple', 2, ['shoots-other'], 'rootstock-takeover'],
  ['sweet-chestnut', 6, ['bud-galls-green-red'], 'chestnut-gall-wasp'],
])('a telling sign names it: %s in month %i', (host, month, signs, truth) => {
  const o: Observed = { findings: signs.map((sign) => ({ sign, state: 'seen', grade: 4 })), tests: [] };
  const [first] = rank(model(host, month), o).filter((c) => c.id !== SOUND);
  expect(first!.id).toBe(truth);
});

it('a test is believed by its specificity: the unknown takes no share of a laboratory’s positive', () => {
  const m = model('sweet-orange', 11);
  const before = { findings: [{ sign: 'pale-small', state: 'seen', grade: 2 } as const], tests: [] };
  const after = { ...before, tests: [{ test: 'lab-greening', outcome: 'greening' }] };
  const odds = (o: Observed) => chance(m, o, 'citrus-greening') / chance(m, o, UNKNOWN);
  expect(odds(after) / odds(before)).toBeGreaterThan(100);
});

it('a next look never presumes what has not been seen, and is never what was seen already', () => {
  const m = model('magnolia');
  const ids = (findings: Observed['findings']) =>
    nextInspections({
      model: m,
      post: posterior(m, evidenceOf(m, { findings, tests: [] })),
      observed: { findings, tests: [] },
      most: 99,
    }).map((l) => l.id);
  expect(ids([])).not.toContain('wipe-white');
  expect(ids([{ sign: 'mealy-wax', state: 'seen', grade: 2, sure: 'perhaps' }])).toContain('wipe-white');
  const ash = model('common-ash');
  const galleries: Observed['findings'] = [{ sign: 'gallery-s', state: 'seen', grade: 3 }];
  const looks = nextInspections({
    model: ash,
    post: posterior(ash, evidenceOf(ash, { findings: galleries, tests: [] })),
    observed: { findings: galleries, tests: [] },
    most: 99,
  });
  expect(looks.map((l) => l.id)).not.toContain('peel-window');
});

it('what contradicts itself or cannot be is told, and not weighed', () => {
  const host = findHost('rowan')!;
  const told = observationDoubts({
    host,
    observed: {
      findings: [
        { sign: 'gallery-s', state: 'seen', grade: 3 },
        { sign: 'soil-dry', state: 'seen', grade: 3 },
      ],
      tests: [
        { test: 'soil-probe', outcome: 'dry' },
        { test: 'soil-probe', outcome: 'wet-sour' },
      ],
    },
    feared: ['emerald-ash-borer', 'fire-blight'],
    knowledge: shipped,
    exclusions,
  });
  expect(told.map((d) => d.id).sort()).toEqual(['cannot be both', 'not its host', 'not on this host', 'two answers']);
  expect(told.find((d) => d.id === 'not its host')!.sentence).toMatch(/does not attack rowan/);
  // Of what is about near by, only what alarms people is said of a tree that it does not attack.
  const nearby = { 'emerald-ash-borer': 2, 'lime-aphid': 0.1, 'iron-shortage': 0 };
  expect(alarming(nearby, shipped)).toEqual(['emerald-ash-borer']);
  const m = model('rowan');
  const two: Observed = {
    findings: [],
    tests: [
      { test: 'soil-probe', outcome: 'dry' },
      { test: 'soil-probe', outcome: 'wet-sour' },
    ],
  };
  expect(evidenceOf(m, two)).toEqual([]);
});
