import type { COMMON_WORDS } from '@/core/diagnose/words';

/** How common, as a heading. */
export const COMMON_TITLES: Record<(typeof COMMON_WORDS)[number], string> = {
  very: 'Very often',
  often: 'Often',
  'now and then': 'Now and then',
  rare: 'Seldom',
};
