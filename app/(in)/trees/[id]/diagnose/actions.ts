'use server';

import { saveDiagnosis as saveDiagnosisCommand } from '@/commands/trees/save-diagnosis';
import { serve } from '@/app/_server/serve';

export const saveDiagnosis = serve(saveDiagnosisCommand);
