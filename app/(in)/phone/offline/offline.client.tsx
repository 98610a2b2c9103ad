'use client';

import { useEffect, useState } from 'react';
import { offlinePages } from '@/ui/phone/offline-copy.client';

/** Days that are held, which lead to all the rest. */
export function OfflineList() {
  const [days, setDays] = useState<string[] | null>(null);
  useEffect(() => {
    void offlinePages().then((all) =>
      setDays(all.map((h) => h.path).filter((p) => /^\/phone\/day\/[0-9a-f-]{36}$/.test(p))),
    );
  }, []);
  return (
    <>
      <h1>This page is not on this phone</h1>
      <p className="mt-2">There is no signal, and it was not among what this phone holds.</p>
      <ul className="mt-4 flex flex-col gap-3">
        {/* The browser asks anew for each: without signal a soft way through would only fail. */}
        {(days ?? []).map((d, i) => (
          <li key={d}>
            <a className="press press-main min-h-14" href={`${d}?view=day`}>
              {days!.length === 1 ? 'The round' : `Round ${i + 1}`}
            </a>
          </li>
        ))}
        <li>
          <a className="press min-h-14" href="/jobs/devices">
            The board of what hangs
          </a>
        </li>
        <li>
          <a className="press min-h-14" href="/phone">
            What waits on this phone
          </a>
        </li>
      </ul>
    </>
  );
}
