'use client';

import { usePathname } from 'next/navigation';
import { useEffect, useRef } from 'react';

/** Where reading goes on when what had the focus is gone: the work of the page, never the top of the document. */
export function toTheWork() {
  if (document.activeElement && document.activeElement !== document.body) return;
  document.getElementById('work')?.focus({ preventScroll: true });
}

/** Moves the focus to the work of a new page; the first page of a visit keeps it where the browser puts it. */
export function FocusOnWork() {
  const path = usePathname();
  const first = useRef(true);
  useEffect(() => {
    if (!first.current) toTheWork();
    first.current = false;
  }, [path]);
  return null;
}
