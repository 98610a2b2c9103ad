import { atOnce, type Slices } from '../../lib/slices';
import { figure } from '../../lib/units/units';

/** What a whole list may have got wrong, and which of it somebody has said is right. */
export const LIST_DOUBTS = ['positions', 'sizes'] as const;
export type ListDoubtId = (typeof LIST_DOUBTS)[number];
/** What somebody says who lets a doubt stand. */
export const ACCEPTS: Record<ListDoubtId, string> = {
  positions: 'The positions are right',
  sizes: 'The sizes are right',
};
export interface ListDoubt {
  id: ListDoubtId;
  sentence: string;
}

interface Spot {
  lat: number;
  lon: number;
}
/** A tree farther from its site than this is asked, km: no site that one crew walks is as wide. */
const FAR_KM = 25;
/** Share of trunks larger than their species get from which the unit is asked, and the fewest trunks that tell it. */
const TOO_LARGE = { share: 0.3, least: 5 };
const EARTH_KM = 6371;

/** Distance along the earth, km. */
export function kmBetween(a: Spot, b: Spot): number {
  const rad = (d: number) => (d * Math.PI) / 180;
  const h =
    Math.sin(rad(b.lat - a.lat) / 2) ** 2 +
    Math.cos(rad(a.lat)) * Math.cos(rad(b.lat)) * Math.sin(rad(b.lon - a.lon) / 2) ** 2;
  return 2 * EARTH_KM * Math.asin(Math.min(1, Math.sqrt(h)));
}
const middle = (of: number[]) => [...of].sort((a, b) => a - b)[Math.floor(of.length / 2)]!;

interface ListTree {
  lat: number | null;
  lon: number | null;
  diameterCm: number | null;
  largestCm: number | null;
}
/**
 * What is asked of a list as a whole before it comes in: positions far from the site (latitude and longitude changed, another
 * zone, zero), and trunks larger than their species get (a wrong unit).
 * @param site where the site lies; null where nobody has said: then the list itself tells where its middle is
 */
export const listDoubts = (trees: readonly ListTree[], site: Spot | null): ListDoubt[] =>
  atOnce(doubtSlices(trees, site));

/** The same, in slices. */
export function* doubtSlices(trees: readonly ListTree[], site: Spot | null): Slices<ListDoubt[]> {
  const out: ListDoubt[] = [];
  const placed = trees.flatMap((t) => (t.lat === null || t.lon === null ? [] : [{ lat: t.lat, lon: t.lon }]));
  yield;
  const from =
    site ?? (placed.length ? { lat: middle(placed.map((p) => p.lat)), lon: middle(placed.map((p) => p.lon)) } : null);
  const away: number[] = [];
  for (const p of from ? placed : []) {
    const km = kmBetween(p, from!);
    if (km > FAR_KM) away.push(km);
    yield;
  }
  if (away.length)
    out.push({
      id: 'positions',
      sentence: `${away.length} of ${placed.length} trees lie far from ${site ? 'the site' : 'the others'}, the farthest ${figure(Math.max(...away), 3)} km. Are latitude and longitude changed, or is another coordinate system meant?`,
    });
  const measured = trees.filter((t) => t.diameterCm !== null && t.largestCm !== null);
  const large = measured.filter((t) => t.diameterCm! > t.largestCm!);
  if (large.length >= TOO_LARGE.least && large.length / measured.length >= TOO_LARGE.share)
    out.push({
      id: 'sizes',
      sentence: `${large.length} of ${measured.length} trunks are larger than their species get. Is the unit right, and is the column the girth or the diameter?`,
    });
  return out;
}
