'use client';

import { useState } from 'react';
import type { MarginCount } from './frame';
import { StrengthMark } from './gates';

const words = (n: number, one: string) => (n === 0 ? null : `${n} ${one}${n === 1 ? '' : 's'}`);

/** The margin beside the bench on a desk; on a phone a sheet behind a handle that counts stops and holds. */
export function MarginShell({
  count,
  handle,
  margin,
  headed,
  children,
}: {
  /** A head stands above it and stays there on a phone. */
  headed: boolean;
  count?: MarginCount;
  handle?: string;
  margin: React.ReactNode;
  children: React.ReactNode;
}) {
  const [open, setOpen] = useState(false);
  const said = count
    ? [words(count.stops, 'stop'), words(count.holds, 'hold'), words(count.notes, 'note')].filter(Boolean).join(', ') ||
      'nothing stands against it'
    : (handle ?? 'More about this');
  const worst = (['stop', 'hold', 'note'] as const).find((s) => count && count[`${s}s`] > 0) ?? null;
  return (
    <>
      <button
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        className={`no-print sticky z-10 hidden min-h-dense w-full items-center gap-3 border-b-2 border-bark bg-sheet px-4 text-left font-bold phone:flex ${headed ? 'top-[66px]' : 'top-0'}`}
      >
        {worst && <StrengthMark strength={worst} small />}
        <span className="flex-1">{said}</span>
        <span className="text-small font-semibold">{open ? 'close ▾' : 'why ▴'}</span>
      </button>
      {children}
      <aside
        aria-label="Margin"
        className={`no-print border-l border-line bg-paper px-5 py-5 phone:fixed phone:inset-x-0 phone:bottom-0 phone:z-30 phone:max-h-[70dvh] phone:overflow-y-auto phone:border-t-2 phone:border-bark ${open ? '' : 'phone:hidden'}`}
      >
        <button type="button" onClick={() => setOpen(false)} className="press mb-4 hidden w-full phone:flex">
          Close
        </button>
        <div className="flex flex-col gap-6 desk:h-full">{margin}</div>
      </aside>
    </>
  );
}
