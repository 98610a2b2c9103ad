import type { TestResult } from './knowledge';
import type { InspectionDetail } from './inspection';

/** The questions that exclude a fault of the application before a diagnosis is doubted. */
export const APPLICATION_QUESTIONS = [
  { id: 'coverage', ask: 'Was all of it reached: both leaf sides, every site taken up?' },
  { id: 'timing', ask: 'Was it in its window, on the stage that the product acts on?' },
  { id: 'rain', ask: 'Did it stay: no rain inside the rain-free hours?' },
  { id: 'uptake', ask: 'Did the tree drink: leaf full, soil moist, devices empty?' },
] as const;

/** Soil as it was judged beside the signs, as the answer of the soil probe; a probe that was done itself says more. */
export const soilAsTest = (
  moisture: InspectionDetail['soilMoisture'] | undefined,
  tests: readonly TestResult[],
): TestResult[] =>
  moisture && moisture !== 'wet' && !tests.some((t) => t.test === 'soil-probe')
    ? [...tests, { test: 'soil-probe', outcome: moisture === 'dry' ? 'dry' : 'none' }]
    : [...tests];

/** How an earlier treatment is judged by a check of its effect. */
export type CheckResult =
  | { kind: 'too early'; sentence: string }
  | { kind: 'fault'; sentence: string; issues: string[] }
  | { kind: 'no effect'; sentence: string }
  | { kind: 'effect'; sentence: string };

/**
 * What a check of an earlier treatment may say: too early is not a failure; an application that went wrong says nothing
 * about the diagnosis; only a proper one that did nothing speaks against it.
 * @param earliest first day on which an effect can be there; null when nobody has said
 */
export function judgeCheck(
  check: NonNullable<InspectionDetail['check']>,
  today: string,
  earliest: string | null,
): CheckResult {
  if (check.effect !== 'none')
    return {
      kind: 'effect',
      sentence: check.effect === 'good' ? 'It worked.' : 'It worked in part: look again before more is done.',
    };
  if (earliest && today < earliest)
    return {
      kind: 'too early',
      sentence: `Too early to tell: an effect can be there from ${earliest}. This is not a failure.`,
    };
  const issues = APPLICATION_QUESTIONS.filter((q) => check.answers[q.id] === false).map((q) => q.id);
  if (issues.length)
    return {
      kind: 'fault',
      issues,
      sentence: `The application itself failed (${issues.join(', ')}): it says nothing about the diagnosis.`,
    };
  const open = APPLICATION_QUESTIONS.filter((q) => (check.answers[q.id] ?? null) === null);
  if (open.length)
    return {
      kind: 'fault',
      issues: open.map((q) => q.id),
      sentence: `First exclude a fault of the application: ${open[0]!.ask}`,
    };
  return {
    kind: 'no effect',
    sentence:
      'Properly applied, looked at in time, and nothing changed: the diagnosis is open again, and the same dose is not offered.',
  };
}
