import type { Issue } from '@/lib/result';
import { OFTEN_WORDS, type Often } from '@/core/diagnose/words';
import { issueAt } from '@/ui/controls/controls';
import { Picked, RemoveRow, type Named } from '@/ui/controls/picked.client';
import { Input, Select } from '@/ui/controls/input.client';
import type { SetCondition, WrittenCondition } from './condition.client';

const OFTEN_NAMES: Readonly<Record<Often, string>> = {
  always: 'nearly always',
  usual: 'usually, three of four',
  sometimes: 'sometimes, one of three',
  rare: 'rarely, one of ten',
  never: 'never: it speaks against it',
};

/** What a condition shows and how often, and what alone names it. */
export function ConditionSigns({
  entry,
  set,
  issues,
  signs,
}: {
  entry: WrittenCondition;
  set: SetCondition;
  issues: Issue[];
  signs: readonly Named[];
}) {
  const rows = OFTEN_WORDS.flatMap((often) => (entry.signs[often] ?? []).map((sign) => ({ sign, often })));
  const write = (next: typeof rows) =>
    set({
      signs: Object.fromEntries(OFTEN_WORDS.map((w) => [w, next.filter((r) => r.often === w).map((r) => r.sign)])),
      telling: Object.fromEntries(
        Object.entries(entry.telling ?? {}).filter(([sign]) => next.some((r) => r.sign === sign)),
      ),
    });
  const nameOf = (id: string) => signs.find((s) => s.id === id)?.name ?? id;
  const telling = entry.telling ?? {};
  const issue = issueAt(issues, 'text.signs') ?? issueAt(issues, 'text.telling');
  return (
    <fieldset className="my-5">
      <legend className="text-lead font-bold">What it shows</legend>
      <ul className="mt-2">
        {rows.map(({ sign, often }) => (
          <li key={sign} className="row grid grid-cols-[1fr_auto] gap-x-3 gap-y-1 py-2">
            <span className="self-center">{nameOf(sign)}</span>
            <RemoveRow name={`Take away ${nameOf(sign)}`} onClick={() => write(rows.filter((r) => r.sign !== sign))} />
            <span className="col-span-2 flex flex-wrap items-center gap-3">
              <Select
                aria-label={`How often: ${nameOf(sign)}`}
                className="box w-auto max-w-full"
                value={often}
                onChange={(e) =>
                  write(rows.map((r) => (r.sign === sign ? { sign, often: e.target.value as Often } : r)))
                }
              >
                {OFTEN_WORDS.map((w) => (
                  <option key={w} value={w}>
                    {OFTEN_NAMES[w]}
                  </option>
                ))}
              </Select>
              {often !== 'never' && (
                <Input
                  aria-label={`Why nothing else shows: ${nameOf(sign)}`}
                  placeholder="alone it names it, because …"
                  className="box min-w-0 flex-1 basis-64"
                  maxLength={300}
                  value={telling[sign] ?? ''}
                  onChange={(e) => {
                    const rest = Object.fromEntries(Object.entries(telling).filter(([of]) => of !== sign));
                    set({ telling: e.target.value ? { ...rest, [sign]: e.target.value } : rest });
                  }}
                />
              )}
            </span>
          </li>
        ))}
      </ul>
      <Picked
        label="A sign"
        path="text.add-sign"
        hint="What is missing among them is added first, as a sign of one’s own."
        all={signs.filter((s) => !rows.some((r) => r.sign === s.id))}
        chosen={[]}
        onChange={([sign]) => sign && write([...rows, { sign, often: 'usual' }])}
      />
      {issue && (
        <p role="alert" className="font-semibold text-madder">
          {issue}
        </p>
      )}
    </fieldset>
  );
}
