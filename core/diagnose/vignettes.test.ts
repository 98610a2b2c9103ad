import { findCondition, findHost, shipped } from '@/knowledge';
import { heldOut } from '@/knowledge/vignettes/held-out';
import { worked } from '@/knowledge/vignettes/worked';
import type { Vignette } from '@/knowledge/vignettes/vignette';
import { decide } from '../decide/decide';
import { DECISIONS } from './words';
import { compile } from './model';
import { evidenceOf, posterior, ranking, type Observed } from './rank';

/** A case run as the app would run it: ranking from its findings, decision from the ranking. */
function run(v: Vignette) {
  const nearby = Object.fromEntries(v.nearby ?? []);
  const host = findHost(v.host)!;
  const model = compile(shipped, host, { month: v.month, nearby });
  const observed: Observed = {
    findings: v.seen.map(([sign, grade]) => (grade ? { sign, state: 'seen', grade } : { sign, state: 'absent' })),
    tests: (v.tests ?? []).map(([test, outcome]) => ({ test, outcome })),
  };
  const candidates = ranking(model, posterior(model, evidenceOf(model, observed)));
  const decision = decide(
    { month: v.month, candidates, ...observed, crownLoss: v.crownLoss ?? null, vigour: v.vigour ?? null, nearby },
    findCondition,
  );
  return { candidates, decision };
}

describe.each([
  ['worked', worked],
  ['set aside', heldOut],
])('vignettes, %s', (_, list) => {
  it.each(list.map((v) => [v.id, v] as const))('%s', (_id, v) => {
    const { candidates, decision } = run(v);
    // The follower may lead the list where its driver is what is treated.
    const first =
      decision.decision === 'protect a sound tree' ? candidates[0]!.id : (decision.condition ?? candidates[0]!.id);
    expect([first, decision.decision]).toEqual([v.truth, v.decision]);
  });
});

it('vignettes name only what the base knows, and cover every look-alike table and every kind of decision', () => {
  const all = [...worked, ...heldOut];
  expect(all.length).toBeGreaterThanOrEqual(40);
  const signs = new Set(shipped.signs.map((s) => s.id));
  const outcomes = new Set(shipped.tests.flatMap((t) => t.outcomes.map((o) => `${t.id}/${o.id}`)));
  for (const v of all) {
    for (const [s] of v.seen) expect([v.id, s, signs.has(s)]).toEqual([v.id, s, true]);
    for (const [t, o] of v.tests ?? []) expect([v.id, t, o, outcomes.has(`${t}/${o}`)]).toEqual([v.id, t, o, true]);
    expect(findCondition(v.truth)).not.toBeNull();
  }
  const decided = new Set(all.map((v) => v.decision));
  expect(DECISIONS.filter((d) => !decided.has(d))).toEqual([]);
  const tables = new Set(all.map((v) => v.table));
  expect(shipped.lookalikes.map((t) => t.id).filter((t) => !tables.has(t))).toEqual([]);
});
