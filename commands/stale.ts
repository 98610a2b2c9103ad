import type { Issue } from '@/lib/result';

const shown = (x: unknown): string =>
  x === null || x === undefined || x === '' ? 'nothing' : typeof x === 'object' ? 'another one' : String(x);

/**
 * A form that rests on an older version: what stands now in each field in which the two differ. Nothing was written; what
 * was typed stays in the form, and goes over it when it is sent again.
 * @param what e.g. "this place"
 * @param fields what to compare, with its words
 */
export function stale<T extends object>(
  what: string,
  now: T,
  wanted: Partial<T>,
  fields: Partial<Record<keyof T & string, string>>,
): { ok: false; issues: Issue[] } {
  const differs = (Object.keys(fields) as (keyof T & string)[]).filter(
    (k) => JSON.stringify(now[k] ?? null) !== JSON.stringify(wanted[k] ?? null),
  );
  return {
    ok: false,
    issues: [
      {
        path: 'version',
        message: `Somebody changed ${what} meanwhile. What you typed stays here; sent again, it goes over what stands now.`,
      },
      ...differs.map((k) => ({ path: k, message: `${fields[k]} is now: ${shown(now[k])}.` })),
    ],
  };
}
