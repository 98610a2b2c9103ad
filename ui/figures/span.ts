import { scaleUtc } from 'd3-scale';
import { dayIn } from '@/lib/calendar/zone';

/** What is shown of time, in milliseconds of UTC: days of a place's own calendar, and its clock, are drawn as if it lay there. */
export interface Span {
  from: number;
  to: number;
}

export const DAY = 864e5;
export const at = (day: string): number => Date.parse(day);
export const dayAt = (ms: number): string => dayIn(new Date(ms), 'UTC');
/** Where an instant lies across a width that a span fills. */
export const xOf =
  ({ from, to }: Span, width: number) =>
  (ms: number): number =>
    ((ms - from) / (to - from)) * width;
/** A span with as much again on either side of it, by a share of its length. */
export const widened = ({ from, to }: Span, by: number): Span => ({
  from: from - by * (to - from),
  to: to + by * (to - from),
});
/** Two days fill the figure at the closest. */
const CLOSEST = 2 * DAY;

/** A span moved so that it lies within another one; one that is longer is cut to it. */
function inside({ from, to }: Span, within: Span): Span {
  const length = Math.min(to - from, within.to - within.from);
  const start = Math.min(Math.max(from, within.from), within.to - length);
  return { from: start, to: start + length };
}

/** The span so much further on, no further than there is something. */
export const panned = (span: Span, ms: number, within: Span): Span =>
  inside({ from: span.from + ms, to: span.to + ms }, within);

/** The span so many times as long, with one instant staying where it is; two days at the closest. */
export function zoomed(span: Span, by: number, around: number, within: Span): Span {
  const length = Math.max(CLOSEST, Math.min((span.to - span.from) * by, within.to - within.from));
  const share = (around - span.from) / (span.to - span.from);
  const from = around - share * length;
  return inside({ from, to: from + length }, within);
}

/** Pixels that the words of a tick need. */
const ROOM = 58;
export interface Checkbox {
  at: number;
  words: string;
}
/** How a tick is written, by the least step between two of them; the first of a year and of a day by a longer form. */
const FORMATS: { least: number; first: (d: Date) => boolean; long: string; short: string }[] = [
  { least: 365 * DAY, first: () => true, long: '%Y', short: '%Y' },
  { least: 28 * DAY, first: (d) => d.getUTCMonth() === 0, long: '%b %Y', short: '%b' },
  { least: DAY, first: (d) => d.getUTCDate() === 1, long: '%-d %b', short: '%a %-d' },
  { least: 0, first: (d) => d.getUTCHours() === 0, long: '%a %-d', short: '%H h' },
];

/** Ticks of an axis, as many as have room, each in the words of the steps between them. */
export function ticksOf(span: Span, width: number): Checkbox[] {
  const scale = scaleUtc([span.from, span.to], [0, width]);
  const ticks = scale.ticks(Math.max(2, Math.floor(width / ROOM)));
  // Months differ in length: the shortest step speaks for them all.
  const step = Math.min(...ticks.slice(1).map((t, i) => +t - +ticks[i]!));
  const format = FORMATS.find((f) => step >= f.least)!;
  const [long, short] = [scale.tickFormat(0, format.long), scale.tickFormat(0, format.short)];
  return ticks.map((t) => ({ at: +t, words: format.first(t) ? long(t) : short(t) }));
}
