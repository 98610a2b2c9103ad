import type { Condition, Host } from './knowledge';
import { OFTEN_WORDS, type Often } from './words';

// Apart from the schemas, so that the browser can rank without carrying them.

/** How often a condition shows a sign; undefined where it has nothing to do with it. */
export function oftenOf(c: Condition, sign: string): Often | undefined {
  return OFTEN_WORDS.find((w) => c.signs[w].includes(sign));
}
/** Every sign that a condition makes, the surest first; "never" left out. */
export const signsOf = (c: Condition): string[] => [
  ...c.signs.always,
  ...c.signs.usual,
  ...c.signs.sometimes,
  ...c.signs.rare,
];
/** Whether something meant for groups of hosts concerns this host. */
export const concerns = (groups: readonly string[], host: Pick<Host, 'id' | 'groups'>): boolean =>
  groups.length === 0 || groups.some((g) => g === host.id || host.groups.includes(g));
