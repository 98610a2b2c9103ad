import { command, done, refuse, type Answer } from '@/commands/command';
import { uuid } from '@/core/book/record';
import { hangingNamed, keepOvernight } from '@/store/hanging';
import { z } from 'zod';

/** Nothing hangs through the night without somebody saying why. */
export const hangOvernight = command({
  name: 'hang-overnight',
  right: 'apply',
  schema: z.object({
    deviceIds: z.array(uuid).min(1, 'Choose one device at least.').max(400, 'At most 400 devices at once.'),
    because: z.string().trim().min(3, 'Say why it hangs through the night.').max(300, 'At most 300 signs.'),
  }),
  run: async ({ viewer }, { deviceIds, because }): Promise<Answer> => {
    const devices = await hangingNamed(viewer, deviceIds);
    if (devices.length < new Set(deviceIds).size)
      return refuse('deviceIds', 'A device among them is not in this outfit.');
    if (devices.some((d) => d.pulledAt)) return refuse('deviceIds', 'A device among them was pulled meanwhile.');
    await keepOvernight(viewer, deviceIds, because);
    return done;
  },
});
