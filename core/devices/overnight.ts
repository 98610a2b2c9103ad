import { z } from 'zod';
import { uuid } from '@/lib/ids';

/** Devices that hang through the night, with why. */
export const overnightSchema = z.object({
  deviceIds: z.array(uuid).min(1, 'Choose one device at least.').max(400, 'At most 400 devices at once.'),
  because: z.string().trim().min(3, 'Say why it hangs through the night.').max(300, 'At most 300 signs.'),
});
