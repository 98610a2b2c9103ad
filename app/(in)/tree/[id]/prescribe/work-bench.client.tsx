import type { Answer, Work, WorkFacts, WorkSheet } from '@/core/work/work';
import { readAnswers, usualAnswers } from '@/core/work/work';
import { Choices, TextField, Tick, type FormFault } from '@/ui/controls/controls';
import { Fact, Pour } from '@/ui/frame/pieces';

/** What a work asks, as typed; a field left alone holds the usual answer. */
export type Typed = Record<string, string | boolean>;

/** The sheet for what was typed, or the faults of the fields that cannot be read; the usual answers stand in for those. */
export function sheetOf(work: Work, facts: WorkFacts, typed: Typed): { sheet: WorkSheet; faults: FormFault[] } {
  const read = readAnswers(work, facts, typed);
  if (read.ok) return { sheet: work.workOut(facts, read.answers), faults: [] };
  const good = Object.fromEntries(Object.entries(typed).filter(([k]) => !read.faults.some((f) => f.path === k)));
  const again = readAnswers(work, facts, good);
  return { sheet: work.workOut(facts, again.ok ? again.answers : usualAnswers(work, facts)), faults: read.faults };
}

export function WorkFigures({ sheet, stopped }: { sheet: WorkSheet; stopped: boolean }) {
  return (
    <div aria-live="polite">
      {sheet.figures.map((f, i) => (
        <Pour key={f.name} big={i === 0 && !stopped} label={f.name} value={f.value} unit={f.unit} />
      ))}
      <dl className="mb-3">
        <Fact name="Time, about">
          {sheet.minutes < 90 ? `${Math.round(sheet.minutes)} min` : `${(sheet.minutes / 60).toFixed(1)} h`}
        </Fact>
      </dl>
    </div>
  );
}

export function WorkAsks({
  work,
  facts,
  typed,
  faults,
  onType,
}: {
  work: Work;
  facts: WorkFacts;
  typed: Typed;
  faults: FormFault[];
  onType: (key: string, value: string | boolean) => void;
}) {
  return (
    <div className="grid gap-x-6 desk:grid-cols-2">
      {work.asks.map((ask) => {
        const usual: Answer = ask.usual(facts);
        const now = typed[ask.key];
        if (ask.kind === 'choice')
          return (
            <Choices
              key={ask.key}
              small
              label={ask.name}
              value={String(now ?? usual)}
              onChange={(x) => onType(ask.key, x)}
              options={ask.options.map((o) => ({ value: o, name: o }))}
            />
          );
        if (ask.kind === 'yes')
          return (
            <Tick key={ask.key} checked={Boolean(now ?? usual)} onChange={(x) => onType(ask.key, x)}>
              {ask.name}
            </Tick>
          );
        return (
          <TextField
            key={ask.key}
            label={ask.unit ? `${ask.name}, ${ask.unit}` : ask.name}
            path={ask.key}
            faults={faults}
            inputMode="decimal"
            maxLength={20}
            placeholder={String(usual)}
            value={typeof now === 'string' ? now : ''}
            onChange={(x) => onType(ask.key, x)}
          />
        );
      })}
    </div>
  );
}

export function WorkSteps({ sheet }: { sheet: WorkSheet }) {
  return (
    <div className="mt-6 grid gap-x-8 desk:grid-cols-2">
      <section>
        <h2>How</h2>
        <ol className="mt-1 list-decimal pl-5">
          {sheet.steps.map((s) => (
            <li key={s} className="py-1">
              {s}
            </li>
          ))}
        </ol>
      </section>
      <section>
        <h2>Onto the truck</h2>
        <dl>
          {sheet.take.map((t) => (
            <Fact key={t.what} name={t.what}>
              {t.amount}
            </Fact>
          ))}
        </dl>
        <h2 className="mt-5">The sum</h2>
        <ul className="text-[0.9375rem]">
          {sheet.sum.map((s) => (
            <li key={s} className="row py-1.5">
              {s}
            </li>
          ))}
        </ul>
        {sheet.followUps.length > 0 && (
          <>
            <h2 className="mt-5">Afterwards</h2>
            <ul className="text-[0.9375rem]">
              {sheet.followUps.map((r) => (
                <li key={r.id} className="row py-1.5">
                  <b>{r.what}</b>, {r.after.count} {r.after.count === 1 ? r.after.unit.slice(0, -1) : r.after.unit}:{' '}
                  {r.why}
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
    </div>
  );
}
