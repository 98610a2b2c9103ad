'use server';

import { bringReadings as bringReadingsCommand } from '@/commands/season/bring-readings';
import { keepHeatModel as keepHeatModelCommand } from '@/commands/season/keep-heat-model';
import { noteSeason as noteSeasonCommand } from '@/commands/season/note-season';
import { withdrawNote as withdrawNoteCommand } from '@/commands/season/withdraw-note';
import { serve } from '@/app/_server/serve';

export const bringReadings = serve(bringReadingsCommand);
export const keepHeatModel = serve(keepHeatModelCommand);
export const noteSeason = serve(noteSeasonCommand);
export const withdrawNote = serve(withdrawNoteCommand);
