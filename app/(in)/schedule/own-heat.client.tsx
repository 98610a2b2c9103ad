'use client';

import { useRouter } from 'next/navigation';
import { Choices, FormIssues, SelectField, TextField } from '@/ui/controls/controls';
import { useDraft, useMadeId, useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { saveDegreeDayModel } from './actions';

interface Form {
  what: string;
  host: string;
  baseC: string;
  ceilingC: string;
  sum: string;
  from: string;
  basis: string;
  method: 'single-sine' | 'average';
}
const EMPTY: Form = {
  what: '',
  host: '',
  baseC: '10',
  ceilingC: '',
  sum: '',
  from: '',
  basis: '',
  method: 'single-sine',
};

/** A sum of heat of the company's own, for a host that stands here. */
export function OwnHeat({ hosts }: { hosts: { value: string; name: string }[] }) {
  const router = useRouter();
  const said = useNotify();
  const made = useMadeId('own-heat');
  const [form, setForm] = useDraft<Form>('own-heat', { ...EMPTY, host: hosts[0]?.value ?? '' });
  const { busy, issues, send } = useSend(saveDegreeDayModel, made);
  const field = (key: Exclude<keyof Form, 'host' | 'method'>, label: string, path: string = key) => (
    <TextField
      label={label}
      path={path}
      issues={issues}
      value={form[key]}
      onChange={(value) => setForm((f) => ({ ...f, [key]: value }))}
    />
  );
  const keep = () =>
    send(
      {
        id: made.id,
        what: form.what,
        hosts: form.host ? [form.host] : [],
        baseC: form.baseC,
        ceilingC: form.ceilingC,
        method: form.method,
        sum: form.sum,
        from: form.from,
        basis: form.basis,
        retired: false,
      },
      () => {
        said({ sentence: `Kept: ${form.what}.` });
        setForm({ ...EMPTY, host: form.host });
        router.refresh();
      },
    );
  return (
    <details className="mt-2" open={issues.length > 0 || undefined}>
      <summary className="min-h-hand font-semibold">A sum of your own</summary>
      <FormIssues issues={issues} known={['what', 'hosts', 'baseC', 'ceilingC', 'sum', 'from', 'basis']} />
      <div className="grid gap-x-5 desk:grid-cols-2">
        {field('what', 'What the heat brings about')}
        <SelectField
          label="On"
          path="hosts"
          value={form.host}
          onChange={(host) => setForm((f) => ({ ...f, host }))}
          options={hosts}
        />
        {field('sum', 'Degree-days, °C')}
        {field('baseC', 'Above, °C')}
        {field('ceilingC', 'Up to, °C (empty: however hot)')}
        {field('from', 'Counted from what is seen (empty: the new year)')}
        {field('basis', 'What it rests on')}
      </div>
      <Choices
        small
        label="Built on"
        value={form.method}
        onChange={(method) => setForm((f) => ({ ...f, method }))}
        options={[
          { value: 'single-sine', name: 'a sine through the day' },
          { value: 'average', name: 'the mean of the day' },
        ]}
      />
      <button type="button" className="press" disabled={busy} onClick={keep}>
        Keep it
      </button>
    </details>
  );
}
