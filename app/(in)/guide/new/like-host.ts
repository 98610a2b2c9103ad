import type { Host } from '@/core/diagnose/knowledge';

/** What a host of one's own takes over from one that ships. */
const TAKEN = [
  'id',
  'name',
  'groups',
  'growthCmPerYear',
  'largestCm',
  'beePlant',
  'edible',
  'evergreen',
  'sensitive',
] as const satisfies (keyof Host)[];
export type LikeHost = Pick<Host, (typeof TAKEN)[number]>;
/** That of a host, and no more: a list of all hosts goes to the browser. */
export const likeHost = (host: Host): LikeHost => Object.fromEntries(TAKEN.map((k) => [k, host[k]])) as LikeHost;
