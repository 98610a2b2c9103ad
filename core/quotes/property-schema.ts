import { z } from 'zod';

const text = (max: number) => z.string().trim().max(max);

/** What a client is offered for a whole property: what is to be done there within a year, by what it is. */
export const siteQuoteSchema = z.strictObject({
  about: z.literal('property'),
  company: text(120),
  by: text(120),
  client: text(120),
  place: text(120),
  message: text(2000),
  currency: text(3),
  /** Coming out once, minor units: asked once for a day, however many trees and works it serves. */
  comingOut: z.number().int().min(0),
  lines: z
    .array(
      z.strictObject({
        key: text(200),
        what: text(300),
        /** What it is against; empty where it is against nothing in particular. */
        against: text(120),
        /** Tags, in runs. */
        trees: text(600),
        count: z.number().int().positive(),
        /** The days on which it is planned; it moves with the season. */
        days: z.array(z.iso.date()).min(1).max(200),
        /** Work and material for all its trees and times, without coming out. */
        price: z.number().int().min(0),
        /** It waits for a look and may never come. */
        maybe: z.boolean(),
        /** What it covers: plans, works, looks and visits of programmes. */
        covers: z.array(z.uuid()).min(1).max(12_000),
      }),
    )
    .min(1, 'Offer one thing at least.')
    .max(60, 'At most sixty things at once.'),
});
export type SiteQuote = z.infer<typeof siteQuoteSchema>;
