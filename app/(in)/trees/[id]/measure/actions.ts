'use server';

import { measureTree as measureTreeCommand } from '@/commands/trees/measure-tree';
import { serve } from '@/app/_server/serve';

export const measureTree = serve(measureTreeCommand);
