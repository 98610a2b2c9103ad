import { z } from 'zod';
import { FACT_KEYS, isOffered } from '@/core/gates/said';

/** What somebody at the tree has said: each answer is one of those the question offers; the stage comes from the label. */
export const saidSchema = z
  .partialRecord(z.enum(FACT_KEYS), z.string().max(60))
  .refine(isOffered, 'This answer was not offered.');
