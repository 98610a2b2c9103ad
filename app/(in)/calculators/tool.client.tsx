'use client';

import type { Issue } from '@/lib/result';
import { useState } from 'react';
import { readNumber } from '@/lib/units/numbers';
import { TextField } from '@/ui/controls/controls';

type Values = Record<string, string>;

/** Reads the fields of a tool; the first that cannot be read gives its sentence, an empty one says nothing yet. */
export function read<K extends string>(
  values: Values,
  rules: Record<K, { name: string; min?: number; max?: number; above?: number }>,
): { ok: true; n: Record<K, number> } | { ok: false; issues: Issue[] } {
  const n = {} as Record<K, number>;
  const issues: Issue[] = [];
  let empty = false;
  for (const k of Object.keys(rules) as K[]) {
    if (!(values[k] ?? '').trim()) {
      empty = true;
      continue;
    }
    const r = readNumber(values[k]!, rules[k]);
    if (r.ok) n[k] = r.value;
    else issues.push({ path: k, message: r.sentence });
  }
  return issues.length || empty ? { ok: false, issues } : { ok: true, n };
}

export function Tool({
  title,
  fields,
  children,
}: {
  title: string;
  fields: [string, string][];
  children: (v: Values) => { issues: Issue[]; out: React.ReactNode };
}) {
  const [values, setValues] = useState<Values>({});
  const { issues, out } = children(values);
  return (
    <section className="border-t border-line py-5">
      <h2 className="mb-2">{title}</h2>
      <div className="grid grid-cols-2 gap-x-4">
        {fields.map(([k, label]) => (
          <TextField
            key={k}
            label={label}
            path={k}
            issues={issues}
            inputMode="decimal"
            maxLength={20}
            value={values[k] ?? ''}
            onChange={(x) => setValues((v) => ({ ...v, [k]: x }))}
          />
        ))}
      </div>
      <div aria-live="polite">{out}</div>
    </section>
  );
}
