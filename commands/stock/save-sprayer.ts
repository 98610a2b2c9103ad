import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { todayOf } from '@/facts/today';
import { typed } from '@/lib/units/typed';
import { uuid } from '@/lib/ids';
import { readNumber } from '@/lib/units/numbers';
import { upsertSprayer } from '@/store/stock';
import { z } from 'zod';

/** A sprayer, with its flow as measured: fill, spray for a minute, measure what is gone. */
export const saveSprayer = command({
  name: 'save-sprayer',
  right: 'keep the shelf',
  schema: z.object({
    id: uuid,
    name: z.string().trim().min(1, 'Give it a name, as it is written on it.').max(80, 'At most 80 characters.'),
    holds: typed,
    flow: typed,
    /** What stays in tank, pump and hose of the last filling; empty for nothing. */
    dead: typed.default(''),
  }),
  run: async ({ viewer, receivedAt }, x): Promise<Result> => {
    const holds = readNumber(x.holds, { name: 'What the tank holds', above: 0, max: 5000, unit: 'L' });
    if (!holds.ok) return refuse('holds', holds.sentence);
    const flow = x.flow.trim() ? readNumber(x.flow, { name: 'The flow', above: 0, max: 1000, unit: 'L/min' }) : null;
    if (flow && !flow.ok) return refuse('flow', flow.sentence);
    const dead = x.dead.trim()
      ? readNumber(x.dead, { name: 'What stays in it', min: 0, max: holds.value * 0.5, unit: 'L' })
      : null;
    if (dead && !dead.ok) return refuse('dead', dead.sentence);
    await upsertSprayer(viewer, {
      id: x.id,
      name: x.name,
      holdsMl: holds.value * 1000,
      flowMlMin: flow?.ok ? flow.value * 1000 : null,
      calibratedOn: flow?.ok ? todayOf(viewer, receivedAt) : null,
      deadMl: dead?.ok ? dead.value * 1000 : 0,
    });
    return done;
  },
});
