import { z } from 'zod';
import type { Weighed } from '../prescribe/compare';
import { formatDay } from '../../lib/calendar/days';
import { monthName } from '../../lib/calendar/months';

const text = (max: number) => z.string().trim().max(max);

/** What a client is offered for one tree: written once, as it was worked out that day. */
export const quoteSchema = z.strictObject({
  company: text(120),
  by: text(120),
  client: text(120),
  place: text(120),
  tag: text(24),
  host: text(120),
  /** What was found, in plain words. */
  found: text(2000),
  message: text(2000),
  currency: text(3),
  years: z.number().int().positive(),
  options: z
    .array(
      z.strictObject({
        key: text(200),
        name: text(200),
        what: text(400),
        now: z.number().int().min(0),
        overYears: z.number().int().min(0),
        visits: text(80),
        expected: text(200),
        risks: text(300),
        when: text(200),
      }),
    )
    .min(1, 'Offer one way at least.')
    .max(12),
  /** Found while digging: what the client must agree to, with its price. */
  changes: z
    .array(z.strictObject({ id: z.uuid(), what: text(1000), price: z.number().int().min(0).nullable() }))
    .max(20)
    .default([]),
});
export type Quote = z.infer<typeof quoteSchema>;

const share = (x: number) => {
  const tenths = Math.round(10 * x);
  return tenths >= 10 ? 'nearly all' : `${tenths} in 10`;
};

/** How often, as people say it. */
function oftenWords({ times, visitsAYear }: Pick<Weighed, 'times' | 'visitsAYear'>): string {
  if (times <= 1) return 'once';
  const apart = Math.round(1 / visitsAYear);
  if (apart > 1) return `a visit every ${apart} years`;
  const each = Math.round(visitsAYear);
  return `${each} ${each === 1 ? 'visit' : 'visits'} a year`;
}

/** A weighed way in words for somebody who does not spray for a living. */
export function offer(w: Weighed): Quote['options'][number] {
  return {
    key: w.key,
    name: w.method,
    what: w.name === 'no product' ? 'Without a product.' : `With ${w.name}.`,
    now: w.now,
    overYears: w.overYears,
    visits: oftenWords(w),
    expected: `Likely ${share(w.control.likely)} of the trouble goes (between ${share(w.control.low)} and ${share(w.control.high)}); lasts ${w.control.lasts}.`,
    risks: `Bees: ${w.bees}. Water: ${w.water}. People: ${w.people}.${w.wounds ? ` ${w.wounds} small holes in the trunk over the years.` : ''}`,
    when:
      [
        ...(w.on ? [`from ${formatDay(w.on)}`] : []),
        ...(w.months.length ? [w.months.map(monthName).join(', ')] : []),
      ].join('; ') || 'when it can be done',
  };
}

/** How long an address may stay open, days. */
export const DAYS_OPEN = { min: 1, usual: 21, max: 120 };

/** What a client answers on the page: the ways wanted, none when the list is empty, and what was found while digging. */
export const quoteAnswerSchema = z.strictObject({
  options: z.array(text(200)).max(60),
  changes: z.array(z.uuid()).max(20).default([]),
  who: text(120).min(2, 'Write your name.'),
  word: text(1000).default(''),
});
export type QuoteAnswer = z.infer<typeof quoteAnswerSchema>;

/** The ways taken, by their names in the order they were offered. */
export const takenNames = (d: Pick<Quote, 'options'>, keys: readonly string[]): string =>
  d.options
    .filter((o) => keys.includes(o.key))
    .map((o) => o.name)
    .join(', ') || 'none of these';
