/**
 * What follows from a piece of plain data alone, worked out the first time somebody asks and kept as long as the data is.
 * The data must be of the kind that nobody changes: a shipped list, a compiled model.
 */
export function memoize<K extends object, V>(work: (key: K) => V): (key: K) => V {
  const known = new WeakMap<K, V>();
  return (key) => {
    let value = known.get(key);
    if (value === undefined) known.set(key, (value = work(key)));
    return value;
  };
}

/** Keeps what was worked out for the last few keys, `most` of them; the one made longest ago goes first. */
export function memoizeRecent<V>(most: number): (key: string, work: () => V) => V {
  const known = new Map<string, V>();
  return (key, work) => {
    const kept = known.get(key);
    if (kept !== undefined) return kept;
    const [oldest] = known.keys();
    if (known.size >= most && oldest !== undefined) known.delete(oldest);
    const made = work();
    known.set(key, made);
    return made;
  };
}

/** What follows from a piece of plain data and a key, worked out the first time somebody asks and kept as long as the data is. */
export function memoizeEach<K extends object, V>(): (of: K, key: string, work: () => V) => V {
  const known = memoize<K, Map<string, V>>(() => new Map());
  return (of, key, work) => {
    const kept = known(of);
    if (!kept.has(key)) kept.set(key, work());
    return kept.get(key)!;
  };
}
