import { createHash, randomBytes } from 'node:crypto';
import type { Sql } from '@/store/db';

/** Opens a session for a person by the owner's hand; signing in has its own price and is measured by itself. */
export async function sessionFor(owner: Sql, email: string): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  const made = await owner`
    insert into session (token_hash, company_id, person_id, expires_at)
    select ${createHash('sha256').update(token).digest()}, company_id, id, now() + interval '1 day'
    from person
    where email = ${email}`;
  if (!made.count) throw new Error(`nobody signs in as ${email}`);
  return `elmhorn=${token}`;
}
