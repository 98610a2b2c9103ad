'use server';

import { answerInspection as answerInspectionCommand } from '@/commands/programmes/answer-inspection';
import { endAssignment as endAssignmentCommand } from '@/commands/programmes/end-assignment';
import { followSeason as followSeasonCommand } from '@/commands/programmes/follow-season';
import { saveProgramme as saveProgrammeCommand } from '@/commands/programmes/save-programme';
import { assignProgramme as assignProgrammeCommand } from '@/commands/programmes/assign-programme';
import { skipVisits as skipVisitsCommand } from '@/commands/programmes/skip-visits';
import { moveVisits as moveVisitsCommand } from '@/commands/programmes/move-visits';
import { overrideHolds as overrideHoldsCommand } from '@/commands/programmes/override-holds';
import { settleSkippedVisits as settleSkippedVisitsCommand } from '@/commands/programmes/settle-skipped-visits';
import { serve } from '@/app/_server/serve';

export const answerInspection = serve(answerInspectionCommand);
export const endAssignment = serve(endAssignmentCommand);
export const followSeason = serve(followSeasonCommand);
export const saveProgramme = serve(saveProgrammeCommand);
export const assignProgramme = serve(assignProgrammeCommand);
export const skipVisits = serve(skipVisitsCommand);
export const moveVisits = serve(moveVisitsCommand);
export const overrideHolds = serve(overrideHoldsCommand);
export const settleSkippedVisits = serve(settleSkippedVisitsCommand);
