import { done, refuse } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { STILL_INSTALLED } from '@/facts/not-then';
import { installedOn } from '@/store/devices';
import { setPlanState } from '@/store/plans';
import { z } from 'zod';

export const cancelPlan = command({
  name: 'cancel-plan',
  right: 'prescribe',
  schema: z.object({ id: uuid, drop: z.boolean() }),
  run: async ({ viewer: v }, { id, drop }) => {
    if (drop && (await installedOn(v, [id]))) return refuse('', STILL_INSTALLED);
    const changed = await setPlanState(v, id, drop ? 'open' : 'dropped', drop ? 'dropped' : 'open');
    return changed.count ? done : refuse('', 'This plan was carried out or dropped meanwhile.');
  },
});
