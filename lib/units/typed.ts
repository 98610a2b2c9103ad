import type { Issue } from '../result';
import { z } from 'zod';
import { readNumber } from './numbers';

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

/** Reads one typed number; null for an empty optional field; issues go to `out`. */
export function numberAt(
  out: Issue[],
  path: string,
  text: string,
  rule: Parameters<typeof readNumber>[1],
  optional = false,
): number | null {
  if (optional && text.trim() === '') return null;
  const read = readNumber(text, rule);
  if (read.ok) return read.value;
  out.push({ path, message: read.sentence });
  return null;
}
