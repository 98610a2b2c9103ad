'use client';

import { useEffect, useRef, useSyncExternalStore } from 'react';

const never = () => () => {};
/** False on the server and for the first paint, true ever after. */
export const useHydrated = () =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

/** A page has settled when nobody waits for its first answer any more, ms. */
const SETTLED_MS = 1500;
/** Does something once the page has settled. */
export function useSettled(work: () => void) {
  const latest = useRef(work);
  useEffect(() => {
    latest.current = work;
  }, [work]);
  useEffect(() => {
    const later = setTimeout(() => latest.current(), SETTLED_MS);
    return () => clearTimeout(later);
  }, []);
}

interface WhenNearProps {
  id: string;
  label: string;
  near: boolean;
  /** Kept by the page, so that what has come stays when it is drawn anew. */
  onNear: () => void;
  children: React.ReactNode;
}

/**
 * Shows its children once somebody comes near, or the page has settled: what stands far down it keeps nobody waiting, and is
 * there for whoever searches the page, prints it, or loses the network.
 * @param id within the children, where a link may lead; such a link counts as coming near
 */
export function WhenNear({ id, label, near, onNear, children }: WhenNearProps) {
  const here = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const place = here.current;
    if (near || !place) return;
    const watch = new IntersectionObserver((seen) => seen.some((s) => s.isIntersecting) && onNear(), {
      rootMargin: '400px',
    });
    watch.observe(place);
    return () => watch.disconnect();
  }, [near, onNear]);
  useSettled(onNear);
  // Whoever came by a link to it is taken there as soon as it is there.
  useEffect(() => {
    if (location.hash !== `#${id}`) return;
    if (near) document.getElementById(id)?.scrollIntoView();
    else onNear();
  }, [id, near, onNear]);
  return (
    <div ref={here} className={near ? undefined : 'min-h-24 py-6'}>
      {near ? children : <p className="font-semibold text-ink-2">{label} …</p>}
    </div>
  );
}
