'use client';

import type { Placed, Problem } from '@/core/schedule/problem';
import { inForce, rainsUntil, withoutCrew, type Answer } from '@/core/schedule/solve';
import { SelectField } from '@/ui/controls/controls';
import { longDay } from '@/ui/words';
import type { Told } from './told';

export type WhatIf =
  { kind: 'as it is' } | { kind: 'rain'; until: string } | { kind: 'away'; crewId: string; from: string; to: string };

/** The fortnight as somebody has changed it: put by hand, under another weather, without a crew. */
export function changed(
  problem: Problem,
  byHand: ReadonlyMap<string, Placed | null>,
  whatIf: WhatIf,
  base: Answer['rounds'] | null,
) {
  const from = base ? inForce(problem, { rounds: base }) : problem;
  const jobs = from.jobs.map((j) => {
    const put = byHand.get(j.id);
    return put === undefined ? j : { ...j, now: put ?? j.now, locked: put !== null };
  });
  const own = { ...from, jobs };
  if (whatIf.kind === 'rain') return rainsUntil(own, whatIf.until);
  if (whatIf.kind === 'away') return withoutCrew(own, whatIf.crewId, whatIf.from, whatIf.to);
  return own;
}

/** Asks for another weather, or for a crew that stays at home. */
export function WhatIfForm({
  problem,
  told,
  value,
  onChange,
}: {
  problem: Problem;
  told: Told;
  value: WhatIf;
  onChange: (next: WhatIf) => void;
}) {
  const days = problem.days.map((d) => ({ value: d, name: longDay(d) }));
  const [first, second] = [problem.days[0]!, problem.days[Math.min(2, problem.days.length - 1)]!];
  const kinds = [
    { value: 'as it is', name: 'As the forecast has it' },
    { value: 'rain', name: 'It rains until …' },
    ...problem.crews.map((c) => ({ value: c.id, name: `${told.crews[c.id]} does not go out` })),
  ];
  return (
    <fieldset className="no-print mt-5 flex flex-wrap items-end gap-x-4 border-t border-line pt-3">
      <legend className="sr-only">What if</legend>
      <SelectField
        label="What if"
        path="whatIf"
        value={value.kind === 'away' ? value.crewId : value.kind}
        onChange={(k) =>
          onChange(
            k === 'as it is'
              ? { kind: 'as it is' }
              : k === 'rain'
                ? { kind: 'rain', until: second }
                : { kind: 'away', crewId: k, from: first, to: first },
          )
        }
        options={kinds}
      />
      {value.kind === 'rain' && (
        <SelectField
          label="Until"
          path="until"
          value={value.until}
          onChange={(until) => onChange({ ...value, until })}
          options={days}
        />
      )}
      {value.kind === 'away' && (
        <>
          <SelectField
            label="From"
            path="from"
            value={value.from}
            onChange={(from) => onChange({ ...value, from })}
            options={days}
          />
          <SelectField
            label="To"
            path="to"
            value={value.to}
            onChange={(to) => onChange({ ...value, to })}
            options={days}
          />
        </>
      )}
    </fieldset>
  );
}
