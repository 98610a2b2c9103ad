import { refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { limitsOf } from '@/facts/about';
import { dayByHand } from '@/facts/day';
import { fortnightOf } from '@/facts/fortnight';
import { moveWith } from '@/commands/jobs/move-with';
import { uuid } from '@/lib/ids';
import { stopsOf, type DayItem } from '@/core/crew-day/day';
import type { Limit } from '@/core/schedule/problem';
import { crewDaysOfItems } from '@/store/day';
import { crewDaysBetween, writeCrewDays, type ItemPlaced } from '@/store/crew-days';
import { v7 } from 'uuid';
import { z } from 'zod';

/**
 * What waits is put on a crew's day by hand: made so, split off another day or joined to it. What law and label forbid is
 * refused; what only the day's hours or the forecast speak against is said, and done where somebody says so.
 */
export const addToDay = command({
  name: 'add-to-day',
  right: 'plan rounds',
  schema: z.object({
    day: z.iso.date('Give the day like 2027-05-14.'),
    crewId: uuid,
    itemIds: z.array(uuid).min(1, 'Choose one at least.').max(200, 'At most 200 at once.'),
    /** It is known what speaks against it. */
    anyway: z.boolean().default(false),
  }),
  run: async (context, { day, crewId, itemIds, anyway }): Promise<Result<{ crewDayId: string; notes: string[] }>> => {
    const { viewer, receivedAt, station } = context;
    const f = await fortnightOf(viewer, station, receivedAt, 'with');
    const crew = f.problem.crews.find((c) => c.id === crewId);
    if (!crew) return refuse('crewId', 'There is no such crew that goes out.');
    if (!f.problem.days.includes(day)) return refuse('day', 'This day lies outside the fortnight from today on.');
    const put = new Set(itemIds);
    const waiting = new Map(f.problem.jobs.flatMap((j) => j.items).map((i) => [i.id, i]));
    if (itemIds.some((id) => !waiting.has(id)))
      return refuse(
        'itemIds',
        'Something among them does not wait these days: it is done, dropped, or its time has not come.',
      );
    const [rounds, standing] = await Promise.all([crewDaysBetween(viewer, day, day), crewDaysOfItems(viewer, itemIds)]);
    const round = rounds.find((r) => r.crewId === crewId);
    if (round?.closedAt) return refuse('day', 'This day of the crew is closed.');
    if (standing.some((s) => s.begun && s.crewDayId !== round?.id))
      return refuse('itemIds', 'A crew has set out for something among them: leave it there with a reason first.');
    const before = (round?.items ?? []).filter((i) => !put.has(i.itemId));
    const list = [
      ...before.map((i) => ({ id: i.itemId, kind: i.kind, siteId: i.siteId, begins: i.begins, locked: i.locked })),
      ...[...put].map((id) => {
        const { about, siteId } = waiting.get(id)!;
        return { id, kind: about.kind, siteId, begins: 0, locked: true };
      }),
    ];
    const stops = stopsOf(list.map((i): DayItem & (typeof list)[number] => ({ ...i, stands: 'open' })));
    const hand = dayByHand({
      f,
      at: { day, crewId },
      onIt: new Set(list.map((i) => i.id)),
      put,
      order: stops.map((s) => s.siteId),
    });
    const inWords = limitsOf(f);
    // What keeps several of them away for one reason is said once.
    const says = (limits: readonly Limit[]) => [...new Set(limits.map(inWords))];
    if (hand.never.length)
      return { ok: false, issues: says(hand.never).map((sentence) => ({ path: 'itemIds', message: sentence })) };
    if (hand.against.length && !anyway)
      return { ok: false, issues: says(hand.against).map((sentence) => ({ path: 'anyway', message: sentence })) };
    const placed = stops
      .flatMap((s) => s.items)
      .map((i, position): ItemPlaced => ({
        itemId: i.id,
        kind: i.kind,
        siteId: i.siteId,
        day,
        crewId,
        position,
        begins: hand.begins.get(i.siteId) ?? i.begins,
        locked: i.locked,
      }));
    await writeCrewDays(viewer, v7, placed, []);
    const issues = await moveWith(
      context,
      f,
      placed.filter((p) => put.has(p.itemId)),
      () => crew.name,
    );
    if (issues.length) return { ok: false, issues };
    const made = (await crewDaysBetween(viewer, day, day)).find((r) => r.crewId === crewId)!;
    return { ok: true, value: { crewDayId: made.id, notes: says(hand.against) } };
  },
});
