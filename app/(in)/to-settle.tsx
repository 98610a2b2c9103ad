import Link from 'next/link';

/** What was done and is not in the book: it is offered nowhere, and somebody settles each of it. */
export function ToSettle({ done }: { done: readonly { tag: string }[] }) {
  if (!done.length) return null;
  return (
    <p role="status" className="mt-3 border-l-4 border-madder pl-3 font-semibold">
      Done and not recorded: {done.length === 1 ? 'tree' : 'trees'} {done.map((x) => x.tag).join(', ')}.{' '}
      <Link href="/phone">Settle {done.length === 1 ? 'it' : 'them'}</Link>
    </p>
  );
}
