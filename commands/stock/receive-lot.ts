import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { amountUnit, factor } from '@/commands/stock/amount';
import { todayOf } from '@/facts/today';
import { typed } from '@/lib/units/typed';
import { uuid } from '@/lib/ids';
import { isLiquid } from '@/core/label/liquid';
import { readNumber } from '@/lib/units/numbers';
import { VOLUME } from '@/lib/units/units';
import { formatDay } from '@/lib/calendar/days';
import { receive, shelfLabels } from '@/store/stock';
import { z } from 'zod';

export const receiveLot = command({
  name: 'receive-lot',
  right: 'keep the shelf',
  schema: z.object({
    moveId: uuid,
    lotId: uuid,
    labelKey: z.string().max(60),
    lotNumber: z.string().trim().min(1, 'The lot number is missing.').max(60, 'At most 60 characters.'),
    expiresOn: z.iso.date('Give the expiry as a day that exists.'),
    amount: typed,
    unit: amountUnit,
  }),
  once: (x) => x.moveId,
  run: async ({ viewer, receivedAt }, r): Promise<Result> => {
    const held = (await shelfLabels(viewer)).find((l) => l.key === r.labelKey);
    if (!held) return refuse('labelKey', 'Choose the product.');
    const read = readNumber(r.amount, { name: 'The amount', above: 0, max: 1_000_000 });
    if (!read.ok) return refuse('amount', read.sentence);
    const liquid = isLiquid(held.label);
    if (liquid !== r.unit in VOLUME)
      return refuse(
        'unit',
        liquid ? 'This product is a liquid: take it in by volume.' : 'This product is a powder: take it in by weight.',
      );
    if (r.expiresOn < todayOf(viewer, receivedAt))
      return refuse('expiresOn', 'This lot has expired already; do not take it in.');
    const stands = await receive(viewer, {
      ...r,
      unit: liquid ? 'mL' : 'g',
      amount: read.value * factor(r.unit),
      reason: 'delivery',
    });
    return stands === null
      ? done
      : refuse(
          'expiresOn',
          `Lot ${r.lotNumber} stands in the book with ${formatDay(stands)}: one of the two was misread.`,
        );
  },
});
