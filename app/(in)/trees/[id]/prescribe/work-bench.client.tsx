import type { Issue } from '@/lib/result';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import type { Gate } from '@/core/gates/gate';
import { blocked } from '@/core/gates/rules';
import type { TreatmentContext, When } from '@/core/gates/context';
import { workDay } from '@/core/prescribe/when';
import type { UnitSystem } from '@/lib/units/units';
import type { Answer, Work, WorkFacts, WorkSheet } from '@/core/work/work';
import { factsOn, readAnswers, usualAnswers } from '@/core/work/work';
import { findWork } from '@/core/work/works';
import { Choices, FormIssues, TextField, Checkbox } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { Frame } from '@/ui/frame/frame';
import { countGates, GateList } from '@/ui/frame/gates';
import { Fact, Pour } from '@/ui/frame/pieces';
import { useNotify } from '@/ui/frame/undo.client';
import { shortDay } from '@/ui/words';
import { planWork } from './actions';
import type { PrescribeForm } from './form';
import { Ground } from './pictures.client';
import { HoldReasons } from '../hold-reasons';
import { InTheWay } from './today.client';
import { WhenChoice } from './when.client';

/** What a work asks, as typed; a field left alone holds the usual answer. */
export type Typed = Record<string, string | boolean>;

/** The sheet for what was typed, or the issues of the fields that cannot be read; the usual answers stand in for those. */
export function sheetOf(work: Work, facts: WorkFacts, typed: Typed): { sheet: WorkSheet; issues: Issue[] } {
  const read = readAnswers(work, facts, typed);
  if (read.ok) return { sheet: work.workOut(facts, read.answers), issues: [] };
  const good = Object.fromEntries(Object.entries(typed).filter(([k]) => !read.issues.some((f) => f.path === k)));
  const again = readAnswers(work, facts, good);
  return { sheet: work.workOut(facts, again.ok ? again.answers : usualAnswers(work, facts)), issues: read.issues };
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
  issues,
  onType,
}: {
  work: Work;
  facts: WorkFacts;
  typed: Typed;
  issues: Issue[];
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
            <Checkbox key={ask.key} checked={Boolean(now ?? usual)} onChange={(x) => onType(ask.key, x)}>
              {ask.name}
            </Checkbox>
          );
        return (
          <TextField
            key={ask.key}
            label={ask.unit ? `${ask.name}, ${ask.unit}` : ask.name}
            path={ask.key}
            issues={issues}
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

interface WorkBenchProps {
  workId: string;
  /** Null while the trunk has not been measured. */
  facts: WorkFacts | null;
  treeId: string;
  /** The id of the plan that this bench makes. */
  made: { id: string; renew: () => void };
  form: Pick<PrescribeForm, 'typed' | 'released' | 'when'>;
  onWhen: (when: When) => void;
  onType: (key: string, value: string | boolean) => void;
  alike: { id: string; treeId: string }[];
  treatmentContext: TreatmentContext;
  units: UnitSystem;
  refused: string | null;
  frame: { tag: React.ReactNode; head: React.ReactNode; strip: React.ReactNode; why: React.ReactNode };
  onReason: (gate: string, reason: string) => void;
  releasedOf: (gates: Gate[]) => Record<string, string>;
  onPlanned: () => void;
  below: React.ReactNode;
}

/** The day that somebody means for a work. */
const workOn = (when: When, from: string, today: string): string => {
  if (when.kind === 'day') return when.day > today ? when.day : today;
  return when.kind === 'window' ? from : today;
};

/** A work without a label: what it asks, its figures, its gates, and the plan of it. */
export function WorkBench({
  workId,
  facts,
  treeId,
  made,
  form,
  onType,
  onWhen,
  alike,
  treatmentContext,
  units,
  refused,
  frame,
  onReason,
  releasedOf,
  onPlanned,
  below,
}: WorkBenchProps) {
  const router = useRouter();
  const said = useNotify();
  const sendWork = useSend(planWork, made);
  const { tag, head, strip, why } = frame;
  const work = findWork(workId, facts?.customWorks ?? []);
  if (!work || !facts)
    return (
      <Frame tag={tag} head={head} margin={why}>
        {strip}
        <h1>{work?.name ?? 'This work is not known any more'}</h1>
        {work && (
          <Link href={`/trees/${treeId}/measure`} className="press mt-3">
            Measure the trunk first
          </Link>
        )}
        {below}
      </Frame>
    );
  const from = workDay(treatmentContext, work.method);
  const on = workOn(form.when, from, facts.on);
  const { sheet, issues: typedIssues } = sheetOf(work, factsOn(facts, on), form.typed);
  const inTheWay = blocked(sheet.gates, form.released);
  const stop = sheet.gates.find((g) => g.strength === 'stop') ?? null;
  return (
    <Frame
      tag={tag}
      head={head}
      count={countGates(sheet.gates)}
      margin={
        <>
          <GateList gates={sheet.gates} />
          {why}
        </>
      }
    >
      {strip}
      <h1 className="mb-4">{work.name}</h1>
      {refused && <p className="mb-4 border-l-4 border-sap pl-3 font-semibold text-sap">{refused}</p>}
      <FormIssues issues={sendWork.issues} known={['on']} />
      <section aria-label="When" className="mb-3">
        <WhenChoice
          when={form.when}
          onWhen={onWhen}
          from={from}
          today={facts.on}
          on={on}
          issues={sendWork.issues.map((f) => (f.path === 'on' ? { ...f, path: 'choices.when' } : f))}
        />
      </section>
      <div className="grid gap-x-8 desk:grid-cols-[minmax(0,1fr)_250px]">
        {/* First in the page, so that on a phone nothing is pushed down while the rest arrives. */}
        <div className="desk:order-2">
          <WorkFigures sheet={sheet} stopped={stop !== null} />
          <button
            data-confirm
            type="button"
            className="press press-main w-full"
            disabled={sendWork.busy || refused !== null || inTheWay.length > 0 || typedIssues.length > 0}
            onClick={() =>
              sendWork.send(
                {
                  id: made.id,
                  treeId,
                  workId: work.id,
                  answers: form.typed,
                  released: releasedOf(sheet.gates),
                  alike,
                  on: on > facts.on ? on : null,
                },
                () => {
                  onPlanned();
                  said({
                    sentence: `${work.name}: planned${alike.length ? ` on ${alike.length + 1} trees` : ''}; ${on > facts.on ? `for ${shortDay(on)}, on Schedule until then` : 'it waits on Jobs'}.`,
                  });
                  router.push(`/trees/${treeId}`);
                },
              )
            }
          >
            {sendWork.busy ? 'One moment …' : `Plan this work${on > facts.on ? ` for ${shortDay(on)}` : ''}`}
          </button>
          <InTheWay gates={inTheWay} />
        </div>
        <div className="desk:order-1">
          <WorkAsks work={work} facts={facts} typed={form.typed} issues={typedIssues} onType={onType} />
          {!refused && <HoldReasons gates={sheet.gates} reasons={form.released} onReason={onReason} />}
        </div>
      </div>
      {sheet.trenches && treatmentContext.siteMap?.at && (
        <section className="mt-6">
          <h2 className="mb-2">On the ground</h2>
          <Ground trenches={sheet.trenches} treatmentContext={treatmentContext} units={units} bufferM={0} />
        </section>
      )}
      <WorkSteps sheet={sheet} />
      {below}
    </Frame>
  );
}
