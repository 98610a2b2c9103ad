/** Money in integer minor units (pence, cents). */
export type Minor = number;

export interface Payment {
  /** Years from now; 0 is now. */
  year: number;
  amount: number;
}

/**
 * What payments are worth today.
 * @param rate yearly discount rate, 0.04 for 4 %
 * @example presentValue(every(310, 2, 10), 0.04) // 1,333.11
 */
export const presentValue = (payments: readonly Payment[], rate: number): number =>
  payments.reduce((sum, p) => sum + p.amount / (1 + rate) ** p.year, 0);

/** The same payment every `step` years, the first one now, for `years` years. */
export const every = (amount: number, step: number, years: number): Payment[] =>
  Array.from({ length: Math.ceil(years / step - 1e-9) }, (_, i) => ({ year: i * step, amount }));

export interface Course {
  name: string;
  payments: readonly Payment[];
  /** Chance in any one year that the tree is lost in spite of it, 0 to 1. */
  failsEachYear: number;
}
export interface Outcome {
  name: string;
  /** Expected present cost, with the cost of losing the tree when it is lost. */
  expected: number;
  /** Without loss, as planned. */
  planned: number;
  /** Chance that the tree still stands at the end. */
  stands: number;
  /** Expected cost by year, undiscounted, for the picture. */
  byYear: number[];
}

/**
 * One course of action over years: what is paid while the tree stands, and the cost of its loss in the year it fails.
 * Payments fall at the start of a year, the loss at its end; after a loss nothing more is paid for this course.
 * @param lossCost removal and replanting once it has failed, in the money of that year
 */
export function outlook(course: Course, years: number, rate: number, lossCost: number): Outcome {
  let standing = 1;
  let expected = 0;
  const byYear: number[] = [];
  for (let year = 0; year < years; year++) {
    const pay = course.payments.filter((p) => p.year === year).reduce((a, p) => a + p.amount, 0) * standing;
    const lost = standing * course.failsEachYear;
    expected += pay / (1 + rate) ** year + (lost * lossCost) / (1 + rate) ** (year + 1);
    byYear.push(pay + lost * lossCost);
    standing -= lost;
  }
  return { name: course.name, expected, planned: presentValue(course.payments, rate), stands: standing, byYear };
}
