import type { Decision, Vigour } from '@/core/diagnose/words';

/**
 * A case as somebody who knows the trade would tell it: what was seen, what it is, what to do, and why. They check the
 * likelihoods and the decisions, and are not changed to fit them.
 */
export interface Vignette {
  id: string;
  /** The look-alike table it belongs to, if any. */
  table?: string;
  host: string;
  month: number;
  crownLoss?: number;
  vigour?: Vigour;
  /** Sign and grade; 0 is looked for and absent. */
  seen: [sign: string, grade: number][];
  tests?: [test: string, outcome: string][];
  /** Finds near by, in km. */
  nearby?: [condition: string, km: number][];
  truth: string;
  decision: Decision;
  why: string;
}
