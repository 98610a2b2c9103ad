import { z } from 'zod';
import type { LocalMonth, NorthernMonth } from './months';

const month = z.number().int().min(1, 'a month is 1 to 12').max(12, 'a month is 1 to 12');
/** A month as it is said where the tree stands. */
export const localMonthSchema: z.ZodType<LocalMonth, number> = month;
/** A month of the northern year. */
export const northernMonthSchema: z.ZodType<NorthernMonth, number> = month;
