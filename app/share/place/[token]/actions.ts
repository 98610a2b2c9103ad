'use server';

import { refuse, type Result } from '@/lib/result';
import { failed } from '@/app/_server/failed';
import { SERVER_FAILED } from '@/commands/command';
import { finishTask } from '@/commands/share/finish-task';

/** A client's “done”, without a sign-in. */
export async function finishShared(input: { token: string; id: string; who: string; said: string }): Promise<Result> {
  try {
    return await finishTask(input);
  } catch (error) {
    await failed(error);
    return refuse('', SERVER_FAILED);
  }
}
