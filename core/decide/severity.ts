import type { Condition } from '../diagnose/knowledge';
import { signsOf } from '../diagnose/reading';
import type { Seen } from './sight';

/** The worst of a condition's own signs, 0–4; counts on a sample count as four times their share. */
export function severityOf(c: Condition, findings: readonly Seen[]): number {
  const own = new Set(signsOf(c));
  let worst = 0;
  for (const f of findings)
    if (f.state === 'seen' && own.has(f.sign))
      worst = Math.max(worst, f.counted ? (4 * f.counted.had) / f.counted.of : (f.grade ?? 1));
  return worst;
}
