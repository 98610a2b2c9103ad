'use server';

import { serve } from '@/app/_server/serve';
import { recordTreatments as recordTreatmentsCommand } from '@/commands/trees/record-treatments';

export const recordTreatments = serve(recordTreatmentsCommand);
