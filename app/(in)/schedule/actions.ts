'use server';

import { importReadings as importReadingsCommand } from '@/commands/schedule/import-readings';
import { saveDegreeDayModel as saveDegreeDayModelCommand } from '@/commands/schedule/save-degree-day-model';
import { settleSkippedTrees as settleSkippedTreesCommand } from '@/commands/trees/settle-skipped-trees';
import { followPlans as followPlansCommand } from '@/commands/trees/follow-plans';
import { moveInspections as moveInspectionsCommand } from '@/commands/trees/move-inspections';
import { moveWorks as moveWorksCommand } from '@/commands/trees/move-works';
import { movePlans as movePlansCommand } from '@/commands/trees/move-plans';
import { moveVisits as moveVisitsCommand } from '@/commands/programmes/move-visits';
import { noteStage as noteStageCommand } from '@/commands/schedule/note-stage';
import { voidStageNote as voidStageNoteCommand } from '@/commands/schedule/void-stage-note';
import { serve } from '@/app/_server/serve';

export const importReadings = serve(importReadingsCommand);
export const saveDegreeDayModel = serve(saveDegreeDayModelCommand);
export const noteStage = serve(noteStageCommand);
export const voidStageNote = serve(voidStageNoteCommand);
export const settleSkippedTrees = serve(settleSkippedTreesCommand);
export const followPlans = serve(followPlansCommand);
export const movePlans = serve(movePlansCommand);
export const moveVisits = serve(moveVisitsCommand);
export const moveWorks = serve(moveWorksCommand);
export const moveInspections = serve(moveInspectionsCommand);
