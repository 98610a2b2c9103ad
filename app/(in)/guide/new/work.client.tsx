'use client';

import { ownKey } from '@/core/settings/own-key';
import type { OwnWork as OwnWorkEntry } from '@/core/work/own-work-schema';
import { SelectField, TextArea, TextField, Tick } from '@/ui/controls/controls';
import { useDraft } from '@/ui/controls/use.client';
import { useKeepOwn } from './keep.client';
import { MONTHS, OwnForm } from './own-form.client';

const EMPTY = {
  name: '',
  method: 'sanitation',
  condition: '',
  counted: '',
  usual: '1',
  steps: '',
  take: '',
  before: '',
  from: '1',
  to: '12',
  cuts: false,
  once: '10',
  each: '1',
  again: '',
  days: '',
  note: '',
};
const lines = (text: string) => text.split('\n').flatMap((l) => l.trim() || []);
/** What goes onto the truck, a line each: “Ladder: 1”. */
const taken = (text: string) =>
  lines(text).map((l) => {
    const [what, ...amount] = l.split(':');
    return { what: what!.trim(), amount: amount.join(':').trim() || '1 set' };
  });
/** The form as an entry fills it. */
const formOf = (w: OwnWorkEntry): typeof EMPTY => ({
  name: w.name,
  method: w.method,
  condition: w.conditions[0] ?? '',
  counted: w.counted.what,
  usual: String(w.counted.usual),
  steps: w.steps.join('\n'),
  take: w.take.map((t) => `${t.what}: ${t.amount}`).join('\n'),
  before: w.before.join('\n'),
  from: String(w.months[0]),
  to: String(w.months[1]),
  cuts: w.cuts,
  once: String(w.minutes.once),
  each: String(w.minutes.each),
  again: w.again?.what ?? '',
  days: w.again ? String(w.again.days) : '',
  note: '',
});
type Named = readonly { value: string; name: string }[];

/** A work of one's own, for hands and tools: what is put on a tree is a product, and has a label. */
export function OwnWork({
  begin,
  methods,
  conditions,
}: {
  begin: OwnWorkEntry | null;
  methods: Named;
  conditions: Named;
}) {
  const [form, setForm, forget] = useDraft(`own-work${begin?.id ?? ''}`, begin ? formOf(begin) : EMPTY);
  const own = useKeepOwn('work');
  const { faults, keep } = own;
  const set = (more: Partial<typeof EMPTY>) => setForm((f) => ({ ...f, ...more }));
  type Text = Exclude<keyof typeof EMPTY, 'cuts' | 'note'>;
  const field = (key: Text, label: string, path: string, hint?: string) => (
    <TextField
      label={label}
      path={path}
      faults={faults}
      hint={hint}
      value={form[key]}
      onChange={(v) => set({ [key]: v })}
    />
  );
  const area = (key: Text, label: string, path: string, hint: string) => (
    <TextArea
      label={label}
      path={path}
      faults={faults}
      hint={hint}
      rows={3}
      value={form[key]}
      onChange={(v) => set({ [key]: v })}
    />
  );
  const select = (key: Text, label: string, path: string, options: Named) => (
    <SelectField
      label={label}
      path={path}
      faults={faults}
      value={form[key]}
      onChange={(v) => set({ [key]: v })}
      options={options}
    />
  );
  return (
    <OwnForm
      own={own}
      known={[
        ...['text.name', 'text.method', 'text.conditions', 'text.counted.what', 'text.counted.usual', 'text.steps'],
        ...['text.take', 'text.before', 'text.minutes.once', 'text.minutes.each', 'text.again'],
      ]}
      note={form.note}
      onNote={(note) => set({ note })}
      onKeep={() =>
        keep(
          JSON.stringify({
            id: begin?.id ?? ownKey(form.name),
            name: form.name,
            method: form.method,
            conditions: form.condition ? [form.condition, ...(begin?.conditions.slice(1) ?? [])] : [],
            counted: { what: form.counted, usual: Number(form.usual) },
            steps: lines(form.steps),
            take: taken(form.take),
            before: lines(form.before),
            months: [Number(form.from), Number(form.to)],
            cuts: form.cuts,
            minutes: { once: Number(form.once), each: Number(form.each) },
            again: form.again ? { what: form.again, days: Number(form.days) } : null,
            basis: form.note,
          }),
          form.note,
          begin ? forget : () => setForm(EMPTY),
        )
      }
    >
      {field('name', 'What it is called', 'text.name')}
      <div className="grid gap-x-5 desk:grid-cols-2">
        {select('method', 'What kind of work', 'text.method', methods)}
        {select('condition', 'Against what', 'text.conditions', [
          { value: '', name: 'whatever that kind of work is offered for' },
          ...conditions,
        ])}
        {field('counted', 'What is counted on a tree', 'text.counted.what', 'nests, limbs, stems')}
        {field('usual', 'How many there usually are', 'text.counted.usual')}
      </div>
      {area('steps', 'What is done', 'text.steps', 'A line for each step, in order.')}
      {area(
        'before',
        'What must be so before',
        'text.before',
        'A line each; it is asked, and holds the work until it is said.',
      )}
      {area('take', 'What goes onto the truck', 'text.take', 'A line each, with how many: “Ladder: 1”.')}
      <div className="grid gap-x-5 desk:grid-cols-2">
        {select('from', 'From (month of the northern year)', 'text.months.0', MONTHS)}
        {select('to', 'To', 'text.months.1', MONTHS)}
        {field('once', 'Minutes on a tree', 'text.minutes.once')}
        {field('each', 'And minutes for each', 'text.minutes.each')}
        {field('again', 'What is looked at afterwards (may stay empty)', 'text.again.what')}
        {field('days', 'After how many days', 'text.again.days')}
      </div>
      <div className="mb-4">
        <Tick checked={form.cuts} onChange={(cuts) => set({ cuts })}>
          It cuts living wood: closed seasons hold
        </Tick>
      </div>
    </OwnForm>
  );
}
