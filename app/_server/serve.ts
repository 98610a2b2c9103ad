import { revalidatePath } from 'next/cache';
import { unstable_rethrow } from 'next/navigation';
import type { z } from 'zod';
import { perform, refuse, type Answer, type Command } from '@/commands/command';
import { station } from './station';
import { currentViewer } from './viewer';

export const SIGNED_OUT = 'You are signed out. Sign in again in another tab; what you typed is kept here.';

/** A verb as a server action: the session is the viewer, the clock and the station are this server's. */
export function serve<S extends z.ZodType, T>(verb: Command<S, T>): (input: z.input<S>) => Promise<Answer<T>> {
  return async (input) => {
    try {
      const viewer = await currentViewer();
      if (!viewer) return refuse('', SIGNED_OUT);
      const answer = await perform(verb, { viewer, now: new Date(), air: (at) => station().at(at) }, input);
      if (answer.ok) revalidatePath('/', 'layout');
      return answer;
    } catch (error) {
      unstable_rethrow(error);
      console.error(error);
      return refuse('', 'That did not work, and it was not your fault. Nothing was written; try again.');
    }
  };
}
