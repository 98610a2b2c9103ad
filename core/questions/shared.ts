import { z } from 'zod';
import { labelSchema, type Label } from '../label/schema';
import { found, type Lookup } from './question';
import { LENGTH } from '../../lib/units/units';

/** What questions of several kinds ask in the same words. */
export const cm = z.number().positive('must be more than 0').max(10_000, 'must be 10000 cm or less');
export const diameters = z.array(cm).min(1, 'give at least one stem').max(40);
export const lengthUnits = Object.keys(LENGTH) as [keyof typeof LENGTH];
export const bearing = z.number().min(0, 'runs from 0 to 360').max(360, 'runs from 0 to 360');
/** A day within two centuries: no calendar of trees reaches further, and sums of days stay sums of days. */
export const day = z.iso
  .date('must be a day that exists, as YYYY-MM-DD')
  .refine((d) => d >= '1900-01-01' && d <= '2199-12-31', 'must lie between 1900 and 2199');
export const vessels = z
  .array(
    z.strictObject({
      id: z.string().default('vessel'),
      name: z.string().default('vessel'),
      dimension: z.enum(['volume', 'mass']),
      capacity: z.number().positive(),
      graduation: z.number().positive(),
    }),
  )
  .default([]);
export const stemRule = z.enum(['sum', 'basal-area', 'each', 'largest']);
export const arcs = z
  .array(
    z.strictObject({
      kind: z.enum(['wound', 'dead-bark', 'canker', 'valley', 'inclusion']),
      from: bearing,
      to: bearing,
    }),
  )
  .default([]);
export const oldSites = z
  .array(z.strictObject({ bearing, heightCm: z.number().min(0), year: z.number().int() }))
  .default([]);
/** A label in full, or the key of one that ships. */
export const label = z.union([labelSchema, z.string()], 'give a label in full, or the key of a training label');

export const labelOf = (given: Label | string, look: Lookup): Label =>
  typeof given === 'string' ? found(look.label(given), 'label', `there is no training label “${given}”`) : given;
export const namedUse = (l: Label, key: string | undefined) =>
  found(
    (key === undefined ? l.uses[0] : l.uses.find((u) => u.key === key)) ?? null,
    'use',
    `the label has no use called “${key}”; it has ${l.uses.map((u) => u.key).join(', ')}`,
  );
