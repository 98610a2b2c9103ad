import type { Issue } from '@/lib/result';
import type { OptionMethod, optionSchema } from '@/core/diagnose/knowledge';
import { SelectField, TextField, Checkbox } from '@/ui/controls/controls';
import { RemoveRow } from '@/ui/controls/picked.client';
import type { z } from 'zod';
import type { SetCondition, WrittenCondition } from './condition.client';
import { MONTHS } from './own-form.client';

type WrittenWay = z.input<typeof optionSchema>;
const USES = [
  { value: 'cure', name: 'cures a tree that has it' },
  { value: 'protect', name: 'protects a sound one' },
  { value: 'support', name: 'helps the tree bear it' },
  { value: 'relief', name: 'relieves people of it' },
] as const;
const EMPTY: WrittenWay = { method: 'sanitation', what: '', when: '', from: 1, to: 12, use: 'cure', organic: true };

/** The ways to act on a condition; days, warmth and amounts stand in the label or the work that carries one out. */
export function ConditionWays({
  entry,
  set,
  issues,
  methods,
}: {
  entry: WrittenCondition;
  set: SetCondition;
  issues: Issue[];
  methods: readonly string[];
}) {
  const write = (options: WrittenWay[]) => set({ options });
  return (
    <fieldset className="my-5">
      <legend className="text-lead font-bold">Ways to act on it</legend>
      <p className="mb-3 text-[0.9375rem] text-ink-2">
        Days, temperatures and amounts stay in the label or the work, which the guide tells beside each way.
      </p>
      {entry.options.map((way, i) => {
        const change = (more: Partial<WrittenWay>) =>
          write(entry.options.map((o, j) => (j === i ? { ...o, ...more } : o)));
        const at = (key: string) => `text.options.${i}.${key}`;
        return (
          <fieldset key={i} className="row mb-3 pb-1">
            <legend className="sr-only">Way {i + 1}</legend>
            <div className="flex items-end gap-3">
              <div className="min-w-0 flex-1">
                <SelectField
                  label="Kind of work"
                  path={at('method')}
                  issues={issues}
                  value={way.method}
                  onChange={(method) => change({ method })}
                  options={methods.map((m) => ({ value: m as OptionMethod, name: m }))}
                />
              </div>
              <div className="mb-4">
                <RemoveRow
                  name={`Take away way ${i + 1}`}
                  onClick={() => write(entry.options.filter((_, j) => j !== i))}
                />
              </div>
            </div>
            <TextField
              label="What is done"
              path={at('what')}
              issues={issues}
              maxLength={300}
              value={way.what}
              onChange={(what) => change({ what })}
            />
            <TextField
              label="What opens its time"
              path={at('when')}
              issues={issues}
              hint="crawlers out, leaf full, dormant"
              maxLength={200}
              value={way.when}
              // Another opening than the one that it was begun with: its stages no longer hold.
              onChange={(when) => change({ when, timed: undefined })}
            />
            <div className="grid gap-x-5 desk:grid-cols-3">
              <SelectField
                label="From"
                path={at('from')}
                issues={issues}
                value={String(way.from)}
                onChange={(m) => change({ from: Number(m) })}
                options={MONTHS}
              />
              <SelectField
                label="To"
                path={at('to')}
                issues={issues}
                value={String(way.to)}
                onChange={(m) => change({ to: Number(m) })}
                options={MONTHS}
              />
              <SelectField
                label="What for"
                path={at('use')}
                issues={issues}
                value={way.use}
                onChange={(use) => change({ use })}
                options={USES}
              />
            </div>
            <div className="mb-3">
              <Checkbox checked={way.organic} onChange={(organic) => change({ organic })}>
                Organic programmes may
              </Checkbox>
            </div>
          </fieldset>
        );
      })}
      <button type="button" className="press" onClick={() => write([...entry.options, EMPTY])}>
        Another way
      </button>
    </fieldset>
  );
}
