import { z } from 'zod';

let loaded: Promise<typeof import('@zxcvbn-ts/core').zxcvbn> | null = null;
/** The estimator with its dictionaries: more than a second of work, done when the first password is looked at. */
const estimator = () =>
  (loaded ??= (async () => {
    const [{ zxcvbn, zxcvbnOptions }, common, english] = await Promise.all([
      import('@zxcvbn-ts/core'),
      import('@zxcvbn-ts/language-common'),
      import('@zxcvbn-ts/language-en'),
    ]);
    zxcvbnOptions.setOptions({
      dictionary: { ...common.dictionary, ...english.dictionary },
      graphs: common.adjacencyGraphs,
    });
    return zxcvbn;
  })());

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
export async function tooEasy(password: string, about: readonly string[]): Promise<string | null> {
  const words = about.flatMap((w) => [w, ...w.split(/[^\p{L}\p{N}]+/u)]).filter((w) => w.length > 2);
  const rest = words.reduce((left, w) => left.replaceAll(w.toLowerCase(), ''), password.toLowerCase());
  if (rest.length < OWN_LEFT) return 'This is quickly guessed. It is made of names that a guesser tries first.';
  const { score, feedback } = (await estimator())(password.slice(0, 100), words);
  if (score >= STRONG) return null;
  return `This is quickly guessed. ${feedback.warning ?? 'Four words that do not belong together are hard to guess and easy to keep.'}`;
}
