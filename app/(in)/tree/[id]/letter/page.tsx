import Link from 'next/link';
import { notFound } from 'next/navigation';
import { exactMoney } from '@/core/cost/prices';
import { monthName } from '@/core/season/months';
import { doneWords, letterOf } from '@/core/decide/letter';
import { METHOD_NAMES } from '@/core/label/methods';
import { dayIn } from '@/core/season/follow-ups';
import { isSouth, localMonth } from '@/core/season/hemisphere';
import { findWork } from '@/core/work/works';
import { findHost, findSign } from '@/knowledge';
import { latOf, testWords } from '@/commands/facts/diagnosis';
import { todayOf } from '@/app/_server/viewer';
import { BalanceFigure } from '@/ui/figures/balance';
import { balance } from '@/core/diagnose/evidence';
import { inWords } from '@/core/diagnose/sureness';
import { certaintyWords, inSentence } from '@/core/diagnose/words';
import { openTroubles } from '@/core/decide/troubles';
import { PrintButton } from '@/ui/controls/print.client';
import { Frame } from '@/ui/frame/frame';
import { longDay, shortDay } from '@/ui/words';
import { treeView } from '@/views/tree';
import { ofTree, titled } from '../../load';
import { namedIn } from '../seen';
import { TreeHead, TreeTag, TreeWhy } from '../../tree-frame';

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
    (named ? openTroubles(tree.verdicts).find((t) => t.conditionId === named) : undefined) ??
    openTroubles(tree.verdicts)[0] ??
    tree.verdicts[0];
  const about = named ?? kept?.conditionId;
  const result = found.decide(found.candidates.some((c) => c.id === about) ? about : undefined);
  const c = about ? found.find(about) : null;
  const told = testWords(found.knowledge);
  const nameOf = (id: string) => found.find(id)?.name ?? id;
  const wrong = tree.verdicts.filter((d) => kept?.overturns.includes(d.id));
  const since = kept ? dayIn(kept.at, tree.timeZone) : '';
  const next = result.options.find((o) => o.status === 'later');
  const letter = letterOf({
    kept: kept && (!named || kept.conditionId === named) ? { ...kept, by: kept.byName } : null,
    about: c,
    p: found.candidates.find((x) => x.id === about)?.p ?? 0,
    duties: result.duties,
    done: tree.records
      .filter((r) => !r.withdrawn && r.doneOn >= since)
      .map((r) => ({
        day: shortDay(r.doneOn),
        what: doneWords(
          METHOD_NAMES[r.method as keyof typeof METHOD_NAMES],
          r.actives.map((a) => a.name),
          r.target ? nameOf(r.target) : null,
        ),
        eatFrom: r.eatFrom ? shortDay(r.eatFrom) : null,
      })),
    planned: [
      ...tree.plans
        .filter((p) => p.state === 'open')
        .map((p) => `${p.labelName} against ${nameOf(p.conditionId).toLowerCase()}`),
      ...tree.works.filter((w) => w.state === 'open').map((w) => (findWork(w.workId)?.name ?? w.workId).toLowerCase()),
    ],
    wasWrong: wrong.map((w) => ({ name: nameOf(w.conditionId), by: (kept?.overturnedBy ?? []).map(told).join(', ') })),
    excluded:
      c?.kind === 'harmless' ? (c.lookalikes.map((x) => found.find(x)).find((x) => x?.hazard)?.name ?? null) : null,
    next: next ? `from ${monthName(localMonth(next.from, isSouth(latOf(tree))))}: ${inSentence(next.what)}` : null,
  });
  const decision = letter.own || kept ? (kept?.decision ?? result.decision) : result.decision;
  const seen = found.observed.findings
    .filter((f) => f.state === 'seen')
    .sort((a, b) => (b.grade ?? 0) - (a.grade ?? 0));
  const work = result.options.filter((o) => o.use !== 'support' && o.status !== 'not here');
  const care = result.options.filter((o) => o.use === 'support' && o.status !== 'not here');
  return (
    <Frame
      tag={<TreeTag tree={tree} units={viewer.units} here="decide" />}
      head={<TreeHead tree={tree} units={viewer.units} here="decide" />}
      margin={<TreeWhy tree={tree} />}
      handle="What was named and done"
    >
      <article className="max-w-[44rem] print:max-w-none">
        <p className="text-ink-2">
          {tree.clientName} · {tree.placeName} · tree {tree.tag}, {findHost(tree.hostId)?.name.toLowerCase()} ·{' '}
          {longDay(todayOf(viewer))}
        </p>
        <h1 className="mt-2 text-[2rem]! first-letter:uppercase">{decision}</h1>
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
        <h2 className="mt-5">What it is, and how sure we are</h2>
        <p>
          {c ? `${c.name}: ${certaintyWords(result.certainty)}, ${inWords(result.p)}. ${c.about}` : 'Not known yet.'}
        </p>
        <BalanceFigure
          beams={balance(found.model, found.observed, found.post, 3).filter(
            (b) => b.p > 0.02 || b.id === result.condition,
          )}
          most={3}
          short
        />
        {result.duties.map((d) => (
          <p key={d.id} className="mt-3 border-l-4 border-madder pl-3 font-semibold">
            {d.sentence}
          </p>
        ))}
        {c &&
          c.kind !== 'harmless' &&
          !['test first', 'laboratory first', 'not yet named', 'look further', 'leave it alone'].includes(decision) && (
            <>
              <h2 className="mt-5">What can be done</h2>
              <ul>
                {work.map((o) => (
                  <li key={o.method + o.what} className="row py-1.5">
                    {o.what}{' '}
                    <span className="text-ink-2">
                      (
                      {o.status === 'now'
                        ? 'now'
                        : o.status === 'unsure'
                          ? 'once a test has said so'
                          : `from ${monthName(localMonth(o.from, isSouth(latOf(tree))))}`}
                      ; {o.when})
                    </span>
                  </li>
                ))}
              </ul>
              {care.length > 0 && (
                <p className="mt-2">
                  <b>And you yourself:</b> {care.map((o) => inSentence(o.what)).join('; ')}.
                </p>
              )}
              <h2 className="mt-5">If nothing is done</h2>
              <p>{c.course}</p>
              <h2 className="mt-5">What we will not do, and why</h2>
              <p>{c.useless}</p>
            </>
          )}
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
        <Link href={`/tree/${tree.id}/decide`} className="press">
          Back to the decision
        </Link>
      </p>
    </Frame>
  );
}
