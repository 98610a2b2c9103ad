'use client';

import type { OwnTest as OwnTestEntry } from '@/core/diagnose/overlay';
import { OFTEN_WORDS, type Often } from '@/core/diagnose/words';
import { ownKey } from '@/core/settings/own-key';
import { Choices, SelectField, TextArea, TextField, Tick } from '@/ui/controls/controls';
import { RemoveRow, type Named } from '@/ui/controls/picked.client';
import { useDraft } from '@/ui/controls/use.client';
import { useKeepOwn } from './keep.client';
import { OwnForm } from './own-form.client';

interface Outcome {
  /** As it is kept already; a new one has none. */
  id?: string;
  words: string;
  condition: string;
  often: Often;
  others?: Record<string, Often>;
}
const NO_OUTCOME: Outcome = { words: '', condition: '', often: 'always' };
const EMPTY = {
  name: '',
  ask: '',
  how: '',
  minutes: '5',
  waitDays: '0',
  cost: 'nothing' as 'nothing' | 'kit' | 'laboratory',
  wounds: '0' as '0' | '1' | '2',
  dig: false,
  leaf: false,
  group: '',
  finds: '0.93',
  errs: '0.04',
  outcomes: [NO_OUTCOME],
  note: '',
};
const COSTS = [
  { value: 'nothing', name: 'Eye and hand' },
  { value: 'kit', name: 'A kit' },
  { value: 'laboratory', name: 'A laboratory' },
] as const;
const WOUNDS = [
  { value: '0', name: 'No mark' },
  { value: '1', name: 'A twig or a scratch' },
  { value: '2', name: 'A window or a root' },
] as const;
const FINDS = [
  { value: '0.98', name: 'nearly all' },
  { value: '0.93', name: 'nine of ten' },
  { value: '0.8', name: 'four of five' },
  { value: '0.6', name: 'three of five' },
];
const ERRS = [
  { value: '0.002', name: 'hardly ever' },
  { value: '0.02', name: 'one of fifty' },
  { value: '0.04', name: 'one of twenty-five' },
  { value: '0.1', name: 'one of ten' },
];

const share = (x: number) => String(Number(x.toFixed(4)));
/** The form as an entry fills it; an outcome that speaks of several conditions keeps the others. */
const formOf = (t: OwnTestEntry): typeof EMPTY => ({
  name: t.name,
  ask: t.ask,
  how: t.how,
  minutes: String(t.minutes),
  waitDays: String(t.waitDays),
  cost: t.cost,
  wounds: String(t.wounds) as '0' | '1' | '2',
  dig: t.dig,
  leaf: t.leaf,
  group: t.groups[0] ?? '',
  finds: share(t.sensitivity),
  errs: share(1 - t.specificity),
  outcomes: t.outcomes.slice(0, -1).map((o): Outcome => {
    const [[condition, often] = ['', 'always' as const], ...others] = Object.entries(t.tells[o.id] ?? {});
    return { id: o.id, words: o.words, condition, often, others: Object.fromEntries(others) };
  }),
  note: '',
});
/** The choices, and a share that none of them is. */
const withShare = (list: readonly { value: string; name: string }[], x: string) =>
  list.some((i) => i.value === x) ? list : [...list, { value: x, name: x }];

/** A quick test of one's own: what is done, what can come out, and of what each outcome speaks. */
export function OwnTest({
  begin,
  groups,
  conditions,
}: {
  begin: OwnTestEntry | null;
  groups: readonly Named[];
  conditions: readonly Named[];
}) {
  const [form, setForm, forget] = useDraft(`own-test${begin?.id ?? ''}`, begin ? formOf(begin) : EMPTY);
  const own = useKeepOwn('test');
  const { faults, keep } = own;
  const set = (more: Partial<typeof EMPTY>) => setForm((f) => ({ ...f, ...more }));
  const field = (key: 'name' | 'ask' | 'minutes' | 'waitDays', label: string, hint?: string) => (
    <TextField
      label={label}
      path={`text.${key}`}
      faults={faults}
      hint={hint}
      inputMode={key === 'minutes' || key === 'waitDays' ? 'decimal' : undefined}
      value={form[key]}
      onChange={(x) => set({ [key]: x })}
    />
  );
  const options = (list: readonly Named[]) => list.map((x) => ({ value: x.id, name: x.name }));
  const change = (i: number, more: Partial<Outcome>) =>
    set({ outcomes: form.outcomes.map((o, j) => (j === i ? { ...o, ...more } : o)) });
  const nameOf = (id: string) => conditions.find((c) => c.id === id)?.name ?? id;
  // An outcome keeps its id, so that what trees were found to have can still be read.
  const taken = form.outcomes.flatMap((o) => o.id ?? []);
  const free = Array.from({ length: 20 }, (_, i) => `outcome-${i + 1}`).filter((id) => !taken.includes(id));
  const named = form.outcomes.map((o, i) => ({ ...o, id: o.id ?? free[i]! }));
  return (
    <OwnForm
      own={own}
      known={['name', 'ask', 'how', 'minutes', 'waitDays', 'outcomes', 'groups', 'tells'].map((x) => `text.${x}`)}
      note={form.note}
      onNote={(note) => set({ note })}
      onKeep={() =>
        keep(
          {
            ...begin,
            id: begin?.id ?? ownKey(form.name),
            name: form.name,
            how: form.how,
            ask: form.ask,
            minutes: Number(form.minutes.replace(',', '.')),
            waitDays: Number(form.waitDays),
            cost: form.cost,
            sensitivity: Number(form.finds),
            specificity: 1 - Number(form.errs),
            wounds: Number(form.wounds) as 0 | 1 | 2,
            groups: form.group ? [form.group, ...(begin?.groups.slice(1) ?? [])] : [],
            dig: form.dig,
            leaf: form.leaf,
            outcomes: [
              ...named.map(({ id, words, condition }) => {
                const was = begin?.outcomes.find((o) => o.id === id);
                const same = was && (condition ? condition in (begin?.tells[id] ?? {}) : !begin?.tells[id]);
                return {
                  idle: Number(form.errs),
                  ...was,
                  id,
                  words,
                  says: same
                    ? was.says
                    : condition
                      ? `It speaks of ${nameOf(condition)}.`
                      : 'It speaks of nothing that is known.',
                };
              }),
              begin?.outcomes.at(-1) ?? {
                id: 'none',
                words: 'None of these',
                says: 'Nothing that this test can show.',
              },
            ],
            tells: Object.fromEntries(
              named.map(({ id, condition, often, others }) => [
                id,
                { ...others, ...(condition ? { [condition]: often } : {}) },
              ]),
            ),
          },
          form.note,
          begin ? forget : () => setForm(EMPTY),
        )
      }
    >
      {field('name', 'What it is called', 'For example: rub the crumbs')}
      {field('ask', 'What is asked at the tree', 'For example: what do the crumbs do between two fingers?')}
      <TextArea
        label="How it is done"
        path="text.how"
        faults={faults}
        rows={3}
        value={form.how}
        onChange={(how) => set({ how })}
      />
      <Choices
        label="By"
        value={form.cost}
        onChange={(cost) => set({ cost })}
        options={COSTS}
        path="text.cost"
        faults={faults}
      />
      <Choices
        label="What it leaves on the tree"
        value={form.wounds}
        onChange={(wounds) => set({ wounds })}
        options={WOUNDS}
        path="text.wounds"
        faults={faults}
      />
      <div className="grid gap-x-5 desk:grid-cols-2">
        {field('minutes', 'Minutes at the tree')}
        {field('waitDays', 'Days until the answer')}
      </div>
      <SelectField
        label="On which trees"
        path="text.groups"
        faults={faults}
        value={form.group}
        onChange={(group) => set({ group })}
        options={[{ value: '', name: 'every tree' }, ...options(groups)]}
      />
      <div className="mb-4 flex flex-col gap-2">
        <Tick checked={form.leaf} onChange={(leaf) => set({ leaf })}>
          It needs leaves on the tree
        </Tick>
        <Tick checked={form.dig} onChange={(dig) => set({ dig })}>
          Somebody digs for it
        </Tick>
      </div>
      <fieldset className="mb-4">
        <legend className="text-lead font-bold">What can come out</legend>
        {form.outcomes.map((o, i) => (
          <div key={i} className="row py-2">
            <div className="flex items-end gap-3">
              <div className="min-w-0 flex-1">
                <TextField
                  label={`Outcome ${i + 1}, as it looks`}
                  path={`text.outcomes.${i}`}
                  faults={faults}
                  value={o.words}
                  onChange={(words) => change(i, { words })}
                />
              </div>
              <div className="mb-4">
                <RemoveRow
                  name={`Take away outcome ${i + 1}`}
                  disabled={form.outcomes.length === 1}
                  onClick={() => set({ outcomes: form.outcomes.filter((_, j) => j !== i) })}
                />
              </div>
            </div>
            <div className="grid gap-x-5 desk:grid-cols-2">
              <SelectField
                label="It speaks of"
                path={i === 0 ? 'text.tells' : `text.tells.${named[i]!.id}`}
                faults={faults}
                value={o.condition}
                onChange={(condition) => change(i, { condition })}
                options={[{ value: '', name: 'nothing' }, ...options(conditions)]}
              />
              <SelectField
                label="which shows it"
                path={`text.often.${i}`}
                value={o.often}
                onChange={(often) => change(i, { often })}
                options={OFTEN_WORDS.filter((w) => w !== 'never').map((w) => ({ value: w, name: w }))}
              />
            </div>
          </div>
        ))}
        <button
          type="button"
          className="press mt-2"
          disabled={form.outcomes.length >= 7}
          onClick={() => set({ outcomes: [...form.outcomes, NO_OUTCOME] })}
        >
          Another outcome
        </button>
        <p className="mt-2 text-small text-ink-2">“None of these” is always among them.</p>
      </fieldset>
      <div className="grid gap-x-5 desk:grid-cols-2">
        <SelectField
          label="Of trees that have it, it finds"
          path="text.sensitivity"
          faults={faults}
          value={form.finds}
          onChange={(finds) => set({ finds })}
          options={withShare(FINDS, form.finds)}
        />
        <SelectField
          label="Of trees that have it not, it errs on"
          path="text.specificity"
          faults={faults}
          value={form.errs}
          onChange={(errs) => set({ errs })}
          options={withShare(ERRS, form.errs)}
        />
      </div>
    </OwnForm>
  );
}
