'use client';

import type { Issue } from '@/lib/result';
import { Choices, Field, SelectField, TextArea, TextField } from '@/ui/controls/controls';
import { Input } from '@/ui/controls/input.client';
import { APPLICATION_QUESTIONS } from '@/core/diagnose/effect';
import { VIGOUR_GRADES, VIGOURS, type Vigour } from '@/core/diagnose/words';
import { type BenchSign, type ExamineForm, type Update } from './form';

export interface Props {
  form: ExamineForm;
  update: Update;
  issues: Issue[];
}

/** Crown and vigour by a described scale, and the soil below. */
export function CrownAndSoil({
  form,
  update,
  issues,
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
        issues={issues}
        hint={`Against a full crown of this host in this place.${last.crownLoss === null ? '' : ` Last: ${last.crownLoss} %.`}`}
      >
        {(p) => (
          <div className="flex">
            <button type="button" className="press" aria-label="−5: five less" onClick={() => step(-5)}>
              −5
            </button>
            <Input
              {...p}
              className="box box-number text-center"
              inputMode="numeric"
              maxLength={20}
              value={form.crownLoss}
              onChange={(e) => update({ crownLoss: e.target.value })}
            />
            <button type="button" className="press" aria-label="+5: five more" onClick={() => step(5)}>
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
        {form.vigour && <p className="-mt-2 mb-3 text-small text-ink-2">{VIGOUR_GRADES[form.vigour]}</p>}
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

/** This look as the check of an earlier treatment: its effect, and the issues that must be excluded first. */
export function CheckOfTreatment({
  form,
  update,
  records,
}: Omit<Props, 'issues'> & { records: { id: string; name: string }[] }) {
  if (!records.length) return null;
  const check = form.check;
  return (
    <details className="border-t border-line" open={check !== null || undefined}>
      <summary className="min-h-hand py-3 font-bold">This look checks an earlier treatment</summary>
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
export function FoundWhileDigging({ form, update, issues, signs }: Props & { signs: BenchSign[] }) {
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
        issues={issues}
        rows={2}
        value={form.change}
        onChange={(change) => update({ change })}
      />
      <div className="max-w-48">
        <TextField
          label="Price of it"
          path="changePrice"
          issues={issues}
          inputMode="decimal"
          value={form.changePrice}
          onChange={(changePrice) => update({ changePrice })}
        />
      </div>
    </section>
  );
}
