import type { z } from 'zod';
import type { Host } from '@/core/diagnose/knowledge';
import type { CUSTOM_SCHEMAS } from '@/core/custom/overlay';
import { customKey } from '@/core/settings/own-key';

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
const LIKE_NOTHING = { growthCmPerYear: 1, largestCm: 100, evergreen: false };

export const NO_HOST = { name: '', latin: '', like: '', first: '', second: '', bee: '', edible: false, note: '' };

/** The form as an entry fills it. */
export const hostForm = (h: Host): typeof NO_HOST => ({
  ...NO_HOST,
  name: h.name,
  latin: h.latin,
  like: h.growsLike ?? '',
  first: h.key[0]?.ask ?? '',
  second: h.key[1]?.ask ?? '',
  bee: h.beePlant,
  edible: h.edible,
});

/**
 * The entry that a form says.
 * @param like the host that it is like, as the form names it
 * @param begin the entry that is changed: what has no field stays, and what came from the host that it is like, while that is the same
 */
export function hostEntry(
  form: typeof NO_HOST,
  like: LikeHost | undefined,
  begin: Host | null,
): z.input<(typeof CUSTOM_SCHEMAS)['host']> {
  const kept = begin && (!like || like.id === begin.growsLike) ? begin : null;
  return {
    ...(kept ?? { ...begin, ...(like ?? LIKE_NOTHING) }),
    id: begin?.id ?? customKey(form.name),
    name: form.name,
    latin: form.latin,
    groups: kept?.groups ?? (like ? like.groups.filter((g) => g !== like.id) : []),
    ...(like ? { growsLike: like.id } : {}),
    key: [
      ...[form.first, form.second].map((ask, i) => ({ ask, ifNot: kept?.key[i]?.ifNot ?? (like ? [like.id] : []) })),
      ...(begin?.key.slice(2) ?? []),
    ],
    beePlant: (form.bee || like?.beePlant || 'yes') as Host['beePlant'],
    edible: form.edible,
  };
}
