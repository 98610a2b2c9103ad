'use server';

import { saveRegion as saveRegionCommand } from '@/commands/rules/save-region';
import { checkRegion as checkRegionCommand } from '@/commands/rules/check-region';
import { serve } from '@/app/_server/serve';

export const saveRegion = serve(saveRegionCommand);
export const checkRegion = serve(checkRegionCommand);
