import { join } from 'node:path';
import { Worker } from 'node:worker_threads';

/** How hard a password is to guess: 0 (at once) to 4; null where that could not be told in time. */
type Score = 0 | 1 | 2 | 3 | 4;
interface Told {
  id: number;
  score: Score;
}
/** What is longer is judged by its beginning: a strong beginning is strong. */
const JUDGED_SIGNS = 32;
/** The dictionaries are read with the first question; after that a question takes a fraction of it. */
const PATIENCE_MS = 6000;

let worker: Worker | null = null;
let asked = 0;
const waiting = new Map<number, (score: Score | null) => void>();

function estimator(): Worker {
  if (worker) return worker;
  const made = new Worker(
    /* turbopackIgnore: true */ join(/* turbopackIgnore: true */ process.cwd(), 'commands/people/strength.worker.mjs'),
  );
  made.unref();
  const end = () => {
    if (worker === made) worker = null;
    for (const answer of waiting.values()) answer(null);
    waiting.clear();
  };
  made.on('message', ({ id, score }: Told) => {
    waiting.get(id)?.(score);
    waiting.delete(id);
  });
  made.on('error', end);
  made.on('exit', end);
  return (worker = made);
}

/**
 * How hard a password is to guess, worked out beside the server's own thread. Null where it takes too long: the thread is then
 * ended, and the next question begins a new one.
 * @param words that a guesser would try first
 */
export const strengthOf = (password: string, words: readonly string[]): Promise<Score | null> =>
  new Promise((done) => {
    const id = ++asked;
    const of = estimator();
    const late = setTimeout(() => void of.terminate(), PATIENCE_MS);
    waiting.set(id, (score) => {
      clearTimeout(late);
      done(score);
    });
    of.postMessage({ id, password: password.slice(0, JUDGED_SIGNS), words: words.slice(0, 40) });
  });
