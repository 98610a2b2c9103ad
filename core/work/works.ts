import type { TreatmentOption } from '../diagnose/knowledge';
import { crownWorks } from './crown';
import { groundWorks } from './ground';
import { trunkWorks } from './trunk';
import type { Work, WorkFacts } from './work';

/** Every method that needs no label. */
export const WORKS: readonly Work[] = [...trunkWorks, ...groundWorks, ...crownWorks];
export const findWork = (id: string): Work | null => WORKS.find((w) => w.id === id) ?? null;

/** The works that carry out what the knowledge base offers for a condition, in its order; the others after them. */
export function worksFor(
  f: WorkFacts,
  options: readonly Pick<TreatmentOption, 'method'>[],
): { fit: Work[]; other: Work[] } {
  const wanted = options.map((o) => o.method);
  const fit = WORKS.filter((w) => wanted.includes(w.method) && (w.when?.(f) ?? true)).sort(
    (a, b) => wanted.indexOf(a.method) - wanted.indexOf(b.method),
  );
  return { fit, other: WORKS.filter((w) => !fit.includes(w)) };
}
