import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { overnightSchema } from '@/core/devices/overnight';
import { installationsNamed, keepOvernight } from '@/store/devices';

/** Nothing hangs through the night without somebody saying why. */
export const leaveDevicesOvernight = command({
  name: 'leave-devices-overnight',
  right: 'apply',
  schema: overnightSchema,
  run: async ({ viewer }, { deviceIds, because }): Promise<Result> => {
    const devices = await installationsNamed(viewer, deviceIds);
    if (devices.length < new Set(deviceIds).size)
      return refuse('deviceIds', 'A device among them is not in this company.');
    if (devices.some((d) => d.removedAt)) return refuse('deviceIds', 'A device among them was pulled meanwhile.');
    await keepOvernight(viewer, deviceIds, because);
    return done;
  },
});
