import type { NorthernMonth } from '../../lib/calendar/months';
import { decide } from '../decide/decide';
import type { Base } from '../decide/base';
import type { Host, TestResult } from '../diagnose/knowledge';
import type { Model } from '../diagnose/model';
import type { Candidate, Observed } from '../diagnose/rank';
import type { Decision } from '../diagnose/words';

/** How the tree of a drawn case stands: nothing that would decide by itself. */
/** What a practice case leaves unsaid: an ordinary tree, its months told as those of the northern year. */
export const ORDINARY = {
  south: false,
  crownLoss: 10,
  vigour: 'fair',
  barkLoss: null,
  roots: null,
  peopleBelow: null,
} as const;

/** What the truth of a case asks for: the decision of somebody who knows what is there, and had it confirmed. */
export function rightDecision(
  c: { host: Host; month: NorthernMonth; model: Model; truth: readonly string[] },
  seen: Observed,
  base: Base,
): Decision {
  const candidates: Candidate[] = c.model.conditions
    .map((x) => ({ id: x.id, name: x.name, kind: x.kind, harmless: x.harmless, p: c.truth.includes(x.id) ? 0.99 : 0 }))
    .sort((a, b) => b.p - a.p || c.truth.indexOf(a.id) - c.truth.indexOf(b.id));
  const deciding = base.condition(c.truth[0]!)?.deciding;
  const tests: TestResult[] = deciding ? [{ test: deciding.test, outcome: deciding.outcome }] : [];
  return decide(
    {
      host: c.host,
      month: c.month,
      candidates,
      named: c.truth[0]!,
      findings: seen.findings,
      tests,
      ...ORDINARY,
    },
    base,
  ).decision;
}
