'use client';

import type { InstallationRow } from '@/facts/board';
import type { Dose } from '@/core/dose/dose';
import type { MethodWords } from '@/core/label/method-words';
import { AIRBORNE } from '@/core/label/methods';
import type { LabelUse } from '@/core/label/schema';
import { showAmount, showFill, type UnitSystem } from '@/lib/units/units';
import { Fact } from '@/ui/frame/pieces';
import { clock } from '@/ui/words';
import { InstallForm, type InstalledDevices, type Started } from './install.client';

/** While it is done: since when, into what, and what hangs while the crew goes on. */
export function During({
  plan: { id, dose, use },
  words,
  startedAt,
  units,
  timeZone,
  hanging,
  refused,
  rows,
  hang,
  children,
}: {
  plan: { id: string; dose: Dose; use: LabelUse };
  words: MethodWords;
  startedAt: string;
  units: UnitSystem;
  timeZone: string;
  hanging: InstalledDevices | null;
  refused: boolean;
  rows: readonly InstallationRow[];
  /** What was said at the tree, and which dose is followed. */
  hang: Started;
  /** The press that ends it; nothing ends while something hangs. */
  children: React.ReactNode;
}) {
  const device = use.sites?.device;
  return (
    <>
      <p className="text-[0.9375rem] font-semibold text-ink-2">Started</p>
      <p className="figures text-pour-big leading-none font-bold phone:text-pour">
        {startedAt ? clock(startedAt, timeZone) : '–'}
      </p>
      <dl className="mt-4 max-w-lg">
        <Fact name={words.into}>
          {dose.sites && dose.perSite
            ? showAmount(dose.pour.amount, dose.pour.what === 'stock' ? 'volume' : dose.dimension, units).text
            : (dose.carrier ? showFill(dose.carrier.totalMl, units) : showAmount(dose.product, dose.dimension, units))
                .text}
        </Fact>
        {dose.sites && <Fact name="Count them back">{dose.sites.count} devices</Fact>}
        <Fact name="Keep out">
          {use.intervals.reEntryHours > 0
            ? `${use.intervals.reEntryHours} h after the end`
            : AIRBORNE.includes(use.method)
              ? 'until it has dried'
              : 'no time on the label'}
        </Fact>
      </dl>
      <p className="mt-3 max-w-lg text-[0.9375rem] text-ink-2">{words.mind}</p>
      {dose.sites && device && (
        <InstallForm
          planId={id}
          product={dose.product}
          count={device === 'tee infusion' ? 1 : dose.sites.count}
          startedAt={startedAt}
          timeZone={timeZone}
          hanging={hanging}
          refused={refused}
          rows={rows}
          started={hang}
        />
      )}
      {!hanging?.still && children}
    </>
  );
}
