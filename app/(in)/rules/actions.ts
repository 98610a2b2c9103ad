'use server';

import { keepRegion as keepRegionCommand } from '@/commands/rules/keep-region';
import { signRegion as signRegionCommand } from '@/commands/rules/sign-region';
import { serve } from '@/app/_server/serve';

export const keepRegion = serve(keepRegionCommand);
export const signRegion = serve(signRegionCommand);
