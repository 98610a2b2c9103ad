'use server';

import { decide as decideCommand } from '@/commands/tree/decide';
import { serve } from '@/app/_server/serve';

export const decide = serve(decideCommand);
