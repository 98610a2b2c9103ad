import { findHost, signsFor } from '@/knowledge';
import { findSign } from '@/knowledge';
import { allows } from '@/app/_server/viewer';
import { refusal } from '@/core/people/rights';
import { Frame } from '@/ui/frame/frame';
import { shortDay } from '@/ui/words';
import { loadTree } from '../../load';
import { StepStrip, TreeHead, TreeTag, TreeWhy } from '../../tree-frame';
import { ExamineBench } from './examine.client';

export const metadata = { title: 'Examine' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { v, tree } = await loadTree((await params).id);
  const host = findHost(tree.hostId)!;
  const last = tree.looks[0];
  const margin = (
    <>
      {last && (
        <section>
          <h2 className="text-body">Last look, {shortDay(last.at.toISOString().slice(0, 10))}</h2>
          <p>
            Crown loss {last.crownLoss ?? '–'} %, vigour {last.vigour ?? '–'}.
          </p>
          <ul className="mt-1">
            {last.findings.map((f) => (
              <li key={f.sign} className="text-[0.9375rem]">
                <b className="figures">{f.state === 'seen' ? f.grade : f.state}</b> {findSign(f.sign)?.words ?? f.sign}
              </li>
            ))}
          </ul>
        </section>
      )}
      <TreeWhy tree={tree} />
    </>
  );
  return (
    <Frame
      tag={<TreeTag tree={tree} units={v.units} here="examine" />}
      head={<TreeHead tree={tree} units={v.units} here="examine" />}
      margin={margin}
      handle="The last look, beside"
    >
      <StepStrip tree={tree} here="examine" />
      <ExamineBench
        treeId={tree.id}
        host={{
          name: host.name,
          key: host.key.map((k) => ({
            ask: k.ask,
            ifNot: k.ifNot.map((h) => findHost(h)?.name ?? h.replace(/-/g, ' ')),
          })),
        }}
        confirmed={tree.hostConfirmedAt !== null}
        signs={signsFor(host).map((s) => ({ id: s.id, place: s.place, words: s.words, worst: s.worst }))}
        last={{ crownLoss: last?.crownLoss ?? null, vigour: last?.vigour ?? null }}
        refused={allows(v, 'examine') ? null : refusal(v.role, 'examine')}
      />
    </Frame>
  );
}
