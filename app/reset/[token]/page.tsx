import type { Metadata } from 'next';
import { resetFor } from '@/store/auth';
import { NewPassword } from './new-password.client';

export const metadata: Metadata = { title: 'A new password', referrer: 'no-referrer' };
export const dynamic = 'force-dynamic';

export default async function Page({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const who = token.length <= 100 ? await resetFor(token) : null;
  return (
    <main className="mx-auto flex min-h-dvh max-w-md flex-col justify-center px-6 py-10">
      <h1 className="mb-4">A new password</h1>
      {who ? (
        <NewPassword token={token} name={who.name} />
      ) : (
        <p>
          This link does not work (any more): it serves once, for a day. Ask the owner of your company for a new one.
        </p>
      )}
    </main>
  );
}
