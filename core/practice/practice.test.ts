import { findCondition, findHost, shipped } from '@/knowledge';
import { baseOf } from '../decide/base';
import { nextInspections } from '../diagnose/next-look';
import { evidenceOf, posterior } from '../diagnose/rank';
import { complaint, drawCase } from './draw-case';
import { closedCase, learnt, practiceCase, scorePractice } from './round';
import { simulate } from './simulate';

const base = baseOf(shipped);

it('the same seed gives the same case, another seed another', () => {
  const a = practiceCase(shipped, 7, 2);
  expect(practiceCase(shipped, 7, 2)).toEqual(a);
  expect(new Set([1, 2, 3, 4, 5, 6, 7, 8].map((s) => practiceCase(shipped, s, 2).truth.join())).size).toBeGreaterThan(
    4,
  );
});

it('a drawn case is about something its host can have, and its complaint is there', () => {
  for (let seed = 1; seed <= 60; seed++) {
    const d = drawCase({ knowledge: shipped, seed });
    expect(d.model.conditions.map((c) => c.id)).toEqual(expect.arrayContaining(d.truth));
    const called = complaint(d);
    if (called) expect(d.shows.get(`sign:${called.id}`)).toBe('seen');
  }
});

describe('a round', () => {
  const c = practiceCase(shipped, 3, 1);
  const path = () => {
    const asked: string[] = [];
    for (;;) {
      const seen = learnt(c, asked);
      const post = posterior(c.model, evidenceOf(c.model, seen));
      const next =
        Math.max(...post.marginal) < 0.9
          ? nextInspections({ model: c.model, post, observed: seen, most: 1 })[0]
          : undefined;
      if (!next || asked.length > 20) return asked;
      asked.push(`${next.kind}:${next.id}`);
    }
  };
  const best = scorePractice({
    c,
    asked: path(),
    said: { condition: c.truth[0]!, decision: 'test first' },
    host: findHost(c.hostId)!,
    base,
  });
  it('names in part count in part: the first truth whole, another true one most, a look-alike a little, anything else nothing', () => {
    const [first] = c.truth;
    const paired = shipped.conditions.find((x) => x.lookalikes.length > 0)!;
    const strange = shipped.conditions.find(
      (x) => !c.truth.includes(x.id) && !findCondition(first!)!.lookalikes.includes(x.id),
    )!;
    const other = { ...c, truth: [first!, strange.id] };
    const truth = (condition: string, of = c) =>
      scorePractice({ c: of, asked: [], said: { condition, decision: 'test first' }, host: findHost(c.hostId)!, base })
        .parts[0]!.points;
    expect([
      truth(first!),
      truth(strange.id, other),
      truth(paired.lookalikes[0]!, { ...c, truth: [paired.id] }),
      truth(strange.id),
    ]).toEqual([50, 35, 10, 0]);
  });
  it('gives full marks for truth, decision, no waste and no harm; and shows the engine’s way', () => {
    const full = scorePractice({
      c,
      asked: [],
      said: { condition: c.truth[0]!, decision: best.decision },
      host: findHost(c.hostId)!,
      base,
    });
    expect(full.points).toBe(100);
    expect(best.path.length).toBeGreaterThan(0);
    expect(full.parts.reduce((s, p) => s + p.most, 0)).toBe(100);
  });
  it('takes marks for the wrong name, for wasted minutes, and for wounds', () => {
    const wrong = c.model.conditions.find(
      (x) => !c.truth.includes(x.id) && !findCondition(c.truth[0]!)!.lookalikes.includes(x.id),
    )!.id;
    const at = (asked: string[], condition = c.truth[0]!) =>
      scorePractice({ c, asked, said: { condition, decision: best.decision }, host: findHost(c.hostId)!, base });
    expect(at([], wrong).points).toBe(50);
    const everything = c.model.observables.map((o) => `${o.kind}:${o.id}`);
    const all = at(everything);
    expect(all.parts.find((p) => p.name === 'Minutes')!.points).toBe(0);
    expect(all.parts.find((p) => p.name === 'No harm')!.points).toBe(0);
    expect(at(['sign:no-such-sign']).minutes).toBe(0);
  });
});

it('a closed case shows what was written down and nothing else', () => {
  const c = closedCase(shipped, findHost('pear')!, {
    month: 6,
    truth: 'fire-blight',
    seed: 0,
    observed: {
      findings: [
        { sign: 'tips-hook', state: 'seen', grade: 3 },
        { sign: 'honeydew', state: 'absent' },
      ],
      tests: [{ test: 'scratch', outcome: 'brown-black' }],
    },
  });
  expect(Object.keys(c.shows).sort()).toEqual(['sign:honeydew', 'sign:tips-hook', 'test:scratch']);
  expect(c.complaint).toBe('tips-hook');
  expect(learnt(c, ['sign:mines', 'test:scratch']).tests).toEqual([{ test: 'scratch', outcome: 'brown-black' }]);
  expect(
    scorePractice({
      c,
      asked: [],
      said: { condition: 'fire-blight', decision: 'treat now' },
      host: findHost('pear')!,
      base,
    }).path.length,
  ).toBeLessThanOrEqual(3);
});

it('a small simulation: the next look needs at most half the looks of the checklist and is right as often', () => {
  const t = simulate(
    shipped,
    Array.from({ length: 40 }, (_, i) => i + 1),
  );
  expect(t.cases).toBe(40);
  expect(t.guided.looks).toBeLessThanOrEqual(t.checklist.looks / 2);
  expect(t.guided.right).toBeGreaterThanOrEqual(t.checklist.right - 1);
  // One observation in ten is wrong, also of the many signs that are not there; of 240 cases, 45 % come among the first three.
  expect(t.firstThree).toBeGreaterThan(t.cases * 0.4);
});
