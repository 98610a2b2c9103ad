'use client';

import Link from 'next/link';
import { Fragment } from 'react';
import { Input } from '@/ui/controls/input.client';
import { showAmount, showFill, type UnitSystem } from '@/lib/units/units';
import type { RowGate } from '@/facts/at-the-tree';
import type { RowTree } from '@/views/row';

/** What a tree gets, as it is said aloud: of the mix where there is one, else of the product. */
const amountOf = ({ dose }: RowTree, units: UnitSystem): string =>
  dose.carrier ? showFill(dose.carrier.totalMl, units).text : showAmount(dose.product, dose.dimension, units).text;

/** One strip of trees: tag, amount, tick. Before the work it says who is in the row, on the way and after it who is done. */
export function Strip({
  trees,
  units,
  stage,
  out,
  done,
  stops,
  remeasured,
  onOut,
  onDone,
}: {
  trees: readonly RowTree[];
  units: UnitSystem;
  stage: number;
  out: readonly string[];
  done: readonly string[];
  stops: readonly RowGate[];
  /** Trees measured on this phone since the page was held: their own sheets know the dose. */
  remeasured: readonly string[];
  onOut: (out: string[]) => void;
  onDone: (done: string[]) => void;
}) {
  const working = stage >= 2;
  return (
    <ul className="mt-3" aria-label={working ? 'Done' : 'In the row'}>
      {trees.map((t) => {
        const stop = stops.find((g) => g.planIds.includes(t.planId));
        const why = stop?.gate.title ?? (remeasured.includes(t.treeId) ? 'measured since, dose on its sheet' : null);
        const left = out.includes(t.planId);
        if (working && left) return null;
        const on = working ? done.includes(t.planId) : !left && !why;
        const set = (list: readonly string[], has: boolean) =>
          has ? [...list, t.planId] : list.filter((id) => id !== t.planId);
        return (
          <Fragment key={t.planId}>
            {t === trees.find((x) => !x.sound) && trees[0]!.sound && (
              <li className="row border-l-4 border-ink py-2 pl-3 font-semibold">
                Sound trees until here. From now on clean what touched a tree before it touches the next.
              </li>
            )}
            <li className="row">
              <label className={`flex min-h-16 items-center gap-4 py-1 ${why ? 'opacity-90' : 'cursor-pointer'}`}>
                <span className="plate-small flex-none">{t.tag}</span>
                <span className="min-w-0 flex-1">
                  <span className="block text-[0.9375rem] text-ink-2">{t.host}</span>
                  {why && (
                    <span className="block font-semibold text-madder">
                      Stopped: {why}. <Link href={`/trees/${t.treeId}/treat?plan=${t.planId}`}>Its sheet</Link>
                    </span>
                  )}
                  {!why && left && <span className="block font-semibold">left for another day</span>}
                </span>
                <b className={`figures flex-none text-right ${working ? 'text-[2rem] leading-none' : 'text-lead'}`}>
                  {amountOf(t, units)}
                </b>
                <Input
                  type="checkbox"
                  className="size-9 flex-none accent-cambium-deep"
                  aria-label={working ? `${t.tag} is done` : `${t.tag} is in the row`}
                  checked={on}
                  disabled={!working && why !== null}
                  onChange={(e) => (working ? onDone(set(done, e.target.checked)) : onOut(set(out, !e.target.checked)))}
                />
              </label>
            </li>
          </Fragment>
        );
      })}
    </ul>
  );
}
