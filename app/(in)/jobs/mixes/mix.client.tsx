'use client';

import type { Issue } from '@/lib/result';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 } from 'uuid';
import { fillingsOf, fromLots, usualFill, type Fill } from '@/core/mix/fill';
import { readNumber } from '@/lib/units/numbers';
import { showAmount, showFill, type UnitSystem } from '@/lib/units/units';
import { FormIssues, SelectField, TextField } from '@/ui/controls/controls';
import { useMadeId, useSend } from '@/ui/controls/use.client';
import { FillFigure } from '@/ui/figures/fill';
import { Pour } from '@/ui/frame/pieces';
import { useNotify } from '@/ui/frame/undo.client';
import type { Mix } from '@/views/mix';
import { MainPress } from '../../trees/[id]/treat/stages.client';
import { makeBatch, voidBatch } from '../../offline-commands.client';
import { stockWith } from '@/facts/queued';
import { batchCode, goodUntil } from '@/core/mix/batch';
import { dayIn, nightAfter } from '@/lib/calendar/zone';
import type { BatchRow } from '@/facts/queued';
import { phoneNow } from '@/ui/phone/clock.client';
import { useQueued } from '@/ui/phone/phone.client';

/** A vessel that is not on the list is named with what it holds. */
const OTHER = 'other';

/** What is wanted yet, load by load: the marks to fill to, the product as it is measured, and one press when it is mixed. */
export function MixBench({
  mix,
  units,
  crewDayId,
  refused,
}: {
  mix: Mix;
  units: UnitSystem;
  crewDayId: string | null;
  refused: string | null;
}) {
  const router = useRouter();
  const said = useNotify();
  const { recipe, trees, fills, label, dimension } = mix;
  const waits = useQueued<unknown>('make-batch', 'finish-batch', 'record-treatment', 'record-treatments');
  const { lots, mixes: made } = stockWith({ lots: mix.lots, mixes: mix.made }, label.key, waits);
  // The day of whoever stands there: this page may be held since yesterday.
  const [today] = useState(() => (waits.length ? dayIn(phoneNow(), mix.timeZone) : mix.today));
  const waiting = made.reduce((sum, b) => sum + b.leftMl, 0);
  const wantedMl = Math.max(0, recipe.mixMl - waiting);
  const [fillId, setFill] = useState(usualFill(fills, recipe.mixMl)?.id ?? OTHER);
  const [own, setOwn] = useState({ name: '', holds: '' });
  const [lotId, setLot] = useState<string | null>(null);
  const { id, renew } = useMadeId(`mix:${trees[0]!.planId}`);
  const { busy, issues, setIssues, send } = useSend(makeBatch, { renew });
  const holds = readNumber(own.holds, { name: 'What it holds', above: 0, max: 5_000, unit: 'L' });
  const fill: Fill | null =
    fills.find((f) => f.id === fillId) ??
    (holds.ok ? { id: OTHER, name: own.name, holdsMl: holds.value * 1000, stepMl: 1, deadMl: 0 } : null);
  const loads = wantedMl > 1e-6 ? fillingsOf({ recipe, wantedMl, fill, vessels: mix.vessels, dimension }) : [];
  const [load] = loads;
  const from = load ? fromLots(lots, lotId, load.put, today) : null;
  const show = (x: number) => showAmount(x, dimension, units).text;
  const submit = () => {
    const wrong: Issue[] = [
      ...(fillId === OTHER && !own.name.trim() ? [{ path: 'vessel', message: 'Say what it is mixed in.' }] : []),
      ...(fillId === OTHER && !holds.ok ? [{ path: 'holds', message: holds.sentence }] : []),
      ...(from
        ? []
        : [
            {
              path: 'lots',
              message: 'The lots that have not expired do not hold so much: book a delivery or count them.',
            },
          ]),
    ];
    if (wrong.length || !load || !from || !fill) return setIssues(wrong);
    const madeAt = phoneNow();
    const planIds = trees.map((t) => t.planId);
    send(
      {
        id,
        crewDayId,
        planIds,
        vessel: fill.name,
        totalMl: load.spray,
        product: load.put,
        lots: from,
        madeAt: madeAt.toISOString(),
      },
      ({ code }, kept) => {
        renew();
        said({
          sentence: `Mixed. Write ${code} on it, or print its tag.`,
          undo: () => voidBatch({ id: v7(), batchId: id }),
        });
        // Without signal its page is drawn on the phone, from the round that it is of.
        router.push(
          kept && crewDayId ? `/phone/day/${crewDayId}?view=mix&mix=${id}` : kept ? '/phone' : `/jobs/mixes/${id}`,
        );
      },
      {
        id,
        crewDayId,
        labelId: mix.labelId,
        labelKey: label.key,
        labelName: label.name,
        kind: recipe.kind,
        code: batchCode(id),
        vessel: fill.name,
        unit: dimension === 'mass' ? 'g' : 'mL',
        product: load.put,
        totalMl: load.spray,
        leftMl: load.spray,
        planIds,
        madeAt,
        goodUntil: goodUntil(madeAt, label.mixKeepsHours, nightAfter(madeAt, mix.timeZone)),
        byName: '',
        lots: from.map((f) => {
          const lot = lots.find((l) => l.id === f.lotId)!;
          return { id: f.lotId, number: lot.lotNumber, expires: lot.expiresOn, amount: f.amount };
        }),
        kept: false,
      } satisfies BatchRow,
    );
  };
  return (
    <>
      <h1>
        Mix for {trees.length} {trees.length === 1 ? 'tree' : 'trees'}: {label.name}
      </h1>
      {refused && <p className="mt-2 border-l-4 border-sap pl-3 font-semibold text-sap">{refused}</p>}
      {made.length > 0 && (
        <p className="mt-2">
          Mixed already:{' '}
          {made.map((b, i) => (
            <span key={b.id}>
              {i > 0 && ', '}
              <Link href={`/jobs/mixes/${b.id}`}>{b.code}</Link> with {showFill(b.leftMl, units).text} left
            </span>
          ))}
          .
        </p>
      )}
      {!load ? (
        <p className="mt-3 text-lead font-bold">Enough is mixed for all of them.</p>
      ) : (
        <>
          <div className="mt-3 grid max-w-2xl gap-x-8 desk:grid-cols-2">
            <SelectField
              label="Mixed in"
              path="fill"
              issues={issues}
              value={fillId}
              onChange={setFill}
              options={[
                ...fills.map((f) => ({ value: f.id, name: `${f.name}, ${showFill(f.holdsMl, units).text}` })),
                { value: OTHER, name: 'something else' },
              ]}
            />
            {fillId === OTHER && (
              <>
                <TextField
                  label="What is it"
                  path="vessel"
                  issues={issues}
                  maxLength={80}
                  value={own.name}
                  onChange={(name) => setOwn((o) => ({ ...o, name }))}
                />
                <TextField
                  label="It holds, L"
                  path="holds"
                  issues={issues}
                  inputMode="decimal"
                  maxLength={10}
                  value={own.holds}
                  onChange={(holdsL) => setOwn((o) => ({ ...o, holds: holdsL }))}
                />
              </>
            )}
          </div>
          {loads.length > 1 && (
            <p className="text-lead font-bold">
              {loads.length} equal fillings; this is {made.length ? 'the next' : 'the first'}.
            </p>
          )}
          <div className="mt-2 grid grid-cols-[7.5rem_minmax(0,1fr)] items-start gap-x-5 md:grid-cols-[15rem_minmax(0,1fr)] md:gap-x-10">
            <FillFigure
              shape={recipe.kind === 'stock' ? 'bottle' : 'tank'}
              part={fill ? load.spray / fill.holdsMl : 0.8}
              first={fill ? load.waterFirst / fill.holdsMl : 0.4}
              mark={showFill(load.spray, units).text}
              firstMark={showFill(load.waterFirst, units).text}
              name={fill?.name || 'The vessel'}
            />
            <ol>
              <li>
                <Pour label="1  Water to" {...showFill(load.waterFirst, units)} />
              </li>
              <li>
                <Pour big label="2  Product" {...showAmount(load.put, dimension, units)}>
                  {load.measured.vessel && load.put === load.measured.amount && (
                    <p className="font-semibold">
                      {load.measured.vessel.name}
                      {load.measured.fullFills > 0 && `: ${load.measured.fullFills} full`}
                      {load.measured.lastMark > 0 &&
                        `${load.measured.fullFills > 0 ? ' and' : ':'} to the ${load.measured.lastMark} mark`}
                    </p>
                  )}
                  <p className="text-[0.9375rem] text-ink-2">stir while it goes in</p>
                </Pour>
              </li>
              <li>
                <Pour label="3  Fill up to" {...showFill(load.spray, units)} />
              </li>
            </ol>
          </div>
          {from && (
            <p className="figures">
              From{' '}
              {from.map((f) => `lot ${lots.find((l) => l.id === f.lotId)!.lotNumber}: ${show(f.amount)}`).join(', ')}.
            </p>
          )}
          <div className="max-w-sm">
            {lots.length > 1 && (
              <SelectField
                label="From lot"
                path="lot"
                issues={issues}
                value={lotId ?? from?.[0]?.lotId ?? lots[0]!.id}
                onChange={setLot}
                options={lots.map((l) => ({
                  value: l.id,
                  name: `${l.lotNumber}: ${show(l.onHand)}, until ${l.expiresOn}${l.expiresOn < today ? ', expired' : ''}`,
                }))}
              />
            )}
          </div>
          <FormIssues issues={issues} known={['fill', 'lot', 'vessel', 'holds']} />
          {!refused && (
            <MainPress disabled={busy} onPress={submit}>
              {busy ? 'Writing …' : 'Mixed'}
            </MainPress>
          )}
        </>
      )}
    </>
  );
}
