'use server';

import { endRound as endRoundCommand } from '@/commands/practice/end-practice';
import { serve } from '@/app/_server/serve';

export const endRound = serve(endRoundCommand);
