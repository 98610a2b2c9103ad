import { monthOf, type NorthernMonth } from '@/lib/calendar/months';
import { baseOf, type Base } from '@/core/decide/base';
import { decide } from '@/core/decide/decide';
import type { DecisionResult } from '@/core/decide/types';
import { presentProblem } from '@/core/decide/problems';
import type { Duty } from '@/core/decide/duties';
import { targetsWithin, type Target } from '@/core/diagnose/targets';
import { alarming, observationDoubts, type Doubt } from '@/core/diagnose/doubts';
import { judgeCheck, soilAsTest, type CheckResult } from '@/core/diagnose/effect';
import type { Condition, Host, Knowledge } from '@/core/diagnose/knowledge';
import { compile, type Model, type Outcome, type Setting } from '@/core/diagnose/model';
import { evidenceOf, posterior, ranking, type Candidate, type Observed, type Posterior } from '@/core/diagnose/rank';
import { newestVisit, type Visit } from '@/core/diagnose/visit';
import { nearest } from '@/core/site-map/site-map';
import { barkLossShare } from '@/core/measure/bark-loss';
import { dayIn } from '@/lib/calendar/zone';
import { northernMonth, southOf } from '@/lib/calendar/hemisphere';
import { exclusions, findHost } from '@/knowledge';
import type { Viewer } from '@/store/auth';
import type { Inspection, Tree } from '@/store/tree';
import type { Detections } from '@/store/diagnoses';
import { regionFor } from './region';

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
  look: Inspection;
  condition: string;
  labelKey: string;
  effect: Outcome['effect'];
  savedDiagnosis: CheckResult;
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
        savedDiagnosis: judgeCheck(check, dayIn(look.at, tree.timeZone), due?.earliest ?? null),
      },
    ];
  });
}

/** Where, when, and what stood here before: what the ranking starts from. */
export function settingOf(viewer: Viewer, tree: Tree, nearby: Detections, month: NorthernMonth): Setting {
  // How it went is evidence, whoever put it on.
  const others = tree.byOthers.flatMap((o): Outcome[] =>
    o.conditionId && o.effect ? [{ condition: o.conditionId, effect: o.effect }] : [],
  );
  const outcomes = checksOf(tree).flatMap((c): Outcome[] =>
    c.savedDiagnosis.kind === 'no effect'
      ? [{ condition: c.condition, effect: 'none' }]
      : c.savedDiagnosis.kind === 'effect'
        ? [{ condition: c.condition, effect: c.effect }]
        : [],
  );
  return {
    month,
    presence: regionFor(viewer, tree.region).presence,
    nearby,
    history: [
      ...new Set(
        tree.savedDiagnoses
          .slice(1)
          .filter((d) => !tree.savedDiagnoses.some((x) => x.overturns.includes(d.id)))
          .filter((d) => d.certainty === 'near certain' || d.certainty === 'confirmed by test')
          .map((d) => d.conditionId),
      ),
    ],
    outcomes: [...outcomes, ...others],
  };
}

/** The newest visit to a tree, its looks taken together. */
export const visitOf = (tree: Pick<Tree, 'looks' | 'timeZone'>): Visit | null => newestVisit(tree.looks, tree.timeZone);

/** Share of the girth without living bark, as an inspection drew it; null where none was drawn. Wire and ties are told apart. */
export const barkLossOf = (visit: Visit | null): number | null => {
  const drawn = visit?.detail.barkLoss;
  return drawn?.length ? barkLossShare(drawn.filter((a) => a.kind !== 'girdled')) : null;
};

/** Where a place lies: by the tree, by its plan, or by its neighbours; null where nobody has said. */
export const latOf = (tree: Pick<Tree, 'lat' | 'siteMap' | 'others'>): number | null =>
  tree.lat ?? tree.siteMap?.origin?.lat ?? tree.others.find((t) => t.lat !== null)?.lat ?? null;

/** Where a tree stands, or its place; a real station nearest to it would be asked. */
export const spotOf = (tree: Pick<Tree, 'lat' | 'lon' | 'siteMap' | 'others'>) => ({
  lat: latOf(tree),
  lon: tree.lon ?? tree.siteMap?.origin?.lon ?? tree.others.find((t) => t.lon !== null)?.lon ?? null,
});

/** What tells where on earth a tree stands, and by which clock. */
export type Located = Pick<Tree, 'timeZone' | 'lat' | 'siteMap' | 'others'>;

/** Whether a tree stands south of the equator. */
export const treeSouth = (tree: Located): boolean => southOf({ lat: latOf(tree), timeZone: tree.timeZone });

/** The month of the northern year in which a tree stands at an instant. */
export const treeMonth = (tree: Located, at: Date): NorthernMonth =>
  northernMonth(monthOf(dayIn(at, tree.timeZone)), treeSouth(tree));

/** The host of a tree, with what its owner said of eating its crop. */
export function hostOf(tree: Pick<Tree, 'hostId' | 'eaten'>): Host | null {
  const host = findHost(tree.hostId);
  return host && tree.eaten !== null ? { ...host, edible: tree.eaten } : host;
}

/** What was observed on a tree: its newest visit, and what tests have said not too long ago. */
export function observedOf(tree: Pick<Tree, 'looks' | 'timeZone'>): Observed {
  const visit = visitOf(tree);
  return visit
    ? { findings: visit.findings, tests: soilAsTest(visit.detail.soilMoisture, visit.tests) }
    : { findings: [], tests: [] };
}

/** The height as last measured, m; null while nobody has. */
export const heightOf = (tree: Pick<Tree, 'readings'>): number | null =>
  tree.readings.find((r) => r.treeHeightM !== null)?.treeHeightM ?? null;

/** What stands within reach of a falling tree: as said in the look, and as drawn on the plan of the grounds. */
function targetsOf(tree: Tree, visit: Visit | null): string[] {
  const height = heightOf(tree);
  const at = tree.planX !== null && tree.planY !== null ? { x: tree.planX, y: tree.planY } : null;
  const drawn: Target[] =
    tree.siteMap && at && height !== null
      ? nearest(tree.siteMap, at, ['building', 'play'])
          .filter((n) => n.metres <= height)
          .slice(0, 3)
          .map((n) => ({ kind: n.kind === 'building' ? 'house' : 'play', metres: n.metres, bearing: null }))
      : [];
  return targetsWithin([...(visit?.detail.targets ?? []), ...drawn], height, visit?.detail.windFromDeg ?? null);
}

export interface Diagnosis {
  knowledge: Knowledge;
  find: (id: string) => Condition | null;
  model: Model;
  observed: Observed;
  post: Posterior;
  candidates: Candidate[];
  host: Host;
  base: Base;
  visit: Visit | null;
  /** What contradicts itself or cannot be, in sentences. */
  doubts: Doubt[];
  /** The decision for the leader of the ranking, or for a condition that somebody names. */
  decide(named?: string): DecisionResult;
}

/** Ranking and decision for a tree as it was last seen. */
export function diagnose({
  viewer,
  tree,
  knowledge,
  nearby,
  now,
}: {
  viewer: Viewer;
  tree: Tree;
  knowledge: Knowledge;
  nearby: Detections;
  now: Date;
}): Diagnosis | null {
  const host = hostOf(tree);
  if (!host) return null;
  const visit = visitOf(tree);
  const setting = settingOf(viewer, tree, nearby, treeMonth(tree, visit?.at ?? now));
  const model = compile(knowledge, host, setting);
  const observed = observedOf(tree);
  const post = posterior(model, evidenceOf(model, observed));
  const candidates = ranking(model, post);
  const base = baseOf(knowledge);
  const detail = visit?.detail ?? {};
  const region = regionFor(viewer, tree.region);
  return {
    knowledge,
    find: base.condition,
    model,
    observed,
    post,
    candidates,
    host,
    base,
    visit,
    doubts: observationDoubts({
      host,
      observed,
      feared: alarming(setting.nearby ?? {}, knowledge),
      knowledge,
      exclusions,
    }),
    decide: (named) =>
      decide(
        {
          host,
          // What is open is asked of today; what was seen, of the day it was seen.
          month: treeMonth(tree, now),
          south: treeSouth(tree),
          candidates,
          ...(named ? { named } : {}),
          ...observed,
          soil: detail.soilMoisture ?? null,
          crownLoss: visit?.crownLoss ?? null,
          vigour: visit?.vigour ?? null,
          barkLoss: barkLossOf(visit),
          roots: detail.anchors?.length
            ? {
                decayed: detail.anchors.filter((a) => a.state === 'decayed').length,
                doubtful: detail.anchors.filter((a) => a.state === 'doubtful' || (a.probeCm ?? 0) >= 3).length,
                of: detail.anchors.length,
              }
            : null,
          peopleBelow: detail.peopleBelow ?? null,
          targets: targetsOf(tree, visit),
          diameterCm: tree.readings[0]?.diameterCm ?? null,
          nearby: setting.nearby ?? {},
          schools: viewer.schools,
          region,
          history: setting.history ?? [],
          noEffect: (setting.outcomes ?? []).filter((o) => o.effect === 'none').map((o) => o.condition),
        },
        base,
      ),
  };
}

/** A tree, what is known, and what its signs say: what every page about it begins with. */
export interface TreeInHand {
  tree: Tree;
  detections: Detections;
  knowledge: Knowledge;
  /** Null where its host is not known here. */
  found: Diagnosis | null;
  /** What saves lives and regions, from what was seen, whatever has been named. */
  duties: Duty[];
}
/** A tree in hand, from what was read of it: the same on the server and on a phone without signal. */
export function inHand({
  viewer,
  tree,
  knowledge,
  detections,
  now,
}: {
  viewer: Viewer;
  tree: Tree;
  knowledge: Knowledge;
  detections: Detections;
  now: Date;
}): TreeInHand {
  const found = diagnose({ viewer, tree, knowledge, nearby: detections, now });
  const duties = found?.decide(presentProblem(tree.savedDiagnoses)?.conditionId).duties ?? [];
  return { tree, detections, knowledge, found, duties };
}
