import { command, refuse, type Answer } from '@/commands/command';
import { fromMixes } from '@/commands/facts/batches';
import { bookingOf, writeBooking, type Written } from '@/commands/facts/booking';
import { settleAnew } from '@/commands/programme/settle';
import { bookingSchema, uuid, type Booking } from '@/core/book/record';
import { sharesOf } from '@/core/book/row';
import type { Dose } from '@/core/dose/dose';
import type { Fault } from '@/core/book/write';
import { tagRuns } from '@/core/grounds/tags';
import { getPlans } from '@/store/plans';
import { z } from 'zod';

/** More trees than this are written in several goes. */
const MOST = 60;

const {
  startedAt,
  endedAt,
  lotId,
  batchIds,
  weather,
  soil,
  leaf,
  intakeMmH,
  said,
  released,
  protection,
  withIds,
  deviation,
  mark,
  note,
} = bookingSchema.shape;

/** Faults of many trees: the same sentence at the same place is said once, with their tags. */
function together(faults: readonly { tag: string; fault: Fault }[]): Fault[] {
  const same = new Map<string, { fault: Fault; tags: string[] }>();
  for (const { tag, fault } of faults) {
    const key = `${fault.path} ${fault.sentence}`;
    const of = same.get(key) ?? { fault, tags: [] };
    of.tags.push(tag);
    same.set(key, of);
  }
  return [...same.values()]
    .slice(0, 40)
    .map(({ fault, tags }) => ({ path: fault.path, sentence: `${tagRuns(tags)}: ${fault.sentence}` }));
}

/** A row of like trees, done in one go from one mix, is written in one go: a record each, or none of them. */
export const bookRow = command({
  name: 'book-row',
  right: 'apply',
  schema: z
    .strictObject({
      id: uuid,
      /** In the order in which they were done. */
      rows: z
        .array(z.strictObject({ planId: uuid, recordId: uuid }))
        .min(1, 'Choose one tree at least.')
        .max(MOST, `At most ${MOST} trees at once.`),
      /** Product used on all of them, mL or g; null where it was as planned. */
      total: z.number('Enter the amount used as a number.').positive().max(1e7).nullable(),
      startedAt,
      endedAt,
      lotId,
      batchIds,
      weather,
      soil,
      leaf,
      intakeMmH,
      said,
      released,
      protection,
      withIds,
      deviation,
      mark,
      note,
    })
    .refine((b) => Date.parse(b.endedAt) >= Date.parse(b.startedAt), {
      path: ['endedAt'],
      message: 'The end lies before the start.',
    }),
  once: (x) => x.id,
  run: async (context, { id: _, rows, total, batchIds, ...same }): Promise<Answer<{ recordIds: string[] }>> => {
    const { viewer } = context;
    const ids = new Set(rows.map((r) => r.planId));
    if (ids.size < rows.length) return refuse('rows', 'A tree stands in it twice.');
    const plans = await getPlans(viewer, [...ids]);
    if (plans.length < ids.size) return refuse('rows', 'A plan among them is not in this outfit.');
    const [first] = plans as [(typeof plans)[number]];
    if (plans.some((n) => n.labelId !== first.labelId || n.useKey !== first.useKey || n.placeId !== first.placeId))
      return refuse('rows', 'One go is one product, one use and one place.');
    const products = rows.map(({ planId }) => {
      const { dose } = plans.find((n) => n.id === planId)!.result;
      return dose.ok ? dose.product : 0;
    });
    if (products.some((x) => !(x > 0))) return refuse('rows', 'A plan among them has no dose; prescribe anew.');
    const shares = sharesOf(products, total, same);
    const mixed = batchIds
      ? await fromMixes(
          viewer,
          batchIds,
          { ...first, dose: first.result.dose as Extract<Dose, { ok: true }> },
          shares.map((s) => s.amount),
        )
      : null;
    if (mixed && !mixed.ok) return mixed;
    const tagOf = new Map(plans.map((n) => [n.id, n.tag]));
    const ready: Written[] = [];
    const faults: { tag: string; fault: Fault }[] = [];
    for (const [i, { planId, recordId }] of rows.entries()) {
      const booking: Booking = { ...same, ...shares[i]!, id: recordId, planId, photoIds: [] };
      const worked = await bookingOf(
        context,
        booking,
        mixed?.value && { draws: mixed.value.draws[i]!, drawn: mixed.value.drawn[i]!, lot: mixed.value.lot },
      );
      if (worked.ok) ready.push(worked.value);
      else for (const fault of worked.faults) faults.push({ tag: tagOf.get(planId)!, fault });
    }
    const used = shares.reduce((sum, s) => sum + s.amount, 0);
    const lot = ready[0]?.lot;
    if (!mixed && lot && used > lot.onHand + 1e-9)
      return refuse('lotId', 'This lot does not hold enough for all of them; write them in two goes, a lot each.');
    if (faults.length) return { ok: false, faults: together(faults) };
    for (const booking of ready) {
      const written = await writeBooking(context, booking);
      if (!written.ok) return written;
    }
    for (const laidId of new Set(ready.flatMap((r) => r.laid?.laidId ?? [])))
      await settleAnew(
        context,
        laidId,
        ready.flatMap((r) => (r.laid?.laidId === laidId ? [r.laid.treeId] : [])),
      );
    return { ok: true, value: { recordIds: rows.map((r) => r.recordId) } };
  },
});
