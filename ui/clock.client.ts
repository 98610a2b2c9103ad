'use client';

import { clockAheadS } from '@/core/settings/clock';

/** Where the page says how far its server's clock runs ahead of the machine's (in tests and the demo alone). */
const AHEAD = 'clockAheadS';

/** The time by this machine's clock, moved as that of the server is: what a browser without a set clock would show. */
export function browserNow(): Date {
  const ahead =
    typeof document === 'undefined'
      ? clockAheadS(process.env.ELMHORN_CLOCK, new Date())
      : Number(document.documentElement.dataset[AHEAD] ?? 0);
  return new Date(Date.now() + (ahead || 0) * 1000);
}

/** The machine's own clock, ms: for leases, which are counted where no page tells of another. */
export const machineMs = (): number => Date.now();
