'use server';

import { correctRecord as correctRecordCommand } from '@/commands/book/correct';
import { serve } from '@/app/_server/serve';

export const correctRecord = serve(correctRecordCommand);
