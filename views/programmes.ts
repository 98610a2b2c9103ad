import {
  isFor,
  assignOver,
  markOf,
  MOST_TREES,
  notThen,
  programmeNamed,
  type AssignedTree,
  type Assigning,
} from '@/facts/assigning';
import type { Said } from '@/core/gates/said';
import { tagsIn } from '@/core/site-map/tags';
import { sumsOf, type ProgrammeSums } from '@/core/programmes/sums';
import type { YearProgramme } from '@/core/programmes/schema';
import { dayIn, type LocalDate } from '@/lib/calendar/zone';
import type { StationFor } from '@/core/weather/station';
import { findHost, programmes } from '@/knowledge';
import type { Viewer } from '@/store/auth';
import { together } from '@/store/db';
import { getSite, sitesToChoose, type SiteList } from '@/store/sites';
import {
  getAssignment,
  assignedAlready,
  assignmentHeads,
  assignedVisits,
  ownProgrammes,
  type Assignment,
  type AssignmentHead,
  type VisitRow,
} from '@/store/assignments';
import { listLots } from '@/store/stock';
import { siteTrees, type SiteTree } from '@/store/tree-list';

/** Programmes that may be laid, and those that are. */
export interface Programmes {
  shipped: readonly YearProgramme[];
  own: { programme: YearProgramme; version: number; byName: string }[];
  assignment: AssignmentHead[];
}
export const programmesView = (viewer: Viewer, siteId: string | null): Promise<Programmes> =>
  together(viewer, async () => {
    const [own, assignment] = await Promise.all([ownProgrammes(viewer), assignmentHeads(viewer, siteId)]);
    return { shipped: programmes, own, assignment };
  });

/** What a programme would take of a product, and what the shelf holds of it. */
export interface Stock {
  key: string;
  name: string;
  dimension: 'volume' | 'mass';
  planned: number;
  expected: number;
  onHand: number;
}
/** What laying a programme would mean, before anything is written. */
export interface Preview {
  trees: AssignedTree[];
  sums: ProgrammeSums;
  stock: Stock[];
  /** Tags of trees that have it already, with the day on which that ends. */
  already: { tag: string; until: LocalDate }[];
}
export interface AssigningView {
  programme: YearProgramme;
  places: SiteList;
  /** The place that is asked for, with its trees that the programme is for. */
  place: { id: string; name: string; timeZone: string; today: LocalDate; fit: SiteTree[]; others: number } | null;
  /** Those of them that were chosen. */
  chosen: SiteTree[];
  /** What is wrong with the choice; null where there is nothing. */
  issue: string | null;
  preview: Preview | null;
}

/** What is asked for on the page of a laying. */
export interface Chosen {
  siteId: string | null;
  host: string | null;
  /** Its sort or variety. */
  sort: string | null;
  /** The part of the place it stands in. */
  section: string | null;
  tags: string;
  without: string;
  from: LocalDate | null;
  until: LocalDate | null;
  reason: string;
  said: Said;
}

/** Trees that a choice by host, sort and tags leaves. */
function choose(
  fit: readonly SiteTree[],
  { host, sort, section, tags, without }: Chosen,
): { chosen: SiteTree[]; issue: string | null } {
  const [only, less] = [tagsIn(tags), tagsIn(without)];
  if (!only.ok) return { chosen: [], issue: only.sentence };
  if (!less.ok) return { chosen: [], issue: less.sentence };
  const left = (t: SiteTree) => without.trim() !== '' && less.has(t.tag);
  const of = fit.filter(
    (t) =>
      (host === null || t.hostId === host) &&
      (sort === null || t.variety === sort) &&
      (section === null || t.section === section) &&
      only.has(t.tag) &&
      !left(t),
  );
  if (of.length > MOST_TREES)
    return { chosen: of, issue: `${of.length} trees are chosen; at most ${MOST_TREES} are laid over at once.` };
  return { chosen: of, issue: of.length ? null : 'No tree is chosen.' };
}

async function previewOf({
  viewer,
  stationFor,
  now,
  assigning,
  treeIds,
}: {
  viewer: Viewer;
  stationFor: StationFor;
  now: Date;
  assigning: Assigning;
  treeIds: readonly string[];
}): Promise<Preview> {
  const [{ trees }, lots, already] = await Promise.all([
    assignOver({ viewer, stationFor, now, assigning, assignmentId: null, treeIds }),
    listLots(viewer),
    assignedAlready(viewer, assigning.programme.key, treeIds, assigning),
  ]);
  const sums = sumsOf(
    trees.map((t) => t.visits),
    viewer.prices,
  );
  const onHand = (key: string) => lots.filter((l) => l.labelKey === key).reduce((sum, l) => sum + l.onHand, 0);
  return { trees, sums, stock: sums.products.map((p) => ({ ...p, onHand: onHand(p.key) })), already };
}

/** A programme with what it would mean over the trees that were chosen; null where there is no such programme. */
export const assigningView = ({
  viewer,
  stationFor,
  now,
  key,
  asked,
}: {
  viewer: Viewer;
  stationFor: StationFor;
  now: Date;
  key: string;
  asked: Chosen;
}): Promise<AssigningView | null> =>
  together(viewer, async () => {
    const [programme, places, place, all] = await Promise.all([
      programmeNamed(viewer, key),
      sitesToChoose(viewer, asked.siteId ?? null),
      asked.siteId ? getSite(viewer, asked.siteId) : null,
      asked.siteId ? siteTrees(viewer, asked.siteId, null, 2000) : [],
    ]);
    if (!programme) return null;
    if (!place) return { programme, places, place: null, chosen: [], issue: null, preview: null };
    const fit = all.filter((t) => isFor(programme, t.hostId));
    const today = dayIn(now, place.timeZone);
    const { id, name, timeZone } = place;
    const view = { programme, places, place: { id, name, timeZone, today, fit, others: all.length - fit.length } };
    const { chosen, issue } = choose(fit, asked);
    if (issue || !asked.from || !asked.until) return { ...view, chosen, issue, preview: null };
    const span = { from: asked.from, until: asked.until };
    const never = notThen(span, today);
    if (never) return { ...view, chosen, issue: never.message, preview: null };
    const treeIds = chosen.map((t) => t.id);
    const { reason, said } = asked;
    const preview = await previewOf({
      viewer,
      stationFor,
      now,
      assigning: { programme, ...span, reason, said },
      treeIds,
    });
    return { ...view, chosen, issue: null, preview };
  });

/** A laid programme as it stands, and what has moved since it was last settled. */
export interface AssignmentView {
  assignment: Assignment;
  today: LocalDate;
  visits: VisitRow[];
  trees: AssignedTree[];
  /** The mark of what has changed, for whoever agrees to it. */
  mark: string;
}
export const assignmentView = (
  viewer: Viewer,
  stationFor: StationFor,
  now: Date,
  id: string,
): Promise<AssignmentView | null> =>
  together(viewer, async () => {
    const assignment = await getAssignment(viewer, id);
    if (!assignment) return null;
    const { rows, trees } = assignment.endedOn
      ? { rows: await assignedVisits(viewer, id, null), trees: [] }
      : await assignOver({
          viewer,
          stationFor,
          now,
          assigning: assignment,
          assignmentId: assignment.id,
          treeIds: null,
        });
    return { assignment, today: dayIn(now, assignment.timeZone), visits: rows, trees, mark: markOf(trees) };
  });

/** Names of the hosts among trees, the commonest first. */
export const hostsAmong = (trees: readonly SiteTree[]): { id: string; name: string; trees: number }[] => {
  const count = new Map<string, number>();
  for (const t of trees) count.set(t.hostId, (count.get(t.hostId) ?? 0) + 1);
  return [...count]
    .map(([id, n]) => ({ id, name: findHost(id)?.name ?? id, trees: n }))
    .sort((a, b) => b.trees - a.trees);
};

/** Sorts that are named among trees, in order of the alphabet. */
export const sortsAmong = (trees: readonly SiteTree[]): string[] =>
  [...new Set(trees.map((t) => t.variety).filter(Boolean))].sort((a, b) => a.localeCompare(b));

/** Sections among trees. */
export const sectionsAmong = (trees: readonly SiteTree[]): string[] =>
  [...new Set(trees.map((t) => t.section).filter(Boolean))].sort((a, b) => a.localeCompare(b));
