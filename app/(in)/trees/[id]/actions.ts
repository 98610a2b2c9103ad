'use server';

import { settleFollowUp as settleFollowUpCommand } from '@/commands/trees/settle-follow-up';
import { skipVisit as skipVisitCommand } from '@/commands/trees/skip-visit';
import { addReminder as addReminderCommand } from '@/commands/trees/add-reminder';
import { editTree as editTreeCommand } from '@/commands/trees/edit-tree';
import { archiveTree as archiveTreeCommand } from '@/commands/trees/archive-tree';
import { finishWork as finishWorkCommand } from '@/commands/trees/finish-work';
import { cancelQuote as cancelQuoteCommand } from '@/commands/trees/cancel-quote';
import { serve } from '@/app/_server/serve';

export const settleFollowUp = serve(settleFollowUpCommand);
export const skipVisit = serve(skipVisitCommand);
export const addReminder = serve(addReminderCommand);
export const editTree = serve(editTreeCommand);
export const archiveTree = serve(archiveTreeCommand);
export const finishWork = serve(finishWorkCommand);
export const cancelQuote = serve(cancelQuoteCommand);
