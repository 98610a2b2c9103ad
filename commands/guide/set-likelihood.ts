import { command, done, refuse, type Answer } from '@/commands/command';
import { breaks, note } from '@/commands/guide/own-entry';
import { uuid } from '@/core/book/record';
import { likelihoodEntry } from '@/core/diagnose/overlay';
import { shipped } from '@/knowledge';
import { addEntry } from '@/store/knowledge';

export const setLikelihood = command({
  name: 'set-likelihood',
  right: 'edit the guide',
  schema: likelihoodEntry.extend({ id: uuid, note }),
  run: async ({ viewer }, { id, note: why, ...data }): Promise<Answer> => {
    const key = `${data.condition}/${data.sign}`;
    const faults = await breaks(viewer, { kind: 'likelihood', key, version: 1, data });
    if (!shipped.signs.some((s) => s.id === data.sign)) return refuse('sign', 'There is no such sign.');
    if (faults.length) return refuse('often', `That would leave the guide with a gap: ${faults[0]}.`);
    await addEntry(viewer, { id, kind: 'likelihood', key, data, note: why });
    return done;
  },
});
