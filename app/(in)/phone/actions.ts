'use server';

import { refuse } from '@/lib/result';
import { unstable_rethrow } from 'next/navigation';
import { revalidatePath } from 'next/cache';
import { commandNamed } from '@/commands';
import { SERVER_FAILED } from '@/commands/command';
import { endPhone as endPhoneCommand } from '@/commands/phone/end-phone';
import { settle } from '@/commands/phone/settle-conflict';
import { failed } from '@/app/_server/failed';
import { serve } from '@/app/_server/serve';
import { stationFor } from '@/app/_server/station';
import { currentViewer } from '@/app/_server/viewer';
import { clockNow } from '@/store/clock';

export const endPhone = serve(endPhoneCommand);

/** What was refused is sent once more for whoever did it, or set aside. */
export async function settleConflict(input: unknown) {
  try {
    const viewer = await currentViewer();
    if (!viewer) return refuse('', 'You are signed out. Sign in again in another tab.');
    const now = clockNow();
    const answer = await settle({ viewer, receivedAt: now, occurredAt: now, station: stationFor }, commandNamed, input);
    if (answer.ok) revalidatePath('/', 'layout');
    return answer;
  } catch (error) {
    unstable_rethrow(error);
    await failed(error);
    return refuse('', SERVER_FAILED);
  }
}
