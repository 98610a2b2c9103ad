import { AsyncLocalStorage } from 'node:async_hooks';
import postgres from 'postgres';
import { aheadOfMachineS } from './clock';

/** What PostgreSQL sends for numeric and date is turned into numbers and YYYY-MM-DD strings, not strings and instants. */
const types = {
  numeric: { to: 1700, from: [1700], serialize: String, parse: Number },
  bigint: { to: 20, from: [20], serialize: String, parse: Number },
  date: { to: 1082, from: [1082], serialize: (x: string) => x, parse: (x: string) => x },
};

/** Nothing waits for ever: a statement, a lock, a transaction that somebody left open. Milliseconds. */
const PATIENCE = { statement_timeout: 20_000, lock_timeout: 5_000, idle_in_transaction_session_timeout: 20_000 };

/** @param onStatement hears every statement before it is sent; for tests, since listening costs a stack trace each */
export function connect(url: string, max = 10, onStatement?: (statement: string, parameters: unknown[]) => void) {
  const ahead = aheadOfMachineS();
  return postgres(url, {
    max,
    ...(onStatement
      ? { debug: (_: number, statement: string, parameters: unknown[]) => onStatement(statement, parameters) }
      : {}),
    types,
    onnotice: () => {},
    connect_timeout: 5,
    idle_timeout: 60,
    // A database that is back is used again within a second, however long it was away.
    backoff: () => 0.25,
    connection: {
      ...PATIENCE,
      // The database's own defaults follow the clock of the app (0047).
      ...(ahead ? { 'elmhorn.clock_ahead_s': String(ahead) } : {}),
    } as typeof PATIENCE,
  });
}

export type Sql = ReturnType<typeof connect>;
export type Tx = postgres.TransactionSql<{ numeric: number; bigint: number; date: string }>;

// Bundles of one process share one pool: each holds its own copy of this module.
const shared = globalThis as {
  elmhornPool?: Sql;
  elmhornListener?: (statement: string, parameters: unknown[]) => void;
};
/** The app's pool, as the role that owns nothing. */
export function db(): Sql {
  if (!shared.elmhornPool) {
    if (!process.env.DATABASE_URL) throw new Error('DATABASE_URL is not set');
    shared.elmhornPool = connect(process.env.DATABASE_URL, 10, shared.elmhornListener);
  }
  return shared.elmhornPool;
}

/** Whose rows a transaction may see and write. */
export interface Scope {
  companyId: string;
  personId: string;
}

const ambient = new AsyncLocalStorage<{ scope: Scope; tx: Tx }>();

/** Runs `work` in one transaction with company and person set for row-level security; all of it lands, or none. */
export async function within<T>(scope: Scope, work: (tx: Tx) => Promise<T>): Promise<T> {
  const around = ambient.getStore();
  // Inside `together` everything lands or fails as one; another company never shares a transaction.
  if (around?.scope.companyId === scope.companyId && around.scope.personId === scope.personId) return work(around.tx);
  return (await db().begin(async (tx) => {
    await tx`select set_config('elmhorn.company', ${scope.companyId}, true), set_config('elmhorn.person', ${scope.personId}, true)`;
    return work(tx as unknown as Tx);
  })) as T;
}

/** Everything that `work` reads and writes through the store is one transaction; when it throws, none of it was. */
export const together = <T>(scope: Scope, work: () => Promise<T>): Promise<T> =>
  within(scope, (tx) => ambient.run({ scope, tx }, work));

/** The rows of a query as one JSON list, in their order: a part of a larger statement. Instants come as text; `dated` mends them. */
export const asList = <T extends postgres.MaybeRow[]>(tx: Tx, rows: postgres.PendingQuery<T>) =>
  // Named as no column is: a column of that name would be taken for the row.
  tx`(select coalesce(json_agg(listed_row), '[]') from (${rows}) listed_row)`;
export const dated = <T extends { at: Date }>(rows: readonly T[]): T[] =>
  rows.map((r) => ({ ...r, at: new Date(r.at) }));

/** JSON for a jsonb parameter. */
// The library's JSONValue type knows no interfaces, though any plain data will do.
export const json = (tx: Tx, value: unknown) => tx.json(value as Parameters<Tx['json']>[0]);

/** PostgreSQL's own code of a refusal, e.g. 23505 for a duplicate. */
export const pgCode = (error: unknown): string | null => (error instanceof postgres.PostgresError ? error.code : null);
