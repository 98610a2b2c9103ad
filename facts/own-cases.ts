import { companySouth } from '@/facts/region';
import { dayIn } from '@/lib/calendar/zone';
import { northernMonth } from '@/lib/calendar/hemisphere';
import { monthOf } from '@/lib/calendar/months';
import { knowledgeOf } from '@/facts/knowledge';
import { closedCase, type PracticeCase } from '@/core/practice/round';
import { findHost } from '@/knowledge';
import type { Viewer } from '@/store/auth';
import { closedCases } from '@/store/knowledge';

/** Closed cases of the company's own as practice cases: no tag, no place, no client in them. */
export async function customCase(viewer: Viewer, id: string): Promise<PracticeCase | null> {
  const { knowledge } = await knowledgeOf(viewer);
  const found = (await closedCases(viewer)).find((c) => c.id === id);
  const host = found && findHost(found.hostId);
  return found && host
    ? closedCase(knowledge, host, {
        month: northernMonth(monthOf(dayIn(found.at, viewer.timeZone)), companySouth(viewer)),
        truth: found.conditionId,
        observed: found,
        seed: 0,
      })
    : null;
}
