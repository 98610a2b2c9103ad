'use server';

import { bringReadings as bringReadingsCommand } from '@/commands/season/bring-readings';
import { noteSeason as noteSeasonCommand } from '@/commands/season/note-season';
import { withdrawNote as withdrawNoteCommand } from '@/commands/season/withdraw-note';
import { serve } from '@/app/_server/serve';

export const bringReadings = serve(bringReadingsCommand);
export const noteSeason = serve(noteSeasonCommand);
export const withdrawNote = serve(withdrawNoteCommand);
