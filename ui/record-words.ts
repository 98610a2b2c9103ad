import type { ApplicationRecord } from '@/core/records/record';

/** The signal word of a product as its label gives it, and whether only licensed people may use it. */
export const signalWords = ({ signalWord, restricted }: ApplicationRecord['product']): string =>
  `${signalWord}${restricted ? ', restricted use' : ''}`;

/** Where a tree stands, in decimal degrees to about a metre. */
export const positionWords = ({ lat, lon }: Pick<ApplicationRecord['tree'], 'lat' | 'lon'>): string =>
  lat === null || lon === null ? 'not known' : `${lat.toFixed(5)}, ${lon.toFixed(5)}`;
