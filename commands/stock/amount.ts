import { MASS, VOLUME } from '@/lib/units/units';
import { z } from 'zod';

/** Units in which a delivery or a count is typed. */
export const amountUnit = z.enum(['mL', 'L', 'fl oz', 'gal', 'g', 'kg', 'oz', 'lb']);

/** mL or g in one such unit. */
export const factor = (unit: z.infer<typeof amountUnit>) => ({ ...VOLUME, ...MASS })[unit];
