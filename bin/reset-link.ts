import { createHash, randomBytes } from 'node:crypto';
import { parseArgs } from 'node:util';
import postgres from 'postgres';
import { fail } from './setup/fail';

/**
 * `npm run reset-link -- --email ADDRESS`: a link with which somebody sets a new password, for a lone owner who has lost it.
 * Whoever may run it on the server could read all that is in the database anyway.
 */
async function main() {
  const url =
    process.env.DATABASE_OWNER_URL ?? fail('DATABASE_OWNER_URL is not set; it names the role that owns the tables.');
  let email: string | undefined;
  try {
    email = parseArgs({ options: { email: { type: 'string' } } }).values.email;
  } catch (error) {
    return fail(`${(error as Error).message}.`);
  }
  if (!email) return fail('--email is missing: the address with which somebody signs in.');
  const token = randomBytes(32).toString('base64url');
  const sql = postgres(url, { max: 1, connect_timeout: 5, onnotice: () => {} });
  let name: string | undefined;
  try {
    name = await sql.begin(async (tx) => {
      const [person] = await tx<{ id: string; companyId: string; name: string }[]>`
        select id, company_id as "companyId", name
        from person
        where email = ${email.trim().toLowerCase()} and active`;
      if (!person) return undefined;
      await tx`delete from password_reset where person_id = ${person.id}`;
      await tx`
        insert into password_reset (token_hash, company_id, person_id, made_by, expires_at)
        values (${createHash('sha256').update(token).digest()}, ${person.companyId}, ${person.id}, ${person.id},
          clock_now() + interval '1 day')`;
      return person.name;
    });
  } catch (error) {
    const code = (error as { code?: string }).code;
    fail(
      code === 'ECONNREFUSED' || code === 'CONNECT_TIMEOUT'
        ? 'the database does not answer at DATABASE_OWNER_URL.'
        : `the database refuses: ${(error as Error).message}.`,
    );
  } finally {
    await sql.end({ timeout: 2 });
  }
  if (!name) fail('nobody who may sign in has this e-mail address.');
  console.log(
    `${name} sets a new password, once, within a day, at:\n  ${process.env.ELMHORN_ORIGIN ?? ''}/reset/${token}`,
  );
}
void main();
