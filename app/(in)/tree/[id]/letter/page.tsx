import Link from 'next/link';
import { monthName } from '@/core/decide/decide';
import { findHost, findSign } from '@/knowledge';
import { todayOf } from '@/app/_server/viewer';
import { BalanceFigure } from '@/ui/figures/balance';
import { balance } from '@/core/diagnose/evidence';
import { inWords } from '@/core/diagnose/sureness';
import { inSentence } from '@/core/diagnose/words';
import { PrintButton } from '@/ui/controls/print.client';
import { Frame } from '@/ui/frame/frame';
import { longDay } from '@/ui/words';
import { loadDiagnosis } from '../../load';
import { TreeHead, TreeTag, TreeWhy } from '../../tree-frame';

export const metadata = { title: 'For the client' };

/** The decision as one page that can be read to a client, and printed. */
export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ name?: string }>;
}) {
  const { v, tree, found, named } = await loadDiagnosis(params, searchParams);
  const verdict = tree.verdicts[0];
  const own = found.candidates.some((c) => c.id === verdict?.conditionId) ? verdict?.conditionId : undefined;
  const result = found.decide(named ?? own);
  const decision = named ? result.decision : (verdict?.decision ?? result.decision);
  const c = result.condition ? found.find(result.condition) : null;
  const seen = found.observed.findings
    .filter((f) => f.state === 'seen')
    .sort((a, b) => (b.grade ?? 0) - (a.grade ?? 0));
  const work = result.options.filter((o) => o.use !== 'support');
  const care = result.options.filter((o) => o.use === 'support');
  return (
    <Frame
      tag={<TreeTag tree={tree} units={v.units} here="decide" />}
      head={<TreeHead tree={tree} units={v.units} here="decide" />}
      margin={<TreeWhy tree={tree} />}
      handle="What was named and done"
    >
      <article className="max-w-[44rem] print:max-w-none">
        <p className="text-ink-2">
          {tree.clientName} · {tree.placeName} · tree {tree.tag}, {findHost(tree.hostId)?.name.toLowerCase()} ·{' '}
          {longDay(todayOf(v))}
        </p>
        <h1 className="mt-2 text-[2rem]! first-letter:uppercase">{decision}</h1>
        <p className="mt-3 text-lead">{result.tell}</p>
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
        <p>{c ? `${c.name}: ${result.certainty}, ${inWords(result.p)}. ${c.about}` : 'Not known yet.'}</p>
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
        {c && c.kind !== 'harmless' && decision !== 'test first' && decision !== 'laboratory first' && (
          <>
            <h2 className="mt-5">What can be done</h2>
            <ul>
              {work.map((o) => (
                <li key={o.method + o.what} className="row py-1.5">
                  {o.what}{' '}
                  <span className="text-ink-2">
                    ({o.open ? 'now' : `from ${monthName(o.from)}`}; {o.when})
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
                {x.what} {x.priceMinor !== null && `(${(x.priceMinor / 100).toFixed(2)})`}: {x.state}
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
