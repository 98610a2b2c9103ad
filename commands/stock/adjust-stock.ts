import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { amountUnit, factor } from '@/commands/stock/amount';
import { typed } from '@/lib/units/typed';
import { uuid } from '@/lib/ids';
import { readNumber } from '@/lib/units/numbers';
import { VOLUME } from '@/lib/units/units';
import { pgCode } from '@/store/db';
import { countLot, lotById, takeOut } from '@/store/stock';
import { z } from 'zod';
import { reasonSchema } from '@/lib/reason-schema';

export const adjustStock = command({
  name: 'adjust-stock',
  right: 'keep the shelf',
  schema: z.object({
    moveId: uuid,
    lotId: uuid,
    /** Counted anew: what is there. Spilled or given back: what went. */
    what: z.enum(['counted', 'loss', 'supplier']),
    counted: typed,
    unit: amountUnit,
    reason: reasonSchema('Say why, in a word or two.', 180),
  }),
  run: async ({ viewer }, c): Promise<Result> => {
    const lot = await lotById(viewer, c.lotId);
    if (!lot) return refuse('', 'There is no such lot in this company.');
    const read = readNumber(c.counted, {
      name: c.what === 'counted' ? 'What you counted' : 'What went',
      ...(c.what === 'counted' ? { min: 0 } : { above: 0 }),
      max: 1_000_000,
    });
    if (!read.ok) return refuse('counted', read.sentence);
    if ((lot.unit === 'mL') !== c.unit in VOLUME)
      return refuse('unit', 'This lot is counted in the other kind of unit.');
    const amount = read.value * factor(c.unit);
    if (c.what === 'counted') await countLot(viewer, { ...c, counted: amount });
    else if (amount > lot.onHand) return refuse('counted', 'There is not so much in this lot.');
    else
      try {
        await takeOut(viewer, { ...c, amount, against: c.what });
      } catch (error) {
        if (pgCode(error) === '23514')
          return refuse('counted', 'Somebody took from this lot meanwhile; count it again.');
        throw error;
      }
    return done;
  },
});
