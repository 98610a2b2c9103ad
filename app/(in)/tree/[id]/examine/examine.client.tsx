'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 } from 'uuid';
import type { Finding } from '@/core/diagnose/knowledge';
import { PLACES_ON_TREE, VIGOURS, type Vigour } from '@/core/diagnose/words';
import { Choices, Field, FormFaults, TextArea } from '@/ui/controls/controls';
import { useDraft, useSend } from '@/ui/controls/use.client';
import { useSaid } from '@/ui/frame/undo.client';
import { examine } from '../actions';
import { PhotoField } from './photo-field.client';

interface Sign {
  id: string;
  place: (typeof PLACES_ON_TREE)[number];
  words: string;
  worst: string;
}
interface Props {
  treeId: string;
  host: { name: string; key: { ask: string; ifNot: string[] }[] };
  confirmed: boolean;
  signs: Sign[];
  last: { crownLoss: number | null; vigour: Vigour | null };
  refused: string | null;
}
/** What stands on a sign: not looked, absent, or a grade. */
type Grade = '-' | '0' | '1' | '2' | '3' | '4';
const GRADES: Grade[] = ['-', '0', '1', '2', '3', '4'];
const SPOKEN: Record<Grade, string> = {
  '-': 'not looked',
  '0': 'absent',
  '1': 'a trace',
  '2': 'some',
  '3': 'much',
  '4': 'worst',
};

const toFinding = (sign: string, g: Grade): Finding =>
  g === '-'
    ? { sign, state: 'not looked' }
    : g === '0'
      ? { sign, state: 'absent' }
      : { sign, state: 'seen', grade: Number(g) };

export function ExamineBench({ treeId, host, confirmed, signs, last, refused }: Props) {
  const router = useRouter();
  const said = useSaid();
  const [id] = useState(() => v7());
  const [form, setForm, forget] = useDraft(`examine:${treeId}`, {
    key: host.key.map(() => null as boolean | null),
    grades: {} as Record<string, Grade>,
    crownLoss: last.crownLoss === null ? '' : String(last.crownLoss),
    vigour: last.vigour,
    note: '',
  });
  const { busy, faults, send } = useSend(examine);
  const denied = form.key.map((k, i) => (k === false ? host.key[i]! : null)).filter((k) => k !== null);
  const places = PLACES_ON_TREE.filter((p) => signs.some((s) => s.place === p));

  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send(
          {
            id,
            treeId,
            hostKey: form.key,
            crownLoss: form.crownLoss,
            vigour: form.vigour,
            findings: Object.entries(form.grades).map(([s, g]) => toFinding(s, g)),
            note: form.note,
          },
          () => {
            forget();
            said({ sentence: 'Look kept.' });
            router.push(`/tree/${treeId}/decide`);
          },
        );
      }}
    >
      <h1 className="mb-1">Look it over, from the ground up</h1>
      <p className="mb-5 text-ink-2">What you did not look at stays “not looked”. That is not the same as absent.</p>
      {refused && <p className="mb-4 border-l-4 border-sap pl-3 font-semibold text-sap">{refused}</p>}
      <FormFaults faults={faults} known={['crownLoss', 'note']} />

      <section className="mb-6">
        <h2 className="mb-1">Is it {host.name}?</h2>
        {confirmed && <p className="mb-1 text-ink-2">Confirmed before. Answer again only if in doubt.</p>}
        {host.key.map((k, i) => (
          <div key={k.ask} className="row flex flex-wrap items-center justify-between gap-x-6 pt-2">
            <p className="flex-1 basis-72 pb-2">{k.ask}</p>
            <Choices
              small
              hideLabel
              label={k.ask}
              value={form.key[i] === null ? null : form.key[i] ? 'yes' : 'no'}
              onChange={(x) => setForm((f) => ({ ...f, key: f.key.map((y, j) => (j === i ? x === 'yes' : y)) }))}
              options={[
                { value: 'yes', name: 'yes' },
                { value: 'no', name: 'no' },
              ]}
            />
          </div>
        ))}
        {denied.map((k) => (
          <p key={k!.ask} className="mt-2 border-l-[3px] border-sap pl-3 font-semibold text-sap">
            Then look at {k!.ifNot.join(' or ')}. The host stays unconfirmed, and treatment is held.
          </p>
        ))}
      </section>

      <section className="mb-6 grid gap-x-8 desk:grid-cols-2">
        <Field
          label="Crown loss, % of the crown dead or bare"
          path="crownLoss"
          faults={faults}
          hint="Against a full crown of this host in this place."
        >
          {(p) => (
            <div className="flex">
              <button
                type="button"
                className="press"
                aria-label="Five less"
                onClick={() =>
                  setForm((f) => ({ ...f, crownLoss: String(Math.max(0, (Number(f.crownLoss) || 0) - 5)) }))
                }
              >
                −5
              </button>
              <input
                {...p}
                className="box box-number text-center"
                inputMode="numeric"
                maxLength={20}
                value={form.crownLoss}
                onChange={(e) => setForm((f) => ({ ...f, crownLoss: e.target.value }))}
              />
              <button
                type="button"
                className="press"
                aria-label="Five more"
                onClick={() =>
                  setForm((f) => ({ ...f, crownLoss: String(Math.min(100, (Number(f.crownLoss) || 0) + 5)) }))
                }
              >
                +5
              </button>
            </div>
          )}
        </Field>
        <Choices
          label="Vigour: shoots, leaf size, wound wood"
          value={form.vigour}
          onChange={(vigour) => setForm((f) => ({ ...f, vigour }))}
          options={VIGOURS.map((x) => ({ value: x, name: x }))}
        />
      </section>

      {places.map((place) => (
        <section key={place} className="mb-6">
          <h2 className="capitalize">{place}</h2>
          {signs
            .filter((s) => s.place === place)
            .map((s) => (
              <SignRow
                key={s.id}
                sign={s}
                value={form.grades[s.id] ?? '-'}
                onChange={(g) => setForm((f) => ({ ...f, grades: { ...f.grades, [s.id]: g } }))}
              />
            ))}
        </section>
      ))}

      <TextArea
        label="Anything else"
        path="note"
        faults={faults}
        value={form.note}
        onChange={(note) => setForm((f) => ({ ...f, note }))}
      />
      <PhotoField treeId={treeId} />
      <div className="mt-5 phone:fixed phone:inset-x-0 phone:bottom-0 phone:z-10 phone:mt-0 phone:border-t-2 phone:border-bark phone:bg-sheet phone:p-3">
        <button data-confirm className="press press-main min-w-64 phone:w-full" disabled={busy || refused !== null}>
          {busy ? 'Keeping …' : 'Keep this look'}
        </button>
      </div>
    </form>
  );
}

/** One sign with its six answers; the keys 0 to 5 and - grade the one in focus. */
function SignRow({ sign, value, onChange }: { sign: Sign; value: Grade; onChange: (g: Grade) => void }) {
  return (
    <fieldset
      className="row flex flex-wrap items-center justify-between gap-x-6 gap-y-1 py-2"
      onKeyDown={(e) => {
        const g = e.key === '5' ? '4' : e.key;
        if ((GRADES as string[]).includes(g)) {
          e.preventDefault();
          onChange(g as Grade);
        }
      }}
    >
      <legend className="sr-only">{sign.words}</legend>
      <p className="flex-1 basis-64" aria-hidden>
        {sign.words}
        {value !== '-' && value !== '0' && <span className="block text-small text-ink-2">4 is: {sign.worst}</span>}
      </p>
      <div className="flex">
        {GRADES.map((g) => (
          <label
            key={g}
            title={SPOKEN[g]}
            className="figures -mr-px flex size-12 cursor-pointer items-center justify-center border border-ink-2 has-checked:bg-ink has-checked:font-bold has-checked:text-sheet has-focus-visible:outline-3 has-focus-visible:outline-slate"
          >
            <input
              type="radio"
              className="sr-only"
              name={sign.id}
              aria-label={SPOKEN[g]}
              checked={value === g}
              onChange={() => onChange(g)}
            />
            {g === '-' ? '–' : g}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
