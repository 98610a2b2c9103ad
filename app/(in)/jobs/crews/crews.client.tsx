'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { hoursText, type HoursRule } from '@/core/schedule/hours';
import { FormIssues, SelectField, TextArea, TextField, Checkbox } from '@/ui/controls/controls';
import { useDraft, useMadeId, useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { saveCrew, addAbsence, deleteAbsence } from '../actions';

interface Editable {
  id: string;
  name: string;
  hours: HoursRule[];
  yardLat: number | null;
  yardLon: number | null;
  least: number;
  active: boolean;
  version: number;
  people: { id: string }[];
}
type Someone = { id: string; name: string };

const START = { name: '', hours: 'Mon–Fri 07:30–16:30', yard: '', least: '1', active: true, personIds: [] as string[] };
const formOf = (c: Editable) => ({
  name: c.name,
  hours: hoursText(c.hours),
  yard: c.yardLat === null ? '' : `${c.yardLat}, ${c.yardLon}`,
  least: String(c.least),
  active: c.active,
  personIds: c.people.map((p) => p.id),
});

/** A crew's people, hours and yard. */
export function CrewForm({ crew, people }: { crew: Editable | null; people: readonly Someone[] }) {
  const key = `crew:${crew?.id ?? 'new'}:${crew?.version ?? 0}`;
  const router = useRouter();
  const said = useNotify();
  const made = useMadeId(key);
  const [form, setForm, forget] = useDraft(key, crew ? formOf(crew) : START);
  const { send, busy, issues } = useSend(saveCrew, { renew: made.renew });
  const set = (field: keyof typeof form) => (value: string) => setForm((f) => ({ ...f, [field]: value }));
  const title = crew ? `Change ${crew.name}` : 'Make a crew';
  return (
    <details className="mt-2" open={crew === null}>
      <summary className="min-h-hand py-2">{title}</summary>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          send({ ...form, id: crew?.id ?? made.id, least: Number(form.least), basedOn: crew?.version ?? null }, () => {
            forget();
            if (!crew) setForm(START);
            said({ sentence: `${form.name} is kept.` });
            router.refresh();
          });
        }}
      >
        <FormIssues issues={issues} known={['name', 'hours', 'yard', 'least', 'personIds']} />
        <TextField label="Name" path="name" issues={issues} maxLength={120} value={form.name} onChange={set('name')} />
        <fieldset className="mb-4">
          <legend className="mb-1 font-semibold">People</legend>
          {people.map((p) => (
            <Checkbox
              key={p.id}
              checked={form.personIds.includes(p.id)}
              onChange={(on) =>
                setForm((f) => ({
                  ...f,
                  personIds: on ? [...f.personIds, p.id] : f.personIds.filter((id) => id !== p.id),
                }))
              }
            >
              {p.name}
            </Checkbox>
          ))}
          {issues
            .filter((f) => f.path === 'personIds')
            .map((f) => (
              <p key={f.message} className="font-semibold text-madder">
                {f.message}
              </p>
            ))}
        </fieldset>
        <TextField
          label="Goes out with at least"
          path="least"
          issues={issues}
          inputMode="numeric"
          maxLength={2}
          value={form.least}
          onChange={set('least')}
        />
        <TextArea
          label="When it works, one rule a line"
          path="hours"
          issues={issues}
          hint="Mon–Fri 07:30–16:30. Days of their own go first: 2027-12-24 to 2028-01-02 Mon–Sun closed."
          value={form.hours}
          onChange={set('hours')}
        />
        <TextField
          label="Where it starts: latitude, longitude"
          path="yard"
          issues={issues}
          hint="Left empty, every way is taken as one across the town."
          maxLength={60}
          value={form.yard}
          onChange={set('yard')}
        />
        {crew && (
          <Checkbox checked={form.active} onChange={(active) => setForm((f) => ({ ...f, active }))}>
            It goes out
          </Checkbox>
        )}
        <button data-confirm className="press press-main" disabled={busy}>
          Keep this crew
        </button>
      </form>
    </details>
  );
}

/** Somebody is ill, on leave, on a course. */
export function AbsenceForm({ people, today }: { people: readonly { value: string; name: string }[]; today: string }) {
  const router = useRouter();
  const made = useMadeId('away');
  const blank = { personId: people[0]?.value ?? '', from: today, to: today, why: '' };
  const [form, setForm] = useState(blank);
  const { send, busy, issues } = useSend(addAbsence, { renew: made.renew });
  const set = (field: keyof typeof form) => (value: string) => setForm((f) => ({ ...f, [field]: value }));
  return (
    <form
      className="mt-4"
      onSubmit={(e) => {
        e.preventDefault();
        send({ ...form, id: made.id }, () => {
          made.renew();
          setForm(blank);
          router.refresh();
        });
      }}
    >
      <FormIssues issues={issues} known={['personId', 'from', 'to', 'why']} />
      <div className="grid gap-x-4 md:grid-cols-3">
        <SelectField
          label="Who"
          path="personId"
          issues={issues}
          value={form.personId}
          onChange={set('personId')}
          options={people}
        />
        <TextField
          label="First day away"
          path="from"
          issues={issues}
          type="date"
          value={form.from}
          onChange={set('from')}
        />
        <TextField label="Last day away" path="to" issues={issues} type="date" value={form.to} onChange={set('to')} />
      </div>
      <TextField
        label="Why (may stay empty)"
        path="why"
        issues={issues}
        maxLength={200}
        value={form.why}
        onChange={set('why')}
      />
      <button className="press" disabled={busy}>
        Note it
      </button>
    </form>
  );
}

export function TakeBack({ id, name }: { id: string; name: string }) {
  const router = useRouter();
  const said = useNotify();
  const { send, busy, issues } = useSend(deleteAbsence);
  return (
    <>
      <button
        className="press press-plain"
        disabled={busy}
        onClick={() =>
          send({ id }, () => {
            said({ sentence: `${name} works after all.` });
            router.refresh();
          })
        }
      >
        Works after all
      </button>
      <FormIssues issues={issues} />
    </>
  );
}
