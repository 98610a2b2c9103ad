'use server';

import { carryMessages } from '@/app/_server/messages';
import { serve } from '@/app/_server/serve';
import { startDay as startDayCommand } from '@/commands/jobs/start-day';
import { finishDay as finishDayCommand } from '@/commands/jobs/finish-day';
import { markNotDone as markNotDoneCommand } from '@/commands/jobs/mark-not-done';
import { orderStops as orderStopsCommand } from '@/commands/jobs/order-stops';
import { addToDay as addToDayCommand } from '@/commands/jobs/add-to-day';
import { reopenNotDone as reopenNotDoneCommand } from '@/commands/jobs/reopen-not-done';
import { checkLoadItem as checkLoadItemCommand } from '@/commands/jobs/check-load-item';
import { notifyClient as notifyClientCommand } from '@/commands/jobs/notify-client';

export const startDay = serve(startDayCommand);
export const markNotDone = serve(markNotDoneCommand);
export const orderStops = serve(orderStopsCommand);
export const addToDay = serve(addToDayCommand);
export const reopenNotDone = serve(reopenNotDoneCommand);
export const checkLoadItem = serve(checkLoadItemCommand);
export const notifyClient = serve(notifyClientCommand);

const close = serve(finishDayCommand);
/** The day is closed first; what it says to clients is carried then, and waits where no carrier takes it. */
export async function finishDay(input: Parameters<typeof close>[0]) {
  const answer = await close(input);
  if (answer.ok) await carryMessages();
  return answer;
}
