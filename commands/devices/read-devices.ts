import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { instant } from '@/core/records/record';
import { uuid } from '@/lib/ids';
import { DEVICE_STATES } from '@/core/devices/devices';
import { addSights, installationsNamed } from '@/store/devices';
import { v7 } from 'uuid';
import { z } from 'zod';
import { notThen } from '../../facts/not-then';

/** What somebody sees of devices on the way round: how they run, and what is left where it is read off. */
export const readDevices = command({
  name: 'read-devices',
  right: 'apply',
  schema: z.object({
    id: uuid,
    deviceIds: z.array(uuid).min(1, 'Choose one device at least.').max(400, 'At most 400 devices at once.'),
    at: instant,
    state: z.enum(DEVICE_STATES),
    leftMl: z
      .number('What is left must be a number.')
      .min(0, 'Less than nothing is not left.')
      .nullable()
      .default(null),
  }),
  once: (x) => x.id,
  run: async ({ viewer, receivedAt }, p): Promise<Result> => {
    const never = notThen(p.at, receivedAt);
    if (never) return refuse('at', never);
    const devices = await installationsNamed(viewer, p.deviceIds);
    if (devices.length < new Set(p.deviceIds).size)
      return refuse('deviceIds', 'A device among them is not in this company.');
    if (devices.some((d) => d.removedAt)) return refuse('deviceIds', 'A device among them was pulled meanwhile.');
    const full = devices.find((d) => p.leftMl !== null && p.leftMl > d.putMl + 1e-6);
    if (full) return refuse('leftMl', `On ${full.tag} there was less than that in it: ${full.putMl.toFixed(1)} mL.`);
    if (devices.some((d) => d.installedAt.getTime() > Date.parse(p.at))) return refuse('at', 'It was hung after that.');
    await addSights(
      viewer,
      devices.map((d) => ({ id: v7(), installationId: d.id, at: p.at, state: p.state, leftMl: p.leftMl })),
    );
    return done;
  },
});
