'use server';

import { amendRecord as amendRecordCommand } from '@/commands/records/amend-record';
import { serve } from '@/app/_server/serve';

export const amendRecord = serve(amendRecordCommand);
