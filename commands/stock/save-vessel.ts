import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { typed } from '@/lib/units/typed';
import { uuid } from '@/lib/ids';
import { readNumber } from '@/lib/units/numbers';
import { addVessel } from '@/store/stock';
import { z } from 'zod';

export const saveVessel = command({
  name: 'save-vessel',
  right: 'keep the shelf',
  schema: z.object({
    id: uuid,
    name: z.string().trim().min(1, 'Give it a name, as it is written on it.').max(80, 'At most 80 characters.'),
    dimension: z.enum(['volume', 'mass']),
    capacity: typed,
    graduation: typed,
    /** Marked, and used for nothing else. */
    reserved: z.boolean().default(true),
  }),
  run: async ({ viewer }, x): Promise<Result> => {
    const unit = x.dimension === 'volume' ? 'mL' : 'g';
    const capacity = readNumber(x.capacity, { name: 'What it holds', above: 0, max: 1_000_000, unit });
    if (!capacity.ok) return refuse('capacity', capacity.sentence);
    const graduation = readNumber(x.graduation, {
      name: 'The distance between marks',
      above: 0,
      max: capacity.value,
      unit,
    });
    if (!graduation.ok) return refuse('graduation', graduation.sentence);
    if (/\b(cup|mug|bottle of|drink|milk|juice|food)\b/i.test(x.name))
      return refuse('name', 'Never a food or drink container. Take a vessel kept for pesticides.');
    await addVessel(viewer, {
      id: x.id,
      name: x.name,
      dimension: x.dimension,
      capacity: capacity.value,
      graduation: graduation.value,
      reserved: x.reserved,
    });
    return done;
  },
});
