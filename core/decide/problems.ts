import type { Certainty, Decision } from '../diagnose/words';

/** A decision as it is kept on a tree. */
export interface KeptDiagnosis {
  id: string;
  conditionId: string;
  certainty: Certainty;
  decision: Decision;
  /** Earlier decisions that this one says were wrong. */
  overturns: readonly string[];
}

/** What closes a trouble: it was looked at again and needs nothing. */
const CLOSES: readonly Decision[] = ['leave it alone'];

/**
 * The open troubles of a tree, the newest first: for each condition its newest decision, unless a later one says that it was
 * wrong, or that nothing needs doing. Naming one never overturns another unless a person says so.
 * @param verdicts newest first
 */
export function openProblems<V extends KeptDiagnosis>(savedDiagnoses: readonly V[]): V[] {
  const overturned = new Set(savedDiagnoses.flatMap((v) => v.overturns));
  const newest = new Map<string, V>();
  for (const v of savedDiagnoses) if (!newest.has(v.conditionId)) newest.set(v.conditionId, v);
  return [...newest.values()].filter((v) => !overturned.has(v.id) && !CLOSES.includes(v.decision));
}

/** The newest open trouble that is said to be there; what a sound tree is guarded against is not. */
export const presentProblem = <V extends KeptDiagnosis>(savedDiagnoses: readonly V[]): V | undefined =>
  openProblems(savedDiagnoses).find((v) => v.decision !== 'protect a sound tree');
