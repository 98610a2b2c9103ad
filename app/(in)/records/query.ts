import { z } from 'zod';
import { uuid } from '@/lib/ids';
import { WORKS_ALONE } from '@/core/records/filter';
import { METHODS } from '@/core/label/methods';
import type { RecordFilter } from '@/store/records';

const schema = z.object({
  words: z.string().trim().max(80, 'Search for at most 80 characters.').nullable(),
  place: uuid.nullable(),
  method: z.enum([...METHODS, WORKS_ALONE], 'There is no such method.').nullable(),
  from: z.iso.date('“From” must be a day that exists, like 2026-05-14.').nullable(),
  to: z.iso.date('“To” must be a day that exists, like 2026-05-14.').nullable(),
});

/** The filter of the book from an address; what cannot be read is left out and said. */
export function recordsQuery(params: Record<string, string | string[] | undefined>): {
  filter: Omit<RecordFilter, 'after' | 'limit'>;
  issues: string[];
} {
  const raw = Object.fromEntries(
    (['words', 'place', 'method', 'from', 'to'] as const).map((k) => [
      k,
      typeof params[k] === 'string' && params[k] !== '' ? params[k] : null,
    ]),
  );
  const issues: string[] = [];
  const read = schema.safeParse(raw);
  if (!read.success)
    for (const issue of read.error.issues) {
      issues.push(issue.message);
      raw[String(issue.path[0])] = null;
    }
  const good = schema.safeParse(raw);
  const f = good.success ? good.data : { words: null, place: null, method: null, from: null, to: null };
  // NUL cannot be stored, so it cannot be found.
  return {
    filter: { words: f.words?.replace(/\0/g, '') || null, siteId: f.place, method: f.method, from: f.from, to: f.to },
    issues,
  };
}
