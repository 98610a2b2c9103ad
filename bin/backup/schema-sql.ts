import { codeVersion } from '@/store/migrate';
import { tool } from './command';

/** The role that the app signs in as belongs to the cluster, so that no dump of a database holds it. */
const HEAD = `-- The whole schema as the migrations leave it: written by \`npm run schema:sql\`, never by hand.
-- version ${codeVersion()}
do $$ begin
  if not exists (select from pg_roles where rolname = 'elmhorn_app') then create role elmhorn_app login; end if;
end $$;
set local check_function_bodies = off;
`;

/**
 * The schema of a database as statements that make an empty one like it: tables, functions, policies, grants, in the order in
 * which PostgreSQL's own tool writes them, without its notes.
 * @param url connection string of the role that owns the schema
 */
export async function schemaSql(url: string): Promise<string> {
  const dump = await tool('pg_dump', [
    '--schema-only',
    '--no-owner',
    '--no-comments',
    '--exclude-table=schema_migration',
    `--dbname=${url}`,
  ]);
  const statements = dump
    .replace(/^(--.*|SET .*|SELECT pg_catalog\.set_config.*|\\(un)?restrict.*)\n/gm, '')
    .replaceAll('public.', '')
    // What came in as “a or b or c” is nested by the one way of making it and flat by the other.
    .replace(/ WHEN \((.*)\) EXECUTE /g, (whole, when: string) =>
      / AND |\w\(/.test(when) ? whole : ` WHEN (${when.replace(/[()]/g, '')}) EXECUTE `,
    )
    .replace(/\n{2,}/g, '\n\n')
    .trim();
  return `${HEAD}\n${statements}\n`;
}
