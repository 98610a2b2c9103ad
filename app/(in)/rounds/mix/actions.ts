'use server';

import { serve } from '@/app/_server/serve';
import { endBatch as endBatchCommand } from '@/commands/mix/end-batch';
import { makeBatch as makeBatchCommand } from '@/commands/mix/make-batch';
import { unmakeBatch as unmakeBatchCommand } from '@/commands/mix/unmake-batch';

export const endBatch = serve(endBatchCommand);
export const makeBatch = serve(makeBatchCommand);
export const unmakeBatch = serve(unmakeBatchCommand);
