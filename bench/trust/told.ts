import type { FieldCase } from '@/knowledge/vignettes/field';
import type { Vignette } from '@/knowledge/vignettes/vignette';
import { putField, type Engine } from './put';

/** What was said of one told case, and what is wrong with it; empty when nothing is. */
export interface SavedDiagnosis {
  id: string;
  issues: string[];
}

/** The older vignettes in the form of the told cases. */
export const asField = (v: Vignette): FieldCase => ({
  id: v.id,
  host: v.host,
  month: v.month,
  seen: [...v.seen.map(([s, g]) => `${s}:${g}`), ...(v.tests ?? []).map(([t, o]) => `${t}/${o}`)].join(' '),
  truth: [v.truth],
  decisions: [v.decision],
  why: v.why,
  ...(v.crownLoss === undefined ? {} : { crown: v.crownLoss }),
  ...(v.vigour === undefined ? {} : { vigour: v.vigour }),
  ...(v.nearby ? { nearby: Object.fromEntries(v.nearby) } : {}),
  ...(v.table ? { table: v.table } : {}),
});

/** Puts every told case and holds the answer against its truth, its decisions, its duties and the predicate of harm. */
export function putTold(cases: readonly FieldCase[], engine: Engine): SavedDiagnosis[] {
  return cases.map((c) => {
    const { result, candidates, harms } = engine.answer(putField(c, engine.knowledge));
    const issues: string[] = harms.map((h) => `harm: ${h}`);
    const named = result.decision === 'protect a sound tree' ? 'nothing-wrong' : (result.condition ?? '-');
    const first = candidates.find((x) => !['nothing-wrong', 'something-else'].includes(x.id));
    const truth = c.truth.filter((t) => t !== '-');
    // A question is about its candidate; a report may stand though nothing is named yet.
    const right = truth.length === 0 || truth.includes(named) || (named === '-' && truth.includes(first?.id ?? ''));
    if (!right && !c.truth.includes(named)) issues.push(`named ${named}, is ${c.truth.join(' or ') || 'open'}`);
    if (truth.length === 0 && c.truth.length === 0 && result.decision === 'treat now')
      issues.push(`treats ${named} where nothing can be named`);
    if (!c.decisions.includes(result.decision))
      issues.push(`says “${result.decision}”, not ${c.decisions.join(' or ')}`);
    for (const d of c.duties ?? [])
      if (!result.duties.some((x) => x.id === d) && !(d === 'report' && result.decision === 'report'))
        issues.push(`duty ${d} is missing`);
    return { id: c.id, issues };
  });
}
