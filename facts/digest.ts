import { createHash } from 'node:crypto';

/** The same content has the same digest, whatever the order of its keys. */
export function digestOf(input: unknown): string {
  const sorted = (x: unknown): unknown =>
    Array.isArray(x)
      ? x.map(sorted)
      : x && typeof x === 'object' && !(x instanceof Date)
        ? Object.fromEntries(
            Object.entries(x)
              .filter(([, v]) => v !== undefined)
              .sort(([a], [b]) => (a < b ? -1 : 1))
              .map(([k, v]) => [k, sorted(v)]),
          )
        : x;
  return createHash('sha256')
    .update(JSON.stringify(sorted(input)))
    .digest('hex');
}
