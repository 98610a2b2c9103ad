import type { Condition, TestResult } from './knowledge';
import type { Certainty } from './words';

/** A chance as the word for it; "confirmed by test" only when the deciding test itself came out so. */
export function certaintyOf(
  p: number,
  condition: Pick<Condition, 'deciding'> | null,
  tests: readonly TestResult[],
): Certainty {
  const d = condition?.deciding;
  if (d && p >= 0.6 && tests.some((t) => t.test === d.test && t.outcome === d.outcome)) return 'confirmed by test';
  return p >= 0.9 ? 'near certain' : p >= 0.65 ? 'likely' : p >= 0.3 ? 'possible' : 'a guess';
}

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
  const step = n < 10 ? 1 : n < 50 ? 5 : n < 100 ? 10 : n < 1000 ? 100 : 1000;
  return `1 in ${Math.max(3, Math.round(n / step) * step)}`;
}
