import { z } from 'zod';
import { uuid } from '@/lib/ids';

/**
 * What waits on a phone, carried to another one in a file: sealed with the key that only this phone and the server of its
 * company have, so that whoever carries it can neither read nor change it.
 */
export const transferSchema = z.strictObject({
  format: z.literal('elmhorn-handed', 'This is not a file that a phone handed over.'),
  formatVersion: z.literal(1, 'This file is of a newer Elmhorn.'),
  phoneId: uuid,
  /** In the order in which they were written: AES-256-GCM, the sign of its integrity at the end; base 64. */
  sealed: z
    .array(
      z.strictObject({
        iv: z.base64('This file is damaged.').max(24),
        data: z.base64('This file is damaged.').max(2_000_000),
      }),
    )
    .min(1, 'Nothing is in this file.')
    .max(2000, 'At most 2000 writes in one file.'),
});
export type Transfer = z.infer<typeof transferSchema>;
