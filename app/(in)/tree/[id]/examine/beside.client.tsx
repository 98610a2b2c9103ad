'use client';

import { part } from '@/ui/controls/part.client';
import { useState } from 'react';
import { Choices, Field, SelectField, TextArea, TextField, Tick, type FormFault } from '@/ui/controls/controls';
import { APPLICATION_QUESTIONS } from '@/core/diagnose/effect';
import { TARGETS } from '@/core/decide/targets';
import { VIGOUR_LOOKS, VIGOURS, type Vigour } from '@/core/diagnose/words';
import { barkLossAdvice, barkLossShare } from '@/core/measure/bark-loss';
import { BEARINGS, GRADES, SPOKEN, without, type BenchSign, type ExamineForm, type Grade, type Update } from './form';

// Most looks draw no ring: the figure comes when its part is opened.
const ArcsFigure = part(() => import('@/ui/figures/arcs').then((m) => m.ArcsFigure));

interface Props {
  form: ExamineForm;
  update: Update;
  faults: FormFault[];
}

/** Crown and vigour by a described scale, and the soil below. */
export function CrownAndSoil({
  form,
  update,
  faults,
  last,
}: Props & { last: { crownLoss: number | null; vigour: Vigour | null } }) {
  const step = (by: number) =>
    update((f) => ({
      ...f,
      crownLoss: String(
        Math.min(100, Math.max(0, (f.crownLoss === '' ? (last.crownLoss ?? 0) : Number(f.crownLoss) || 0) + by)),
      ),
    }));
  return (
    <section className="mt-6 grid gap-x-8 desk:grid-cols-2">
      <Field
        label="Crown loss, % of the crown dead or bare"
        path="crownLoss"
        faults={faults}
        hint={`Against a full crown of this host in this place.${last.crownLoss === null ? '' : ` Last: ${last.crownLoss} %.`}`}
      >
        {(p) => (
          <div className="flex">
            <button type="button" className="press" aria-label="Five less" onClick={() => step(-5)}>
              −5
            </button>
            <input
              {...p}
              className="box box-number text-center"
              inputMode="numeric"
              maxLength={20}
              value={form.crownLoss}
              onChange={(e) => update({ crownLoss: e.target.value })}
            />
            <button type="button" className="press" aria-label="Five more" onClick={() => step(5)}>
              +5
            </button>
          </div>
        )}
      </Field>
      <div>
        <Choices
          label={`Vigour${last.vigour ? ` (last: ${last.vigour})` : ''}`}
          value={form.vigour}
          onChange={(vigour) => update({ vigour })}
          options={VIGOURS.map((x) => ({ value: x, name: x }))}
        />
        {form.vigour && <p className="-mt-2 mb-3 text-small text-ink-2">{VIGOUR_LOOKS[form.vigour]}</p>}
        <Choices
          label="Soil 20 cm down"
          small
          value={form.soilMoisture}
          onChange={(soilMoisture) => update({ soilMoisture })}
          options={[
            { value: 'dry', name: 'dry' },
            { value: 'moist', name: 'moist' },
            { value: 'wet', name: 'wet' },
          ]}
        />
      </div>
    </section>
  );
}

/** Bark loss as arcs, main roots one by one, and who stands below. */
export function BarkAndRoots({ form, update }: Omit<Props, 'faults'>) {
  const share = barkLossShare(form.barkLoss.filter((a) => a.kind === 'bare'));
  const [open, setOpen] = useState(false);
  const girdled = barkLossShare(form.barkLoss.filter((a) => a.kind === 'girdled'));
  const advice = barkLossAdvice(share);
  const arc = (i: number, end: 'from' | 'to', by: number) =>
    update((f) => ({
      ...f,
      barkLoss: f.barkLoss.map((a, j) => (j === i ? { ...a, [end]: (a[end] + by + 360) % 360 } : a)),
    }));
  return (
    <details
      className="mt-4 border-t border-line"
      open={form.barkLoss.length + form.anchors.length + form.targets.length > 0 || undefined}
      onToggle={(e) => setOpen(e.currentTarget.open)}
    >
      <summary className="min-h-12 py-3 font-bold">Bark loss, main roots, and what stands within its reach</summary>
      <div className="flex flex-wrap gap-x-8 gap-y-4 pb-3">
        {open && <ArcsFigure arcs={form.barkLoss} anchors={form.anchors} size={220} />}
        <div className="min-w-64 flex-1">
          <p className="figures">
            <b className="text-head">{Math.round(share * 100)} %</b> of the girth without living bark
            {girdled > 0 && (
              <>
                , <b>{Math.round(girdled * 100)} %</b> under a girdling root
              </>
            )}
          </p>
          {advice && <p className="mb-2">{advice}</p>}
          {form.barkLoss.map((a, i) => (
            <div key={i} className="row flex flex-wrap items-center gap-2 py-1">
              {(['from', 'to'] as const).map((end) => (
                <span key={end} className="flex items-center">
                  <button
                    type="button"
                    className="press px-3"
                    aria-label={`Arc ${i + 1}, ${end}: 15 degrees back`}
                    onClick={() => arc(i, end, -15)}
                  >
                    −
                  </button>
                  <span className="figures min-w-20 text-center text-[0.9375rem]">
                    {end} {a[end]}°
                  </span>
                  <button
                    type="button"
                    className="press px-3"
                    aria-label={`Arc ${i + 1}, ${end}: 15 degrees on`}
                    onClick={() => arc(i, end, 15)}
                  >
                    +
                  </button>
                </span>
              ))}
              <button
                type="button"
                className="press px-3"
                aria-label={`Arc ${i + 1} is ${a.kind === 'bare' ? 'bare bark' : 'under a girdling root'}: change`}
                onClick={() =>
                  update((f) => ({
                    ...f,
                    barkLoss: f.barkLoss.map((x, j) =>
                      j === i ? { ...x, kind: x.kind === 'bare' ? 'girdled' : 'bare' } : x,
                    ),
                  }))
                }
              >
                {a.kind === 'bare' ? 'bare bark' : 'girdled'}
              </button>
              <button
                type="button"
                className="press press-plain"
                aria-label={`Take arc ${i + 1} away`}
                onClick={() => update((f) => ({ ...f, barkLoss: f.barkLoss.filter((_, j) => j !== i) }))}
              >
                take away
              </button>
            </div>
          ))}
          <div className="mt-2 flex flex-wrap gap-2">
            <button
              type="button"
              className="press"
              disabled={form.barkLoss.length >= 12}
              onClick={() => update((f) => ({ ...f, barkLoss: [...f.barkLoss, { from: 180, to: 225, kind: 'bare' }] }))}
            >
              Add an arc of bare bark
            </button>
            <button
              type="button"
              className="press"
              disabled={form.anchors.length >= 24}
              onClick={() =>
                update((f) => ({
                  ...f,
                  anchors: [...f.anchors, { bearing: (f.anchors.length * 60) % 360, state: 'sound' }],
                }))
              }
            >
              Add a main root
            </button>
          </div>
          {form.anchors.map((a, i) => (
            <div key={i} className="row flex flex-wrap items-center gap-2 py-1">
              <button
                type="button"
                className="press px-3"
                aria-label={`Root ${i + 1}: 15 degrees back`}
                onClick={() =>
                  update((f) => ({
                    ...f,
                    anchors: f.anchors.map((x, j) => (j === i ? { ...x, bearing: (x.bearing + 345) % 360 } : x)),
                  }))
                }
              >
                −
              </button>
              <span className="figures min-w-16 text-center">{a.bearing}°</span>
              <button
                type="button"
                className="press px-3"
                aria-label={`Root ${i + 1}: 15 degrees on`}
                onClick={() =>
                  update((f) => ({
                    ...f,
                    anchors: f.anchors.map((x, j) => (j === i ? { ...x, bearing: (x.bearing + 15) % 360 } : x)),
                  }))
                }
              >
                +
              </button>
              {(['sound', 'doubtful', 'decayed'] as const).map((state) => (
                <button
                  key={state}
                  type="button"
                  aria-pressed={a.state === state}
                  onClick={() =>
                    update((f) => ({ ...f, anchors: f.anchors.map((x, j) => (j === i ? { ...x, state } : x)) }))
                  }
                  className={`-mr-2 min-h-12 border border-ink-2 px-3 ${a.state === state ? 'bg-ink font-bold text-sheet' : ''}`}
                >
                  {state}
                </button>
              ))}
              <label className="flex items-center gap-2 text-small">
                probe
                <input
                  aria-label={`Root ${i + 1}: the probe sank in, cm`}
                  inputMode="decimal"
                  maxLength={5}
                  className="box figures min-h-11 w-20"
                  value={a.probeCm ?? ''}
                  onChange={(e) => {
                    const cm = Number(e.target.value.replace(',', '.'));
                    const probeCm = e.target.value.trim() === '' || !Number.isFinite(cm) ? null : cm;
                    update((f) => ({
                      ...f,
                      anchors: f.anchors.map((x, j) => (j === i ? { ...x, probeCm } : x)),
                    }));
                  }}
                />
                cm
              </label>
            </div>
          ))}
        </div>
      </div>
      <Choices
        label="Do people or buildings stand under it?"
        small
        value={form.peopleBelow === null ? null : form.peopleBelow ? 'yes' : 'no'}
        onChange={(x) => update({ peopleBelow: x === 'yes' })}
        options={[
          { value: 'yes', name: 'yes' },
          { value: 'no', name: 'no' },
        ]}
      />
      <div className="flex flex-wrap items-end gap-x-5 gap-y-2 pb-3">
        {TARGETS.map((kind) => {
          const at = form.targets.find((t) => t.kind === kind);
          return (
            <label key={kind} className="text-small">
              <span className="block first-letter:uppercase">{kind}, m away</span>
              <input
                inputMode="decimal"
                maxLength={5}
                className="box figures min-h-11 w-24"
                value={at?.metres ?? ''}
                onChange={(e) => {
                  const m = Number(e.target.value.replace(',', '.'));
                  const rest = form.targets.filter((t) => t.kind !== kind);
                  update({
                    targets:
                      e.target.value.trim() === '' || !Number.isFinite(m)
                        ? rest
                        : [...rest, { kind, metres: m, bearing: at?.bearing ?? null }],
                  });
                }}
              />
            </label>
          );
        })}
        <label className="text-small">
          <span className="block">Storms come from</span>
          <select
            className="box min-h-11 w-auto"
            value={form.windFromDeg ?? ''}
            onChange={(e) => update({ windFromDeg: e.target.value === '' ? null : Number(e.target.value) })}
          >
            <option value="">–</option>
            {BEARINGS.map((b, i) => (
              <option key={b} value={i * 45}>
                {b}
              </option>
            ))}
          </select>
        </label>
      </div>
    </details>
  );
}

/** This look as the check of an earlier treatment: its effect, and the faults that must be excluded first. */
export function CheckOfTreatment({
  form,
  update,
  records,
}: Omit<Props, 'faults'> & { records: { id: string; name: string }[] }) {
  if (!records.length) return null;
  const check = form.check;
  return (
    <details className="border-t border-line" open={check !== null || undefined}>
      <summary className="min-h-12 py-3 font-bold">This look checks an earlier treatment</summary>
      <SelectField
        label="Which one"
        path="check"
        value={check?.recordId ?? ''}
        onChange={(recordId) =>
          update({
            check: recordId ? { recordId, effect: check?.effect ?? 'some', answers: check?.answers ?? {} } : null,
          })
        }
        options={[{ value: '', name: 'none' }, ...records.map((r) => ({ value: r.id, name: r.name }))]}
      />
      {check && (
        <>
          <Choices
            label="Did it work?"
            value={check.effect}
            onChange={(effect) => update({ check: { ...check, effect } })}
            options={[
              { value: 'good', name: 'yes' },
              { value: 'some', name: 'in part' },
              { value: 'none', name: 'no effect' },
            ]}
          />
          {check.effect === 'none' &&
            APPLICATION_QUESTIONS.map((q) => (
              <Choices
                key={q.id}
                small
                label={q.ask}
                value={(check.answers[q.id] ?? null) === null ? null : check.answers[q.id] ? 'yes' : 'no'}
                onChange={(x) => update({ check: { ...check, answers: { ...check.answers, [q.id]: x === 'yes' } } })}
                options={[
                  { value: 'yes', name: 'yes' },
                  { value: 'no', name: 'no' },
                ]}
              />
            ))}
        </>
      )}
    </details>
  );
}

/** What digging brought up, and what it changes: the client agrees before the plan does. */
export function FoundWhileDigging({ form, update, faults, signs }: Props & { signs: BenchSign[] }) {
  const dug = signs.filter((s) => s.dig && Number(form.grades[s.id] ?? 0) > 0);
  if (!dug.length) return null;
  return (
    <section className="mt-4 border-l-4 border-sap pl-4">
      <h2 className="text-body">Found after digging: {dug.map((s) => s.words.toLowerCase()).join('; ')}</h2>
      <p className="mb-2 text-[0.9375rem]">
        The plan changes only when the client agrees. Write what changes; it waits on the tree.
      </p>
      <TextArea
        label="What changes"
        path="change"
        faults={faults}
        rows={2}
        value={form.change}
        onChange={(change) => update({ change })}
      />
      <div className="max-w-48">
        <TextField
          label="Price of it"
          path="changePrice"
          faults={faults}
          inputMode="decimal"
          value={form.changePrice}
          onChange={(changePrice) => update({ changePrice })}
        />
      </div>
    </section>
  );
}

/** The same look for a row of like trees, with what differs on each. */
export function AlikeTrees({
  form,
  update,
  trees,
  signs,
}: Omit<Props, 'faults'> & { trees: { id: string; tag: string }[]; signs: BenchSign[] }) {
  if (!trees.length) return null;
  const chosen = Object.keys(form.alike);
  const set = (id: string, except: Record<string, Grade> | null) =>
    update((f) => {
      return { ...f, alike: except ? { ...f.alike, [id]: except } : without(f.alike, id) };
    });
  return (
    <details className="border-t border-line" open={chosen.length > 0 || undefined}>
      <summary className="min-h-12 py-3 font-bold">
        The same look for trees further down the row{chosen.length ? `: ${chosen.length}` : ''}
      </summary>
      <p className="mb-2 text-[0.9375rem] text-ink-2">
        Signs, crown and vigour are taken over; tests, drawings and the host key are not.
      </p>
      {trees.map((t) => (
        <div key={t.id}>
          <Tick checked={t.id in form.alike} onChange={(on) => set(t.id, on ? {} : null)}>
            <b className="figures">{t.tag}</b> looks the same
          </Tick>
          {form.alike[t.id] && (
            <div className="mb-2 ml-10 flex flex-wrap items-center gap-2">
              {Object.entries(form.alike[t.id]!).map(([sign, g]) => (
                <button
                  key={sign}
                  type="button"
                  className="press min-h-11 text-small"
                  onClick={() => set(t.id, without(form.alike[t.id]!, sign))}
                >
                  but {signs.find((s) => s.id === sign)?.words}: {SPOKEN[g]} ×
                </button>
              ))}
              <select
                aria-label={`What differs on ${t.tag}`}
                className="box w-auto"
                value=""
                onChange={(e) => {
                  const [sign, g] = e.target.value.split('/') as [string, Grade];
                  if (sign) set(t.id, { ...form.alike[t.id], [sign]: g });
                }}
              >
                <option value="">but …</option>
                {signs
                  .filter((s) => (form.grades[s.id] ?? '-') !== '-')
                  .flatMap((s) =>
                    GRADES.filter((g) => g !== form.grades[s.id]).map((g) => (
                      <option key={s.id + g} value={`${s.id}/${g}`}>
                        {s.words}: {SPOKEN[g]}
                      </option>
                    )),
                  )}
              </select>
            </div>
          )}
        </div>
      ))}
    </details>
  );
}
