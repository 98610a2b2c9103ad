import Link from 'next/link';
import { allows } from '@/app/_server/viewer';
import { checksOf, finder, hostOf, testWords, visitOf } from '@/facts/diagnosis';
import { exactMoney, money } from '@/core/cost/prices';
import { concerns } from '@/core/diagnose/reading';
import { certaintyWords } from '@/core/diagnose/words';
import { METHOD_NAMES } from '@/core/label/methods';
import { takenNames } from '@/core/quotes/quote';
import { programmeWords, USUAL_PROGRAMME } from '@/core/season/programme';
import { findSign } from '@/knowledge';
import { findWork } from '@/knowledge/works';
import { showAmount, type UnitSystem } from '@/lib/units/units';
import type { LocalDate } from '@/lib/calendar/zone';
import type { Viewer } from '@/store/auth';
import type { Tree } from '@/store/tree';
import { Section, TagLine } from '@/ui/frame/pieces';
import { dayAndClock, dayThere, fromToday, shortDay } from '@/ui/words';
import type { overviewOf } from '@/views/tree';
import { ChangeAnswer } from './chain.client';
import { Evidence } from './evidence.client';
import { Revoke, Settle } from './overview.client';

type Overview = NonNullable<Awaited<ReturnType<typeof overviewOf>>>;

/** Follow-ups of the tree, those of a programme with the way to where they are answered. */
export function LookAgain({
  open,
  visits,
  viewer,
  today,
}: {
  open: Tree['followUps'];
  visits: Overview['visits'];
  viewer: Viewer;
  today: LocalDate;
}) {
  /** Inspections of programmes are answered there: what they found decides what follows. */
  const asked = new Map(visits.map((x) => [x.id, x.assignmentId]));
  const mayAnswer = (f: { earliest: string }) => f.earliest <= today;
  return (
    <Section
      title="Look again"
      aside="counted from what was done"
      empty={open.length === 0 && 'Nothing is due. Dates appear here once something has been done.'}
    >
      <ul>
        {open.map((f) => (
          <li key={f.id} className="row flex flex-wrap items-center gap-x-6 gap-y-1 py-3">
            <div className="min-w-0 flex-1 basis-80">
              <p className="font-bold">
                {f.what}
                {f.onlyIf && <span className="font-normal"> (only if {f.onlyIf})</span>}
              </p>
              <p className="text-[0.9375rem] text-ink-2">{f.reason}</p>
            </div>
            <p className={`figures font-bold ${f.due < today ? 'text-madder' : ''}`}>
              {shortDay(f.due)} <span className="block text-small font-normal">{fromToday(f.due, today)}</span>
            </p>
            {asked.has(f.rootId)
              ? mayAnswer(f) && (
                  <Link href={`/schedule/programmes/assigned/${asked.get(f.rootId)}`} className="press">
                    Say what it found
                  </Link>
                )
              : allows(viewer, 'settle a follow-up') && (
                  <Settle id={f.id} kind={f.kind} what={f.what} onlyIf={f.onlyIf} />
                )}
          </li>
        ))}
      </ul>
    </Section>
  );
}

/** What the newest inspection found. */
export function LastInspection({ tree }: { tree: Tree }) {
  const look = visitOf(tree);
  return (
    <Section title="Last look" empty={!look && 'Nobody has looked this tree over.'}>
      {look && (
        <div className="py-2">
          <dl>
            <TagLine name="Crown loss">{look.crownLoss === null ? 'not judged' : `${look.crownLoss} %`}</TagLine>
            <TagLine name="Vigour">{look.vigour ?? 'not judged'}</TagLine>
          </dl>
          <ul className="mt-2">
            {look.findings
              .filter((f) => f.state === 'seen')
              .map((f) => (
                <li key={f.sign} className="text-[0.9375rem]">
                  <b className="figures">{f.grade}</b> {findSign(f.sign)?.words ?? f.sign}
                  {f.sure === 'perhaps' && ', perhaps'}
                  {f.lastSeason && ', last season'}
                </li>
              ))}
            {look.earlier.map((f) => (
              <li key={f.sign} className="text-[0.9375rem] text-ink-2">
                {findSign(f.sign)?.words ?? f.sign}: seen before, not looked at again
              </li>
            ))}
          </ul>
          <p className="mt-1 text-small text-ink-2">
            {tree.looks[0]!.byName}, {dayAndClock(look.at, tree.timeZone)}
          </p>
        </div>
      )}
    </Section>
  );
}

/** The plans and works of the tree that nobody has carried out, in order, with what they were to cost. */
export function PlanOfTree({ tree, viewer }: { tree: Tree; viewer: Viewer }) {
  const base = `/trees/${tree.id}`;
  const steps = [
    ...tree.plans
      .filter((p) => p.state === 'open' && !p.assignment)
      .map((p) => ({ id: p.id, name: p.labelName, href: `${base}/treat?plan=${p.id}`, price: p.price })),
    ...tree.works
      .filter((w) => w.state === 'open' && !w.assignment)
      .map((w) => ({ id: w.id, name: findWork(w.workId)?.name ?? w.workId, href: '#works', price: w.price })),
  ];
  if (!steps.length) return null;
  return (
    <Section
      title="The plan of this tree"
      aside={programmeWords(tree.programme ?? USUAL_PROGRAMME, viewer.schools.programme)}
    >
      <ol>
        {steps.map((s, i) => (
          <li key={s.id} className="row flex flex-wrap items-center justify-between gap-x-6 gap-y-1 py-2.5">
            <Link href={s.href} className="font-bold underline underline-offset-3">
              {i + 1}. {s.name}
            </Link>
            <span className="figures">
              {s.price ? (
                <>
                  <b>{money(s.price.now, viewer.prices)}</b> once, {money(s.price.overYears, viewer.prices)} over{' '}
                  {s.price.years} years, as planned
                </>
              ) : (
                'no price was kept'
              )}
            </span>
          </li>
        ))}
      </ol>
      <p className="py-2">
        <Link href={`${base}/prescribe#plan`}>Its programme and its visits to come</Link>
      </p>
    </Section>
  );
}

/** What was offered to the client, and what became of it. */
export function Offered({
  quotes,
  timeZone,
  viewer,
  now,
}: Pick<Overview, 'quotes'> & { timeZone: string; viewer: Viewer; now: Date }) {
  if (!quotes.length) return null;
  return (
    <Section title="Offered to the client" id="offers">
      <ul>
        {quotes.map((p) => (
          <li key={p.id} className="row py-3">
            <p>
              <b>{p.data.options.map((o) => o.name).join(', ')}</b>
            </p>
            <p className="text-small text-ink-2">
              {p.byName}, {dayAndClock(p.at, timeZone)}:{' '}
              {p.answer
                ? `${p.answer.who} took ${takenNames(p.data, p.answer.options).toLowerCase()}${p.answer.word ? `: “${p.answer.word}”` : ''}`
                : p.revokedAt
                  ? 'taken back'
                  : p.expiresAt < now
                    ? 'has run out'
                    : `waits for an answer until ${dayThere(p.expiresAt, timeZone)}`}
            </p>
            {!p.answer && !p.revokedAt && p.expiresAt > now && allows(viewer, 'prescribe') && <Revoke id={p.id} />}
          </li>
        ))}
      </ul>
    </Section>
  );
}

/** What a crew found while digging, which changes the plan when the client agrees. */
export function FoundWhileDigging({ tree, viewer }: { tree: Tree; viewer: Viewer }) {
  if (!tree.changes.length) return null;
  return (
    <Section title="Found while digging" aside="the plan changes when the client agrees">
      <ul>
        {tree.changes.map((c) => (
          <li key={c.id} className="row py-3">
            <p>
              <b>{c.what}</b>
              {c.priceMinor !== null && <span className="figures"> {exactMoney(c.priceMinor, viewer.prices)}</span>}
            </p>
            <p className="text-small text-ink-2">
              {c.byName}, {dayAndClock(c.at, tree.timeZone)}:{' '}
              {c.state === 'open' ? 'waits for the client' : `${c.state}, ${c.settledHow}`}
            </p>
            {c.state === 'open' && allows(viewer, 'edit grounds') && <ChangeAnswer id={c.id} />}
          </li>
        ))}
      </ul>
    </Section>
  );
}

/** Every diagnosis of the tree, those that were wrong among them. */
export function Diagnoses({ tree, knowledge }: { tree: Tree; knowledge: Overview['knowledge'] }) {
  const find = finder(knowledge);
  const told = testWords(knowledge);
  const nameOf = (c: string) => find(c)?.name ?? c;
  return (
    <Section
      title="What it was taken for"
      aside="newest first; the dropped ones stay"
      empty={tree.savedDiagnoses.length === 0 && 'Nothing has been named yet.'}
    >
      <ol>
        {tree.savedDiagnoses.map((savedDiagnosis) => {
          const after = tree.savedDiagnoses.find((x) => x.overturns.includes(savedDiagnosis.id));
          const dropped = after !== undefined;
          return (
            <li key={savedDiagnosis.id} className="row grid grid-cols-[110px_1fr] gap-x-4 py-2.5 phone:grid-cols-1">
              <span className="figures font-bold">{dayThere(savedDiagnosis.at, tree.timeZone)}</span>
              <span>
                <b className={dropped ? 'line-through' : ''}>{nameOf(savedDiagnosis.conditionId)}</b>,{' '}
                {certaintyWords(savedDiagnosis.certainty)}: {savedDiagnosis.decision}.
                <span className="block text-[0.9375rem]">{savedDiagnosis.reason}</span>
                {dropped && after && (
                  <span className="block text-[0.9375rem] text-sap">
                    It was wrong: {nameOf(after.conditionId).toLowerCase()} took its place
                    {after.overturnedBy.length > 0 ? `, by ${after.overturnedBy.map(told).join(', ')}` : ''}.
                  </span>
                )}
                {savedDiagnosis.ranking.length > 0 && (
                  <span className="block text-small text-ink-2">
                    Ranking then:{' '}
                    {savedDiagnosis.ranking
                      .slice(0, 3)
                      .map((r) => `${nameOf(r.id)} ${Math.round(r.p * 100)} %`)
                      .join(', ')}
                  </span>
                )}
              </span>
            </li>
          );
        })}
      </ol>
      {checksOf(tree).map((c) => (
        <p key={c.look.id} className="py-2">
          <b>Check of {dayThere(c.look.at, tree.timeZone)}:</b> {c.savedDiagnosis.sentence}
        </p>
      ))}
    </Section>
  );
}

/** Inspections, samples and treatments by others, with the forms that add to them. */
export function EvidenceOfTree({
  tree,
  knowledge,
  today,
  refused,
}: {
  tree: Tree;
  knowledge: Overview['knowledge'];
  today: LocalDate;
  /** The reader may not inspect. */
  refused: boolean;
}) {
  const find = finder(knowledge);
  const host = hostOf(tree);
  return (
    <Evidence
      treeId={tree.id}
      looks={tree.looks.slice(0, 6).map((look) => ({
        id: look.id,
        day: dayThere(look.at, tree.timeZone),
        by: look.byName,
        seen: look.findings.filter((f) => f.state === 'seen').length,
        tests: look.tests.length,
      }))}
      withdrawn={tree.withdrawn.map((w) => ({
        id: w.id,
        day: dayThere(w.at, tree.timeZone),
        by: w.byName,
        reason: w.reason,
      }))}
      samples={tree.samples.map((s) => ({
        ...s,
        sentOn: shortDay(s.sentOn),
        answeredOn: s.answeredOn && shortDay(s.answeredOn),
        outcomes:
          knowledge.tests.find((t) => t.id === s.testId)?.outcomes.map((o) => ({ id: o.id, words: o.words })) ?? [],
      }))}
      laboratories={knowledge.tests
        .filter(
          (t) =>
            t.cost === 'laboratory' &&
            (t.groups.length === 0 || t.groups.some((g) => g === tree.hostId || host?.groups.includes(g))),
        )
        .map((t) => ({ id: t.id, name: t.name }))}
      byOthers={tree.byOthers.map((o) => ({
        ...o,
        onDay: shortDay(o.onDay),
        for: o.conditionId ? (find(o.conditionId)?.name ?? o.conditionId) : null,
      }))}
      conditions={knowledge.conditions
        .filter((c) => host && concerns(c.groups, host) && c.kind !== 'unknown' && c.id !== 'nothing-wrong')
        .map((c) => ({ id: c.id, name: c.name }))
        .sort((a, b) => a.name.localeCompare(b.name))}
      today={today}
      refused={refused}
    />
  );
}

/** Records of what was done on the tree. */
export function DoneOnTree({ tree, units, today }: { tree: Tree; units: UnitSystem; today: LocalDate }) {
  return (
    <Section title="Done" empty={tree.records.length === 0 && 'Nothing has been done on this tree yet.'}>
      <ul>
        {tree.records.map((r) => (
          <li key={r.id} className="row flex flex-wrap justify-between gap-x-6 py-2.5">
            <Link href={`/records/${r.id}`} className="font-bold underline underline-offset-3">
              {shortDay(r.doneOn)}
            </Link>
            <span className="flex-1 basis-60">
              {METHOD_NAMES[r.method as keyof typeof METHOD_NAMES]}, {r.actives.map((a) => a.name).join(', ')}
              {r.eatFrom && r.eatFrom > today && (
                <b className="block text-[0.9375rem]">Fruit may be eaten from {shortDay(r.eatFrom)}.</b>
              )}
              {r.withdrawn && <b> (withdrawn)</b>}
            </span>
            <span className="figures font-bold">
              {showAmount(r.amount, r.unit === 'mL' ? 'volume' : 'mass', units).text}
            </span>
          </li>
        ))}
      </ul>
    </Section>
  );
}
