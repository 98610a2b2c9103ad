'use server';

import { makePlan as makePlanCommand } from '@/commands/tree/plan';
import { planWork as planWorkCommand } from '@/commands/tree/plan-work';
import { dropPlan as dropPlanCommand } from '@/commands/tree/drop-plan';
import { setProgramme as setProgrammeCommand } from '@/commands/tree/set-programme';
import { propose as proposeCommand } from '@/commands/tree/offer';
import { serve } from '@/app/_server/serve';

export const makePlan = serve(makePlanCommand);
export const planWork = serve(planWorkCommand);
export const dropPlan = serve(dropPlanCommand);
export const setProgramme = serve(setProgrammeCommand);
export const propose = serve(proposeCommand);
