import { refuse, type Result } from '@/lib/result';
import { revalidatePath } from 'next/cache';
import { unstable_rethrow } from 'next/navigation';
import type { z } from 'zod';
import { SERVER_FAILED, perform, type Command } from '@/commands/command';
import type { Viewer } from '@/store/auth';
import { failed } from './failed';
import { stationFor } from './station';
import { currentViewer } from './viewer';
import { clockNow } from '@/store/clock';

/** Performs a command by the clock and the station of this server; every page that may show what it changed is made anew. */
export async function performHere<S extends z.ZodType, T>(
  viewer: Viewer,
  verb: Command<S, T>,
  input: unknown,
  progress?: (done: number, of: number) => void,
): Promise<Result<T>> {
  const context = { viewer, receivedAt: clockNow(), station: stationFor, ...(progress ? { progress } : {}) };
  const answer = await perform(verb, context, input);
  if (answer.ok) revalidatePath('/', 'layout');
  return answer;
}

/** A command as a server action, for whoever the session says. */
export function serve<S extends z.ZodType, T>(verb: Command<S, T>): (input: z.input<S>) => Promise<Result<T>> {
  return async (input) => {
    try {
      const viewer = await currentViewer();
      return viewer
        ? await performHere(viewer, verb, input)
        : refuse('', 'You are signed out. Sign in again in another tab; what you typed is kept here.');
    } catch (error) {
      unstable_rethrow(error);
      await failed(error);
      return refuse('', SERVER_FAILED);
    }
  };
}
