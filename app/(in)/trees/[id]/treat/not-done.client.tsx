'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Leave } from '../../../jobs/day/[id]/leave.client';

/** Somebody stands at the tree and it cannot be done: why, by one press, and it waits on. */
export function NotDone({ planId, tag }: { planId: string; tag: string }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  return (
    <section className="no-print mt-1">
      <button
        type="button"
        className="min-h-hand text-[0.9375rem] underline underline-offset-3"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        It cannot be done now
      </button>
      {open && <Leave itemIds={[planId]} name={tag} onDone={() => router.push('/jobs')} />}
    </section>
  );
}
