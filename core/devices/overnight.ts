import { z } from 'zod';
import { uuid } from '@/lib/ids';
import { reasonSchema } from '../../lib/reason-schema';

/** Devices that hang through the night, with why. */
export const overnightSchema = z.object({
  deviceIds: z.array(uuid).min(1, 'Choose one device at least.').max(400, 'At most 400 devices at once.'),
  because: reasonSchema('Say why it hangs through the night.', 300),
});
