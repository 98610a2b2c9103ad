import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { installationsNamed, reinstallRows } from '@/store/devices';
import { getPlans } from '@/store/plans';
import { z } from 'zod';

/** What was said to be pulled by a slip hangs again, as long as nothing has been written of it. */
export const reinstallDevices = command({
  name: 'reinstall-devices',
  right: 'apply',
  schema: z.object({
    deviceIds: z.array(uuid).min(1, 'Choose one device at least.').max(400, 'At most 400 devices at once.'),
  }),
  run: async ({ viewer }, { deviceIds }): Promise<Result> => {
    const devices = await installationsNamed(viewer, deviceIds);
    if (devices.length < new Set(deviceIds).size)
      return refuse('deviceIds', 'A device among them is not in this company.');
    const plans = await getPlans(viewer, [...new Set(devices.map((d) => d.planId))]);
    if (plans.some((n) => n.state !== 'open'))
      return refuse('deviceIds', 'It is in the book already; what is wrong there is corrected there.');
    await reinstallRows(viewer, deviceIds);
    return done;
  },
});
