import { digestOf } from '@/facts/digest';
import type { Issue } from '@/lib/result';
import { coverOf } from '@/core/spray/covers';
import { dayAfter } from '@/lib/calendar/days';
import { dayIn, type LocalDate } from '@/lib/calendar/zone';
import { changesOf, type Change } from '@/core/programmes/changes';
import {
  keyOf,
  assignVisits,
  underReason,
  type Ground,
  type AssignedVisit,
  type StandingVisit,
} from '@/core/programmes/assign';
import type { YearProgramme } from '@/core/programmes/schema';
import type { StationFor } from '@/core/weather/station';
import { concerns } from '@/core/diagnose/reading';
import { findCondition, findHost, programmes } from '@/knowledge';
import type { Viewer } from '@/store/auth';
import { assignedVisits, ownProgrammes, type Assignment, type VisitRow } from '@/store/assignments';
import { heldBy, type Held } from '@/store/stock';
import type { Tree } from '@/store/tree';
import { nearbyDetections } from '@/store/diagnoses';
import { spotOf } from './diagnosis';
import { hoursAt, yearsOf, type HoursAt } from './season';
import { treatmentContextFor, usualChoices, workFactsOf } from './treatment-context';
import { treesOf } from './tree';

/** A programme by its key: of the company's own, or of those that ship; null where there is none like it. */
export async function programmeNamed(viewer: Viewer, key: string): Promise<YearProgramme | null> {
  const shipped = programmes.find((p) => p.key === key);
  if (shipped) return shipped;
  return (await ownProgrammes(viewer)).find((p) => p.programme.key === key)?.programme ?? null;
}

/** Whether a programme is for a host; one that names no group is for every tree. */
export const isFor = (programme: Pick<YearProgramme, 'groups'>, hostId: string): boolean => {
  const host = findHost(hostId);
  return host !== null && concerns(programme.groups, host);
};

/** What is laid: the programme, its days, and what was said for all its trees. */
export type Assigning = Pick<Assignment, 'programme' | 'from' | 'until' | 'said' | 'reason'>;

/** A programme on one tree: its facts, and every visit with its day. */
export interface AssignedTree {
  tree: Tree;
  today: LocalDate;
  ground: Ground;
  visits: AssignedVisit[];
  /** What stands of it already. */
  kept: VisitRow[];
  changes: Change[];
}

/**
 * Visits that somebody wants on another day, by their id. With why, a visit may stand outside its time; without, it takes the
 * day only within it, and rain or growth may move it again.
 */
export type ByHand = ReadonlyMap<string, { day: LocalDate; because: string | null }>;

/** The day on which a visit is wanted, and why by hand. */
function wantedOn(v: VisitRow, byHand: ByHand | null): Pick<StandingVisit, 'day' | 'byHand'> {
  const to = byHand?.get(v.id);
  return to ? { day: to.day, byHand: to.because } : { day: v.day, byHand: v.byHand };
}

const standingOf = (v: VisitRow, byHand: ByHand | null): StandingVisit[] =>
  // What had no day, and what no look asked for, is looked at again; it holds no place.
  v.state === 'stopped' || (v.state === 'off' && !v.promised)
    ? []
    : [
        {
          step: v.step,
          year: v.year,
          nth: v.nth,
          state: v.state === 'planned' ? 'open' : v.state === 'expected' ? 'waiting' : v.state,
          ...wantedOn(v, byHand),
          found: v.found,
          labelKey: v.labelKey,
          useKey: v.useKey,
        },
      ];

/** Covers that rain wore out before their days were over. */
function wornOf(kept: readonly VisitRow[], tree: Tree, hours: HoursAt, now: Date): Ground['worn'] {
  return kept.flatMap((v) => {
    if (v.state !== 'done' || !v.sprayed) return [];
    const rained = hours({ ...spotOf(tree), siteId: tree.siteId })(new Date(v.sprayed.endedAt), now);
    const left = coverOf(v.sprayed, rained, tree.timeZone);
    return left && left.why !== 'label-days'
      ? [{ step: v.step, year: v.year, nth: v.nth, renewOn: left.renewOn, mm: left.rainMm }]
      : [];
  });
}

/** A tree as it stands apart from the visits of one laid programme: what that planned is planned anew. */
const without = (tree: Tree, kept: readonly VisitRow[]): Tree => {
  const own = new Set(kept.map((v) => v.planId));
  return { ...tree, plans: tree.plans.filter((p) => !own.has(p.id)) };
};

/**
 * Lays a programme over trees, or over them again: every tree with all its facts, its visits and what has changed since they
 * were last settled. In a handful of statements, however many trees there are.
 * @param assignmentId the laying that stands already; null for one that is only tried
 * @param treeIds null for all the trees of the laying that stands
 * @param byHand visits that are tried on a day of somebody's own
 */
export async function assignOver({
  viewer,
  stationFor,
  now,
  assigning,
  assignmentId,
  treeIds,
  byHand = null,
}: {
  viewer: Viewer;
  stationFor: StationFor;
  now: Date;
  assigning: Assigning;
  assignmentId: string | null;
  treeIds: readonly string[] | null;
  byHand?: ByHand | null;
}): Promise<{ held: Held; rows: VisitRow[]; trees: AssignedTree[] }> {
  const [held, rows] = await Promise.all([
    heldBy(viewer),
    assignmentId ? assignedVisits(viewer, assignmentId, treeIds) : [],
  ]);
  const trees = await treesOf(viewer, treeIds ?? [...new Set(rows.map((r) => r.treeId))], now);
  const sprayedSince = rows.flatMap((r) => r.sprayed?.endedAt ?? []).sort()[0];
  const [detections, years, hours] = await Promise.all([
    nearbyDetections(viewer, trees),
    yearsOf(viewer, trees, stationFor, now),
    hoursAt(viewer, stationFor, sprayedSince ? trees.map((t) => t.siteId) : [], new Date(sprayedSince ?? now)),
  ]);
  const shelf = held.labels.map((l) => l.label);
  const out = trees.flatMap((full): AssignedTree[] => {
    if (!findHost(full.hostId)) return [];
    const kept = rows.filter((r) => r.treeId === full.id);
    const tree = without(full, kept);
    const year = years.get(tree.id)!;
    const near = detections.get(tree.id)!;
    const treatmentContext = treatmentContextFor(viewer, tree, { held, detections: near, now, problem: null, year });
    const ground: Ground = {
      treatmentContext,
      shelf,
      condition: findCondition,
      detections: near,
      choices: {
        ...usualChoices(tree, stationFor(spotOf(tree)).at(now), year),
        ...(viewer.schools.stems === 'ask' ? {} : { stemRule: viewer.schools.stems }),
        said: assigning.said,
        system: viewer.units,
      },
      work: workFactsOf(viewer, tree, now),
      had: [...new Set(tree.savedDiagnoses.map((v) => v.conditionId))],
      from: assigning.from,
      until: assigning.until,
      standing: kept.flatMap((v) => standingOf(v, byHand)),
      worn: wornOf(kept, tree, hours, now),
    };
    const visits = underReason(assignVisits(assigning.programme, ground), assigning.reason);
    const today = dayIn(now, tree.timeZone);
    return [{ tree, today, ground, visits, kept, changes: changesOf(kept, visits, today) }];
  });
  return { held, rows, trees: out };
}

/** More trees than this are laid over in several goes. */
export const MOST_TREES = 300;
const MOST_YEARS = 5;
/** Days by which a laying may begin in the past: what was begun on paper. */
const BEHIND_DAYS = 60;

/** Why a programme may not be laid for these days; null where it may. */
export function notThen({ from, until }: Pick<Assigning, 'from' | 'until'>, today: LocalDate): Issue | null {
  if (from < dayAfter(today, -BEHIND_DAYS, 'days'))
    return { path: 'from', message: 'It begins more than sixty days ago; begin today.' };
  if (until < from) return { path: 'until', message: 'It ends before it begins.' };
  if (until < today) return { path: 'until', message: 'All of it has passed; give a day to come.' };
  if (until > dayAfter(today, MOST_YEARS, 'years'))
    return { path: 'until', message: `Plan ${MOST_YEARS} years ahead at most.` };
  return null;
}

/** A mark of a set of changes, for whoever is asked to agree to them: other changes have another mark. */
export const markOf = (trees: readonly Pick<AssignedTree, 'tree' | 'changes'>[]): string =>
  digestOf(
    trees
      .flatMap((t) => t.changes.map((c) => `${t.tree.id} ${c.kind} ${keyOf((c.now ?? c.was)!)} ${c.now?.day ?? ''}`))
      .sort(),
  );
