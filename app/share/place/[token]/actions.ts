'use server';

import { failed } from '@/app/_server/failed';
import { NOT_YOUR_FAULT, refuse, type Answer } from '@/commands/command';
import { finishTask } from '@/commands/share/finish-task';

/** A client's “done”, without a sign-in. */
export async function finishShared(input: { token: string; id: string; who: string; said: string }): Promise<Answer> {
  try {
    return await finishTask(input);
  } catch (error) {
    await failed(error);
    return refuse('', NOT_YOUR_FAULT);
  }
}
