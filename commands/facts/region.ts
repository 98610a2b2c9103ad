import type { Region } from '@/core/gates/region';
import { regionOf } from '@/knowledge';
import type { Viewer } from '@/store/auth';

/** The region profile in force: the outfit's own version, or what ships. */
export const regionFor = (v: Pick<Viewer, 'region' | 'ownRegion'>): Region => v.ownRegion ?? regionOf(v.region);
