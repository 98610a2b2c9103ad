import { southOf } from '@/lib/calendar/hemisphere';
import type { Region } from '@/core/gates/region';
import { regionOf } from '@/knowledge';
import type { Viewer } from '@/store/auth';

/**
 * The region profile in force at a place: the company's own version of it, or what ships.
 * @param region of the place; null where it has that of the company
 */
export const regionFor = (v: Pick<Viewer, 'region' | 'ownRegions'>, region: string | null): Region => {
  const key = region ?? v.region;
  return (Object.hasOwn(v.ownRegions, key) ? v.ownRegions[key] : undefined) ?? regionOf(key);
};

/** Whether a company works south of the equator: by the place in its settings, else by its time zone. */
export const companySouth = (v: Pick<Viewer, 'spot' | 'timeZone'>): boolean =>
  southOf({ lat: v.spot.lat, timeZone: v.timeZone });
