/** How the screen looks: at the desk, in the sun with gloves, at night. */
export const THEMES = ['light', 'daylight', 'night'] as const;
export type Theme = (typeof THEMES)[number];
/** Where a device keeps its own look; the account's is what a new device begins with. */
export const THEME_COOKIE = 'elmhorn-theme';
