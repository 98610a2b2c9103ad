import { createHash, randomBytes } from 'node:crypto';
import { parseArgs } from 'node:util';
import postgres from 'postgres';
import { v7 } from 'uuid';
import { z } from 'zod';
import { fail } from './setup/fail';
import { hashPassword } from '@/store/auth';

/** `npm run company`: a company and its first owner, who sets a password by the link that is printed. */
const schema = z.object({
  name: z
    .string('--name is missing: how the company is called')
    .trim()
    .min(1, '--name is missing')
    .max(120, '--name has at most 120 signs'),
  owner: z
    .string('--owner is missing: who runs it')
    .trim()
    .min(1, '--owner is missing')
    .max(120, '--owner has at most 120 signs'),
  email: z.email('--email must be an e-mail address').max(200, '--email has at most 200 signs').toLowerCase(),
  zone: z
    .string()
    .default('Europe/London')
    .refine((x) => Intl.supportedValuesOf('timeZone').includes(x), '--zone must be a time zone like Europe/London'),
});

async function main() {
  const url =
    process.env.DATABASE_OWNER_URL ?? fail('DATABASE_OWNER_URL is not set; it names the role that owns the tables.');
  let given: Record<string, unknown>;
  try {
    const text = { type: 'string' } as const;
    given = parseArgs({ options: { name: text, owner: text, email: text, zone: text } }).values;
  } catch (error) {
    return fail(`${(error as Error).message}.`);
  }
  const read = schema.safeParse(given);
  if (!read.success) return fail(`${read.error.issues[0]!.message}.`);
  const { name, owner, email, zone } = read.data;
  const [companyId, personId, token] = [v7(), v7(), randomBytes(32).toString('base64url')];
  // Nobody knows the first password: it is set by the link.
  const nobodys = await hashPassword(randomBytes(24).toString('base64url'));
  const sql = postgres(url, { max: 1, connect_timeout: 5, onnotice: () => {} });
  try {
    await sql.begin(async (tx) => {
      await tx`insert into company (id, name, time_zone, region) values (${companyId}, ${name}, ${zone}, 'blank')`;
      await tx`
        insert into person (id, company_id, name, email, role, password_hash)
        values (${personId}, ${companyId}, ${owner}, ${email}, 'owner', ${nobodys})`;
      await tx`
        insert into password_reset (token_hash, company_id, person_id, made_by, expires_at)
        values (${createHash('sha256').update(token).digest()}, ${companyId}, ${personId}, ${personId}, now() + interval '1 day')`;
    });
  } catch (error) {
    const code = (error as { code?: string }).code;
    fail(
      code === '23505'
        ? 'somebody signs in with this e-mail address already.'
        : code === 'ECONNREFUSED' || code === 'CONNECT_TIMEOUT'
          ? 'the database does not answer at DATABASE_OWNER_URL.'
          : `the database refuses: ${(error as Error).message}.`,
    );
  } finally {
    await sql.end({ timeout: 2 });
  }
  console.log(
    `${name} is there. ${owner} sets a password, once, within a day, at:\n  ${process.env.ELMHORN_ORIGIN ?? ''}/reset/${token}`,
  );
}
void main();
