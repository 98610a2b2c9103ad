import Link from 'next/link';
import { notFound } from 'next/navigation';
import { dayAfter } from '@/lib/calendar/days';
import type { YearProgramme } from '@/core/programmes/schema';
import type { VisitRow } from '@/store/assignments';
import { groupBy } from '@/core/work/load-out';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine } from '@/ui/frame/pieces';
import { spanWords } from '@/ui/season-words';
import { tagRuns } from '@/core/site-map/tags';
import { dayThere, shortDay } from '@/ui/words';
import { assignmentView, type AssignmentView } from '@/views/programmes';
import { stationFor } from '@/app/_server/station';
import { allows, idOr404, viewer } from '@/app/_server/viewer';
import { ProgrammeFigure } from '../../figure';
import { LeftOut } from '../../left';
import { changeWords, reasonsWords, STATE_WORDS, stepName } from '../../words';
import {
  AnswerInspection,
  DealtWith,
  EndIt,
  FollowSeason,
  LeaveOut,
  MoveVisits,
  ReleaseHolds,
} from './assigned.client';
import { clockNow } from '@/store/clock';

export const metadata = { title: 'Laid programme' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const v = await viewer();
  const view = await assignmentView(v, stationFor, clockNow(), idOr404((await params).id));
  if (!view) return notFound();
  const { assignment, visits, today } = view;
  const { programme } = assignment;
  const count = (state: VisitRow['state']) => visits.filter((x) => x.state === state).length;
  const left = visits.filter((x) => x.state === 'stopped' && !x.settled);
  const trees = [...new Map(visits.map((x) => [x.treeId, x])).values()].sort((a, b) => a.walkOrder - b.walkOrder);
  const may = allows(v, 'prescribe');
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">{programme.name}</p>
      <p className="mt-2 text-[0.9375rem] text-ink-2">{assignment.siteName}</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Trees">{trees.length}</TagLine>
        <TagLine name="Done">{count('done')}</TagLine>
        <TagLine name="Planned">{count('planned')}</TagLine>
        <TagLine name="Wait for a look">{count('expected')}</TagLine>
        <TagLine name="Left out">{left.length}</TagLine>
      </dl>
    </>
  );
  return (
    <Frame tag={tag} margin={<Margin view={view} may={may} />} handle="Its days, and ending it">
      <h1>
        {programme.name}, {assignment.siteName}
      </h1>
      <p className="mt-2">
        {spanWords(assignment.from, assignment.until)}, laid by {assignment.byName} on{' '}
        {dayThere(assignment.at, assignment.timeZone)} over {tagRuns(trees.map((t) => t.tag))}.
      </p>
      {assignment.endedOn && (
        <p className="mt-2 font-semibold">
          Ended on {shortDay(assignment.endedOn)}: {assignment.endedBecause}
        </p>
      )}
      <Moved view={view} may={may} />
      <Missed view={view} may={allows(v, 'settle a follow-up')} />
      <Inspections view={view} may={allows(v, 'examine')} />
      <ProgrammeFigure
        programme={programme}
        visits={visits}
        from={assignment.from}
        until={assignment.until}
        today={today}
      />
      <Visits programme={programme} visits={visits} today={today} mayMove={may && !assignment.endedOn} />
      <LeftOut rows={left.flatMap((x) => (x.stop ? [{ ...x, stop: x.stop }] : []))} programme={programme}>
        {(g) => may && <DealtWith visitIds={g.rows.flatMap((r) => r.id ?? [])} />}
      </LeftOut>
      {may && !assignment.endedOn && left.some((x) => x.stop?.why === 'holds') && <ReleaseHolds id={assignment.id} />}
    </Frame>
  );
}

/** What weather, stages and the book have moved since it was last settled, and the press that moves the visits. */
function Moved({ view, may }: { view: AssignmentView; may: boolean }) {
  const groups = new Map<string, { step: string; words: string; why: string; tags: string[] }>();
  for (const { tree, changes } of view.trees)
    for (const c of changes) {
      const { step } = (c.now ?? c.was)!;
      const [words, why] = [changeWords(c), reasonsWords(c.now?.reasons ?? [], view.assignment.programme)];
      const key = `${step} ${words} ${why}`;
      const of = groups.get(key) ?? { step, words, why, tags: [] };
      of.tags.push(tree.tag);
      groups.set(key, of);
    }
  if (!groups.size) return null;
  const n = view.trees.reduce((sum, t) => sum + t.changes.length, 0);
  return (
    <Section title="The season has moved" aside={`${n} ${n === 1 ? 'visit' : 'visits'}`}>
      <ul>
        {[...groups.values()].map((g) => (
          <li key={`${g.step}${g.words}${g.why}`} className="row py-2">
            <b>{stepName(view.assignment.programme, g.step)}</b> {g.words}
            <span className="block text-[0.9375rem]">{g.why}</span>
            <span className="block text-[0.9375rem] text-ink-2">{tagRuns(g.tags)}</span>
          </li>
        ))}
      </ul>
      {may && <FollowSeason assignmentId={view.assignment.id} seen={view.mark} visits={n} />}
    </Section>
  );
}

/** Work whose time has passed: it is still done, or left out with a reason, and the series goes on. */
function Missed({ view: { assignment, visits, today }, may }: { view: AssignmentView; may: boolean }) {
  const missed = visits.filter((v) => v.kind !== 'look' && v.state === 'planned' && v.latest < today);
  const groups = [...groupBy(missed, (v) => `${v.step} ${v.nth} ${v.latest}`).values()];
  if (!groups.length || assignment.endedOn) return null;
  return (
    <Section title="Missed" aside={`${missed.length} ${missed.length === 1 ? 'visit' : 'visits'}`}>
      <ul>
        {groups.map((of) => (
          <li key={of[0]!.id} className="row py-2">
            <b>
              {stepName(assignment.programme, of[0]!.step)}
              {of[0]!.nth > 1 && ` ${of[0]!.nth}`}
            </b>
            , planned for {shortDay(of[0]!.day)}, made sense until {shortDay(of[0]!.latest)}
            <span className="block text-[0.9375rem] text-ink-2">{tagRuns(of.map((v) => v.tag))}</span>
            {may && <LeaveOut visitIds={of.map((v) => v.id)} />}
          </li>
        ))}
      </ul>
    </Section>
  );
}

/** Looks that are due: what they found decides what comes next. */
function Inspections({ view, may }: { view: AssignmentView; may: boolean }) {
  const { programme } = view.assignment;
  const decided = (step: string) => programme.steps.filter((s) => s.onlyIf?.after === step);
  const unsaid = (v: VisitRow) => v.state === 'done' && v.found === null && decided(v.step).length > 0;
  const due = view.visits.filter(
    (v) => v.kind === 'look' && (unsaid(v) || (v.state === 'planned' && v.earliest <= view.today)),
  );
  const groups = new Map<string, VisitRow[]>();
  for (const v of due) {
    const key = `${v.step} ${v.year} ${v.nth}`;
    groups.set(key, [...(groups.get(key) ?? []), v]);
  }
  if (!groups.size) return null;
  return (
    <Section title="Look now" aside={`${due.length} ${due.length === 1 ? 'tree' : 'trees'}`}>
      <ul>
        {[...groups.values()].map((of) => {
          const step = programme.steps.find((s) => s.key === of[0]!.step)!;
          const next = decided(step.key);
          return (
            <li key={`${of[0]!.step}${of[0]!.year}${of[0]!.nth}`} className="row py-3">
              <b>{step.name}</b>: {step.act.kind === 'look' && step.act.how}
              <span className="block text-[0.9375rem] text-ink-2">
                {next.length
                  ? `It decides ${next.map((s) => `“${s.name}” (only if ${s.onlyIf!.found})`).join(' and ')}.`
                  : step.why}
              </span>
              {may && (
                <AnswerInspection
                  decides={next.length > 0}
                  found={next[0]?.onlyIf?.found ?? ''}
                  looks={of.map((x) => ({ id: x.id, tag: x.tag }))}
                />
              )}
            </li>
          );
        })}
      </ul>
    </Section>
  );
}

/** Every visit over all its trees, with what became of it. */
function Visits({
  programme,
  visits,
  today,
  mayMove,
}: {
  programme: YearProgramme;
  visits: readonly VisitRow[];
  today: string;
  mayMove: boolean;
}) {
  const groups = new Map<string, VisitRow[]>();
  for (const v of visits) {
    const key = `${v.step} ${v.year} ${v.nth} ${v.state} ${v.day} ${v.labelName}`;
    groups.set(key, [...(groups.get(key) ?? []), v]);
  }
  return (
    <div className="mt-4 overflow-x-auto" tabIndex={0} role="region" aria-label="Visits of the programme">
      <table className="figures w-full text-[0.9375rem]">
        <thead>
          <tr>
            <th className="text-left">Visit</th>
            <th className="text-left">Day</th>
            <th className="text-left">Trees</th>
          </tr>
        </thead>
        <tbody>
          {[...groups.values()].map((of) => {
            const v = of[0]!;
            const moved = v.moves.at(-1);
            return (
              <tr key={v.id} className="border-t border-line-2 align-top">
                <td className="py-1 pr-4 phone:min-w-56">
                  <b>
                    {stepName(programme, v.step)}
                    {v.nth > 1 && ` ${v.nth}`}
                  </b>
                  , {STATE_WORDS[v.state]}
                  {v.found !== null && (v.found ? ': found' : ': nothing found')}
                  {v.because && `: ${v.because}`}
                  {v.labelName && v.state !== 'stopped' && <span className="block">{v.labelName}</span>}
                  <span className="block text-ink-2">{reasonsWords(v.reasons, programme)}</span>
                </td>
                <td className="py-1 pr-4 whitespace-nowrap">
                  {shortDay(v.day)}
                  {moved && <span className="block text-ink-2">moved from {shortDay(moved.from)}</span>}
                </td>
                <td className="py-1 whitespace-nowrap">
                  <details>
                    <summary className="min-h-10 py-1">
                      {of.length} {of.length === 1 ? 'tree' : 'trees'}
                    </summary>
                    <ul>
                      {of.map((x) => (
                        <li key={x.id}>
                          <Link
                            href={
                              x.planId && x.state === 'planned'
                                ? `/trees/${x.treeId}/treat?plan=${x.planId}`
                                : `/trees/${x.treeId}`
                            }
                          >
                            {x.tag}
                          </Link>
                        </li>
                      ))}
                    </ul>
                    {mayMove && (v.state === 'planned' || v.state === 'expected') && (
                      <MoveVisits visitIds={of.map((x) => x.id)} day={v.day} today={today} />
                    )}
                  </details>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function Margin({ view: { assignment, visits }, may }: { view: AssignmentView; may: boolean }) {
  const tags = [...new Set([...visits].sort((a, b) => a.walkOrder - b.walkOrder).map((v) => v.tag))];
  const from = dayAfter(assignment.until, 1, 'days');
  const next = new URLSearchParams({
    place: assignment.siteId,
    tags: tags.length > 60 ? '' : tags.join(', '),
    from,
    until: dayAfter(dayAfter(from, assignment.programme.years, 'years'), -1, 'days'),
    reason: assignment.reason,
    carried: assignment.id,
  });
  return (
    <>
      <section>
        <h2 className="text-body">The next season</h2>
        <p className="text-[0.9375rem]">{learned(visits)}</p>
        {may && (
          <p className="mt-2">
            <Link className="press w-full" href={`/schedule/programmes/${assignment.programme.key}?${next}#trees`}>
              Carry it on from {shortDay(from)}
            </Link>
          </p>
        )}
      </section>
      {may && !assignment.endedOn && (
        <section>
          <h2 className="text-body">Ending it</h2>
          <EndIt id={assignment.id} />
        </section>
      )}
      <section>
        <p className="text-[0.9375rem]">
          <Link href={`/schedule?place=${assignment.siteId}`}>The year at {assignment.siteName}</Link>
        </p>
        <p className="text-[0.9375rem]">
          <Link href="/schedule/programmes">All programmes</Link>
        </p>
      </section>
    </>
  );
}

/** What the season taught: how much was done, left out and moved, and what looks found. */
function learned(visits: readonly VisitRow[]): string {
  const done = visits.filter((v) => v.state === 'done' && v.kind !== 'look').length;
  const off = visits.filter((v) => v.state === 'off').length;
  const moved = visits.filter((v) => v.moves.length > 0).length;
  const looks = visits.filter((v) => v.found !== null);
  const found = looks.filter((v) => v.found).length;
  const parts = [
    `${done} treatments and works were done`,
    ...(off ? [`${off} were left out or not needed`] : []),
    ...(moved ? [`${moved} moved with the season`] : []),
    ...(looks.length ? [`looks found cause on ${found} of ${looks.length} trees`] : []),
  ];
  return `${parts.join(', ')}. Stages seen here, and covers that rain wore out, go into the dates of the next.`;
}
