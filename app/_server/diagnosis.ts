import { cache } from 'react';
import { decide, type DecisionResult } from '@/core/decide/decide';
import type { Condition, Knowledge } from '@/core/diagnose/knowledge';
import { judgeCheck, soilAsTest, type CheckVerdict } from '@/core/diagnose/effect';
import { compile, type Model, type Outcome, type Setting } from '@/core/diagnose/model';
import { overlay, type Overlaid } from '@/core/diagnose/overlay';
import { evidenceOf, posterior, ranking, type Candidate, type Observed, type Posterior } from '@/core/diagnose/rank';
import { barkLossShare } from '@/core/measure/bark-loss';
import { dayIn } from '@/core/season/follow-ups';
import { findHost, shipped } from '@/knowledge';
import { regionFor } from './region';
import { ownEntries } from '@/store/knowledge';
import type { Viewer } from '@/store/auth';
import { nearbyFinds, type Look, type Tree } from '@/store/tree';

/** Tests and their answers hold this long; a twig that was cut in spring says nothing about autumn. */
const TESTS_HOLD_DAYS = 120;

/** What this outfit knows: what ships, with its own entries laid over it. Asked once a request. */
export const knowledgeOf = cache(async (v: Viewer): Promise<Overlaid> => overlay(shipped, await ownEntries(v)));

export const finder = (k: Knowledge): ((id: string) => Condition | null) => {
  const map = new Map(k.conditions.map((c) => [c.id, c]));
  return (id) => map.get(id) ?? null;
};

/** A test and its outcome, kept as `test/outcome`, in words. */
export const testWords = (k: Knowledge) => (by: string) => {
  const [t, o] = by.split('/');
  const test = k.tests.find((x) => x.id === t);
  return test ? `${test.name.toLowerCase()}: ${test.outcomes.find((x) => x.id === o)?.words.toLowerCase() ?? o}` : by;
};

/** A check of an earlier treatment, with the application it was about and what it may say. */
export interface JudgedCheck {
  look: Look;
  condition: string;
  labelKey: string;
  effect: Outcome['effect'];
  verdict: CheckVerdict;
}
export function checksOf(tree: Tree): JudgedCheck[] {
  return tree.looks.flatMap((look): JudgedCheck[] => {
    const check = look.detail.check;
    const record = check && tree.records.find((r) => r.rootId === check.recordId || r.id === check.recordId);
    if (!check || !record?.target) return [];
    const due = tree.followUps.find((f) => f.rootId === record.rootId && f.kind === 'check-effect');
    return [
      {
        look,
        condition: record.target,
        labelKey: record.labelKey,
        effect: check.effect,
        verdict: judgeCheck(check, dayIn(look.at, tree.timeZone), due?.earliest ?? null),
      },
    ];
  });
}

/** Where, when, and what stood here before: what the ranking starts from. */
export async function settingOf(v: Viewer, tree: Tree, month: number): Promise<Setting> {
  const outcomes = checksOf(tree).flatMap((c): Outcome[] =>
    c.verdict.kind === 'no effect'
      ? [{ condition: c.condition, effect: 'none' }]
      : c.verdict.kind === 'effect'
        ? [{ condition: c.condition, effect: c.effect }]
        : [],
  );
  return {
    month,
    presence: regionFor(v).presence,
    nearby: await nearbyFinds(v, tree),
    history: [
      ...new Set(
        tree.verdicts
          .slice(1)
          .filter((d) => d.certainty === 'near certain' || d.certainty === 'confirmed by test')
          .map((d) => d.conditionId),
      ),
    ],
    outcomes,
  };
}

export const monthIn = (timeZone: string, at: Date = new Date()) => Number(dayIn(at, timeZone).slice(5, 7));

/** What was observed on a tree: its newest look, and what tests have said not too long ago. */
export function observedOf(tree: Pick<Tree, 'looks'>): Observed {
  const [newest] = tree.looks;
  if (!newest) return { findings: [], tests: [] };
  const tests = new Map(newest.tests.map((t) => [t.test, t]));
  for (const l of tree.looks.slice(1))
    if (newest.at.getTime() - l.at.getTime() < TESTS_HOLD_DAYS * 864e5)
      for (const t of l.tests) if (!tests.has(t.test)) tests.set(t.test, t);
  return { findings: newest.findings, tests: soilAsTest(newest.detail.soilMoisture, [...tests.values()]) };
}

export interface Diagnosis {
  knowledge: Knowledge;
  find: (id: string) => Condition | null;
  model: Model;
  observed: Observed;
  post: Posterior;
  candidates: Candidate[];
  /** The decision for the leader of the ranking, or for a condition that somebody names. */
  decide(named?: string): DecisionResult;
}

/** Ranking and decision for a tree as it was last seen. */
export async function diagnose(v: Viewer, tree: Tree): Promise<Diagnosis | null> {
  const host = findHost(tree.hostId);
  if (!host) return null;
  const { knowledge } = await knowledgeOf(v);
  const look = tree.looks[0];
  const setting = await settingOf(v, tree, monthIn(tree.timeZone, look?.at));
  const model = compile(knowledge, host, setting);
  const observed = observedOf(tree);
  const post = posterior(model, evidenceOf(model, observed));
  const candidates = ranking(model, post);
  const find = finder(knowledge);
  const detail = look?.detail ?? {};
  return {
    knowledge,
    find,
    model,
    observed,
    post,
    candidates,
    decide: (named) =>
      decide(
        {
          // What is open is asked of today; what was seen, of the day it was seen.
          month: monthIn(tree.timeZone),
          candidates,
          ...(named ? { named } : {}),
          ...observed,
          crownLoss: tree.looks.find((l) => l.crownLoss !== null)?.crownLoss ?? null,
          vigour: tree.looks.find((l) => l.vigour !== null)?.vigour ?? null,
          barkLoss: detail.barkLoss?.length ? barkLossShare(detail.barkLoss.filter((a) => a.kind !== 'girdled')) : null,
          roots: detail.anchors?.length
            ? {
                decayed: detail.anchors.filter((a) => a.state === 'decayed').length,
                doubtful: detail.anchors.filter((a) => a.state === 'doubtful').length,
                of: detail.anchors.length,
              }
            : null,
          peopleBelow: detail.peopleBelow ?? null,
          nearby: setting.nearby ?? {},
          schools: v.schools,
          history: setting.history ?? [],
          noEffect: (setting.outcomes ?? []).filter((o) => o.effect === 'none').map((o) => o.condition),
        },
        find,
      ),
  };
}
