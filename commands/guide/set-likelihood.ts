import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { breaks, note } from '@/commands/guide/own-entry';
import { uuid } from '@/lib/ids';
import { likelihoodEntry } from '@/core/custom/overlay';
import { findSign } from '@/knowledge';
import { addEntry, customEntries } from '@/store/knowledge';

export const setLikelihood = command({
  name: 'set-likelihood',
  right: 'edit the guide',
  schema: likelihoodEntry.extend({ id: uuid, note }),
  run: async ({ viewer }, { id, note: why, ...data }): Promise<Result> => {
    const key = `${data.condition}/${data.sign}`;
    if (!findSign(data.sign)) return refuse('sign', 'There is no such sign.');
    const issues = await breaks(await customEntries(viewer), [{ kind: 'likelihood', key, version: 1, data }]);
    if (issues.length) return refuse('often', `That would leave the guide with a gap: ${issues[0]}.`);
    await addEntry(viewer, { id, kind: 'likelihood', key, data, note: why });
    return done;
  },
});
