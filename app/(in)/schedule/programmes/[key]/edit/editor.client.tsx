'use client';

import type { Issue } from '@/lib/result';
import { useRouter } from 'next/navigation';
import { v7 } from 'uuid';
import type { ProgrammeStep, YearProgramme } from '@/core/programmes/schema';
import { customKey } from '@/core/settings/own-key';
import { Choices, FormIssues, SelectField, TextArea, TextField } from '@/ui/controls/controls';
import { useDraft, useMadeId, useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { saveProgramme } from '../../actions';
import { Many } from './many.client';
import { StepEditor, type StepOptions } from './step.client';

const newStep = (taken: readonly string[]): ProgrammeStep => {
  let n = taken.length + 1;
  while (taken.includes(`step-${n}`)) n++;
  return {
    key: `step-${n}`,
    name: '',
    act: { kind: 'look', of: [], how: '' },
    when: { by: 'months', from: 5, to: 6 },
    toPicking: false,
    again: null,
    onlyIf: null,
    onlyHad: [],
    everyYears: 1,
    why: '',
  };
};

const SCHOOLS = [
  { value: 'conventional', name: 'all methods' },
  { value: 'organic', name: 'organic only' },
  { value: 'threshold', name: 'by threshold' },
] as const;

/** A programme as a form: what it is for, and its steps in order. */
export function Editor({
  programme,
  options,
}: {
  programme: YearProgramme;
  options: StepOptions & { groups: { value: string; name: string }[] };
}) {
  const router = useRouter();
  const said = useNotify();
  const own = programme.key.startsWith('own-');
  const made = useMadeId(`programme-${programme.key}`);
  const first = own ? programme : { ...programme, name: `${programme.name}, ours` };
  const [form, setForm] = useDraft<YearProgramme>(`programme-${programme.key}`, first);
  const { busy, issues, send } = useSend(saveProgramme, made);
  const set = (more: Partial<YearProgramme>) => setForm((f) => ({ ...f, ...more }));
  const at = (path: string): Issue[] =>
    issues
      .filter((f) => f.path.startsWith(`programme.${path}`))
      .map((f) => ({ ...f, path: f.path.slice('programme.'.length) }));
  const key = own ? programme.key : customKey(form.name);
  const keep = (retired: boolean) =>
    send({ id: retired ? v7() : made.id, programme: { ...form, key }, retired }, ({ key: kept }) => {
      setForm(first);
      said({ sentence: retired ? `Laid no more: ${form.name}.` : `Kept: ${form.name}.` });
      router.push(retired ? '/schedule/programmes' : `/schedule/programmes/${kept}`);
    });
  const setStep = (i: number, step: ProgrammeStep) => set({ steps: form.steps.map((s, n) => (n === i ? step : s)) });
  const move = (i: number, by: number) => {
    const steps = [...form.steps];
    const [step] = steps.splice(i, 1);
    steps.splice(i + by, 0, step!);
    set({ steps });
  };
  return (
    <>
      <FormIssues issues={issues} known={['programme']} />
      <TextField label="Name" path="name" issues={at('name')} value={form.name} onChange={(name) => set({ name })} />
      <TextArea
        label="What it does"
        path="about"
        issues={at('about')}
        value={form.about}
        onChange={(about) => set({ about })}
      />
      <div className="grid gap-x-5 desk:grid-cols-2">
        <TextField
          label="What it rests on"
          path="basis"
          issues={at('basis')}
          value={form.basis}
          onChange={(basis) => set({ basis })}
        />
        <SelectField
          label="Years"
          path="years"
          issues={at('years')}
          value={String(form.years)}
          onChange={(years) => set({ years: Number(years) })}
          options={['1', '2', '3', '4', '5'].map((y) => ({ value: y, name: y }))}
        />
      </div>
      <Choices small label="School" value={form.school} onChange={(school) => set({ school })} options={SCHOOLS} />
      <Many
        label="For these hosts (none: any tree)"
        chosen={form.groups}
        options={options.groups}
        onChange={(groups) => set({ groups })}
      />
      <h2 className="mt-6 mb-2">Steps</h2>
      <ol>
        {form.steps.map((step, i) => (
          <li key={step.key} className="mb-3 border border-line">
            <StepEditor
              step={step}
              before={form.steps.slice(0, i)}
              options={options}
              issues={issues
                .filter((f) => f.path.startsWith(`programme.steps.${i}.`))
                .map((f) => ({ ...f, path: f.path.slice(`programme.steps.${i}.`.length) }))}
              onChange={(s) => setStep(i, s)}
            />
            <div className="flex flex-wrap gap-2 px-3 pb-3">
              <button type="button" className="press press-plain" disabled={i === 0} onClick={() => move(i, -1)}>
                Earlier
              </button>
              <button
                type="button"
                className="press press-plain"
                disabled={i === form.steps.length - 1}
                onClick={() => move(i, 1)}
              >
                Later
              </button>
              <button
                type="button"
                className="press press-plain"
                onClick={() => set({ steps: form.steps.filter((_, n) => n !== i) })}
              >
                Take it out
              </button>
            </div>
          </li>
        ))}
      </ol>
      <button
        type="button"
        className="press"
        onClick={() => set({ steps: [...form.steps, newStep(form.steps.map((s) => s.key))] })}
      >
        Add a step
      </button>
      <div className="mt-6 flex flex-wrap gap-3">
        <button type="button" className="press press-main phone:w-full" disabled={busy} onClick={() => keep(false)}>
          Keep this programme
        </button>
        {own && (
          <button type="button" className="press" disabled={busy} onClick={() => keep(true)}>
            Lay it no more
          </button>
        )}
      </div>
    </>
  );
}
