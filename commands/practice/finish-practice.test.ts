import { v7 } from 'uuid';
import { doneBy, ownCompany, pathsOf } from '@/commands/testing';
import { practiceCase } from '@/core/practice/round';
import { shipped } from '@/knowledge';
import { practiceSessions } from '@/store/knowledge';
import { finishPractice } from './finish-practice';

const made = ownCompany();
const SEED = 4711;
const drawn = practiceCase(shipped, SEED, 2);
const end = (more: object = {}) =>
  doneBy(finishPractice, made.viewer, {
    id: v7(),
    seed: SEED,
    level: 2,
    own: null,
    asked: Object.keys(drawn.shows).slice(0, 4),
    condition: drawn.truth[0],
    decision: 'look further',
    ...more,
  });

it('a round is drawn again from its seed and scored here: the truth earns more than a slip, and both stand in the list', async () => {
  const right = await end();
  const wrong = await end({ condition: drawn.model.conditions.find((c) => !drawn.truth.includes(c.id))!.id });
  if (!right.ok || !wrong.ok) throw new Error('not scored');
  expect(right.value.truth).toEqual(drawn.truth);
  expect(right.value.points).toBeGreaterThan(wrong.value.points);
  for (const { value } of [right, wrong]) {
    expect(value.points).toBe(Math.max(0, Math.min(100, value.points)));
    expect(value.parts.reduce((sum, p) => sum + p.points, 0)).toBeCloseTo(value.points, 0);
  }
  const kept = await practiceSessions(made.viewer);
  expect(kept.map((r) => [r.seed, r.level, r.data.truth])).toEqual([
    [SEED, 2, drawn.truth[0]],
    [SEED, 2, drawn.truth[0]],
  ]);
});

it.each([
  ['no name for it', { condition: '' }, 'condition'],
  ['what does not happen to the host', { condition: 'triffid-rust' }, 'condition'],
  ['no decision', { decision: 'sing' }, 'decision'],
  ['a case of one’s own that is not there', { own: v7() }, ''],
])('%s is refused, and no round is written', async (_, more, path) => {
  const before = await practiceSessions(made.viewer);
  expect(pathsOf(await end(more))).toEqual([path]);
  expect(await practiceSessions(made.viewer)).toEqual(before);
});
