import Link from 'next/link';
import { notFound } from 'next/navigation';
import { exactMoney } from '@/core/cost/prices';
import type { Tree } from '@/store/tree';
import { doneWords, letterOf, type DoneForClient } from '@/core/decide/letter';
import { METHOD_NAMES } from '@/core/label/methods';
import { dayIn } from '@/lib/calendar/zone';
import { findWork } from '@/knowledge/works';
import { findHost, findSign } from '@/knowledge';
import { testWords } from '@/facts/diagnosis';
import { todayOf } from '@/app/_server/viewer';
import { inSentence } from '@/core/diagnose/words';
import { openProblems } from '@/core/decide/problems';
import { PrintButton } from '@/ui/controls/print.client';
import { Frame } from '@/ui/frame/frame';
import { dayAndClock, longDay, shortDay } from '@/ui/words';
import { treeView } from '@/views/tree';
import { ofTree, titled } from '../../_frame/load';
import { namedIn } from '../seen';
import { TreeHead, TreeTag, TreeWhy } from '../../_frame/tree-frame';

/** What was put on and done on a tree since a day, the newest first. */
function doneForClient(tree: Tree, since: string, nameOf: (id: string) => string): DoneForClient[] {
  const treated = tree.records
    .filter((r) => !r.withdrawn && r.doneOn >= since)
    .map((r) => ({
      on: r.doneOn,
      what: doneWords(
        METHOD_NAMES[r.method as keyof typeof METHOD_NAMES],
        r.actives.map((a) => a.name),
        r.target ? nameOf(r.target) : null,
      ),
      by: r.by,
      put: { product: `${r.product} (${r.registration})`, reEntry: dayAndClock(r.reEntryUntil, tree.timeZone) },
      eatFrom: r.eatFrom ? shortDay(r.eatFrom) : null,
    }));
  const worked = tree.works
    .filter((w) => w.state === 'done' && w.doneOn !== null && w.doneOn >= since)
    .map((w) => ({
      on: w.doneOn!,
      what: findWork(w.workId)?.name ?? w.workId,
      by: w.byName,
      put: null,
      eatFrom: null,
    }));
  return [...treated, ...worked]
    .sort((a, b) => b.on.localeCompare(a.on))
    .map(({ on, ...d }) => ({ ...d, day: shortDay(on) }));
}

/** What is planned on a tree, each with its day or the span it may be done in. */
function plannedForClient(tree: Tree, nameOf: (id: string) => string): { what: string; when: string }[] {
  const when = (day: string | null, earliest: string | null, latest: string | null) =>
    earliest && latest && earliest !== latest
      ? `between ${shortDay(earliest)} and ${shortDay(latest)}`
      : day
        ? shortDay(day)
        : 'as soon as it can be done';
  return [
    ...tree.plans
      .filter((p) => p.state === 'open')
      .map((p) => ({
        what: `${p.labelName} against ${nameOf(p.conditionId).toLowerCase()}`,
        when: when(p.plannedFor, p.earliest, p.latest),
      })),
    ...tree.works
      .filter((w) => w.state === 'open')
      .map((w) => ({
        what: (findWork(w.workId)?.name ?? w.workId).toLowerCase(),
        when: when(w.plannedFor, null, null),
      })),
  ];
}

const load = ofTree(treeView);
export const generateMetadata = titled('For the client', load);

/** The decision as one page that can be read to a client, and printed. */
export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ name?: string }>;
}) {
  const inHand = await load((await params).id);
  const { viewer, tree } = inHand;
  const found = inHand.found ?? notFound();
  const named = namedIn(inHand, (await searchParams).name);
  // The decision that was kept speaks; a name in the address only asks what would be said.
  const kept =
    (named ? openProblems(tree.savedDiagnoses).find((t) => t.conditionId === named) : undefined) ??
    openProblems(tree.savedDiagnoses)[0] ??
    tree.savedDiagnoses[0];
  const about = named ?? kept?.conditionId;
  const result = found.decide(found.candidates.some((c) => c.id === about) ? about : undefined);
  const c = about ? found.find(about) : null;
  const told = testWords(found.knowledge);
  const nameOf = (id: string) => found.find(id)?.name ?? id;
  const wrong = tree.savedDiagnoses.filter((d) => kept?.overturns.includes(d.id));
  const since = kept ? dayIn(kept.at, tree.timeZone) : '';
  const letter = letterOf({
    kept: kept && (!named || kept.conditionId === named) ? { ...kept, by: kept.byName } : null,
    about: c,
    duties: result.duties,
    from: { company: viewer.companyName, site: tree.siteName },
    done: doneForClient(tree, since, nameOf),
    planned: plannedForClient(tree, nameOf),
    wasWrong: wrong.map((w) => ({ name: nameOf(w.conditionId), by: (kept?.overturnedBy ?? []).map(told).join(', ') })),
    excluded:
      c?.kind === 'harmless' ? (c.lookalikes.map((x) => found.find(x)).find((x) => x?.hazard)?.name ?? null) : null,
  });
  const seen = found.observed.findings
    .filter((f) => f.state === 'seen')
    .sort((a, b) => (b.grade ?? 0) - (a.grade ?? 0));
  return (
    <Frame
      tag={<TreeTag tree={tree} units={viewer.units} here="diagnose" />}
      head={<TreeHead tree={tree} units={viewer.units} here="diagnose" />}
      margin={<TreeWhy tree={tree} />}
      handle="What was named and done"
    >
      <article className="max-w-[44rem] print:max-w-none">
        <p className="text-ink-2">
          {viewer.companyName}, {viewer.name} · for {tree.clientName} · {tree.siteName} · tree {tree.tag},{' '}
          {findHost(tree.hostId)?.name.toLowerCase()} · {longDay(todayOf(viewer))}
        </p>
        <h1 className="mt-2 text-[2rem]! first-letter:uppercase">{letter.heading}</h1>
        {letter.own && <p className="mt-3 text-lead font-semibold">{letter.own}</p>}
        <p className="mt-3 text-lead">{letter.decided}</p>
        {letter.owned.map((x) => (
          <p key={x} className="mt-2">
            {x}
          </p>
        ))}
        {letter.doing.length > 0 && (
          <>
            <h2 className="mt-5">What was done, and what is planned</h2>
            {letter.doing.map((x) => (
              <p key={x}>{x}</p>
            ))}
          </>
        )}
        {seen.length > 0 && (
          <>
            <h2 className="mt-5">What we saw</h2>
            <p>
              {seen
                .slice(0, 7)
                .map((f) => inSentence(findSign(f.sign)?.words ?? f.sign))
                .join('; ')}
              .
            </p>
          </>
        )}
        {letter.named && (
          <>
            <h2 className="mt-5">What it is, and how sure we are</h2>
            <p>{letter.named}</p>
          </>
        )}
        {result.duties.map((d) => (
          <p key={d.id} className="mt-3 border-l-4 border-madder pl-3 font-semibold">
            {d.sentence}
          </p>
        ))}
        {tree.changes.length > 0 && (
          <>
            <h2 className="mt-5">Found while digging</h2>
            {tree.changes.map((x) => (
              <p key={x.id}>
                {x.what} {x.priceMinor !== null && `(${exactMoney(x.priceMinor, viewer.prices)})`}: {x.state}
              </p>
            ))}
          </>
        )}
        <p className="mt-6 text-small text-ink-2">
          The label in hand, local rules and the licence come first. {c?.basis}. Judging how safely a tree stands is
          work for a qualified risk assessor.
        </p>
      </article>
      <p className="no-print mt-6 flex gap-3">
        <PrintButton />
        <Link href={`/trees/${tree.id}/diagnose`} className="press">
          Back to the decision
        </Link>
      </p>
    </Frame>
  );
}
