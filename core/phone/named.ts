const ID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;
/** More than a row of trees with its records, plans and devices names. */
const MOST = 600;

/** Every id that a write names, wherever it stands in it: of trees, plans, works, looks, devices; each once. */
export function idsIn(input: unknown): string[] {
  const found = new Set<string>();
  const look = (x: unknown): void => {
    if (found.size >= MOST) return;
    if (typeof x === 'string') {
      if (ID.test(x)) found.add(x.toLowerCase());
    } else if (x !== null && typeof x === 'object') Object.values(x).forEach(look);
  };
  look(input);
  return [...found];
}
