import { z } from 'zod';
import { MASS, VOLUME } from '@/core/units/units';

export const amountUnit = z.enum(['mL', 'L', 'fl oz', 'gal', 'g', 'kg', 'oz', 'lb']);

export const factor = (unit: z.infer<typeof amountUnit>) => ({ ...VOLUME, ...MASS })[unit];
