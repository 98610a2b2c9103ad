import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { currentViewer, localPath } from '../_server/viewer';
import { samplePeople } from '@/stand-ins/sample-people';
import { SignIn } from './sign-in.client';

export const metadata: Metadata = { title: 'Sign in' };
export const dynamic = 'force-dynamic';

export default async function Page({ searchParams }: { searchParams: Promise<{ to?: string | string[] }> }) {
  const { to: wanted } = await searchParams;
  const to = localPath(typeof wanted === 'string' ? wanted : null);
  if (await currentViewer()) redirect(to);
  return (
    <main className="mx-auto flex min-h-dvh max-w-4xl flex-col justify-center gap-10 px-6 py-10 desk:flex-row desk:items-center desk:gap-16">
      <div className="flex-1">
        <h1 className="text-tag leading-none font-extrabold">Elmhorn</h1>
        <p className="mt-4 text-lead">
          Examine the tree, work out the dose, do the work, write it down, come back on time.
        </p>
        <p className="mt-6 max-w-md text-[0.9375rem] text-ink-2">
          The label in hand, the law and your licence come first. Elmhorn does the measuring, the arithmetic, the dates
          and the record.
        </p>
      </div>
      <div className="plate w-full max-w-md p-8 pt-10">
        <span
          aria-hidden
          className="absolute top-4 left-1/2 -ml-1.75 size-3.5 rounded-full border border-bark bg-paper"
        />
        <SignIn
          to={to}
          people={
            process.env.ELMHORN_DEMO === '1'
              ? samplePeople.map((p) => ({
                  name: p.name,
                  email: p.email,
                  role: p.units === 'us' ? `${p.role}, US units` : p.role,
                }))
              : []
          }
        />
      </div>
    </main>
  );
}
