import { done, refuse, type Issue, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { amountUnit, factor } from '@/commands/stock/amount';
import { numberAt, typed } from '@/lib/units/typed';
import { isLiquid } from '@/core/label/liquid';
import { VOLUME } from '@/lib/units/units';
import { setStockLevel, shelfLabels } from '@/store/stock';
import { z } from 'zod';

/** Below this much a product is to be ordered; an empty field takes the warning away. */
export const setReorderLevel = command({
  name: 'set-reorder-level',
  right: 'keep the shelf',
  schema: z.object({ labelKey: z.string().max(60), below: typed, unit: amountUnit }),
  run: async ({ viewer }, l): Promise<Result> => {
    const held = (await shelfLabels(viewer)).find((x) => x.key === l.labelKey);
    if (!held) return refuse('below', 'This product is not on the shelf.');
    if (isLiquid(held.label) !== l.unit in VOLUME)
      return refuse('below', 'This product is counted in the other kind of unit.');
    const issues: Issue[] = [];
    const below = numberAt(
      issues,
      'below',
      l.below,
      { name: 'The amount', above: 0, max: 1_000_000, unit: l.unit },
      true,
    );
    if (issues.length) return { ok: false, issues };
    await setStockLevel(viewer, l.labelKey, below === null ? null : below * factor(l.unit));
    return done;
  },
});
