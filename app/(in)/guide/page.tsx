import { FindForm, FoundConditions, FoundSigns, GuideTag, LookalikeTable } from './parts';
import { companySouth } from '@/facts/region';
import { northernMonth } from '@/lib/calendar/hemisphere';
import Link from 'next/link';
import { concerns, signsOf } from '@/core/diagnose/reading';
import { KINDS, PARTS_OF_TREE } from '@/core/diagnose/words';
import { guideSearch } from '@/core/diagnose/find';
import type { Knowledge } from '@/core/diagnose/knowledge';
import { memoize } from '@/lib/memoize';
import { inSeason, type LocalMonth } from '@/lib/calendar/months';
import { EVERYDAY } from '@/knowledge/everyday';
import { knowledgeFor } from '@/app/_server/knowledge';
import { allows, viewer } from '@/app/_server/viewer';
import { Frame } from '@/ui/frame/frame';

export const metadata = { title: 'Field guide' };
type Query = { find?: string; host?: string; place?: string; table?: string; kind?: string; month?: string };
/** The search over what a company knows, laid out once. */
const searchOf = memoize((knowledge: Knowledge) => guideSearch(knowledge, EVERYDAY));

/** Everything Elmhorn knows, by host, by place on the tree, by look-alike, or by a word. */
export default async function Page({ searchParams }: { searchParams: Promise<Query> }) {
  const [v, q] = await Promise.all([viewer(), searchParams]);
  const { knowledge, adrift } = await knowledgeFor(v);
  const host = knowledge.hosts.find((h) => h.id === q.host);
  const place = PARTS_OF_TREE.find((p) => p === q.place);
  const table = knowledge.lookalikes.find((t) => t.id === q.table);
  const month = /^(?:[1-9]|1[0-2])$/.test(q.month ?? '')
    ? northernMonth(Number(q.month) as LocalMonth, companySouth(v))
    : null;
  const find = (q.find ?? '').trim().slice(0, 80);
  const signs = new Map(knowledge.signs.map((s) => [s.id, s]));
  const search = searchOf(knowledge);
  // The nearest first, where somebody asked for words; else as the guide has them.
  const list = (find ? search.conditions(find) : knowledge.conditions).filter(
    (c) =>
      (!host || concerns(c.groups, host)) &&
      (!q.kind || c.kind === q.kind) &&
      (month === null || inSeason(month, c.season)) &&
      (!place || signsOf(c).some((s) => signs.get(s)?.place === place)),
  );
  const seen = (find ? search.signs(find).flatMap((id) => signs.get(id) ?? []) : knowledge.signs).filter(
    (s) => (!place || s.place === place) && (!host || concerns(s.groups, host)),
  );
  const kinds = KINDS.filter((x) => list.some((c) => c.kind === x));
  const to = (change: Query) => {
    const next = new URLSearchParams(Object.entries({ ...q, ...change }).filter(([, x]) => x) as [string, string][]);
    return `/guide?${next}`;
  };
  return (
    <Frame
      tag={<GuideTag knowledge={knowledge} mayEdit={allows(v, 'edit the guide')} />}
      margin={
        <>
          <section>
            <h2 className="text-body">Look-alikes</h2>
            <ul>
              {knowledge.lookalikes.map((t) => (
                <li key={t.id} className="row">
                  <Link
                    href={`/guide?table=${t.id}`}
                    aria-current={t.id === table?.id ? 'page' : undefined}
                    className={`block py-2 underline underline-offset-3 ${t.id === table?.id ? 'font-bold' : ''}`}
                  >
                    {t.name}
                  </Link>
                </li>
              ))}
            </ul>
          </section>
          {adrift.length > 0 && (
            <section>
              <h2 className="text-body">Own entries adrift</h2>
              <p className="text-[0.9375rem]">
                They rest on something that is no longer shipped; kept, and without effect: {adrift.join(', ')}.
              </p>
            </section>
          )}
        </>
      }
      handle="Look-alike tables"
    >
      <h1>What can it be?</h1>
      <FindForm knowledge={knowledge} find={q.find} host={host?.id} place={place} month={q.month} />
      {table && <LookalikeTable table={table} conditions={knowledge.conditions} />}
      {!table && (
        <>
          {host && !host.unlisted && (
            <p className="mb-4">
              <Link href={`/guide/hosts/${host.id}`} className="underline underline-offset-3">
                {host.name}: its leaf, how it is known, what it bears badly
              </Link>
            </p>
          )}
          {(find || place) && seen.length > 0 && <FoundSigns signs={seen.slice(0, 40)} />}
          <nav aria-label="Kinds" className="mb-2 flex flex-wrap gap-x-4">
            {q.kind && (
              <Link href={to({ kind: '' })} className="min-h-10 py-2 underline underline-offset-3">
                all kinds
              </Link>
            )}
            {kinds.map((x) => (
              <Link
                key={x}
                href={to({ kind: x })}
                className={`min-h-10 py-2 underline underline-offset-3 ${q.kind === x ? 'font-bold' : ''}`}
              >
                {x} <span className="figures text-small">{list.filter((c) => c.kind === x).length}</span>
              </Link>
            ))}
          </nav>
          {list.length === 0 && (
            <p className="py-6 text-ink-2">Nothing fits. Take a word away, or choose another host.</p>
          )}
          <FoundConditions conditions={list} />
        </>
      )}
    </Frame>
  );
}
