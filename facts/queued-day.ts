import { endsOf, type CrewDayItem } from '@/facts/crew-day-ends';
import {
  installedHere,
  installedWith,
  mixHere,
  plansDoneBy,
  stockWith,
  type Input,
  type Shown,
  type TakenShown,
} from '@/facts/queued';
import type { startDay } from '@/commands/jobs/start-day';
import type { finishDay } from '@/commands/jobs/finish-day';
import type { markNotDone } from '@/commands/jobs/mark-not-done';
import type { orderStops } from '@/commands/jobs/order-stops';
import type { checkLoadItem } from '@/commands/jobs/check-load-item';
import type { makeBatch } from '@/commands/mixes/make-batch';
import type { finishBatch } from '@/commands/mixes/finish-batch';
import type { finishWork } from '@/commands/trees/finish-work';
import type { TreatmentInput } from '@/core/records/record';
import type { CustomEntry } from '@/core/custom/overlay';
import { nextStop } from '@/core/crew-day/day';
import type { Viewer } from '@/store/auth';
export type { Viewer };
import type { BatchRow, BatchTaken } from '@/store/batches';
import type { DoneRow } from '@/store/records';
import type { LeftRow } from '@/store/day';
import type { InstallationRow } from '@/store/devices';
import type { CrewsDay, SiteStop } from '@/facts/crews-day';

/** A day as a phone takes it along: with what hangs of its plans. */
export interface OfflineDay {
  day: CrewsDay;
  /** The company's own knowledge: hosts and works that do not ship have their names from it. */
  entries: CustomEntry[];
  installed: InstallationRow[];
  /** What was taken out of its mixes, by their ids. */
  taken: Readonly<Record<string, BatchTaken[]>>;
}

const things = (day: CrewsDay): CrewDayItem[] => day.stops.flatMap((s) => s.items);
const withThings = (day: CrewsDay, change: (t: CrewDayItem) => CrewDayItem | null): CrewsDay => ({
  ...day,
  stops: day.stops
    .map((s): SiteStop => ({ ...s, items: s.items.flatMap((t) => change(t) ?? []) }))
    .filter((s) => s.items.length > 0),
});
const nameOf = (t: CrewDayItem): { tag: string; treeId: string } =>
  t.kind === 'plan' ? t.plan : t.kind === 'work' ? t.work : t.look;

function left(day: CrewsDay, w: Shown, viewer: Viewer): CrewsDay {
  const { itemIds, why, words = '' } = w.input as Input<typeof markNotDone>;
  const gone = things(day).filter((t) => itemIds.includes(t.id));
  const rows = gone.map((t): LeftRow => {
    const { tag, treeId } = nameOf(t);
    const siteName = day.places[t.siteId]?.name ?? '';
    const when = { day: day.round.day, at: new Date(w.at), byName: viewer.name };
    return { id: w.id, itemId: t.id, kind: t.kind, treeId, tag, siteId: t.siteId, siteName, why, words, ...when };
  });
  return { ...withThings(day, (t) => (itemIds.includes(t.id) ? null : t)), lefts: [...day.lefts, ...rows] };
}

function written(day: CrewsDay, w: Shown, viewer: Viewer): CrewsDay {
  const ids = plansDoneBy(w);
  const b = w.input as TreatmentInput;
  const taken = w.shown as TakenShown | null;
  const records = things(day).flatMap((t): DoneRow[] => {
    if (t.kind !== 'plan' || !ids.includes(t.id)) return [];
    const { plan } = t;
    const told = taken?.done.find((d) => d.planId === plan.id);
    return [
      {
        planId: plan.id,
        // It is not in the book yet, and has no page there.
        rootId: '',
        treeId: plan.treeId,
        tag: plan.tag,
        siteId: plan.siteId,
        startedAt: new Date(b.startedAt),
        endedAt: new Date(b.endedAt),
        method: plan.method,
        productName: plan.labelName,
        targetName: told?.targetName ?? '',
        unit: plan.unit === 'mass' ? 'g' : 'mL',
        amount: told?.amount ?? plan.product,
        reEntryUntil: told?.reEntryUntil ?? b.endedAt,
        eatFrom: told?.eatFrom ?? null,
        byName: viewer.name,
      },
    ];
  });
  const done = withThings(day, (t) => (ids.includes(t.id) ? { ...t, stands: 'done' } : t));
  return { ...done, done: [...day.done, ...records] };
}

/** A day after one write; what is of no concern to it changes nothing. */
function after(day: CrewsDay, w: Shown, viewer: Viewer): CrewsDay {
  const { round } = day;
  switch (w.verb) {
    case 'start-day': {
      const b = w.input as Input<typeof startDay>;
      if (b.crewDayId !== round.id) return day;
      return { ...day, round: { ...round, begunAt: b.at ? new Date(b.at) : null, begunBy: b.at ? viewer.name : null } };
    }
    case 'check-load-item': {
      const t = w.input as Input<typeof checkLoadItem>;
      if (t.crewDayId !== round.id) return day;
      const ticked = (line: string, amount: string, was: boolean) => {
        const tick = t.ticks.find((x) => x.line === line);
        return tick ? tick.on && tick.amount === amount : was;
      };
      return {
        ...day,
        load: day.load.map((g) => ({
          ...g,
          lines: g.lines.map((l) => ({ ...l, ticked: ticked(l.line, l.amount, l.ticked) })),
        })),
      };
    }
    case 'order-stops': {
      const o = w.input as Input<typeof orderStops>;
      if (o.crewDayId !== round.id) return day;
      const at = (s: SiteStop) => o.siteIds.indexOf(s.siteId) + 1 || o.siteIds.length + 1;
      return { ...day, stops: [...day.stops].sort((a, b) => at(a) - at(b)) };
    }
    case 'mark-not-done':
      return left(day, w, viewer);
    case 'record-treatment':
    case 'record-treatments':
      return written(day, w, viewer);
    case 'finish-work': {
      const f = w.input as Input<typeof finishWork>;
      return withThings(day, (t) => (t.id === f.id ? { ...t, stands: f.done ? 'done' : 'dropped' } : t));
    }
    case 'make-batch': {
      const mix = mixHere(w);
      const b = w.input as Input<typeof makeBatch>;
      if (!mix || b.crewDayId !== round.id || day.batches.some((x) => x.id === mix.id)) return day;
      return { ...day, batches: [...day.batches, mix] };
    }
    case 'finish-batch': {
      const e = w.input as Input<typeof finishBatch>;
      const kept = (b: BatchRow) => (b.id === e.batchId && e.how === 'kept' ? { ...b, kept: true } : b);
      return { ...day, batches: day.batches.map(kept) };
    }
    case 'finish-day': {
      const c = w.input as Input<typeof finishDay>;
      if (c.crewDayId !== round.id) return day;
      const home = { ...c.home, note: c.home.note ?? '' };
      return { ...day, round: { ...round, closedAt: new Date(w.at), closedBy: viewer.name, home } };
    }
    default:
      return day;
  }
}

/** A day as it stands with what was written on this phone since it was taken along. */
export function dayWith(
  { day: held, installed }: Pick<OfflineDay, 'day' | 'installed'>,
  waiting: readonly Shown[],
  viewer: Viewer,
  now: Date,
): CrewsDay {
  const day = waiting.reduce((d, w) => after(d, w, viewer), held);
  const hangs = new Set(
    installedWith([...installed, ...installedHere(waiting)], waiting).flatMap((h) => (h.removedAt ? [] : h.planId)),
  );
  const stands = withThings(day, (t) => {
    if (t.kind !== 'plan' || ['done', 'dropped', 'unsettled'].includes(t.stands)) return t;
    return { ...t, stands: hangs.has(t.id) ? 'hangs' : 'open' };
  });
  const batches = day.batches.map(
    (b) =>
      stockWith(
        { lots: [], mixes: [b] },
        b.labelKey,
        waiting.filter((w) => w.verb !== 'make-batch'),
      ).mixes[0]!,
  );
  return {
    ...stands,
    batches,
    nextSiteId: nextStop(stands.stops)?.siteId ?? null,
    ends: endsOf({ things: things(stands), batches }, now),
  };
}
