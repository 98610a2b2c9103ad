import pino from 'pino';

/** What the server says of itself, one JSON line each: ids, times and places in the code, never what somebody typed. */
export const log = pino({
  name: 'elmhorn',
  level: process.env.ELMHORN_LOG ?? 'info',
  base: undefined,
  serializers: { error: withoutPeople },
});

const QUOTED = /“[^”]*”|"[^"]*"|'[^']*'|\([^)]*\)=\([^)]*\)/g;

/**
 * A failure without personal data: what it is called, its code, where it was thrown. A database's own words and a parser's
 * quote the values that they stumbled on; those are left out, and quotes in any other message too.
 */
export function withoutPeople(error: unknown): object {
  if (!(error instanceof Error)) return { name: typeof error };
  const { code, constraint_name, table_name } = error as Error & Record<string, unknown>;
  const own = code === undefined && !(error instanceof SyntaxError);
  return {
    name: error.name,
    ...(typeof code === 'string' ? { code } : {}),
    ...(typeof constraint_name === 'string' ? { constraint: constraint_name } : {}),
    ...(typeof table_name === 'string' ? { table: table_name } : {}),
    ...(own ? { message: error.message.replace(QUOTED, '…').slice(0, 200) } : {}),
    at: (error.stack ?? '')
      .split('\n')
      .filter((l) => /^\s+at /.test(l))
      .slice(0, 8)
      .map((l) => l.trim().replace(process.cwd(), '.')),
  };
}

/**
 * An address as a pattern: ids, tokens and what was searched for say who somebody is.
 * @example pathOf('/trees/0192.../measure?find=Smith') // '/trees/:id/measure'
 */
export const pathOf = (address: string): string =>
  address
    .split('?')[0]!
    .split('/')
    .map((part) => (part.length >= 20 && !part.includes('.') ? ':id' : part))
    .join('/')
    .replace(/[^/]{20,}(?=\.ics$)/, ':token')
    .slice(0, 200);
