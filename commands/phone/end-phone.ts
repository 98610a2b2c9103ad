import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { may, refusal } from '@/core/people/rights';
import { endPhone as end, phoneNamed } from '@/store/phones';
import { z } from 'zod';

/** A phone that was lost or given away is ended: it is given nothing any more, and drops what it holds once it hears of it. Or it is let in again. */
export const endPhone = command({
  name: 'end-phone',
  right: null,
  schema: z.object({ phoneId: uuid, ended: z.boolean() }),
  run: async ({ viewer }, { phoneId, ended }): Promise<Result> => {
    const phone = await phoneNamed(viewer, phoneId);
    if (!phone) return refuse('phoneId', 'There is no such phone in this company.');
    if (phone.personId !== viewer.personId && !may(viewer.role, 'manage people'))
      return refuse('', refusal(viewer.role, 'manage people'));
    return (await end(viewer, phoneId, ended)) ? done : refuse('phoneId', 'That was done before.');
  },
});
