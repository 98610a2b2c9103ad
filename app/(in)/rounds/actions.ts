'use server';

import { keepCrew as keepCrewCommand } from '@/commands/rounds/keep-crew';
import { keepRounds as keepRoundsCommand } from '@/commands/rounds/keep-rounds';
import { noteAway as noteAwayCommand } from '@/commands/rounds/note-away';
import { tellClient as tellClientCommand } from '@/commands/rounds/tell-day';
import { takeBackAway as takeBackAwayCommand } from '@/commands/rounds/withdraw-away';
import { dropPlans as dropPlansCommand } from '@/commands/tree/drop-plans';
import { serve } from '@/app/_server/serve';

export const dropPlans = serve(dropPlansCommand);
export const keepCrew = serve(keepCrewCommand);
export const keepRounds = serve(keepRoundsCommand);
export const noteAway = serve(noteAwayCommand);
export const tellClient = serve(tellClientCommand);
export const takeBackAway = serve(takeBackAwayCommand);
