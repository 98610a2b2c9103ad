import { z } from 'zod';
import type { CustomKnowledge } from './custom-knowledge';
import { customWorkSchema, type CustomWork } from '../work/own-work-schema';
import {
  conditionSchema,
  hostSchema,
  signSchema,
  testSchema,
  type Condition,
  type Host,
  type Knowledge,
  type QuickTest,
  type Sign,
} from '../diagnose/knowledge';
import { OFTEN_WORDS, type Often } from '../diagnose/words';

/** A company's own word on how often a condition shows a sign. */
export const likelihoodEntry = z.strictObject({
  condition: z.string().min(2).max(60),
  sign: z.string().min(2).max(60),
  /** Null: it has nothing to do with it. */
  often: z.enum(OFTEN_WORDS).nullable(),
});
const own = <S extends z.ZodType<{ id: string }>>(schema: S, what: string) =>
  schema.refine((x) => x.id.startsWith('own-'), {
    message: `the id of an own ${what} begins with "own-"`,
    path: ['id'],
  });

/** A quick test of a company's own: what can come out, and of which conditions each outcome speaks how often. */
const customTestSchema = own(
  testSchema.extend({ tells: z.record(z.string().max(60), z.record(z.string().max(60), z.enum(OFTEN_WORDS))) }),
  'test',
).superRefine((t, ctx) => {
  const issue = (path: PropertyKey[], message: string) => ctx.addIssue({ code: 'custom', path, message });
  if (t.outcomes.at(-1)!.id !== 'none') issue(['outcomes'], 'the last outcome must be “none”');
  for (const o of Object.keys(t.tells))
    if (o === 'none' || !t.outcomes.some((x) => x.id === o))
      issue(['tells', o], 'no such outcome, or one that tells nothing');
  for (const [i, o] of t.outcomes.entries())
    if (t.outcomes.findIndex((x) => x.id === o.id) < i) issue(['outcomes', i, 'id'], 'two outcomes are called so');
  // An outcome may speak of nothing, as “moist” does; a test of which none speaks is no test.
  if (!Object.values(t.tells).some((of) => Object.keys(of).length))
    issue(['tells'], 'say of which condition an outcome speaks');
});
export type CustomTest = z.infer<typeof customTestSchema>;

/** What a company may add; its ids begin with "own-", so that nothing shipped can ever take its place. */
export const CUSTOM_SCHEMAS = {
  host: own(hostSchema, 'host'),
  sign: own(signSchema, 'sign'),
  test: customTestSchema,
  condition: own(conditionSchema, 'condition'),
  work: customWorkSchema,
} as const;
export type AddedKind = keyof typeof CUSTOM_SCHEMAS;
export const ADDED_KINDS = Object.keys(CUSTOM_SCHEMAS) as AddedKind[];

interface Entry<K, D> {
  kind: K;
  key: string;
  version: number;
  data: D;
}
export type CustomEntry =
  | Entry<'likelihood', z.infer<typeof likelihoodEntry>>
  | Entry<'host', Host | null>
  | Entry<'sign', Sign | null>
  | Entry<'test', CustomTest | null>
  | Entry<'condition', Condition | null>
  | Entry<'work', CustomWork | null>;
/** What a company may write of its own; sums of heat and programmes stand beside those that ship and change nothing of them. */
export type CustomKind = CustomEntry['kind'] | 'heat' | 'programme';

export interface Overlaid {
  knowledge: Knowledge;
  own: CustomKnowledge;
  /** Own entries that rest on something no longer shipped: kept, told, and without effect until somebody looks. */
  adrift: string[];
}

function withOften(c: Condition, sign: string, often: Often | null): Condition {
  const signs = { ...c.signs };
  for (const w of OFTEN_WORDS) signs[w] = signs[w].filter((s) => s !== sign);
  if (often) signs[often] = [...signs[often], sign];
  return { ...c, signs };
}

const withAnswer = (c: Condition, test: string, outcome: string, often: Often): Condition => ({
  ...c,
  tests: { ...c.tests, [test]: { ...c.tests[test], [outcome]: often } },
});

/** Entries of one kind, as they are read back: a newer release may ask for more than an old entry says. */
function readBack<T>(entries: readonly CustomEntry[], kind: AddedKind, adrift: string[]): T[] {
  return entries.flatMap((e) => {
    if (e.kind !== kind || e.data === null) return [];
    const read = CUSTOM_SCHEMAS[kind].safeParse(e.data);
    if (read.success) return [read.data as T];
    adrift.push(`${e.kind} ${e.key}`);
    return [];
  });
}

/**
 * A company's own entries laid over what ships: hosts, signs, tests, conditions and works of its own are added, its likelihoods take
 * the place of shipped ones. What ships is never changed, so that an update loses nothing of it.
 */
export function overlay(shipped: Knowledge, entries: readonly CustomEntry[]): Overlaid {
  const adrift: string[] = [];
  const hosts = readBack<Host>(entries, 'host', adrift);
  const signs = readBack<Sign>(entries, 'sign', adrift);
  const works = readBack<CustomWork>(entries, 'work', adrift);
  const customTests = readBack<CustomTest>(entries, 'test', adrift);
  const known = new Set([...shipped.signs, ...signs].map((s) => s.id));
  const all = new Map(shipped.conditions.map((c) => [c.id, c]));
  const changed = new Map<string, Condition>();
  const change = (c: Condition) => {
    all.set(c.id, c);
    changed.set(c.id, c);
  };
  for (const c of readBack<Condition>(entries, 'condition', adrift)) change(c);
  for (const { id, tells } of customTests)
    for (const [outcome, of] of Object.entries(tells))
      for (const [condition, often] of Object.entries(of)) {
        const c = all.get(condition);
        if (c) change(withAnswer(c, id, outcome, often));
        else adrift.push(`${condition} / ${id}`);
      }
  for (const e of entries) {
    if (e.kind !== 'likelihood') continue;
    const c = all.get(e.data.condition);
    if (c && known.has(e.data.sign)) change(withOften(c, e.data.sign, e.data.often));
    else adrift.push(`${e.data.condition} / ${e.data.sign}`);
  }
  const tests = customTests.map(({ tells: _, ...test }): QuickTest => test);
  const byId = <T extends { id: string }>(list: readonly T[]) => new Map(list.map((x) => [x.id, x]));
  return {
    knowledge:
      hosts.length || signs.length || tests.length || changed.size
        ? {
            ...shipped,
            hosts: [...shipped.hosts, ...hosts],
            signs: [...shipped.signs, ...signs],
            tests: tests.length ? [...shipped.tests, ...tests] : shipped.tests,
            conditions: [...all.values()],
          }
        : shipped,
    own: { hosts: byId(hosts), signs: byId(signs), tests: byId(tests), conditions: changed, works },
    adrift,
  };
}
