'use server';

import { issuesOf, refuse, type Result } from '@/lib/result';
import { failed } from '@/app/_server/failed';
import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { SAMPLE_PASSWORD, samplePeople } from '@/stand-ins/sample-people';
import { signIn, signOut, signOutEverywhere } from '@/store/auth';
import { clientAddress, COOKIE, deviceName, currentViewer, localPath, secureCookies } from '../_server/viewer';

const credentials = z.object({
  email: z
    .string('Type your e-mail address.')
    .trim()
    .min(3, 'Type your e-mail address.')
    .max(200, 'That address is too long.'),
  password: z.string('Type your password.').min(1, 'Type your password.').max(200, 'That password is too long.'),
});

/** Opens a session and goes to Today; a wrong pair is one sentence that does not tell which half was wrong. */
export async function enter(input: { email: string; password: string; to?: string }): Promise<Result> {
  const read = credentials.safeParse(input);
  if (!read.success) return { ok: false, issues: issuesOf(read.error) };
  let opened;
  try {
    opened = await signIn(read.data.email.toLowerCase(), read.data.password, await clientAddress(), await deviceName());
  } catch (error) {
    await failed(error);
    return refuse('', 'The database does not answer. Wait a moment and try again.');
  }
  if ('sentence' in opened) return refuse('password', opened.sentence);
  (await cookies()).set(COOKIE, opened.token, {
    httpOnly: true,
    sameSite: 'lax',
    secure: secureCookies(),
    path: '/',
    maxAge: 30 * 86_400,
  });
  redirect(localPath(typeof input.to === 'string' ? input.to : null));
}

/** Comes in as one of the sample people; only in the demonstration. */
export async function enterAs(email: string, to?: string): Promise<Result> {
  const known = process.env.ELMHORN_DEMO === '1' && samplePeople.some((p) => p.email === email);
  return known
    ? enter({ email, password: SAMPLE_PASSWORD, ...(to ? { to } : {}) })
    : refuse('', 'There are no sample people here.');
}

export async function leave(everywhere: boolean): Promise<void> {
  const viewer = await currentViewer();
  const jar = await cookies();
  const token = jar.get(COOKIE)?.value;
  if (viewer && token) await (everywhere === true ? signOutEverywhere(viewer) : signOut(viewer, token));
  jar.delete(COOKIE);
  redirect('/sign-in');
}
