import { zxcvbn, zxcvbnOptions } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';
import * as english from '@zxcvbn-ts/language-en';
import { z } from 'zod';

zxcvbnOptions.setOptions({
  dictionary: { ...common.dictionary, ...english.dictionary },
  graphs: common.adjacencyGraphs,
});

export const passwordSchema = z
  .string('Type a password.')
  .min(10, 'A password has at least ten signs.')
  .max(200, 'At most 200 signs.');

/** From this score on (0 to 4) guessing takes longer than anybody tries. */
const STRONG = 3;
/** So many signs must be left when every name that a guesser tries first is taken out. */
const OWN_LEFT = 6;

/**
 * Why a password is too easy to guess, in a sentence; null when it is good enough.
 * @param about words that a guesser would try first: the person's name and address, the outfit
 */
export function tooEasy(password: string, about: readonly string[]): string | null {
  const words = about.flatMap((w) => [w, ...w.split(/[^\p{L}\p{N}]+/u)]).filter((w) => w.length > 2);
  const rest = words.reduce((left, w) => left.replaceAll(w.toLowerCase(), ''), password.toLowerCase());
  if (rest.length < OWN_LEFT) return 'This is quickly guessed. It is made of names that a guesser tries first.';
  const { score, feedback } = zxcvbn(password.slice(0, 100), words);
  if (score >= STRONG) return null;
  return `This is quickly guessed. ${feedback.warning ?? 'Four words that do not belong together are hard to guess and easy to keep.'}`;
}
