'use server';

import { planTreatment as planTreatmentCommand } from '@/commands/trees/plan-treatment';
import { planWork as planWorkCommand } from '@/commands/trees/plan-work';
import { cancelPlan as cancelPlanCommand } from '@/commands/trees/cancel-plan';
import { setTreeProgramme as setTreeProgrammeCommand } from '@/commands/trees/set-tree-programme';
import { sendQuote as sendQuoteCommand } from '@/commands/trees/send-quote';
import { serve } from '@/app/_server/serve';

export const planTreatment = serve(planTreatmentCommand);
export const planWork = serve(planWorkCommand);
export const cancelPlan = serve(cancelPlanCommand);
export const setTreeProgramme = serve(setTreeProgrammeCommand);
export const sendQuote = serve(sendQuoteCommand);
