'use server';

import { serve } from '@/app/_server/serve';
import { finishBatch as finishBatchCommand } from '@/commands/mixes/finish-batch';
import { makeBatch as makeBatchCommand } from '@/commands/mixes/make-batch';
import { voidBatch as voidBatchCommand } from '@/commands/mixes/void-batch';

export const finishBatch = serve(finishBatchCommand);
export const makeBatch = serve(makeBatchCommand);
export const voidBatch = serve(voidBatchCommand);
