'use client';

import { useEffect, useRef, useState, useSyncExternalStore } from 'react';

const never = () => () => {};
/** False on the server and for the first paint, true ever after. */
export const useHydrated = () =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

/**
 * Shows its children once somebody comes near: what stands far down a page is neither worked out nor fetched before.
 * @param id where a link within the page may lead; such a link counts as coming near
 */
export function WhenNear({ id, label, children }: { id: string; label: string; children: React.ReactNode }) {
  const here = useRef<HTMLDivElement>(null);
  const [near, setNear] = useState(false);
  useEffect(() => {
    const place = here.current;
    if (near || !place) return;
    const watch = new IntersectionObserver((seen) => seen.some((s) => s.isIntersecting) && setNear(true), {
      rootMargin: '400px',
    });
    watch.observe(place);
    return () => watch.disconnect();
  }, [near]);
  // Whoever came by a link to it is taken there once it has its height.
  useEffect(() => {
    if (location.hash === `#${id}`) here.current?.scrollIntoView();
  }, [id, near]);
  return (
    <div ref={here} id={id} className={`scroll-mt-20 ${near ? '' : 'min-h-24 py-6'}`}>
      {near ? children : <p className="font-semibold text-ink-2">{label} …</p>}
    </div>
  );
}
