'use server';

import { keepPlan as keepPlanCommand } from '@/commands/grounds/draw-grounds';
import { bringPlan as bringPlanCommand } from '@/commands/grounds/bring-grounds';
import { serve } from '@/app/_server/serve';

export const keepPlan = serve(keepPlanCommand);
export const bringPlan = serve(bringPlanCommand);
