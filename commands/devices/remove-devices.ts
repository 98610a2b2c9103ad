import { done, refuse, type Issue, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { instant } from '@/core/records/record';
import { uuid } from '@/lib/ids';
import { installationsNamed, removeRows } from '@/store/devices';
import { z } from 'zod';
import { notThen } from '../../facts/not-then';

const ml = (what: string) =>
  z.number(`What is ${what} must be a number.`).min(0, `Less than nothing is not ${what}.`).max(100_000);

/** Devices are pulled, with what is left in each: only what went in is booked. */
export const removeDevices = command({
  name: 'remove-devices',
  right: 'apply',
  schema: z.object({
    id: uuid,
    at: instant,
    devices: z
      .array(z.object({ id: uuid, leftMl: ml('left'), lostMl: ml('lost').default(0) }))
      .min(1, 'Choose one device at least.')
      .max(400, 'At most 400 devices at once.'),
  }),
  once: (x) => x.id,
  run: async ({ viewer, receivedAt }, p): Promise<Result> => {
    const never = notThen(p.at, receivedAt);
    if (never) return refuse('at', never);
    const found = new Map(
      (
        await installationsNamed(
          viewer,
          p.devices.map((d) => d.id),
        )
      ).map((d) => [d.id, d]),
    );
    if (found.size < new Set(p.devices.map((d) => d.id)).size)
      return refuse('devices', 'A device among them is not in this company.');
    const issues = p.devices.flatMap(({ id, leftMl, lostMl }): Issue[] => {
      const d = found.get(id)!;
      if (d.removedAt)
        return [{ path: `devices.${id}`, message: `The one at site ${d.site} of ${d.tag} was pulled already.` }];
      if (d.installedAt.getTime() > Date.parse(p.at))
        return [{ path: 'at', message: `On ${d.tag} it was hung after that.` }];
      if (leftMl + lostMl > d.putMl + 1e-6)
        return [
          { path: `devices.${id}`, message: `On ${d.tag} there was less than that in it: ${d.putMl.toFixed(1)} mL.` },
        ];
      return [];
    });
    if (issues.length) return { ok: false, issues: issues.slice(0, 40) };
    const removed = await removeRows(viewer, new Date(p.at), p.devices);
    return removed === p.devices.length ? done : refuse('devices', 'Somebody else pulled one of them meanwhile.');
  },
});
