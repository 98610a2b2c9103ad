import { Plain } from './say.mjs';

/**
 * ELMHORN_CLOCK for the processes of one run, all of which then agree: how far the clock is ahead of the machine's, in seconds.
 * @param {string|undefined} day a day (2027-06-10), nine in the morning of it; or an instant
 */
export function clockFrom(day) {
  if (!day) return {};
  const text = /^\d{4}-\d{2}-\d{2}$/.test(day) ? `${day}T09:00:00Z` : day;
  const there = Date.parse(text);
  if (!/^\d{4}-\d{2}-\d{2}T[\d:.]+Z$/.test(text) || !new Date(there || 0).toJSON().startsWith(text.slice(0, 10)))
    throw new Plain(`"${day}" is not a day; write it like 2027-06-10.`);
  const ahead = Math.round((there - Date.now()) / 1000);
  return { ELMHORN_CLOCK: `${ahead < 0 ? '' : '+'}${ahead}s` };
}
