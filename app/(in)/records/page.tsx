import Link from 'next/link';
import { z } from 'zod';
import { uuid } from '@/lib/ids';
import { summary } from '@/core/records/words';
import { METHOD_NAMES, METHODS } from '@/core/label/methods';
import { WORKS_ALONE } from '@/core/records/filter';
import { minuteWords } from '@/core/schedule/words';
import { findHost } from '@/knowledge';
import type { RecordRow } from '@/store/records';
import type { DoneWork } from '@/store/works';
import { recordsView } from '@/views/records';
import { workName } from '../trees/[id]/works';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine } from '@/ui/frame/pieces';
import { shortDay } from '@/ui/words';
import { todayOf, viewer } from '../../_server/viewer';
import { recordsQuery } from './query';
import { SiteChoice } from '@/ui/controls/site-choice.client';

export const metadata = { title: 'Records' };
const PAGE = 40;
const cursor = z.tuple([z.iso.date(), uuid]);

export default async function Book({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const v = await viewer();
  const params = await searchParams;
  const { filter, issues } = recordsQuery(params);
  const at = cursor.safeParse(String(params.after ?? '').split('_'));
  const { entries, places } = await recordsView(v, {
    ...filter,
    after: at.success ? { doneOn: at.data[0], id: at.data[1] } : null,
    limit: PAGE,
  });
  const more = entries.length > PAGE;
  const shown = entries.slice(0, PAGE);
  const last = shown.at(-1)?.row;
  const query = new URLSearchParams(
    Object.entries(params).flatMap(([k, x]) => (typeof x === 'string' && x && k !== 'after' ? [[k, x]] : [])),
  );
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">Records</p>
      <p className="mt-2 text-[0.9375rem] text-ink-2">{v.companyName}</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Shown">{shown.length}</TagLine>
        <TagLine name="Latest">{shown[0] ? shortDay(shown[0].row.doneOn) : '–'}</TagLine>
      </dl>
    </>
  );
  const margin = (
    <>
      <section>
        <h2 className="text-body">Take it out</h2>
        <p className="mt-2">
          <a className="press w-full" href={`/api/records.csv?${query}`} download>
            CSV of the treatments
          </a>
        </p>
        <p className="mt-2">
          <a className="press press-plain w-full" href={`/api/works.csv?${query}`} download>
            CSV of the works
          </a>
        </p>
      </section>
      <section>
        <h2 className="text-body">What holds here</h2>
        <p className="text-[0.9375rem]">
          Nothing in the book is changed or erased. A correction is a new version with who, when and why; the database
          itself refuses anything else.
        </p>
      </section>
    </>
  );
  return (
    <Frame tag={tag} margin={margin} handle="Take it out as CSV">
      <div className="flex flex-wrap items-baseline justify-between gap-4">
        <h1>What was done</h1>
        <Link href="/records/overturned" className="underline underline-offset-3">
          Diagnoses overturned
        </Link>
      </div>
      <form className="mt-4 grid grid-cols-[2fr_1fr_1fr] gap-3 phone:grid-cols-1" role="search">
        <label className="block">
          <span className="mb-1 block font-semibold">Words (tag, product, lot, place, person)</span>
          <input name="words" className="box" defaultValue={filter.words ?? ''} maxLength={80} />
        </label>
        <SiteChoice name="place" list={places} chosen={filter.siteId ?? ''} empty="all" />
        <label className="block">
          <span className="mb-1 block font-semibold">Method</span>
          <select name="method" className="box" defaultValue={filter.method ?? ''}>
            <option value="">all</option>
            {METHODS.map((m) => (
              <option key={m} value={m}>
                {METHOD_NAMES[m]}
              </option>
            ))}
            <option value={WORKS_ALONE}>Works without a product</option>
          </select>
        </label>
        <div className="flex flex-wrap gap-3">
          {(['from', 'to'] as const).map((k) => (
            <label key={k} className="block min-w-32 flex-1">
              <span className="mb-1 block font-semibold">{k === 'from' ? 'From' : 'To'}</span>
              <input name={k} type="date" className="box" defaultValue={filter[k] ?? ''} max={todayOf(v)} />
            </label>
          ))}
        </div>
        <button className="press self-end">Show</button>
      </form>
      {issues.map((f) => (
        <p key={f} role="alert" className="mt-3 font-semibold text-madder">
          {f}
        </p>
      ))}
      <Section
        title="Records"
        empty={shown.length === 0 && 'Nothing matches. The book fills as work is booked on the trees.'}
      >
        <ul>
          {shown.map((e) =>
            e.kind === 'treatment' ? <Treatment key={e.row.id} r={e.row} /> : <DoneWorkRow key={e.row.id} w={e.row} />,
          )}
        </ul>
        {more && last && (
          <Link
            className="press mt-4"
            href={`/records?${new URLSearchParams([...query, ['after', `${last.doneOn}_${last.id}`]])}`}
          >
            Earlier ones
          </Link>
        )}
      </Section>
    </Frame>
  );
}

function Treatment({ r }: { r: RecordRow }) {
  return (
    <li className="row flex flex-wrap items-center gap-x-5 gap-y-1 py-3">
      <span className="figures w-28 flex-none">{shortDay(r.doneOn)}</span>
      <Link href={`/records/${r.id}`} className="group flex min-w-0 flex-1 basis-72 items-center gap-4">
        <span className="plate-small flex-none">{r.data.tree.tag}</span>
        <span className="min-w-0">
          <span className="block font-bold group-hover:underline">
            {r.data.host.name}, {r.data.place.name}
          </span>
          <span className="block text-[0.9375rem] text-ink-2">{summary(r.data)}</span>
        </span>
      </Link>
      <span className="text-[0.9375rem]">
        {r.withdrawn ? <b className="text-madder">withdrawn</b> : r.version > 1 ? <b>version {r.version}</b> : null}{' '}
        {r.byName}
      </span>
    </li>
  );
}

/** A work that needs no product: it stands on its tree, with its sheet. */
function DoneWorkRow({ w }: { w: DoneWork }) {
  const told = [w.minutes === null ? null : minuteWords(w.minutes), w.note || null].filter((x) => x !== null);
  return (
    <li className="row flex flex-wrap items-center gap-x-5 gap-y-1 py-3">
      <span className="figures w-28 flex-none">{shortDay(w.doneOn)}</span>
      <Link href={`/trees/${w.treeId}`} className="group flex min-w-0 flex-1 basis-72 items-center gap-4">
        <span className="plate-small flex-none">{w.tag}</span>
        <span className="min-w-0">
          <span className="block font-bold group-hover:underline">
            {findHost(w.hostId)?.name ?? w.hostId}, {w.siteName}
          </span>
          <span className="block text-[0.9375rem] text-ink-2">{[workName(w), ...told].join(', ')}</span>
        </span>
      </Link>
      <span className="text-[0.9375rem]">{w.byName}</span>
    </li>
  );
}
