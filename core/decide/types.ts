import type { NorthernMonth } from '../../lib/calendar/months';
import type { Host, TestResult } from '../diagnose/knowledge';
import type { Candidate } from '../diagnose/rank';
import type { Certainty, Decision } from '../diagnose/words';
import type { Method } from '../label/methods';
import type { Action } from './actions';
import type { Duty } from './duties';
import type { TreeState } from './eligible';
import type { InspectionStep } from './look-further';
import type { Schools } from './schools';
import type { Health, Seen } from './sight';

export interface DecideInput extends Health {
  host: Host;
  month: NorthernMonth;
  /** South of the equator: months are told half a year later. */
  south: boolean;
  candidates: readonly Candidate[];
  /** The candidate that a person has named; else the leader of the ranking. */
  named?: string;
  findings: readonly Seen[];
  tests: readonly TestResult[];
  /** People or buildings under it; null when nobody has said. */
  peopleBelow: boolean | null;
  /** What stands within reach of a falling tree, in words. */
  targets?: readonly string[];
  diameterCm?: number | null;
  /** Soil as it was judged beside the signs, where nobody probed. */
  soil?: TreeState['soil'];
  nearby?: Readonly<Record<string, number>>;
  history?: readonly string[];
  /** An earlier treatment of this condition that a proper check found without effect. */
  noEffect?: readonly string[];
  schools?: Pick<Schools, 'crownLoss' | 'programme'>;
  /** The region's own lists. */
  region?: {
    reportable: readonly string[];
    bannedUses: readonly { method: Method; hosts: readonly string[]; why: string }[];
  };
}

export interface Reason {
  id: string;
  sentence: string;
  /** Where it comes from: knowledge, school, practice, finding. */
  source: string;
}
export interface AtRisk {
  condition: string;
  name: string;
  because: string;
}
export interface DecisionResult {
  decision: Decision;
  /** What the decision is about; null when nothing is named. */
  condition: string | null;
  certainty: Certainty;
  p: number;
  reasons: Reason[];
  /** Owed first, or beside: report, do not cut, keep away, call an assessor. */
  duties: Duty[];
  thresholds: string[];
  school: string[];
  /** Every method of what it is about, with what stands between it and today. */
  options: Action[];
  atRisk: AtRisk[];
  /** Drivers that stand behind it, by condition id. */
  drivers: string[];
  /** What has not been looked at, in the order in which it is worth it. */
  look: InspectionStep[];
  /** What may be done while it is not named. */
  meanwhile: string[];
  /** Facts that a threshold speaks of and nobody has given. */
  open: string[];
  tell: string;
}
