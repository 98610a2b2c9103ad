import { balance, type Beam } from '@/core/diagnose/evidence';
import type { Model, Observable } from '@/core/diagnose/model';
import { nextLooks, type NextLook } from '@/core/diagnose/next-look';
import { evidenceOf, posterior, type Observed } from '@/core/diagnose/rank';

export const NOTHING_SEEN: Observed = { findings: [], tests: [] };

/** What the bench answers to what was observed so far: the balance, and what to look at next. */
export interface BenchAnswer {
  beams: Beam[];
  looks: NextLook[];
}
export function answerTo(model: Model, observed: Observed, may: (o: Observable) => boolean): BenchAnswer {
  const post = posterior(model, evidenceOf(model, observed));
  return { beams: balance(model, observed, post, 3), looks: nextLooks(model, post, observed, 4, may) };
}
