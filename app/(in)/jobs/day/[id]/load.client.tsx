'use client';

import { useOptimistic, useTransition } from 'react';
import { Input } from '@/ui/controls/input.client';
import { useNotify } from '@/ui/frame/undo.client';
import type { LoadCheck } from '@/facts/crews-day';
import { checkLoadItem } from '../../../offline-commands.client';

/** The load sheet: each line is ticked when it is seen on the truck; what the shelf cannot give is said the evening before. */
export function LoadSheet({
  crewDayId,
  groups,
  may,
}: {
  crewDayId: string;
  groups: { title: string; lines: LoadCheck[] }[];
  may: boolean;
}) {
  const [, start] = useTransition();
  const said = useNotify();
  const [seen, see] = useOptimistic(
    new Map(groups.flatMap((g) => g.lines.map((l) => [l.line, l.ticked] as const))),
    (was, change: { line: string; on: boolean }[]) => new Map([...was, ...change.map((c) => [c.line, c.on] as const)]),
  );
  const tick = (lines: LoadCheck[], on: boolean) =>
    start(async () => {
      see(lines.map((l) => ({ line: l.line, on })));
      const answer = await checkLoadItem({
        crewDayId,
        ticks: lines.map((l) => ({ line: l.line, amount: l.amount, on })),
      });
      if (!answer.ok) said({ sentence: answer.issues[0]!.message });
    });
  const short = groups.flatMap((g) => g.lines).filter((l) => l.short);
  return (
    <section aria-label="Load sheet">
      <h2 className="text-body">Load sheet</h2>
      {short.length > 0 && (
        <p className="mt-1 border-l-4 border-madder pl-3 font-semibold text-madder" role="status">
          {short.length === 1 ? 'One thing is short' : `${short.length} things are short`}: fetch or order before
          driving.
        </p>
      )}
      {groups.length === 0 && <p className="text-ink-2">Nothing to load.</p>}
      {groups.map((g) => {
        const waits = g.lines.filter((l) => !seen.get(l.line));
        return (
          <fieldset key={g.title} className="mt-3">
            <legend className="flex w-full items-baseline justify-between font-bold">
              {g.title}
              {may && waits.length > 1 && (
                <button
                  type="button"
                  className="no-print min-h-hand px-2 text-[0.9375rem] underline underline-offset-3"
                  onClick={() => tick(waits, true)}
                >
                  all {waits.length} seen<span className="sr-only">: {g.title}</span>
                </button>
              )}
            </legend>
            {g.lines.map((l) => (
              <label key={l.line} className="row flex min-h-hand cursor-pointer items-center gap-3 py-1.5">
                <Input
                  type="checkbox"
                  className="size-7 flex-none accent-[var(--cambium-deep)]"
                  checked={seen.get(l.line) ?? false}
                  disabled={!may}
                  onChange={(e) => tick([l], e.target.checked)}
                />
                <span className="flex min-w-0 flex-1 flex-wrap items-baseline justify-between gap-x-3">
                  <span>
                    {l.what}
                    {l.short && <b className="block text-madder">{l.short}</b>}
                  </span>
                  <b className="figures ml-auto text-right">{l.amount}</b>
                </span>
              </label>
            ))}
          </fieldset>
        );
      })}
    </section>
  );
}
