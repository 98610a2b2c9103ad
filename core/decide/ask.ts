import { localMonthSchema } from '@/lib/calendar/month-schemas';
import type { Issue } from '../../lib/result';
import { z } from 'zod';
import { baseOf } from '../decide/base';
import { decide } from '../decide/decide';
import type { DecideInput, DecisionResult } from '../decide/types';
import { northernMonth, southOfCase } from '../../lib/calendar/hemisphere';
import { alarming, observationDoubts, type Exclusion } from '../diagnose/doubts';
import { findingSchema, testResultSchema, type Finding, type Host, type Knowledge } from '../diagnose/knowledge';
import { balance, wouldChange } from '../diagnose/evidence';
import { compile, type Model } from '../diagnose/model';
import { nextInspections } from '../diagnose/next-look';
import { evidenceOf, posterior, ranking, type Observed } from '../diagnose/rank';
import { VIGOURS } from '../diagnose/words';

const chanceKey = z.string().min(2).max(60);

/** A finding from its short form: `sign=3?` is much of it, perhaps; `sign=2<` some of it, last season. */
export function shortFinding(text: string): Finding {
  const [, sign, extent = '2', marks] = /^([a-z0-9-]+)(?:=([0-4]))?([?<]*)$/.exec(text) as unknown as [
    string,
    string,
    string | undefined,
    string,
  ];
  if (extent === '0') return { sign, state: 'absent' };
  return {
    sign,
    state: 'seen',
    grade: Number(extent),
    ...(marks.includes('?') ? { sure: 'perhaps' as const } : {}),
    ...(marks.includes('<') ? { lastSeason: true as const } : {}),
  };
}

/** A case by ids, as the command line and scripts put it; `knowledge` lists the ids with their wording. */
export const caseSchema = z.strictObject({
  host: z.string(),
  month: localMonthSchema,
  /** Latitude in degrees; south of the equator the months are turned by half a year. */
  lat: z.number().min(-90).max(90).nullable().default(null),
  /**
   * `{sign, state, grade, sure, lastSeason}`, or `"sign"` for some of it and sure, `"sign=3"` for how much (1 a trace to
   * 4 everywhere), `"sign=0"` for absent; `?` behind it is perhaps, `<` is seen last season.
   */
  findings: z
    .array(
      z.union([
        findingSchema,
        z
          .string()
          .regex(
            /^[a-z0-9-]+(=[0-4])?[?<]{0,2}$/,
            'write a sign’s id, or id=extent with an extent from 0 to 4, then ? for perhaps or < for last season',
          )
          .transform(shortFinding),
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
  /** What the client fears: told where it does not attack this host. */
  fears: z.array(chanceKey).max(20).default([]),
  /** Whether its crop is eaten, where it differs from what is usual for the host. */
  edible: z.boolean().optional(),
  outcomes: z.array(z.strictObject({ condition: chanceKey, effect: z.enum(['none', 'some', 'good']) })).default([]),
});
export const decideSchema = caseSchema.extend({
  named: z.string().optional(),
  crownLoss: z.number().min(0).max(100).nullable().default(null),
  vigour: z.enum(VIGOURS).nullable().default(null),
  barkLoss: z.number().min(0).max(1).nullable().default(null),
  peopleBelow: z.boolean().nullable().default(null),
  targets: z.array(z.string().min(2).max(80)).max(10).default([]),
  diameterCm: z.number().positive().max(2000).nullable().default(null),
  roots: z
    .strictObject({ decayed: z.number().int().min(0), doubtful: z.number().int().min(0), of: z.number().int().min(1) })
    .nullable()
    .default(null),
  /** Key of a region profile that ships. */
  region: z.string().nullable().default(null),
  schools: z
    .strictObject({
      crownLoss: z.union([z.literal('knowledge'), z.literal(30), z.literal(50)]).default('knowledge'),
      programme: z.enum(['conventional', 'organic', 'threshold']).default('conventional'),
    })
    .prefault({}),
});
type Case = z.output<typeof caseSchema>;

/** What is wrong with the ids of a case, as path and sentence; null when all are known. */
export function strangeIn(q: Case, knowledge: Knowledge): Issue | null {
  if (!knowledge.hosts.some((h) => h.id === q.host)) return { path: 'host', message: `there is no host “${q.host}”` };
  for (const [i, f] of q.findings.entries())
    if (!knowledge.signs.some((s) => s.id === f.sign))
      return { path: `findings.${i}`, message: `there is no sign “${f.sign}”` };
  for (const [i, t] of q.tests.entries())
    if (!knowledge.tests.find((x) => x.id === t.test)?.outcomes.some((o) => o.id === t.outcome))
      return { path: `tests.${i}`, message: `there is no test outcome “${t.test}/${t.outcome}”` };
  return null;
}

function prepare(q: Case, knowledge: Knowledge) {
  const known = knowledge.hosts.find((h) => h.id === q.host) as Host;
  const host: Host = q.edible === undefined ? known : { ...known, edible: q.edible };
  const month = northernMonth(q.month, southOfCase(q));
  const model: Model = compile(knowledge, host, { ...q, month });
  const observed: Observed = { findings: q.findings, tests: q.tests };
  const post = posterior(model, evidenceOf(model, observed));
  return { host, month, model, observed, post, candidates: ranking(model, post) };
}

/** Ranking, evidence, next looks, what would change the leader, and what cannot be. */
export function diagnoseCase(q: Case, knowledge: Knowledge, exclusions: readonly Exclusion[]) {
  const { host, model, observed, post, candidates } = prepare(q, knowledge);
  return {
    ranking: candidates.slice(0, 12).map(({ id, name, p }) => ({ id, name, p })),
    evidence: balance({ model, observed, post, most: 5 }).map((b) => ({
      id: b.id,
      sure: b.sure,
      for: b.for,
      against: b.against,
    })),
    nextInspections: nextInspections({ model, post, observed, most: 5 }),
    wouldChange: wouldChange(model, observed),
    doubts: observationDoubts({
      host,
      observed: q,
      feared: [...q.fears, ...alarming(q.nearby, knowledge)],
      knowledge,
      exclusions,
    }),
  };
}

/** The decision for a case, with its reasons, duties, thresholds and methods. */
export function decideCase(
  q: z.output<typeof decideSchema>,
  knowledge: Knowledge,
  region?: DecideInput['region'],
): DecisionResult & { ranking: unknown } {
  const { host, month, candidates } = prepare(q, knowledge);
  const decision = decide(
    {
      ...q,
      host,
      month,
      south: southOfCase(q),
      candidates,
      named: q.named,
      region,
      noEffect: q.outcomes.filter((o) => o.effect === 'none').map((o) => o.condition),
    },
    baseOf(knowledge),
  );
  return { ...decision, ranking: candidates.slice(0, 6).map(({ id, p }) => ({ id, p })) };
}

/** Every id with its wording, so that a stranger can write a case. */
export const vocabulary = (knowledge: Knowledge) => ({
  hosts: knowledge.hosts.map((h) => ({ id: h.id, name: h.name, latin: h.latin, groups: h.groups })),
  signs: knowledge.signs.map((s) => ({ id: s.id, place: s.place, words: s.words, worst: s.worst, onlyOn: s.groups })),
  tests: knowledge.tests.map((t) => ({
    id: t.id,
    ask: t.ask,
    minutes: t.minutes,
    wounds: t.wounds,
    outcomes: t.outcomes.map((o) => ({ id: o.id, words: o.words })),
  })),
  conditions: knowledge.conditions.map((c) => ({ id: c.id, name: c.name, kind: c.kind, on: c.groups, about: c.about })),
});
