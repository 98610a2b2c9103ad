'use server';

import { recordTreatment as recordTreatmentCommand } from '@/commands/trees/record-treatment';
import { serve } from '@/app/_server/serve';

export const recordTreatment = serve(recordTreatmentCommand);
