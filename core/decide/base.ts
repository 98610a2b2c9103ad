import type { Condition, Knowledge, QuickTest, Sign } from '../diagnose/knowledge';

/** What a decision looks up in the knowledge. */
export interface Base {
  condition: (id: string) => Condition | null;
  sign: (id: string) => Sign | null;
  test: (id: string) => QuickTest | null;
}

/** The look-ups of a knowledge base, made once. */
export function baseOf(k: Pick<Knowledge, 'conditions' | 'signs' | 'tests'>): Base {
  const by = <T extends { id: string }>(list: readonly T[]) => {
    const map = new Map(list.map((x) => [x.id, x]));
    return (id: string): T | null => map.get(id) ?? null;
  };
  return { condition: by(k.conditions), sign: by(k.signs), test: by(k.tests) };
}
