import type { Sql, Tx } from '@/store/db';

/** What a table holds: its rows counted, and a sum over the hash of every row, in whatever order they lie. */
export interface TableContents {
  table: string;
  rows: string;
  hash: string;
}
export interface Contents {
  /** Version of the form of this file. */
  form: 1;
  schema: number;
  tables: TableContents[];
}

/** The contents of every table of a database, as one transaction sees them. */
export async function contentsOf(sql: Sql | Tx): Promise<Contents> {
  await sql`set local time zone 'UTC'`;
  await sql`set local extra_float_digits to 3`;
  const names = await sql<{ t: string }[]>`
    select table_name as t
    from information_schema.tables
    where table_schema = 'public' and table_type = 'BASE TABLE'
    order by table_name`;
  const tables: TableContents[] = [];
  for (const { t } of names) {
    const [held] = await sql<{ rows: string; hash: string }[]>`
      select count(*)::text as rows, coalesce(sum(('x' || substr(md5(x::text), 1, 15))::bit(60)::bigint), 0)::text as hash
      from ${sql(t)} x`;
    tables.push({ table: t, ...held! });
  }
  const [{ schema } = { schema: 0 }] = await sql<
    { schema: number }[]
  >`select coalesce(max(version), 0)::int as schema from schema_migration`;
  return { form: 1, schema, tables };
}

/** Tables that are not as they were, in words; none where everything came back. */
export const differences = (was: Contents, now: Contents): string[] => {
  const found = new Map(now.tables.map((t) => [t.table, t]));
  return was.tables.flatMap((t) => {
    const is = found.get(t.table);
    if (!is) return [`${t.table} is missing`];
    if (is.rows !== t.rows) return [`${t.table} has ${is.rows} rows and had ${t.rows}`];
    return is.hash === t.hash ? [] : [`${t.table} holds other content`];
  });
};
