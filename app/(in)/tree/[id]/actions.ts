'use server';

import { settleFollowUp as settleFollowUpCommand } from '@/commands/tree/settle-visit';
import { skip as skipCommand } from '@/commands/tree/skip-visit';
import { remind as remindCommand } from '@/commands/tree/remind';
import { editTree as editTreeCommand } from '@/commands/tree/edit-tree';
import { archiveTree as archiveTreeCommand } from '@/commands/tree/archive-tree';
import { finishWork as finishWorkCommand } from '@/commands/tree/finish-work';
import { revoke as revokeCommand } from '@/commands/tree/take-back-offer';
import { serve } from '@/app/_server/serve';

export const settleFollowUp = serve(settleFollowUpCommand);
export const skip = serve(skipCommand);
export const remind = serve(remindCommand);
export const editTree = serve(editTreeCommand);
export const archiveTree = serve(archiveTreeCommand);
export const finishWork = serve(finishWorkCommand);
export const revoke = serve(revokeCommand);
