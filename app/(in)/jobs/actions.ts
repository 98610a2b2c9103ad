'use server';

import { saveCrew as saveCrewCommand } from '@/commands/jobs/save-crew';
import { saveSchedule as saveScheduleCommand } from '@/commands/jobs/save-schedule';
import { addAbsence as addAbsenceCommand } from '@/commands/jobs/add-absence';
import { notifyClient as notifyClientCommand } from '@/commands/jobs/notify-client';
import { deleteAbsence as deleteAbsenceCommand } from '@/commands/jobs/delete-absence';
import { cancelPlans as cancelPlansCommand } from '@/commands/trees/cancel-plans';
import { serve } from '@/app/_server/serve';

export const cancelPlans = serve(cancelPlansCommand);
export const saveCrew = serve(saveCrewCommand);
export const saveSchedule = serve(saveScheduleCommand);
export const addAbsence = serve(addAbsenceCommand);
export const notifyClient = serve(notifyClientCommand);
export const deleteAbsence = serve(deleteAbsenceCommand);
