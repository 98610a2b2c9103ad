import postgres from 'postgres';

/** What PostgreSQL sends for numeric and date is turned into numbers and YYYY-MM-DD strings, not strings and instants. */
const types = {
  numeric: { to: 1700, from: [1700], serialize: String, parse: Number },
  bigint: { to: 20, from: [20], serialize: String, parse: Number },
  date: { to: 1082, from: [1082], serialize: (x: string) => x, parse: (x: string) => x },
};

export const connect = (url: string, max = 10) =>
  postgres(url, { max, types, onnotice: () => {}, connect_timeout: 5, idle_timeout: 60 });

export type Sql = ReturnType<typeof connect>;
export type Tx = postgres.TransactionSql<{ numeric: number; bigint: number; date: string }>;

let pool: Sql | null = null;
/** The app's pool, as the role that owns nothing. */
export function db(): Sql {
  if (!pool) {
    if (!process.env.DATABASE_URL) throw new Error('DATABASE_URL is not set');
    pool = connect(process.env.DATABASE_URL);
  }
  return pool;
}

/** Whose rows a transaction may see and write. */
export interface Scope {
  outfitId: string;
  personId: string;
}

/** Runs `work` in one transaction with outfit and person set for row-level security; all of it lands, or none. */
export async function within<T>(scope: Scope, work: (tx: Tx) => Promise<T>): Promise<T> {
  return (await db().begin(async (tx) => {
    await tx`select set_config('elmhorn.outfit', ${scope.outfitId}, true), set_config('elmhorn.person', ${scope.personId}, true)`;
    return work(tx as unknown as Tx);
  })) as T;
}

/** JSON for a jsonb parameter. */
// The library's JSONValue type knows no interfaces, though any plain data will do.
export const json = (tx: Tx, value: unknown) => tx.json(value as Parameters<Tx['json']>[0]);

/** PostgreSQL's own code of a refusal, e.g. 23505 for a duplicate. */
export const pgCode = (error: unknown): string | null => (error instanceof postgres.PostgresError ? error.code : null);
