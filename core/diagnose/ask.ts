import { z } from 'zod';
import { decide, type DecisionResult } from '../decide/decide';
import { findingSchema, testResultSchema, type Condition, type Host, type Knowledge } from './knowledge';
import { balance, wouldChange } from './evidence';
import { compile, type Model } from './model';
import { nextLooks } from './next-look';
import { evidenceOf, posterior, ranking, type Observed } from './rank';
import { VIGOURS } from './words';

const chanceKey = z.string().min(2).max(60);

/** A case by ids, as the command line and scripts put it; `knowledge` lists the ids with their wording. */
export const caseSchema = z.strictObject({
  host: z.string(),
  month: z.number().int().min(1, 'a month is 1 to 12').max(12, 'a month is 1 to 12'),
  /** `{sign, state, grade}`, or `"sign"` for seen at grade 2, `"sign=3"` for a grade, `"sign=0"` for absent. */
  findings: z
    .array(
      z.union([
        findingSchema,
        z
          .string()
          .regex(/^[a-z0-9-]+(=[0-4])?$/, 'write a sign’s id, or id=grade with a grade from 0 to 4')
          .transform((s) => {
            const [sign, grade = '2'] = s.split('=') as [string, string?];
            return grade === '0'
              ? { sign, state: 'absent' as const }
              : { sign, state: 'seen' as const, grade: Number(grade) };
          }),
      ]),
    )
    .max(400)
    .default([]),
  /** `{test, outcome}` or `"test/outcome"`. */
  tests: z
    .array(
      z.union([
        testResultSchema,
        z
          .string()
          .regex(/^[a-z0-9-]+\/[a-z0-9-]+$/, 'write test/outcome')
          .transform((s) => {
            const [test, outcome] = s.split('/') as [string, string];
            return { test, outcome };
          }),
      ]),
    )
    .max(60)
    .default([]),
  /** Condition → km of the nearest find; 0 is on the same place. */
  nearby: z.record(chanceKey, z.number().min(0)).default({}),
  presence: z.record(chanceKey, z.number().min(0).max(10)).default({}),
  history: z.array(chanceKey).default([]),
  outcomes: z.array(z.strictObject({ condition: chanceKey, effect: z.enum(['none', 'some', 'good']) })).default([]),
});
export const decideSchema = caseSchema.extend({
  named: z.string().optional(),
  crownLoss: z.number().min(0).max(100).nullable().default(null),
  vigour: z.enum(VIGOURS).nullable().default(null),
  barkLoss: z.number().min(0).max(1).nullable().default(null),
  peopleBelow: z.boolean().nullable().default(null),
  schools: z
    .strictObject({
      crownLoss: z.union([z.literal('knowledge'), z.literal(30), z.literal(50)]).default('knowledge'),
      programme: z.enum(['conventional', 'organic', 'threshold']).default('conventional'),
    })
    .prefault({}),
});
type Case = z.output<typeof caseSchema>;

/** What is wrong with the ids of a case, as path and sentence; null when all are known. */
export function strangeIn(q: Case, k: Knowledge): { path: string; sentence: string } | null {
  if (!k.hosts.some((h) => h.id === q.host)) return { path: 'host', sentence: `there is no host “${q.host}”` };
  for (const [i, f] of q.findings.entries())
    if (!k.signs.some((s) => s.id === f.sign))
      return { path: `findings.${i}`, sentence: `there is no sign “${f.sign}”` };
  for (const [i, t] of q.tests.entries())
    if (!k.tests.find((x) => x.id === t.test)?.outcomes.some((o) => o.id === t.outcome))
      return { path: `tests.${i}`, sentence: `there is no test outcome “${t.test}/${t.outcome}”` };
  return null;
}

function prepare(q: Case, k: Knowledge) {
  const host = k.hosts.find((h) => h.id === q.host) as Host;
  const model: Model = compile(k, host, q);
  const observed: Observed = { findings: q.findings, tests: q.tests };
  const post = posterior(model, evidenceOf(model, observed));
  return { model, observed, post, candidates: ranking(model, post) };
}

/** Ranking, evidence, next looks and what would change the leader. */
export function diagnoseCase(q: Case, k: Knowledge) {
  const { model, observed, post, candidates } = prepare(q, k);
  return {
    ranking: candidates.slice(0, 12).map(({ id, name, p }) => ({ id, name, p })),
    evidence: balance(model, observed, post, 5).map((b) => ({
      id: b.id,
      sure: b.sure,
      for: b.for,
      against: b.against,
    })),
    nextLooks: nextLooks(model, post, observed, 5),
    wouldChange: wouldChange(model, observed),
  };
}

/** The decision for a case, with its reasons, duties, thresholds and methods. */
export function decideCase(q: z.output<typeof decideSchema>, k: Knowledge): DecisionResult & { ranking: unknown } {
  const { candidates } = prepare(q, k);
  const map = new Map(k.conditions.map((c): [string, Condition] => [c.id, c]));
  const decision = decide(
    {
      ...q,
      candidates,
      ...(q.named ? { named: q.named } : {}),
      noEffect: q.outcomes.filter((o) => o.effect === 'none').map((o) => o.condition),
    },
    (id) => map.get(id) ?? null,
  );
  return { ...decision, ranking: candidates.slice(0, 6).map(({ id, p }) => ({ id, p })) };
}

/** Every id with its wording, so that a stranger can write a case. */
export const vocabulary = (k: Knowledge) => ({
  hosts: k.hosts.map((h) => ({ id: h.id, name: h.name, latin: h.latin, groups: h.groups })),
  signs: k.signs.map((s) => ({ id: s.id, place: s.place, words: s.words, worst: s.worst, onlyOn: s.groups })),
  tests: k.tests.map((t) => ({
    id: t.id,
    ask: t.ask,
    minutes: t.minutes,
    wounds: t.wounds,
    outcomes: t.outcomes.map((o) => ({ id: o.id, words: o.words })),
  })),
  conditions: k.conditions.map((c) => ({ id: c.id, name: c.name, kind: c.kind, on: c.groups, about: c.about })),
});
