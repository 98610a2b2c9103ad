'use server';

import { keepClient as keepClientCommand } from '@/commands/grounds/keep-client';
import { keepPlace as keepPlaceCommand } from '@/commands/grounds/keep-place';
import { hangTag as hangTagCommand } from '@/commands/grounds/hang-tag';
import { bookOthers as bookOthersCommand } from '@/commands/grounds/book-others-on-place';
import { makePlaceCalendar as makePlaceCalendarCommand } from '@/commands/grounds/make-place-calendar';
import { stopPlaceCalendar as stopPlaceCalendarCommand } from '@/commands/grounds/end-place-calendar';
import { offerProperty as offerPropertyCommand } from '@/commands/grounds/offer-property';
import { setSection as setSectionCommand } from '@/commands/grounds/set-section';
import { setTask as setTaskCommand } from '@/commands/grounds/set-task';
import { settleTask as settleTaskCommand } from '@/commands/grounds/settle-task';
import { takeListBack as takeListBackCommand } from '@/commands/grounds/take-list-back';
import { serve } from '@/app/_server/serve';

export const takeListBack = serve(takeListBackCommand);
export const keepClient = serve(keepClientCommand);
export const keepPlace = serve(keepPlaceCommand);
export const hangTag = serve(hangTagCommand);
export const bookOthers = serve(bookOthersCommand);
export const makePlaceCalendar = serve(makePlaceCalendarCommand);
export const stopPlaceCalendar = serve(stopPlaceCalendarCommand);
export const offerProperty = serve(offerPropertyCommand);
export const setTask = serve(setTaskCommand);
export const settleTask = serve(settleTaskCommand);
export const setSection = serve(setSectionCommand);
