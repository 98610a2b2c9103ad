import { companySouth } from '@/facts/region';
import { northernMonth } from '@/lib/calendar/hemisphere';
import Link from 'next/link';
import { concerns, signsOf } from '@/core/diagnose/reading';
import { KINDS, PARTS_OF_TREE } from '@/core/diagnose/words';
import { guideSearch } from '@/core/diagnose/find';
import type { Knowledge } from '@/core/diagnose/knowledge';
import { memoize } from '@/lib/memoize';
import { inSeason, monthName, type LocalMonth } from '@/lib/calendar/months';
import { EVERYDAY } from '@/knowledge/everyday';
import { knowledgeFor } from '@/app/_server/knowledge';
import { allows, viewer } from '@/app/_server/viewer';
import { SignFigure } from '@/ui/figures/signs';
import { Frame } from '@/ui/frame/frame';
import { TagLine } from '@/ui/frame/pieces';

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
  const month = /^(?:[1-9]|1[0-2])$/.test(q.month ?? '') ? northernMonth(Number(q.month) as LocalMonth, companySouth(v)) : null;
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
      tag={
        <div>
          <p className="text-tag leading-none font-extrabold">Guide</p>
          <p className="mt-2 text-[0.9375rem] text-ink-2">Version of {knowledge.conditions.length} conditions</p>
          <dl className="mt-3 border-t border-line-2">
            <TagLine name="Hosts">{knowledge.hosts.length}</TagLine>
            <TagLine name="Signs">{knowledge.signs.length}</TagLine>
            <TagLine name="Quick tests">{knowledge.tests.length}</TagLine>
            <TagLine name="Conditions">{knowledge.conditions.length}</TagLine>
            <TagLine name="Look-alikes">{knowledge.lookalikes.length}</TagLine>
          </dl>
          <p className="mt-4">
            <Link href="/practice" className="press w-full">
              Practice round
            </Link>
          </p>
          <p className="mt-2">
            <Link href="/guide/figures" className="press w-full">
              All drawings
            </Link>
          </p>
          <p className="mt-2">
            <Link href="/guide/hosts" className="press w-full">
              Hosts by their leaves
            </Link>
          </p>
          {allows(v, 'edit the guide') && (
            <p className="mt-2">
              <Link href="/guide/new" className="press w-full">
                Our own entries
              </Link>
            </p>
          )}
        </div>
      }
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
      <form role="search" className="my-3 flex flex-wrap gap-3" action="/guide">
        <input
          name="find"
          aria-label="A word: a sign, a pest, a host"
          placeholder="sticky car, borer, a Latin name …"
          defaultValue={q.find}
          className="box flex-1 basis-56"
          maxLength={80}
        />
        <select name="host" aria-label="Host" defaultValue={host?.id ?? ''} className="box w-auto max-w-full">
          <option value="">every host</option>
          {[...knowledge.hosts]
            .sort((a, b) => a.name.localeCompare(b.name))
            .map((h) => (
              <option key={h.id} value={h.id}>
                {h.name}
              </option>
            ))}
        </select>
        <select name="place" aria-label="Place on the tree" defaultValue={place ?? ''} className="box w-auto">
          <option value="">whole tree</option>
          {PARTS_OF_TREE.map((p) => (
            <option key={p}>{p}</option>
          ))}
        </select>
        <select
          name="month"
          aria-label="Month"
          defaultValue={q.month ?? ''}
          className="box w-auto"
        >
          <option value="">all year</option>
          {Array.from({ length: 12 }, (_, i) => (
            <option key={i} value={i + 1}>
              {monthName(i + 1)}
            </option>
          ))}
        </select>
        <button className="press press-main min-h-hand">Find</button>
      </form>
      {table && (
        <section className="mb-6">
          <h2>{table.name}</h2>
          <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="What tells the look-alikes apart">
            <table className="dense mt-1">
              <thead>
                <tr>
                  <th scope="col">It is</th>
                  <th scope="col">when it looks so</th>
                  <th scope="col">and this settles it</th>
                </tr>
              </thead>
              <tbody>
                {table.rows.map((r) => (
                  <tr key={r.condition}>
                    <td>
                      <Link href={`/guide/${r.condition}`} className="font-bold underline underline-offset-3">
                        {knowledge.conditions.find((c) => c.id === r.condition)?.name ?? r.condition}
                      </Link>
                    </td>
                    <td>{r.looks}</td>
                    <td>{r.tell}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </section>
      )}
      {!table && (
        <>
          {host && !host.unlisted && (
            <p className="mb-4">
              <Link href={`/guide/hosts/${host.id}`} className="underline underline-offset-3">
                {host.name}: its leaf, how it is known, what it bears badly
              </Link>
            </p>
          )}
          {(find || place) && seen.length > 0 && (
            <section className="mb-5">
              <h2>Signs</h2>
              <ul className="columns-2 gap-8 phone:columns-1">
                {seen.slice(0, 40).map((s) => (
                  <li key={s.id} className="row flex break-inside-avoid items-center gap-3 py-1.5">
                    {s.figure && <SignFigure id={s.figure} size={44} caption={false} />}
                    <span>
                      {s.words} <span className="text-small text-ink-2">{s.place}</span>
                    </span>
                  </li>
                ))}
              </ul>
            </section>
          )}
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
          <ul>
            {list.map((c) => (
              <li key={c.id} className="row">
                <Link
                  href={`/guide/${c.id}`}
                  className="group grid grid-cols-[minmax(180px,260px)_1fr] gap-x-5 py-2.5 phone:grid-cols-1"
                >
                  <span>
                    <b className="group-hover:underline">{c.name}</b>
                    {c.latin && <i className="block text-small">{c.latin}</i>}
                    <span className="block text-small text-ink-2">
                      {c.kind}
                      {c.reportable ? ', may have to be reported' : ''}
                    </span>
                  </span>
                  <span className="text-[0.9375rem]">{c.about}</span>
                </Link>
              </li>
            ))}
          </ul>
        </>
      )}
    </Frame>
  );
}
