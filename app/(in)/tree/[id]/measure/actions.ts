'use server';

import { measure as measureCommand } from '@/commands/tree/measure';
import { serve } from '@/app/_server/serve';

export const measure = serve(measureCommand);
