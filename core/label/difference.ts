import type { Label } from './schema';

export interface Difference {
  /** Where, in words: "uses › drench › rate › dose › point › low". */
  where: string;
  before: string | null;
  after: string | null;
}

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** Every leaf of a label with its place in words; entries with a key or name of their own go by it, not by their number. */
function leaves(x: Json, path: string[], out: Map<string, string>) {
  if (x === null || typeof x !== 'object') {
    out.set(path.join(' › '), x === null ? '–' : String(x));
    return;
  }
  if (Array.isArray(x)) {
    if (x.every((y) => y === null || typeof y !== 'object')) {
      out.set(path.join(' › '), x.join(', ') || 'none');
      return;
    }
    x.forEach((y, i) => {
      const named = y as { key?: string; name?: string; id?: string; limit?: string };
      leaves(y, [...path, named.key ?? named.id ?? named.name ?? named.limit ?? String(i + 1)], out);
    });
    return;
  }
  for (const [k, y] of Object.entries(x)) if (y !== undefined) leaves(y, [...path, k], out);
}

/** What changed from one version of a label to another, in the order of the label; the version number itself is left out. */
export function differences(before: Label, after: Label): Difference[] {
  const [a, b] = [new Map<string, string>(), new Map<string, string>()];
  leaves(before as unknown as Json, [], a);
  leaves(after as unknown as Json, [], b);
  return [...new Set([...a.keys(), ...b.keys()])]
    .filter((k) => k !== 'version' && a.get(k) !== b.get(k))
    .map((where) => ({ where, before: a.get(where) ?? null, after: b.get(where) ?? null }));
}
