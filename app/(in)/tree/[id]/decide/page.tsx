import { conditionsFor, findCondition, findHost } from '@/knowledge';
import { allows } from '@/app/_server/viewer';
import { refusal } from '@/core/people/rights';
import { Frame } from '@/ui/frame/frame';
import { shortDay } from '@/ui/words';
import { loadTree } from '../../load';
import { StepStrip, TreeHead, TreeTag } from '../../tree-frame';
import { DecideBench } from './decide.client';

export const metadata = { title: 'Decide' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { v, tree } = await loadTree((await params).id);
  const host = findHost(tree.hostId)!;
  const look = tree.looks[0];
  const seen = new Set(look?.findings.filter((f) => f.state === 'seen').map((f) => f.sign));
  const was = tree.verdicts[0];
  // Those whose signs were seen come first; the ranking engine will take this list's place.
  const list = conditionsFor(host)
    .map((c) => ({
      id: c.id,
      name: c.name,
      kind: c.kind,
      about: c.about,
      test: c.decidingTest,
      needs: c.curativeNeeds,
      seen: c.signs.filter((s) => seen.has(s)).length,
      of: c.signs.length,
    }))
    .sort((a, b) => b.seen - a.seen || a.name.localeCompare(b.name));
  const margin = (
    <section>
      <h2 className="text-body">Named before</h2>
      {tree.verdicts.length === 0 && <p className="text-ink-2">Nothing yet.</p>}
      <ul>
        {tree.verdicts.map((d) => (
          <li key={d.id} className="row py-2 text-[0.9375rem]">
            <b>{findCondition(d.conditionId)?.name ?? d.conditionId}</b>, {d.certainty}: {d.decision}.
            <span className="block">{d.reason}</span>
            <span className="block text-small text-ink-2">
              {d.byName}, {shortDay(d.at.toISOString().slice(0, 10))}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
  return (
    <Frame
      tag={<TreeTag tree={tree} units={v.units} here="decide" />}
      head={<TreeHead tree={tree} units={v.units} here="decide" />}
      margin={margin}
      handle="What was named before"
    >
      <StepStrip tree={tree} here="decide" />
      <DecideBench
        treeId={tree.id}
        list={list}
        looked={look !== undefined}
        was={was ? { conditionId: was.conditionId, certainty: was.certainty, decision: was.decision } : null}
        refused={allows(v, 'examine') ? null : refusal(v.role, 'examine')}
      />
    </Frame>
  );
}
