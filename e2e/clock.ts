import { clockAheadS } from '@/core/settings/clock';

/** The time by the clock of the server under test, which `npm test` sets. */
export const journeyNow = (): Date =>
  new Date(Date.now() + (clockAheadS(process.env.ELMHORN_CLOCK, new Date()) ?? 0) * 1000);

/** A mark that no other run of a journey has given: names made with it are found again. */
export const newMark = (): string => Date.now().toString(36);
