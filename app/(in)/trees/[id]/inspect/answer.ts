import { balance, type Beam } from '@/core/diagnose/evidence';
import type { Model, Observable } from '@/core/diagnose/model';
import { nextInspections, type NextInspection } from '@/core/diagnose/next-look';
import { inspectionForbidden } from '@/core/decide/forbids';
import { evidenceOf, posterior, ranking, type Observed, type Posterior } from '@/core/diagnose/rank';

export const NOTHING_SEEN: Observed = { findings: [], tests: [] };

/** What the bench answers to what was observed so far: the balance, and what to look at next. */
export interface BenchAnswer {
  beams: Beam[];
  looks: NextInspection[];
}
/** From this chance on, as the duty to keep away is owed. */
const GAS_SUSPECTED = 0.05;
const gasShare = (model: Model, post: Posterior): number =>
  ranking(model, post).find((c) => c.id === 'gas-leak')?.p ?? 0;

export function answerTo(model: Model, observed: Observed, may: (o: Observable) => boolean): BenchAnswer {
  const post = posterior(model, evidenceOf(model, observed));
  // A suspicion of gas is enough: nobody is sent to dig there.
  const gas = observed.findings.length > 0 && gasShare(model, post) >= GAS_SUSPECTED;
  const allowed = (o: Observable) =>
    may(o) && !(gas && o.kind === 'test' && inspectionForbidden([{ id: 'gas' }], o.id));
  return {
    beams: balance({ model, observed, post, most: 3 }),
    looks: nextInspections({ model, post, observed, most: 4, allowed }),
  };
}
