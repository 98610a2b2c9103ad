import { z } from 'zod';
import { FACT_KEYS, SAID } from '@/core/gates/said';

/** What somebody at the tree has said: each answer is one of those the question offers; the stage comes from the label. */
export const saidSchema = z
  .partialRecord(z.enum(FACT_KEYS), z.string().max(60))
  .refine(
    (said) =>
      FACT_KEYS.every(
        (k) => said[k] === undefined || k === 'stage' || (SAID[k].answers as readonly string[]).includes(said[k]),
      ),
    'This answer was not offered.',
  );
