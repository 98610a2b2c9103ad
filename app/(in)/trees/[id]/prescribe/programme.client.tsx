import { v7 } from 'uuid';
import { money } from '@/core/cost/prices';
import { overTheYears } from '@/core/prescribe/costs';
import { type Weighing } from '@/core/gates/context';
import {
  PROGRAMME_LIMITS,
  SCHOOL_NAMES,
  USUAL_PROGRAMME,
  type Programme,
  type Step,
  type Visit,
} from '@/core/season/programme';
import { span } from '@/core/season/follow-ups';
import { FormIssues, SelectField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { shortDay } from '@/ui/words';
import { setTreeProgramme } from './actions';

export interface PlannedStep {
  id: string;
  step: Step;
  /** What one time costs: as planned, or as it would cost today; null when nothing says. */
  once: number | null;
}

const KINDS: Record<Visit['kind'], string> = {
  treat: 'Treat',
  'check-effect': 'Check the effect',
  'pull-device': 'Pull devices',
  look: 'Look',
  'site-work': 'Site work',
};
const AS_IS = '';
const years = (n: number) => span(n, 'years');
const upTo = (l: { min: number; max: number }) => Array.from({ length: l.max - l.min + 1 }, (_, i) => l.min + i);

/** The plan of one tree as one thing: its steps and what they come to, its programme, its visits and their rules. */
export function PlanOfTree({
  treeId,
  steps,
  by,
  refused,
}: {
  treeId: string;
  steps: PlannedStep[];
  by: Weighing;
  refused: boolean;
}) {
  const { busy, issues, send } = useSend(setTreeProgramme);
  const said = useNotify();
  const programme = by.programme ?? USUAL_PROGRAMME;
  const set = (change: Partial<Programme>) =>
    send({ id: v7(), treeId, ...programme, ...change }, () =>
      said({
        sentence: 'Programme set; what is booked from now on follows it.',
        undo: () => setTreeProgramme({ id: v7(), treeId, ...programme }),
      }),
    );
  const brought = steps.map((s) => ({ ...s, ...overTheYears(s.step, s.once ?? 0, by) }));
  const visits = brought.flatMap((s) => s.visits).sort((a, b) => a.day.localeCompare(b.day));
  const inYears = [...new Set(visits.map((v) => v.day.slice(0, 4)))];
  const cost = (minor: number | null) => (minor === null ? '–' : money(minor, by.prices));
  return (
    <section id="plan" className="mt-7 scroll-mt-20">
      <h2>The plan of this tree</h2>
      {steps.length === 0 ? (
        <p className="text-ink-2">
          No step is planned yet. Years and school set here apply to every step that is planned.
        </p>
      ) : (
        <table className="dense figures">
          <thead>
            <tr>
              <th>Step</th>
              <th>Once</th>
              <th>{years(programme.years)}</th>
              <th>Times</th>
            </tr>
          </thead>
          <tbody>
            {brought.map((s, i) => (
              <tr key={s.id}>
                <td>
                  {i + 1}. {s.step.name}
                </td>
                <td>{cost(s.once)}</td>
                <td>{cost(s.once === null ? null : s.overYears)}</td>
                <td>{s.times}</td>
              </tr>
            ))}
            {steps.length > 1 && (
              <tr className="font-bold">
                <td>Together</td>
                <td>{cost(brought.reduce((a, s) => a + (s.once ?? 0), 0))}</td>
                <td>{cost(brought.reduce((a, s) => a + s.overYears, 0))}</td>
                <td>{brought.reduce((a, s) => a + s.times, 0)}</td>
              </tr>
            )}
          </tbody>
        </table>
      )}
      {!refused && (
        <fieldset disabled={busy} className="mt-4 grid gap-x-5 desk:grid-cols-3">
          <legend className="sr-only">Programme</legend>
          <SelectField
            label="School"
            path="school"
            value={programme.school ?? AS_IS}
            onChange={(x) => set({ school: x === AS_IS ? null : x })}
            options={[
              { value: AS_IS, name: `${SCHOOL_NAMES[by.school]} (company)` },
              ...(Object.keys(SCHOOL_NAMES) as (keyof typeof SCHOOL_NAMES)[]).map((value) => ({
                value,
                name: SCHOOL_NAMES[value],
              })),
            ]}
          />
          <SelectField
            label="Injections every"
            path="everyYears"
            value={programme.everyYears === null ? AS_IS : String(programme.everyYears)}
            onChange={(x) => set({ everyYears: x === AS_IS ? null : Number(x) })}
            options={[
              { value: AS_IS, name: 'as the label has it' },
              ...upTo(PROGRAMME_LIMITS.everyYears).map((n) => ({ value: String(n), name: years(n) })),
            ]}
          />
          <SelectField
            label="Planned for"
            path="years"
            value={String(programme.years)}
            onChange={(x) => set({ years: Number(x) })}
            options={upTo(PROGRAMME_LIMITS.years).map((n) => ({ value: String(n), name: years(n) }))}
          />
        </fieldset>
      )}
      <FormIssues issues={issues} />
      {visits.length > 0 && (
        <>
          <h3>Visits to come</h3>
          <VisitList visits={visits.slice(0, 5)} />
          <details>
            <summary className="min-h-hand py-3 font-semibold">
              All {visits.length} visits in {years(programme.years)}, and their rules
            </summary>
            {inYears.map((y) => (
              <div key={y} className="mb-3">
                <h4 className="font-bold">{y}</h4>
                <VisitList visits={visits.filter((v) => v.day.startsWith(y))} />
              </div>
            ))}
            <ul className="text-[0.9375rem]">
              {steps.flatMap((s) =>
                s.step.rules.map((r) => (
                  <li key={s.id + r.id} className="row py-1.5">
                    <b>{s.step.name}</b>, {r.after.count} {r.after.unit} after: {r.what}
                    {r.onlyIf && `, only if ${r.onlyIf}`}. <span className="text-ink-2">{r.why}.</span>
                  </li>
                )),
              )}
            </ul>
          </details>
          <p className="mt-1 text-small text-ink-2">
            Counted as if each were made on its day; the real dates follow from what is booked. A visit that depends on
            a look counts half in the price.
          </p>
        </>
      )}
      <p className="mt-2 text-small text-ink-2">
        Pick another way below and plan it too: driver, mould and ants in one plan.
      </p>
    </section>
  );
}

function VisitList({ visits }: { visits: Visit[] }) {
  return (
    <ul className="figures text-[0.9375rem]">
      {visits.map((visit, i) => (
        <li key={i} className="row grid grid-cols-[7rem_1fr] gap-x-3 py-1.5">
          <b>{shortDay(visit.day)}</b>
          <span>
            {KINDS[visit.kind]}: {visit.kind === 'treat' ? visit.step : `${visit.what} (${visit.step})`}
            {visit.onlyIf && <span className="text-ink-2">, if {visit.onlyIf}</span>}
          </span>
        </li>
      ))}
    </ul>
  );
}
