import Link from 'next/link';
import { balance, wouldChange } from '@/core/diagnose/evidence';
import { inspectionForbidden } from '@/core/decide/forbids';
import { nextInspections } from '@/core/diagnose/next-look';
import { inWords } from '@/core/diagnose/sureness';
import { certaintyWords } from '@/core/diagnose/words';
import { refusal } from '@/core/people/rights';
import { findHost } from '@/knowledge';
import { openProblems } from '@/core/decide/problems';
import { checksOf, treeSouth, testWords } from '@/facts/diagnosis';
import { BalanceFigure } from '@/ui/figures/balance';
import { Frame } from '@/ui/frame/frame';
import { dayThere } from '@/ui/words';
import { StepStrip, TreeHead, TreeTag } from '../../_frame/tree-frame';
import { allows, namedIn, type Seen } from '../seen';
import { DecideBench } from './diagnose.client';
import { AskedAbout, DecisionSheet, LookalikeTable } from './parts';

/** What an address asks of this step: a condition to be named, and one that is asked about. */
export interface Asked {
  name?: string | undefined;
  about?: string | undefined;
}
/** The step at which it is named and decided. */
export function DiagnoseStep({
  seen,
  asked: { name, about },
}: {
  seen: Seen & { found: NonNullable<Seen['found']> };
  asked: Asked;
}) {
  const { viewer, tree, duties, found } = seen;
  const named = namedIn(seen, name);
  const host = findHost(tree.hostId)!;
  const result = found.decide(named);
  const beams = balance({ model: found.model, observed: found.observed, post: found.post, most: 4, named });
  const looks = nextInspections({
    model: found.model,
    post: found.post,
    observed: found.observed,
    most: 2,
    allowed: (o) => o.kind === 'sign' || !inspectionForbidden(result.duties, o.id),
  });
  const changes = wouldChange(found.model, found.observed);
  const [first, second] = found.candidates.filter((c) => c.id !== 'something-else');
  const pair = [named ?? first?.id, named && named !== first?.id ? first?.id : second?.id].map((x) =>
    x ? found.find(x) : null,
  );
  const checks = checksOf(tree);
  const told = testWords(found.knowledge);
  const nameOf = (c: string) => found.find(c)?.name ?? c;
  const margin = (
    <>
      {looks[0] && (
        <section>
          <h2 className="text-body">The next look</h2>
          <p className="font-bold">{looks[0].words}</p>
          <ul className="mt-1 text-[0.9375rem]">
            {looks[0].outcomes
              .filter((o) => o.chance > 0.04)
              .map((o) => (
                <li key={o.id}>
                  {o.words}: {nameOf(o.leader)}, {inWords(o.p)}
                </li>
              ))}
          </ul>
          <Link href={`/trees/${tree.id}/inspect`} className="press mt-2">
            Look again
          </Link>
        </section>
      )}
      {changes.length > 0 && (
        <section>
          <h2 className="text-body">Would change</h2>
          <ul className="text-[0.9375rem]">
            {changes.map((c) => (
              <li key={c.kind + c.id} className="py-1">
                {c.words}: then {nameOf(c.leader).toLowerCase()} leads.
              </li>
            ))}
          </ul>
        </section>
      )}
      {checks.length > 0 && (
        <section>
          <h2 className="text-body">Checked before</h2>
          {checks.map((c) => (
            <p key={c.look.id} className="py-1 text-[0.9375rem]">
              {dayThere(c.look.at, tree.timeZone)}, {nameOf(c.condition)}: {c.savedDiagnosis.sentence}
            </p>
          ))}
        </section>
      )}
      <AskedAbout found={found} about={about} />
      <section>
        <h2 className="text-body">Named before</h2>
        {tree.savedDiagnoses.length === 0 && <p className="text-ink-2">Nothing yet.</p>}
        <ul>
          {tree.savedDiagnoses.map((savedDiagnosis) => (
            <li key={savedDiagnosis.id} className="row py-2 text-[0.9375rem]">
              <b
                className={
                  tree.savedDiagnoses.some((x) => x.overturns.includes(savedDiagnosis.id)) ? 'line-through' : ''
                }
              >
                {nameOf(savedDiagnosis.conditionId)}
              </b>
              , {certaintyWords(savedDiagnosis.certainty)}: {savedDiagnosis.decision}.
              <span className="block">{savedDiagnosis.reason}</span>
              {savedDiagnosis.overturns.length > 0 && savedDiagnosis.overturnedBy.length > 0 && (
                <span className="block">
                  Overturned an earlier name by {savedDiagnosis.overturnedBy.map(told).join(', ')}.
                </span>
              )}
              <span className="block text-small text-ink-2">
                {savedDiagnosis.byName}, {dayThere(savedDiagnosis.at, tree.timeZone)}
              </span>
            </li>
          ))}
        </ul>
      </section>
    </>
  );
  return (
    <Frame
      tag={<TreeTag tree={tree} units={viewer.units} here="diagnose" />}
      head={<TreeHead tree={tree} units={viewer.units} here="diagnose" />}
      margin={margin}
      handle="The next look, and before"
    >
      <StepStrip tree={tree} duties={duties} here="diagnose" />
      <h1 className="mb-3">What is it, and what is to be done?</h1>
      {tree.looks.length === 0 && (
        <p className="mb-4 border-l-4 border-sap pl-3">
          Nobody has looked this tree over: what stands below is only what is common here.{' '}
          <Link href={`/trees/${tree.id}/inspect`}>Examine it first.</Link>
        </p>
      )}
      <DecisionSheet result={result} find={found.find} south={treeSouth(tree)} doubts={found.doubts} treeId={tree.id} />
      <p className="no-print mt-3">
        <Link href={`/trees/${tree.id}/letter${named ? `?name=${named}` : ''}`} className="press">
          One page for the client
        </Link>
      </p>
      <section className="mt-6" aria-label="The balance">
        <h2 className="mb-1">The balance</h2>
        <BalanceFigure beams={beams} {...(result.condition ? { named: result.condition } : {})} />
      </section>
      {pair[0] && pair[1] && pair[0].id !== pair[1].id && (
        <LookalikeTable a={pair[0]} b={pair[1]} host={host} knowledge={found.knowledge} observed={found.observed} />
      )}
      <DecideBench
        key={`${tree.id}/${named ?? ''}`}
        treeId={tree.id}
        list={found.candidates.map((c) => ({
          id: c.id,
          name: c.name,
          kind: c.kind,
          p: c.p,
          sure: inWords(c.p),
          needs: found.find(c.id)!.curativeNeeds,
        }))}
        proposed={{
          conditionId: named ?? result.condition ?? 'something-else',
          certainty: result.certainty,
          decision: result.decision,
          // The client reads it as the arborist's own word: nobody else writes it.
          reason: '',
        }}
        open={openProblems(tree.savedDiagnoses).map((savedDiagnosis) => ({
          id: savedDiagnosis.id,
          conditionId: savedDiagnosis.conditionId,
          name: nameOf(savedDiagnosis.conditionId),
          decision: savedDiagnosis.decision,
        }))}
        refused={allows(viewer, 'examine') ? null : refusal(viewer.role, 'examine')}
      />
    </Frame>
  );
}
