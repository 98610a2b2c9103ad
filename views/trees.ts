import { knowledgeOf } from '@/facts/knowledge';
import { offeredAt } from '@/facts/offered';
import { may } from '@/core/people/rights';
import { dayIn } from '@/lib/calendar/zone';
import type { Viewer } from '@/store/auth';
import { batchByCode } from '@/store/batches';
import { together } from '@/store/db';
import { getGateCode, getSite, listClients, listSites, siteAlarms, siteStand } from '@/store/sites';
import { othersApplied } from '@/store/others-applied';
import { getSiteMap } from '@/store/site-map';
import { ownPlansAt } from '@/store/plans';
import { siteQuotes } from '@/store/quotes';
import { tasksAt } from '@/store/tasks';
import { siteTrees, sectionsOf } from '@/store/tree-list';
import { searchTrees, type TreeSearch } from '@/store/tree-search';
import { findingsOfSite } from '@/store/knowledge';
import { shelfLabels } from '@/store/stock';

/** A page of trees, clients and a page of places; each list holds one row more than asked for where there is more. */
export const treesView = (
  viewer: Viewer,
  search: TreeSearch,
  places: { after: { name: string; id: string } | null; limit: number },
  /** What may stand on the tag of a mix. */
  code: string | null = null,
) =>
  together(viewer, async () => {
    const [rows, clients, found, mix] = await Promise.all([
      searchTrees(viewer, search),
      listClients(viewer),
      listSites(viewer, places.after, places.limit),
      code ? batchByCode(viewer, code) : null,
    ]);
    return { rows, clients, places: found, mix };
  });

/** A place with a page of its trees, what is dangerous there, and its gate code for those who need it. */
export const siteView = ({
  viewer,
  id,
  after,
  limit,
  tasksFrom,
}: {
  viewer: Viewer;
  id: string;
  after: { walkOrder: number; id: string } | null;
  limit: number;
  tasksFrom: string;
}) =>
  together(viewer, async () => {
    const [place, { knowledge }] = await Promise.all([getSite(viewer, id), knowledgeOf(viewer)]);
    if (!place) return null;
    const dangers = new Map(knowledge.signs.flatMap((s) => (s.danger ? [[s.id, s.danger] as const] : [])));
    const [alarms, rows, clients, others, tasks, sections, code] = await Promise.all([
      siteAlarms(viewer, id, [...dangers.keys()]),
      siteTrees(viewer, id, after, limit),
      listClients(viewer),
      othersApplied(viewer, id),
      tasksAt(viewer, id, tasksFrom),
      sectionsOf(viewer, id),
      may(viewer.role, 'see gate codes') ? getGateCode(viewer, id) : null,
    ]);
    return { place, knowledge, dangers, alarms, rows, clients, others, tasks, sections, code };
  });

/** The trees of a place with what a choice among them rests on. */
export const chooseView = (v: Viewer, id: string, year: string) =>
  together(v, async () => {
    const [place, labels, stand] = await Promise.all([getSite(v, id), shelfLabels(v), siteStand(v, id, year)]);
    return place && { place, labels, stand };
  });

export const spreadView = (v: Viewer, id: string) =>
  together(v, async () => {
    const [place, trees] = await Promise.all([getSite(v, id), findingsOfSite(v, id)]);
    return place && { place, trees };
  });

export const planView = (v: Viewer, id: string) =>
  together(v, async () => {
    const [place, held] = await Promise.all([getSite(v, id), getSiteMap(v, id)]);
    return place && held && { place, held };
  });

/** What may be offered for a property within a year, and what was offered before. */
export const quoteView = (v: Viewer, id: string, now: Date) =>
  together(v, async () => {
    const place = await getSite(v, id);
    if (!place) return null;
    const today = dayIn(now, place.timeZone);
    const [lines, before, own] = await Promise.all([offeredAt(v, id, today), siteQuotes(v, id), ownPlansAt(v, id)]);
    return { place, lines, before, openPlans: new Set(own) };
  });
