import type { Condition, Finding, QuickTest, TestResult } from './knowledge';
import { OFTEN, type Certainty } from './words';

type Told = Pick<Condition, 'id' | 'deciding' | 'tests' | 'telling'>;
type StageNote = Pick<Finding, 'sign' | 'state' | 'grade' | 'sure' | 'lastSeason'>;

const surely = (f: StageNote) => f.state === 'seen' && f.sure !== 'perhaps' && !f.lastSeason && (f.grade ?? 2) >= 2;

/**
 * What a positive test confirms: a laboratory's answer, for whatever makes it at least usually; any other test only where it
 * is the deciding one of the condition. A sure sighting of the sign that says the same counts as the deciding test done by eye.
 */
export function confirms(
  c: Told,
  tests: readonly TestResult[],
  findings: readonly StageNote[],
  test: (id: string) => QuickTest | null,
): 'laboratory' | 'deciding test' | null {
  const positive = (t: TestResult) => {
    const often = c.tests[t.test]?.[t.outcome];
    return t.outcome !== 'none' && often !== undefined && OFTEN[often] >= OFTEN.usual;
  };
  // Two answers to one test confirm nothing until it is done again.
  const single = (t: TestResult) => !tests.some((x) => x.test === t.test && x.outcome !== t.outcome);
  if (tests.some((t) => test(t.test)?.cost === 'laboratory' && positive(t) && single(t))) return 'laboratory';
  const d = c.deciding;
  if (!d) return null;
  if (tests.some((t) => t.test === d.test && t.outcome === d.outcome && single(t))) return 'deciding test';
  const same = test(d.test)?.outcomes.find((o) => o.id === d.outcome)?.sameAs;
  return same && c.telling[same] !== undefined && findings.some((f) => f.sign === same && surely(f))
    ? 'deciding test'
    : null;
}

/**
 * A chance as the word for it. A laboratory's positive confirms by itself; another deciding test where nothing weighs against
 * it; a sure telling sign makes near certain what stands first anyway.
 */
export function certaintyOf({
  p,
  condition,
  tests,
  findings,
  test,
}: {
  p: number;
  condition: Told | null;
  tests: readonly TestResult[];
  findings: readonly StageNote[];
  test: (id: string) => QuickTest | null;
}): Certainty {
  if (condition) {
    const by = confirms(condition, tests, findings, test);
    if (by === 'laboratory' || (by && p >= 0.5)) return 'confirmed by test';
    if (p >= 0.6 && findings.some((f) => surely(f) && condition.telling[f.sign] !== undefined)) return 'near certain';
  }
  return sureOf(p);
}

/** A chance alone as the word for it. */
export const sureOf = (p: number): Certainty =>
  p >= 0.9 ? 'near certain' : p >= 0.65 ? 'likely' : p >= 0.3 ? 'possible' : 'a guess';

/** To what odds are rounded, by how long they are. */
const ROUNDED = [
  [10, 1],
  [50, 5],
  [100, 10],
  [1000, 100],
  [Infinity, 1000],
] as const;

/** A chance as people say it: "4 in 5", "1 in 30". */
export function inWords(p: number): string {
  if (p >= 0.995) return '99 in 100';
  if (p >= 0.9) return p >= 0.96 ? '24 in 25' : p >= 0.935 ? '19 in 20' : '9 in 10';
  if (p >= 0.5) {
    const [a, b] = (
      [
        [1, 2],
        [3, 5],
        [2, 3],
        [3, 4],
        [4, 5],
        [5, 6],
      ] as const
    ).reduce((x, y) => (Math.abs(y[0] / y[1] - p) < Math.abs(x[0] / x[1] - p) ? y : x));
    return `${a} in ${b}`;
  }
  if (p >= 0.34) return '2 in 5';
  if (p < 0.001) return 'under 1 in 1000';
  const n = 1 / p;
  const [, step] = ROUNDED.find(([below]) => n < below)!;
  return `1 in ${Math.max(3, Math.round(n / step) * step)}`;
}
