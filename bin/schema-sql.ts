import { writeFileSync } from 'node:fs';
import { schemaSql } from '@/bin/backup/schema-sql';
import { fail } from './setup/fail';

/**
 * `npm run schema:sql`: writes store/schema.sql, from which an empty database is made, out of the database at
 * DATABASE_OWNER_URL, which the migrations brought there step by step. With --print it goes to the output instead.
 */
async function main() {
  const url = process.env.DATABASE_OWNER_URL;
  if (!url) return fail('DATABASE_OWNER_URL is not set; give the connection string of the role that owns the schema.');
  const text = await schemaSql(url);
  if (process.argv.includes('--print')) process.stdout.write(text);
  else writeFileSync('store/schema.sql', text);
}
void main();
