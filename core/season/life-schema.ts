import { northernMonthSchema } from '@/lib/calendar/month-schemas';
import { z } from 'zod';
import { timedSchema } from './timed-schema';

/**
 * What a pest, a disease or a harm does at a time of the year, in the order of a life: of animals, of what infects, and of what
 * merely happens.
 */
export const LIFE_STAGES = [
  'rests',
  'eggs',
  'crawlers',
  'young',
  'settled',
  'pupae',
  'adults',
  'flight',
  'feeding',
  'spores',
  'infection',
  'latency',
  'harm',
  'symptoms',
  'fruiting',
] as const;
export type LifeStage = (typeof LIFE_STAGES)[number];

/** A time of the year: by stages of the host or heat; by months of the northern year only where neither tells more. */
export const lifeTimeSchema = z.discriminatedUnion('by', [
  ...timedSchema.options,
  z.strictObject({ by: z.literal('months'), from: northernMonthSchema, to: northernMonthSchema }),
]);
export type LifeTime = z.infer<typeof lifeTimeSchema>;

export const lifeSchema = z.array(z.strictObject({ stage: z.enum(LIFE_STAGES), time: lifeTimeSchema })).max(20);
/** The stages of a condition through the year. */
export type Life = z.infer<typeof lifeSchema>;
