import { openProblems, presentProblem, type KeptDiagnosis } from './problems';

const v = (id: string, conditionId: string, more: Partial<KeptDiagnosis> = {}): KeptDiagnosis => ({
  id,
  conditionId,
  certainty: 'likely',
  decision: 'treat now',
  overturns: [],
  ...more,
});

it('naming one trouble leaves the other open; a person may say that it was wrong', () => {
  const both = [v('2', 'apple-scab'), v('1', 'fire-blight')];
  expect(openProblems(both).map((x) => x.conditionId)).toEqual(['apple-scab', 'fire-blight']);
  expect(openProblems([v('2', 'apple-scab', { overturns: ['1'] }), both[1]!]).map((x) => x.id)).toEqual(['2']);
});

it('a trouble is its newest decision, and is closed when nothing needs doing any more', () => {
  const again = [v('3', 'apple-scab', { decision: 'leave it alone' }), v('2', 'fire-blight'), v('1', 'apple-scab')];
  expect(openProblems(again).map((x) => x.id)).toEqual(['2']);
});

it('what a sound tree is guarded against is open, and is not said to be there', () => {
  const guarded = v('2', 'dutch-elm-disease', { decision: 'protect a sound tree' });
  expect(openProblems([guarded])).toEqual([guarded]);
  expect(presentProblem([guarded])).toBeUndefined();
  expect(presentProblem([guarded, v('1', 'elm-leaf-beetle')])?.conditionId).toBe('elm-leaf-beetle');
});
