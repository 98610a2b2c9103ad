import { z } from 'zod';
import { strengthOf } from './strength';

export const passwordSchema = z
  .string('Type a password.')
  .min(10, 'A password has at least ten signs.')
  .max(200, 'At most 200 characters.');

/** From this score on (0 to 4) guessing takes longer than anybody tries. */
const STRONG = 3;
/** So many signs must be left when every name and year that a guesser tries first is taken out. */
const OWN_LEFT = 6;
/** What a guesser tries first with any account here. */
const OURS = ['elmhorn'];

/**
 * Why a password is too easy to guess, in a sentence; null when it is good enough.
 * @param about words that a guesser would try first: the person's name and address, the company
 */
export async function tooEasy(password: string, about: readonly string[]): Promise<string | null> {
  const words = [...OURS, ...about].flatMap((w) => [w, ...w.split(/[^\p{L}\p{N}]+/u)]).filter((w) => w.length > 2);
  const rest = words
    .reduce((left, w) => left.replaceAll(w.toLowerCase(), ''), password.toLowerCase())
    .replace(/(19|20)\d\d/g, '')
    .replace(/[^\p{L}\p{N}]/gu, '');
  if (rest.length < OWN_LEFT) return 'This is quickly guessed. It is made of names that a guesser tries first.';
  const score = await strengthOf(password, words);
  if (score === null) return 'This password could not be judged. Choose words instead of signs that stand for letters.';
  return score >= STRONG
    ? null
    : 'This is quickly guessed. Four words that do not belong together are hard to guess and easy to keep.';
}
