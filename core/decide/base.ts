import type { Condition, Knowledge, QuickTest, Sign } from '../diagnose/knowledge';
import { memoize } from '../../lib/memoize';

/** What a decision looks up in the knowledge. */
export interface Base {
  condition: (id: string) => Condition | null;
  sign: (id: string) => Sign | null;
  test: (id: string) => QuickTest | null;
  /** Conditions of any host that a positive laboratory answer names. */
  namedBy: (test: string, outcome: string) => readonly Condition[];
}

/** The look-ups of a knowledge base, made once. */
export const baseOf = memoize((k: Pick<Knowledge, 'conditions' | 'signs' | 'tests'>): Base => {
  const by = <T extends { id: string }>(list: readonly T[]) => {
    const map = new Map(list.map((x) => [x.id, x]));
    return (id: string): T | null => map.get(id) ?? null;
  };
  const test = by(k.tests);
  const named = new Map<string, Condition[]>();
  for (const c of k.conditions)
    for (const [t, outcomes] of Object.entries(c.tests))
      for (const [o, often] of Object.entries(outcomes))
        if (test(t)?.cost === 'laboratory' && o !== 'none' && often === 'always')
          named.set(`${t}/${o}`, [...(named.get(`${t}/${o}`) ?? []), c]);
  return {
    condition: by(k.conditions),
    sign: by(k.signs),
    test,
    namedBy: (t, o) => named.get(`${t}/${o}`) ?? [],
  };
});
