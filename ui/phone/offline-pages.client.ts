'use client';

import { useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useState } from 'react';
import { phoneNow } from './clock.client';
import { usePhone } from './phone.client';

/** How often the hour is looked at: gates and air are of now, not of when this page was opened. */
const EVERY_MS = 60_000;
/** The time on this phone; null until what waits on it has been read: the server cannot know of it, nor which part is wanted. */
export function usePhoneNow(): Date | null {
  const [now, setNow] = useState<Date | null>(null);
  const { ready } = usePhone();
  useEffect(() => {
    const look = () => setNow(phoneNow());
    look();
    const each = setInterval(look, EVERY_MS);
    return () => clearInterval(each);
  }, []);
  return ready ? now : null;
}

/**
 * Links from one part of a held page to another are followed on the phone: nothing is asked of the network.
 * @param partOf the address on this page of a link to somewhere else; null where it leads away
 */
export function useOfflineLinks(partOf: (to: URL) => string | null) {
  useEffect(() => {
    const onClick = (e: MouseEvent) => {
      const link = e.target instanceof Element ? e.target.closest<HTMLAnchorElement>('a[href]') : null;
      if (!link || e.ctrlKey || e.metaKey || e.shiftKey) return;
      const to = new URL(link.href);
      const part = to.origin === location.origin ? partOf(to) : null;
      if (part === null) return;
      e.preventDefault();
      e.stopPropagation();
      history.pushState(null, '', part);
      window.scrollTo({ top: 0 });
    };
    document.addEventListener('click', onClick, true);
    return () => document.removeEventListener('click', onClick, true);
  }, [partOf]);
}

/** Somebody who came to a held page by its own address while there is signal wants what the server has. */
export function useServerPages(part: string, real: string) {
  const router = useRouter();
  const { signal } = usePhone();
  const asked = useSearchParams();
  const [came] = useState(() => asked.get(part) === null);
  useEffect(() => {
    if (came && signal) router.replace(real);
  }, [came, signal, router, real]);
}
