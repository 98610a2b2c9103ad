/** Long work that may be left where it yields, so that others have their turn, and gone on with: the answer is the same. */
export type Slices<T> = Generator<void, T, void>;

/** All of it at once: for the browser of one person, a worker, a test. */
export function atOnce<T>(work: Slices<T>): T {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

/** So long, ms, a server works on one request before others have a turn. */
const TURN_MS = 10;

/** All of it in turns with whatever else waits: for a server, which has one thread for everybody. */
export async function inTurns<T>(work: Slices<T>): Promise<T> {
  for (;;) {
    const until = performance.now() + TURN_MS;
    do {
      const step = work.next();
      if (step.done) return step.value;
    } while (performance.now() < until);
    await aTurn();
  }
}
/** Lets everything that waits have its turn. */
export const aTurn = (): Promise<void> => new Promise((on) => setTimeout(on, 0));

/** What comes of each of a long list, one after another. */
export function* eachOf<T, U>(list: readonly T[], of: (one: T, nth: number) => U): Slices<U[]> {
  const out: U[] = [];
  for (const [nth, one] of list.entries()) {
    out.push(of(one, nth));
    yield;
  }
  return out;
}
