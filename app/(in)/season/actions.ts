'use server';

import { bringReadings as bringReadingsCommand } from '@/commands/season/bring-readings';
import { keepHeatModel as keepHeatModelCommand } from '@/commands/season/keep-heat-model';
import { settleLeftOut as settleLeftOutCommand } from '@/commands/tree/settle-left-out';
import { followPlans as followPlansCommand } from '@/commands/tree/follow-plans';
import { moveLooks as moveLooksCommand } from '@/commands/tree/move-looks';
import { moveWorks as moveWorksCommand } from '@/commands/tree/move-works';
import { movePlans as movePlansCommand } from '@/commands/tree/move-plans';
import { moveVisits as moveVisitsCommand } from '@/commands/programme/move-visits';
import { noteSeason as noteSeasonCommand } from '@/commands/season/note-season';
import { withdrawNote as withdrawNoteCommand } from '@/commands/season/withdraw-note';
import { serve } from '@/app/_server/serve';

export const bringReadings = serve(bringReadingsCommand);
export const keepHeatModel = serve(keepHeatModelCommand);
export const noteSeason = serve(noteSeasonCommand);
export const withdrawNote = serve(withdrawNoteCommand);
export const settleLeftOut = serve(settleLeftOutCommand);
export const followPlans = serve(followPlansCommand);
export const movePlans = serve(movePlansCommand);
export const moveVisits = serve(moveVisitsCommand);
export const moveWorks = serve(moveWorksCommand);
export const moveLooks = serve(moveLooksCommand);
