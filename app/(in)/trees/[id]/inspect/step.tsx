import { compile, signInSeason } from '@/core/diagnose/model';
import { toWire } from '@/core/diagnose/wire';
import { PARTS_OF_TREE } from '@/core/diagnose/words';
import { refusal } from '@/core/people/rights';
import { findHost, findSign, signsFor } from '@/knowledge';
import { hostOf, settingOf, treeMonth } from '@/facts/diagnosis';
import { Frame } from '@/ui/frame/frame';
import { dayThere, shortDay } from '@/ui/words';
import { StepStrip, TreeHead, TreeTag, TreeWhy } from '../../_frame/tree-frame';
import { answerTo, NOTHING_SEEN } from './answer';
import { allows, type Seen } from '../seen';
import { ExamineBench } from './inspect.client';
import type { Grade } from './form';

/** The step at which the tree is looked over. */
export function InspectStep({ seen }: { seen: Seen & { alike: readonly { id: string; tag: string }[] } }) {
  const { viewer, now, tree, detections, knowledge, duties, alike } = seen;
  const host = hostOf(tree)!;
  const month = treeMonth(tree, now);
  const all = signsFor(host);
  const byPlace = PARTS_OF_TREE.map((place) => [place, all.filter((s) => s.place === place)] as const);
  const signs = byPlace.flatMap(([, here]) => here);
  const inSeason = new Set(signs.filter((s) => signInSeason(s, host, month)).map((s) => s.id));
  const model = compile(knowledge, host, settingOf(viewer, tree, detections, month));
  const last = tree.looks[0];
  const lastGrade = new Map<string, Grade>(
    last?.findings.map((f) => [f.sign, f.state === 'absent' ? '0' : (String(f.grade ?? '-') as Grade)]),
  );
  const margin = (
    <>
      {last && (
        <section>
          <h2 className="text-body">Last look, {dayThere(last.at, tree.timeZone)}</h2>
          <p>
            Crown loss {last.crownLoss ?? '–'} %, vigour {last.vigour ?? '–'}.
          </p>
          <ul className="mt-1">
            {last.findings
              .filter((f) => f.state === 'seen')
              .map((f) => (
                <li key={f.sign} className="text-[0.9375rem]">
                  <b className="figures">{f.grade}</b> {findSign(f.sign)?.words ?? f.sign}
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
      tag={<TreeTag tree={tree} units={viewer.units} here="inspect" />}
      head={<TreeHead tree={tree} units={viewer.units} here="inspect" />}
      margin={margin}
      handle="The last look, beside"
    >
      <StepStrip tree={tree} duties={duties} here="inspect" />
      <ExamineBench
        key={tree.id}
        treeId={tree.id}
        host={{
          name: host.name,
          rootstock: host.rootstock ?? null,
          key: host.key.map((k) => ({
            ask: k.ask,
            ifNot: k.ifNot.map((h) => findHost(h)?.name ?? h.replace(/-/g, ' ')),
          })),
        }}
        confirmed={tree.hostConfirmedAt !== null}
        signs={byPlace.map(([place, here]) => [
          place,
          here.map((s) => {
            const more = {
              ...(s.dig ? { dig: true } : {}),
              ...(inSeason.has(s.id) ? {} : { outOfSeason: true }),
              ...(s.sector ? { sector: true } : {}),
              ...(s.figure ? { figure: s.figure } : {}),
              ...(s.count ? { count: s.count } : {}),
              ...(lastGrade.has(s.id) ? { last: lastGrade.get(s.id)! } : {}),
            };
            return Object.keys(more).length ? [s.id, s.words, s.worst, more] : [s.id, s.words, s.worst];
          }),
        ])}
        model={toWire(model, signs)}
        first={answerTo(model, NOTHING_SEEN, (o) => o.kind === 'test' || inSeason.has(o.id))}
        last={{ crownLoss: last?.crownLoss ?? null, vigour: last?.vigour ?? null }}
        records={tree.records
          .filter((r) => !r.withdrawn && r.target)
          .map((r) => ({ id: r.rootId, name: `${shortDay(r.doneOn)}: ${r.actives.map((a) => a.name).join(', ')}` }))}
        alike={[...alike]}
        refused={allows(viewer, 'examine') ? null : refusal(viewer.role, 'examine')}
      />
    </Frame>
  );
}
