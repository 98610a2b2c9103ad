import type { z } from 'zod';
import type { hostSchema } from '@/core/diagnose/knowledge';

export type Key = [ask: string, ...ifNot: string[]];

/** A host in one line: name, Latin, groups, growth and largest trunk in cm, what bees and people take, the key. */
export const host = (
  id: string,
  name: string,
  latin: string,
  groups: string[],
  [growthCmPerYear, largestCm]: [number, number],
  rest: Partial<z.input<typeof hostSchema>>,
  ...key: Key[]
): z.input<typeof hostSchema> => ({
  id,
  name,
  latin,
  groups,
  growthCmPerYear,
  largestCm,
  beePlant: 'no',
  edible: false,
  evergreen: false,
  key: key.map(([ask, ...ifNot]) => ({ ask, ifNot })),
  ...rest,
});

export const GRAFTED_POME = 'Below the union shoots carry smaller, duller leaves, sometimes thorns; rub them off.';
export const GRAFTED_STONE = 'Suckers from below the union or from the roots carry the leaf of a wild plum or cherry.';
export const GRAFTED_CITRUS =
  'Shoots from below the union are thornier and often carry three leaflets; they take the tree over within a few years.';
