import type { Condition, Host } from './knowledge';
import { memoize } from '../../lib/memoize';
import { OFTEN_WORDS, type Often } from './words';

// Apart from the schemas, so that the browser can rank without carrying them.

/** How often a condition shows each of its signs; the surest word counts where a sign stands twice. */
const wordsOf = memoize(
  (c: Condition) => new Map([...OFTEN_WORDS].reverse().flatMap((w) => c.signs[w].map((s): [string, Often] => [s, w]))),
);
/** How often a condition shows a sign; undefined where it has nothing to do with it. */
export const oftenOf = (c: Condition, sign: string): Often | undefined => wordsOf(c).get(sign);
/** Every sign that a condition makes, the surest first; "never" left out. */
export const signsOf = (c: Condition): string[] => [
  ...c.signs.always,
  ...c.signs.usual,
  ...c.signs.sometimes,
  ...c.signs.rare,
];
/** How common a condition is on a host: by what is said of it there, else by what is said of all its hosts. */
export function commonOn(c: Pick<Condition, 'common' | 'commonOn'>, host: Pick<Host, 'id' | 'groups'>) {
  const own = Object.entries(c.commonOn ?? {}).find(([group]) => concerns([group], host));
  return own?.[1] ?? c.common;
}
/** Every host and every group of hosts, by id: what an entry may name as what it is meant for. */
export const groupsOf = (hosts: readonly Pick<Host, 'id' | 'groups'>[]): Set<string> =>
  new Set(hosts.flatMap((h) => [h.id, ...h.groups]));
/** Whether something meant for groups of hosts concerns this host. */
export const concerns = (groups: readonly string[], host: Pick<Host, 'id' | 'groups'>): boolean =>
  groups.length === 0 || groups.some((g) => g === host.id || host.groups.includes(g));
