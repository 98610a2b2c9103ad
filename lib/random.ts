/** Numbers from 0 to 1 that look like chance and are the same for the same seed (mulberry32). */
export function chanceFrom(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = a;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** One of a list by weight. */
export function pick<T>(list: readonly T[], weight: (x: T) => number, chance: () => number): T {
  const total = list.reduce((s, x) => s + weight(x), 0);
  let at = chance() * total;
  for (const x of list) {
    at -= weight(x);
    if (at < 0) return x;
  }
  return list[list.length - 1]!;
}
