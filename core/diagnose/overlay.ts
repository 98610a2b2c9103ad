import { z } from 'zod';
import { conditionSchema, type Condition, type Knowledge } from './knowledge';
import { OFTEN_WORDS, type Often } from './words';

/** An outfit's own word on how often a condition shows a sign. */
export const likelihoodEntry = z.strictObject({
  condition: z.string().min(2).max(60),
  sign: z.string().min(2).max(60),
  /** Null: it has nothing to do with it. */
  often: z.enum(OFTEN_WORDS).nullable(),
});
/** A condition of the outfit's own; its id begins with "own-", so that nothing shipped can ever take its place. */
export const ownConditionEntry = conditionSchema.refine((c) => c.id.startsWith('own-'), {
  message: 'the id of an own condition begins with "own-"',
  path: ['id'],
});

export type OwnEntry =
  | { kind: 'likelihood'; key: string; version: number; data: z.infer<typeof likelihoodEntry> }
  | { kind: 'condition'; key: string; version: number; data: Condition | null };
/** What an outfit may write of its own; sums of heat and programmes stand beside those that ship and change nothing of them. */
export type OwnKind = OwnEntry['kind'] | 'heat' | 'programme';

export interface Overlaid {
  knowledge: Knowledge;
  /** Own entries that rest on something no longer shipped: kept, told, and without effect until somebody looks. */
  adrift: string[];
}

function withOften(c: Condition, sign: string, often: Often | null): Condition {
  const signs = { ...c.signs };
  for (const w of OFTEN_WORDS) signs[w] = signs[w].filter((s) => s !== sign);
  if (often) signs[often] = [...signs[often], sign];
  return { ...c, signs };
}

/**
 * An outfit's own entries laid over what ships: own conditions are added, own likelihoods take the place of shipped ones.
 * What ships is never changed, so that an update loses nothing of it.
 */
export function overlay(shipped: Knowledge, entries: readonly OwnEntry[]): Overlaid {
  if (!entries.length) return { knowledge: shipped, adrift: [] };
  const adrift: string[] = [];
  const signs = new Set(shipped.signs.map((s) => s.id));
  const conditions = new Map(shipped.conditions.map((c) => [c.id, c]));
  for (const e of entries) if (e.kind === 'condition' && e.data) conditions.set(e.data.id, e.data);
  for (const e of entries) {
    if (e.kind !== 'likelihood') continue;
    const c = conditions.get(e.data.condition);
    if (!c || !signs.has(e.data.sign)) {
      adrift.push(`${e.data.condition} / ${e.data.sign}`);
      continue;
    }
    conditions.set(c.id, withOften(c, e.data.sign, e.data.often));
  }
  return { knowledge: { ...shipped, conditions: [...conditions.values()] }, adrift };
}
