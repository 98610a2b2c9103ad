'use server';

import { answerLook as answerLookCommand } from '@/commands/programme/answer-look';
import { endLaid as endLaidCommand } from '@/commands/programme/end-laid';
import { followSeason as followSeasonCommand } from '@/commands/programme/follow-season';
import { keepProgramme as keepProgrammeCommand } from '@/commands/programme/keep-programme';
import { layProgramme as layProgrammeCommand } from '@/commands/programme/lay-programme';
import { leaveOutVisits as leaveOutVisitsCommand } from '@/commands/programme/leave-out-visits';
import { moveVisits as moveVisitsCommand } from '@/commands/programme/move-visits';
import { releaseHolds as releaseHoldsCommand } from '@/commands/programme/release-holds';
import { settleLeft as settleLeftCommand } from '@/commands/programme/settle-left';
import { serve } from '@/app/_server/serve';

export const answerLook = serve(answerLookCommand);
export const endLaid = serve(endLaidCommand);
export const followSeason = serve(followSeasonCommand);
export const keepProgramme = serve(keepProgrammeCommand);
export const layProgramme = serve(layProgrammeCommand);
export const leaveOutVisits = serve(leaveOutVisitsCommand);
export const moveVisits = serve(moveVisitsCommand);
export const releaseHolds = serve(releaseHoldsCommand);
export const settleLeft = serve(settleLeftCommand);
