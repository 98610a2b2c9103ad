/** A share from 0 to 1 that depends on seed and place in the series alone (integer hash, xorshift-multiply). */
export function share(seed: number, n: number, channel: number): number {
  let h = (Math.imul(n | 0, 0x9e3779b1) ^ Math.imul(seed + channel * 7919, 0x85ebca6b)) >>> 0;
  h = Math.imul(h ^ (h >>> 15), 0x2c1b3c6d);
  h = Math.imul(h ^ (h >>> 12), 0x297a2d39);
  return ((h ^ (h >>> 15)) >>> 0) / 2 ** 32;
}

/** Nearly normal, mean 0 and variance 1: three shares together. */
const normal = (seed: number, n: number, channel: number): number =>
  2 * (share(seed, n, channel) + share(seed, n, channel + 101) + share(seed, n, channel + 211) - 1.5);

/**
 * Smooth noise of one channel: fixed at whole numbers, eased between them, of variance 1 everywhere. The two whole numbers
 * asked for last are remembered: a series is mostly read in its order.
 * @returns the noise at `x`, its place in the series in lengths over which it forgets itself
 */
export function noise(seed: number, channel: number): (x: number) => number {
  let at = NaN;
  let [low, high] = [0, 0];
  return (x) => {
    const i = Math.floor(x);
    if (i !== at) [at, low, high] = [i, i === at + 1 ? high : normal(seed, i, channel), normal(seed, i + 1, channel)];
    const f = x - i;
    const s = f * f * (3 - 2 * f);
    return (low * (1 - s) + high * s) / Math.sqrt(s * s + (1 - s) * (1 - s));
  };
}
