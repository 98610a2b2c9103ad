'use server';

import { carryMessages } from '@/app/_server/messages';
import { serve } from '@/app/_server/serve';
import { beginRound as beginRoundCommand } from '@/commands/day/begin-round';
import { closeRound as closeRoundCommand } from '@/commands/day/close-round';
import { leaveUndone as leaveUndoneCommand } from '@/commands/day/leave-undone';
import { orderStops as orderStopsCommand } from '@/commands/day/order-round';
import { putOnRound as putOnRoundCommand } from '@/commands/day/put-on-round';
import { takeBackLeft as takeBackLeftCommand } from '@/commands/day/take-back-left';
import { tickLoad as tickLoadCommand } from '@/commands/day/tick-load';
import { tellClient as tellClientCommand } from '@/commands/rounds/tell-day';

export const beginRound = serve(beginRoundCommand);
export const leaveUndone = serve(leaveUndoneCommand);
export const orderStops = serve(orderStopsCommand);
export const putOnRound = serve(putOnRoundCommand);
export const takeBackLeft = serve(takeBackLeftCommand);
export const tickLoad = serve(tickLoadCommand);
export const tellClient = serve(tellClientCommand);

const close = serve(closeRoundCommand);
/** The day is closed first; what it says to clients is carried then, and waits where no carrier takes it. */
export async function closeRound(input: Parameters<typeof close>[0]) {
  const answer = await close(input);
  if (answer.ok) await carryMessages();
  return answer;
}
