import { done, refuse } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { STILL_INSTALLED } from '@/facts/not-then';
import { installedOn } from '@/store/devices';
import { setPlanStates } from '@/store/plans';
import { z } from 'zod';

/** Plans whose time is over, or that nobody wants any more: dropped together, and opened again together. */
export const cancelPlans = command({
  name: 'cancel-plans',
  right: 'prescribe',
  schema: z.object({
    ids: z.array(uuid).min(1, 'Choose one plan at least.').max(300, 'At most 300 plans at once.'),
    drop: z.boolean(),
  }),
  run: async ({ viewer: v }, { ids, drop }) => {
    if (drop && (await installedOn(v, ids))) return refuse('ids', STILL_INSTALLED);
    const changed = await setPlanStates(v, ids, drop ? 'open' : 'dropped', drop ? 'dropped' : 'open');
    return changed.count === new Set(ids).size
      ? done
      : refuse('ids', 'One of these plans was carried out or dropped meanwhile. Nothing was changed.');
  },
});
