import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { cancelQuoteRow } from '@/store/quotes';
import { z } from 'zod';

export const cancelQuote = command({
  name: 'cancel-quote',
  right: 'prescribe',
  schema: z.object({ id: uuid }),
  run: async ({ viewer: v }, { id }): Promise<Result> => {
    const changed = await cancelQuoteRow(v, id);
    return changed.count ? done : refuse('', 'This proposal was taken back before.');
  },
});
