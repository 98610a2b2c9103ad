'use client';

import type { Currency } from '@/core/cost/prices';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { dose } from '@/core/dose/dose';
import { labelDoubts } from '@/core/label/doubts';
import { labelDraft, type LabelDraft, type UseDraft } from '@/core/label/draft';
import { labelOf } from '@/core/label/written';
import { METHOD_NAMES } from '@/core/label/methods';
import { labelSchema, type Label } from '@/core/label/schema';
import { MASS, showAmount, showTrunk, VOLUME, type UnitSystem } from '@/lib/units/units';
import { Choices, FormIssues, SelectField, TextField, Checkbox } from '@/ui/controls/controls';
import { Picked, RemoveRow, type Named } from '@/ui/controls/picked.client';
import { useDraft, useSend } from '@/ui/controls/use.client';
import { Input } from '@/ui/controls/input.client';
import { Frame } from '@/ui/frame/frame';
import { useNotify } from '@/ui/frame/undo.client';
import { importLabel } from '../../actions';
import { Blank, Pick, Sentence } from './blanks.client';
import { UseForm } from './use.client';

export function LabelEditor({
  from,
  prices,
  hosts,
  targets,
  units,
}: {
  from: Label | null;
  /** The company's money, in which the price is typed. */
  prices: Currency;
  hosts: Named[];
  targets: Named[];
  units: UnitSystem;
}) {
  const router = useRouter();
  const said = useNotify();
  const [f, setForm, forget] = useDraft<LabelDraft>(
    `label:${from ? `${from.key}-${from.version}` : 'new'}`,
    labelDraft(from, prices),
  );
  const [at, setAt] = useState(0);
  const { busy, issues, send } = useSend(importLabel);
  const set = <K extends keyof LabelDraft>(k: K, value: LabelDraft[K]) => setForm((was) => ({ ...was, [k]: value }));
  const here = Math.min(at, f.uses.length - 1);
  const use = f.uses[here]!;
  const setUse = (change: Partial<UseDraft>) =>
    setForm((was) => ({ ...was, uses: was.uses.map((u, i) => (i === here ? { ...u, ...change } : u)) }));
  const data = useMemo(() => labelOf(f, from, prices), [f, from, prices]);
  const read = useMemo(() => labelSchema.safeParse(data), [data]);
  const begun = f.name !== '' && (use.low !== '' || use.form === 'classes');
  const draftIssues = read.success ? [] : read.error.issues;
  const doubts = useMemo(() => (read.success ? labelDoubts(read.data) : []), [read]);
  const example = read.success
    ? dose({
        label: read.data,
        useKey: read.data.uses[here]!.key,
        diameters: [40],
        vessels: [],
        siteAreaM2: 10_000,
        areaM2: 20,
        holes: 60,
        sprayVolumeMl: 20_000,
        system: units,
      })
    : null;
  type Text = { [K in keyof LabelDraft]: LabelDraft[K] extends string ? K : never }[keyof LabelDraft];
  const word = (k: Text, label: string, more: object = {}) => (
    <TextField label={label} path={k} value={f[k]} onChange={(x) => set(k, x as never)} {...more} />
  );
  const blank = (k: Text, name: string, width?: string) => (
    <Blank name={name} value={f[k]} onChange={(x) => set(k, x as never)} width={width} />
  );
  const margin = (
    // The sum stays in sight while the form is long.
    <div className="flex flex-col gap-6 desk:sticky desk:top-20">
      <section aria-live="polite">
        <h2 className="text-body">For a trunk of {showTrunk(40, units).text}</h2>
        {example?.ok ? (
          <>
            <p className="figures text-tag leading-tight font-bold">
              {showAmount(example.product, example.dimension, units).text}
            </p>
            <ul className="text-[0.9375rem]">
              {example.steps.map((s, i) => (
                <li key={i} className="row py-1">
                  {s.what}: {s.sum} = <b>{s.result}</b>
                </li>
              ))}
            </ul>
            <p className="text-small text-ink-2">
              Ground of 20 m², 60 holes or 20 L of spray, where the rate goes by those.
            </p>
          </>
        ) : (
          <p className="text-ink-2">
            {example ? example.issues[0]!.message : 'Fill the sentence of the rate, and the sum stands here.'}
          </p>
        )}
      </section>
      {begun && draftIssues.length > 0 && (
        <section>
          <h2 className="text-body">Still to be put right</h2>
          <ul role="status">
            {draftIssues.slice(0, 8).map((i) => (
              <li key={i.path.join('.') + i.message} className="row py-1.5 text-[0.9375rem] font-semibold text-sap">
                <Where path={i.path} several={f.uses.length > 1} onUse={setAt} />: {i.message}
              </li>
            ))}
          </ul>
        </section>
      )}
      {doubts.length > 0 && (
        <section>
          <h2 className="text-body">Is this right?</h2>
          <ul role="status">
            {doubts.map((d) => (
              <li key={d.path.join('.')} className="row py-1.5 text-[0.9375rem] font-semibold text-sap">
                <Where path={d.path} several={f.uses.length > 1} onUse={setAt} />: {d.message}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
  return (
    <Frame
      tag={<p className="text-lead leading-tight font-extrabold">{f.name || 'A new label'}</p>}
      margin={margin}
      handle="The sum, and what is missing"
    >
      <form
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          send({ text: JSON.stringify(data) }, ({ name, version }) => {
            forget();
            said({
              sentence: `${name} stands on the shelf as version ${version}; sign it once it is read against the label.`,
            });
            router.push('/stock');
          });
        }}
      >
        <h1>{from ? `The next version of ${from.name}` : 'Enter a label from the paper'}</h1>
        <p className="mb-4 text-ink-2">Copy what the label in hand says, in its own units. Nothing is rounded here.</p>
        <FormIssues issues={issues} />
        <h2 className="mb-2">Who it is</h2>
        <div className="grid gap-x-5 desk:grid-cols-2">
          {word('name', 'Name on the label', { maxLength: 200 })}
          {word('registration', 'Registration number', { maxLength: 60 })}
          {word('formulation', 'Formulation, like SL or WG', { maxLength: 60 })}
          {word('licence', 'Licence class it asks for', { maxLength: 60, hint: 'Empty: none.' })}
        </div>
        <Choices
          small
          label="Signal word"
          issues={issues}
          path="signalWord"
          value={f.signalWord}
          onChange={(x) => set('signalWord', x)}
          options={(['none', 'Caution', 'Warning', 'Danger'] as const).map((x) => ({ value: x, name: x }))}
        />
        <Choices
          small
          label="Harm to bees"
          issues={issues}
          path="beeHazard"
          value={f.beeHazard}
          onChange={(x) => set('beeHazard', x)}
          options={(['none', 'moderate', 'high'] as const).map((x) => ({ value: x, name: x }))}
        />
        <div className="mb-4 flex flex-wrap gap-x-8">
          <Checkbox checked={f.restricted} onChange={(x) => set('restricted', x)}>
            Restricted use
          </Checkbox>
          <Checkbox checked={f.systemic} onChange={(x) => set('systemic', x)}>
            Moves in the tree
          </Checkbox>
          <Checkbox checked={f.organic} onChange={(x) => set('organic', x)}>
            Organic-listed
          </Checkbox>
        </div>
        {f.actives.map((a, i) => {
          const change = (next: Partial<typeof a>) =>
            set(
              'actives',
              f.actives.map((x, j) => (j === i ? { ...x, ...next } : x)),
            );
          return (
            <div key={i} className="grid items-end gap-x-3 desk:grid-cols-[2fr_1fr_1fr_1fr_1fr_auto]">
              <TextField
                label={`Active ${i + 1}`}
                path={`actives.${i}`}
                maxLength={80}
                value={a.name}
                onChange={(name) => change({ name })}
              />
              <TextField
                label="Strength"
                path={`actives.${i}.amount`}
                inputMode="decimal"
                maxLength={20}
                value={a.amount}
                onChange={(amount) => change({ amount })}
              />
              <SelectField
                label="in"
                path={`actives.${i}.as`}
                value={a.as}
                onChange={(as) => change({ as })}
                options={[
                  { value: 'g/L', name: 'g/L' },
                  { value: '%', name: '% by weight' },
                ]}
              />
              <TextField
                label="Group"
                path={`actives.${i}.group`}
                maxLength={16}
                placeholder="IRAC 4A"
                value={a.group}
                onChange={(group) => change({ group })}
              />
              <TextField
                label="Family"
                path={`actives.${i}.family`}
                maxLength={60}
                placeholder="oil, sulphur …"
                value={a.family}
                onChange={(family) => change({ family })}
              />
              <div className="mb-4">
                <RemoveRow
                  name={`Remove active ${i + 1}`}
                  disabled={f.actives.length === 1}
                  onClick={() =>
                    set(
                      'actives',
                      f.actives.filter((_, j) => j !== i),
                    )
                  }
                />
              </div>
            </div>
          );
        })}
        {f.actives.length < 6 && (
          <button
            type="button"
            className="press"
            onClick={() => set('actives', [...f.actives, { name: '', amount: '', as: 'g/L', group: '', family: '' }])}
          >
            Another active
          </button>
        )}

        <details
          className="mt-5 mb-5"
          open={f.keeps !== '' || f.inFlowers !== '' || f.partners !== '' || f.notWith.length > 0 || f.n !== ''}
        >
          <summary className="min-h-hand py-3 font-semibold">More that the label says of the product</summary>
          <div className="grid gap-x-5 desk:grid-cols-3">
            {word('price', 'Price of a litre or kilogram', { inputMode: 'decimal' })}
            {word('density', 'Density, g/mL', { inputMode: 'decimal' })}
            {word('keeps', 'The mix keeps, hours', { inputMode: 'decimal' })}
            {word('inFlowers', 'A systemic is in the flowers for, days', { inputMode: 'numeric' })}
          </div>
          {word('partners', 'May share a tank with, by comma', { maxLength: 400 })}
          <Sentence>
            Nutrients: N {blank('n', 'Nitrogen, %', 'w-16')} P₂O₅ {blank('p2o5', 'Phosphate as P2O5, %', 'w-16')} K₂O{' '}
            {blank('k2o', 'Potash as K2O, %', 'w-16')} %,
            <Pick
              name="Release of the nutrients"
              value={f.release}
              onChange={(x) => set('release', x)}
              options={['slow', 'quick']}
              words={{ slow: 'slow release', quick: 'quick release' }}
            />
          </Sentence>
          <Picked label="May burn" all={hosts} chosen={f.sensitive} onChange={(x) => set('sensitive', x)} />
          {f.notWith.map((x, i) => {
            const change = (next: Partial<typeof x>) =>
              set(
                'notWith',
                f.notWith.map((y, j) => (j === i ? { ...y, ...next } : y)),
              );
            return (
              <Sentence key={i}>
                Not within{' '}
                <Blank name={`Days apart ${i + 1}`} width="w-16" value={x.days} onChange={(days) => change({ days })} />{' '}
                days of
                <Input
                  aria-label={`Family or active ${i + 1}`}
                  className="box w-48"
                  maxLength={80}
                  value={x.what}
                  onChange={(e) => change({ what: e.target.value })}
                />
                <RemoveRow
                  name={`Remove what it must not meet ${i + 1}`}
                  onClick={() =>
                    set(
                      'notWith',
                      f.notWith.filter((_, j) => j !== i),
                    )
                  }
                />
              </Sentence>
            );
          })}
          <button
            type="button"
            className="press"
            onClick={() => set('notWith', [...f.notWith, { what: '', days: '' }])}
          >
            Something it must not meet
          </button>
        </details>
        {(f.stock !== '' || f.uses.some((u) => u.of === 'stock')) && (
          <Sentence>
            The stock is {blank('stock', 'Concentrate in the stock')}{' '}
            <Pick
              name="Unit of the concentrate"
              value={f.stockUnit}
              onChange={(x) => set('stockUnit', x)}
              options={[...Object.keys(VOLUME), ...Object.keys(MASS)]}
            />{' '}
            made up to {blank('madeUpTo', 'Made up to')}
            <Pick
              name="Unit of the stock"
              value={f.madeUpUnit}
              onChange={(x) => set('madeUpUnit', x)}
              options={Object.keys(VOLUME)}
            />
            .
          </Sentence>
        )}

        <div className="mt-7 flex flex-wrap items-end gap-3">
          {f.uses.length > 1 && (
            <Choices
              small
              label="Uses on this label"
              value={String(here)}
              onChange={(x) => setAt(Number(x))}
              options={f.uses.map((u, i) => ({
                value: String(i),
                name: `${i + 1}. ${u.title || METHOD_NAMES[u.method]}`,
              }))}
            />
          )}
          <button
            type="button"
            className="press mb-4"
            onClick={() => {
              // A further use usually shares hosts, targets and protection with the one in hand.
              set('uses', [...f.uses, { ...use, base: null, title: '', text: '' }]);
              setAt(f.uses.length);
            }}
          >
            Another use
          </button>
          {f.uses.length > 1 && (
            <button
              type="button"
              className="press press-plain mb-4"
              onClick={() => {
                set(
                  'uses',
                  f.uses.filter((_, i) => i !== here),
                );
                setAt(0);
              }}
            >
              Take this use away
            </button>
          )}
        </div>
        <UseForm
          key={here}
          use={use}
          onChange={setUse}
          hosts={hosts}
          targets={targets}
          actives={f.actives.map((a) => a.name)}
        />
        <div className="mt-8 border-t-2 border-bark pt-5">
          <button data-confirm className="press press-main min-w-56" disabled={busy || !read.success}>
            {busy ? 'Keeping …' : 'Put it on the shelf'}
          </button>
        </div>
        {begun && draftIssues.length > 0 && (
          <p className="mt-2 font-semibold">{draftIssues.length} things to be put right first, in the margin.</p>
        )}
      </form>
    </Frame>
  );
}

/** Where a fault stands, in the words of the form. */
const PLACES: Readonly<Record<string, string>> = {
  rate: 'Rate',
  dose: 'dose',
  point: 'value',
  classes: 'sizes',
  bands: 'class',
  entry: 'value',
  basis: 'per',
  each: 'for each',
  upTo: 'up to',
  carrier: 'Water',
  sites: 'Holes',
  rootzone: 'Root zone',
  spray: 'Spray',
  intervals: 'Intervals',
  conditions: 'Conditions',
  limits: 'Limit',
  followUps: 'Follow-up',
  protection: 'To wear',
  actives: 'Active',
  hosts: 'On',
  targets: 'Against',
};

/** The place of a fault; where a label has several uses, a press opens the one it is in. */
function Where({
  path,
  several,
  onUse,
}: {
  path: readonly PropertyKey[];
  several: boolean;
  onUse: (i: number) => void;
}) {
  const inUse = path[0] === 'uses' && typeof path[1] === 'number' ? path[1] : null;
  const rest = path
    .slice(inUse === null ? 0 : 2)
    .map((x) => (typeof x === 'number' ? String(x + 1) : (PLACES[String(x)] ?? String(x))))
    .join(' › ');
  return (
    <>
      {inUse !== null && several && (
        <button type="button" className="underline" onClick={() => onUse(inUse)}>
          use {inUse + 1}
        </button>
      )}{' '}
      {rest || 'the label'}
    </>
  );
}
