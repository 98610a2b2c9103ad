import { inSeason } from './months';

/**
 * Months of the two halves of the earth. All that is known is written for the northern year; south of the equator the same
 * stage comes six months later. Every border turns a local month into a northern one with `northernMonth`, and back with
 * `localMonth` where a month is told to people.
 */
export const isSouth = (lat: number | null | undefined): boolean => (lat ?? 0) < 0;

const turned = (month: number) => ((month + 5) % 12) + 1;

/** The month of the northern year that a local month stands for. */
export const northernMonth = (month: number, lat: number | null | undefined): number =>
  isSouth(lat) ? turned(month) : month;

/** The local month in which a month of the northern year comes. */
export const localMonth = (month: number, south: boolean): number => (south ? turned(month) : month);

/** Whether a day at a place lies in a window that is written in northern months. */
export const inWindow = (day: string, window: { from: number; to: number }, south: boolean): boolean =>
  inSeason(Number(day.slice(5, 7)), [localMonth(window.from, south), localMonth(window.to, south)]);
