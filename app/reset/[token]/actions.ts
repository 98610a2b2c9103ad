'use server';

import { done, issuesOf, refuse, type Result } from '@/lib/result';
import { z } from 'zod';
import { passwordSchema, tooEasy } from '@/commands/people/password';
import { resetFor, useReset as applyReset } from '@/store/auth';

const GONE = 'This link does not work (any more). Ask for a new one.';
const schema = z.object({ token: z.string().min(20, GONE).max(100, GONE), password: passwordSchema });

/** Sets a password by the link that an owner handed over; nobody is signed in here. */
export async function setNewPassword(input: { token: string; password: string }): Promise<Result> {
  const read = schema.safeParse(input);
  if (!read.success) return { ok: false, issues: issuesOf(read.error) };
  const who = await resetFor(read.data.token);
  if (!who) return refuse('', GONE);
  const easy = await tooEasy(read.data.password, [who.name, who.email]);
  if (easy) return refuse('password', easy);
  return (await applyReset(read.data.token, read.data.password)) ? done : refuse('', GONE);
}
