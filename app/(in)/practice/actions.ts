'use server';

import { finishPractice as finishPracticeCommand } from '@/commands/practice/finish-practice';
import { serve } from '@/app/_server/serve';

export const finishPractice = serve(finishPracticeCommand);
