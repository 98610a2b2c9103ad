import { cookies, headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import { cache } from 'react';
import { uuid } from '@/lib/ids';
import { may, type Right } from '@/core/people/rights';
import { knowledgeOf } from '@/facts/knowledge';
import { customKnowledgeWithin } from '@/facts/custom-knowledge';
import { todayOf as dayOf } from '@/facts/today';
import type { CustomKnowledge } from '@/core/custom/custom-knowledge';
import { provideCustomKnowledge } from '@/knowledge/custom';
import { floorOf, type Floor, type Viewer } from '@/store/auth';
import { clockNow } from '@/store/clock';

export const COOKIE = 'elmhorn';

/** Who is signed in and how much waits for them, or null; asked once a request. */
export const currentFloor = cache(async (): Promise<Floor | null> => {
  const token = (await cookies()).get(COOKIE)?.value;
  const floor = token && token.length < 200 ? await floorOf(token, clockNow()) : null;
  if (floor) drawn().own = (await knowledgeOf(floor.viewer)).own;
  return floor;
});
/** What the company whose page is being drawn knows of its own: one of these for each request. */
const drawn = cache((): { own: CustomKnowledge | null } => ({ own: null }));
provideCustomKnowledge(() => customKnowledgeWithin() ?? drawn().own);

export const currentViewer = async (): Promise<Viewer | null> => (await currentFloor())?.viewer ?? null;

/** A path of our own, and nothing that a browser could take for another site; anything else leads to Today. */
export const localPath = (to: string | null | undefined): string =>
  to && /^\/(?![/\\])[\x21-\x7e]*$/.test(to) && !to.includes('\\') && !to.startsWith('/sign-in') ? to : '/';

/** Who is signed in; anybody else goes to the sign-in page, and from there to where they were going. */
export async function viewer(): Promise<Viewer> {
  const v = await currentViewer();
  if (v) return v;
  const to = localPath((await headers()).get('x-elmhorn-to'));
  return redirect(to === '/' ? '/sign-in' : `/sign-in?to=${encodeURIComponent(to)}`);
}

/** An id from an address; what cannot be one leads to the page that says so. */
export const idOr404 = (text: string): string => (uuid.safeParse(text).success ? text : notFound());

export const todayOf = (v: Pick<Viewer, 'timeZone'>) => dayOf(v, clockNow());

/** The machine that asks; `bin/start.ts` has put it there, whatever the client wrote. */
export const clientAddress = async () => (await headers()).get('x-forwarded-for')?.split(',').at(-1)?.trim() || 'local';

/** What kind of device asks, as far as it says so itself. */
export const deviceName = async (): Promise<string> => deviceOf((await headers()).get('user-agent') ?? '');
/** @example deviceOf('… Mobile …') // 'phone or tablet' */
export const deviceOf = (agent: string): string =>
  !agent ? 'a program' : /\bMobi/i.test(agent) ? 'phone or tablet' : 'computer';

export const allows = (v: Viewer, right: Right) => may(v.role, right);

/** Whether cookies must only travel over TLS. */
export const secureCookies = () => (process.env.ELMHORN_ORIGIN ?? '').startsWith('https://');
