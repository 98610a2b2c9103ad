import { z } from 'zod';
import type { Fault } from '@/core/book/write';
import { readNumber } from '@/core/units/numbers';

/**
 * A number in the unit that stands beside it: as somebody typed it, with its comma and its slips, or as a program says it.
 * Null, like an empty field, is what nobody has said.
 */
export const typed = z
  .union(
    [z.string().max(40, 'That is too long for a number.'), z.number().finite(), z.null()],
    'This must be a number, or the text of one.',
  )
  .transform((said) => (said === null ? '' : String(said)));

/** Reads one typed number; null for an empty optional field; faults go to `out`. */
export function numberAt(
  out: Fault[],
  path: string,
  text: string,
  rule: Parameters<typeof readNumber>[1],
  optional = false,
): number | null {
  if (optional && text.trim() === '') return null;
  const read = readNumber(text, rule);
  if (read.ok) return read.value;
  out.push({ path, sentence: read.sentence });
  return null;
}

/** What others put down, as the forms of a place and of a tree ask for it; actives are compared without regard to case. */
export const putDown = {
  active: z.string().trim().toLowerCase().min(2, 'Name the active ingredient.').max(80, 'At most 80 signs.'),
  grams: typed,
  onDay: z.iso.date('Give a day that exists, like 2026-05-14.'),
  who: z.string().trim().min(1, 'Say who put it down.').max(120, 'At most 120 signs.'),
};
