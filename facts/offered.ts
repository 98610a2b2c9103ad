import { METHOD_NAMES } from '@/core/label/methods';
import { putOnAtTree, workAtTree } from '@/core/prescribe/costs';
import { linesOf, type OfferedVisit, type QuoteLine } from '@/core/quotes/property';
import { INSPECTION_MINUTES } from '@/core/schedule/durations';
import { dayAfter } from '@/lib/calendar/days';
import { type LocalDate } from '@/lib/calendar/zone';
import { findWork } from '@/knowledge/works';
import { findCondition } from '@/knowledge';
import type { Viewer } from '@/store/auth';
import { visitCosts, yearVisits, type YearVisit } from '@/store/year-visits';
import { tagRuns } from '@/core/site-map/tags';

/** What a visit is called to somebody who does not spray for a living. */
function whatOf(v: YearVisit): string {
  const step = v.assignment ? ` (${v.assignment.programme})` : '';
  if (v.put) return `${METHOD_NAMES[v.put.method]} with ${v.put.label}${step}`;
  if (v.workId) return `${findWork(v.workId)?.name ?? v.workId}${step}`;
  return `${v.what ?? 'Look'}${step}`;
}

/** What may be offered for a property: everything that is planned or waits for a look there within a year. */
export async function offeredAt(viewer: Viewer, siteId: string, today: LocalDate): Promise<QuoteLine[]> {
  const visits = (
    await yearVisits({ scope: viewer, siteId, from: today, to: dayAfter(today, 1, 'years'), today })
  ).filter((v) => v.state === 'planned' || v.state === 'expected');
  const costs = new Map(
    (
      await visitCosts(
        viewer,
        visits.map((v) => v.id),
      )
    ).map((c) => [c.id, c]),
  );
  const { prices } = viewer;
  const costOf = (v: YearVisit): number => {
    const cost = costs.get(v.id);
    if (cost?.put) return putOnAtTree(cost.put, prices);
    return workAtTree(cost?.minutes ?? INSPECTION_MINUTES, prices);
  };
  return linesOf(
    visits.map((v): OfferedVisit => ({
      id: v.assignment?.visitId ?? v.id,
      tag: v.tag,
      walk: v.walk,
      what: whatOf(v),
      against: v.conditionId ? (findCondition(v.conditionId)?.name ?? '') : '',
      day: v.day < today ? today : v.day,
      cost: costOf(v),
      maybe: v.state === 'expected' || v.onlyIf !== null,
    })),
    tagRuns,
  );
}
