import { hostsNow, regions } from '@/knowledge';
import { regionFor } from '@/facts/region';
import type { Viewer } from '@/store/auth';

/** Hosts for a list to choose from, by name. */
export const hostNames = () =>
  hostsNow()
    .map((h) => ({ value: h.id, unlisted: h.unlisted, name: `${h.name} (${h.latin})` }))
    .sort((a, b) => a.name.localeCompare(b.name));

/** Regions for a place to choose from; without a key it has that of the company. */
export const regionChoices = (viewer: Viewer) => [
  { value: '', name: `${regionFor(viewer, null).name} (as the company)` },
  ...Object.keys(regions)
    .filter((key) => key !== viewer.region)
    .map((key) => ({ value: key, name: regionFor(viewer, key).name })),
];
