'use client';

import Link from 'next/link';
import { usePhone } from './phone.client';

/** Said on a held page once there is signal: what the server has is a step away, and nobody is taken from what they do. */
export function SignalAgain({ real }: { real: string }) {
  const { signal } = usePhone();
  return signal ? (
    <p role="status" className="no-print bg-cambium px-4 py-2 font-bold text-on-cambium">
      There is signal again. <Link href={real}>See it as the server has it</Link>
    </p>
  ) : null;
}
