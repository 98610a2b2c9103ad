import Link from 'next/link';
import type { OpenPlan } from '@/store/plans';

/** Treatments that were done and are not in the book: they are offered nowhere, and somebody settles each of them. */
export function ToSettle({ plans }: { plans: readonly OpenPlan[] }) {
  if (!plans.length) return null;
  return (
    <p role="status" className="mt-3 border-l-4 border-madder pl-3 font-semibold">
      {plans.length === 1 ? 'One treatment was' : `${plans.length} treatments were`} done and not recorded (tree{' '}
      {plans.map((p) => p.tag).join(', ')}). <Link href="/phone">Settle {plans.length === 1 ? 'it' : 'them'}</Link>
    </p>
  );
}
