'use client';

import { Checkbox } from '@/ui/controls/controls';
import { Select } from '@/ui/controls/input.client';
import { GRADES, SPOKEN, without, type BenchSign, type Grade } from './form';
import { type Props } from './beside.client';

/** The same look for a row of like trees, with what differs on each. */
export function AlikeTrees({
  form,
  update,
  trees,
  signs,
}: Omit<Props, 'issues'> & { trees: { id: string; tag: string }[]; signs: BenchSign[] }) {
  if (!trees.length) return null;
  const chosen = Object.keys(form.alike);
  const set = (id: string, except: Record<string, Grade> | null) =>
    update((f) => {
      return { ...f, alike: except ? { ...f.alike, [id]: except } : without(f.alike, id) };
    });
  return (
    <details className="border-t border-line" open={chosen.length > 0 || undefined}>
      <summary className="min-h-hand py-3 font-bold">
        The same look for trees further down the row{chosen.length ? `: ${chosen.length}` : ''}
      </summary>
      <p className="mb-2 text-[0.9375rem] text-ink-2">
        Signs, crown and vigour are taken over; tests, drawings and the host key are not.
      </p>
      {trees.map((t) => (
        <div key={t.id}>
          <Checkbox checked={t.id in form.alike} onChange={(on) => set(t.id, on ? {} : null)}>
            <b className="figures">{t.tag}</b> looks the same
          </Checkbox>
          {form.alike[t.id] && (
            <div className="mb-2 ml-10 flex flex-wrap items-center gap-2">
              {Object.entries(form.alike[t.id]!).map(([sign, g]) => (
                <button
                  key={sign}
                  type="button"
                  className="press min-h-dense text-small"
                  onClick={() => set(t.id, without(form.alike[t.id]!, sign))}
                >
                  but {signs.find((s) => s.id === sign)?.words}: {SPOKEN[g]} ×
                </button>
              ))}
              <Select
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
              </Select>
            </div>
          )}
        </div>
      ))}
    </details>
  );
}
