import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl px-6 py-16">
      <h1>Nothing hangs here</h1>
      <p className="mt-3">
        There is no such page, tree or record in this company. It may have been archived, or the address was copied
        short.
      </p>
      <p className="mt-6">
        <Link href="/" className="press">
          Back to Today
        </Link>
      </p>
    </main>
  );
}
