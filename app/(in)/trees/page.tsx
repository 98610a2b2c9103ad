import Link from 'next/link';
import { z } from 'zod';
import { uuid } from '@/lib/ids';
import { readBatchCode } from '@/core/mix/batch';
import { findHost, hostsNow } from '@/knowledge';
import { MixRows } from '../jobs/mixes/mix-rows';
import { treesView } from '@/views/trees';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine, TagRow } from '@/ui/frame/pieces';
import { allows, viewer } from '../../_server/viewer';
import { NewClient } from './client.client';
import { clockNow } from '@/store/clock';

export const metadata = { title: 'Trees' };
const PAGE = 60;
const cursor = z.object({ tag: z.string().min(1).max(24), id: uuid });

export default async function Grounds({
  searchParams,
}: {
  searchParams: Promise<{ find?: string; tag?: string; id?: string; places?: string; pid?: string }>;
}) {
  const v = await viewer();
  const q = await searchParams;
  const find = (typeof q.find === 'string' ? q.find : '').replace(/\0/g, '').slice(0, 80);
  const words = find
    .split(/[\s,]+/)
    .filter(Boolean)
    .slice(0, 6);
  const at = cursor.safeParse(q);
  const siteAt = uuid.safeParse(q.pid);
  const { rows, clients, places, mix } = await treesView(
    v,
    {
      words,
      hostsOfWord: words.map((w) =>
        hostsNow()
          .filter((h) => `${h.name} ${h.latin}`.toLowerCase().includes(w.toLowerCase()))
          .map((h) => h.id),
      ),
      after: at.success ? at.data : null,
      limit: PAGE,
    },
    {
      after: typeof q.places === 'string' && siteAt.success ? { name: q.places.slice(0, 120), id: siteAt.data } : null,
      limit: 40,
    },
    readBatchCode(find),
  );
  const shown = rows.slice(0, PAGE);
  const last = shown.at(-1);
  const edit = allows(v, 'edit grounds');
  const next = last && new URLSearchParams({ ...(find ? { find } : {}), tag: last.tag, id: last.id });
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">Trees</p>
      <p className="mt-2 text-[0.9375rem] text-ink-2">{v.companyName}</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Clients">{clients.length}</TagLine>
        <TagLine name="Places">{places.length > 40 ? 'over 40' : places.length}</TagLine>
      </dl>
    </>
  );
  const margin = (
    <>
      <section>
        <h2 className="text-body">Trees in and out</h2>
        <div className="mt-2 flex flex-col gap-2">
          {edit && (
            <Link href="/trees/import" className="press">
              Bring trees in from CSV
            </Link>
          )}
          <a href="/api/trees.csv" className="press" download>
            All trees as CSV
          </a>
          <a href="/api/trees.geojson" className="press" download>
            All trees as GeoJSON
          </a>
        </div>
      </section>
      <section>
        <h2 className="text-body">Clients</h2>
        <ul>
          {clients.map((c) => (
            <li key={c.id} className="row py-2">
              <b>{c.name}</b>
              <span className="block text-[0.9375rem] text-ink-2">
                {c.contact}
                {c.contact && ', '}
                {c.places} {c.places === 1 ? 'place' : 'places'}
              </span>
            </li>
          ))}
        </ul>
        {edit && <NewClient />}
      </section>
    </>
  );
  return (
    <Frame tag={tag} margin={margin} handle="Clients, import, export">
      <h1>Find a tree</h1>
      <form className="mt-3 flex gap-3" role="search">
        <input
          name="find"
          aria-label="Tag, street, client or host"
          placeholder="117, or elm quay"
          className="box text-lead"
          defaultValue={find}
          maxLength={80}
          autoComplete="off"
        />
        <button className="press">Find</button>
      </form>
      {!find && (
        <Section
          title="Places"
          aside={edit && <Link href="/sites/new">New place</Link>}
          empty={places.length === 0 && 'No place yet. Enter a client, then a place, then its trees.'}
        >
          <ul className="grid gap-x-8 desk:grid-cols-2">
            {places.slice(0, 40).map((p) => (
              <li key={p.id} className="row flex min-h-14 items-center justify-between gap-4 py-2">
                <Link href={`/sites/${p.id}`} className="group min-w-0">
                  <span className="block font-bold group-hover:underline">{p.name}</span>
                  <span className="block text-[0.9375rem] text-ink-2">{p.clientName}</span>
                </Link>
                <span className="figures flex-none text-[0.9375rem]">{p.trees} trees</span>
              </li>
            ))}
          </ul>
          {places.length > 40 && (
            <Link
              className="press mt-3"
              href={`/trees?${new URLSearchParams({ places: places[39]!.name, pid: places[39]!.id })}`}
            >
              More places
            </Link>
          )}
        </Section>
      )}
      {mix && (
        <Section title="A mix has this tag">
          <MixRows mixes={[mix]} units={v.units} timeZone={v.timeZone} now={clockNow()} />
        </Section>
      )}
      <Section
        title={find ? `Trees with “${find}”` : 'Trees by tag'}
        empty={
          shown.length === 0 &&
          (find
            ? 'No tree answers to that. Try a tag, part of a street, a client, or a host.'
            : 'No tree yet. Open a place and hang the first tag, or bring a list in.')
        }
      >
        <ul className="grid gap-x-8 desk:grid-cols-2">
          {shown.map((t) => (
            <TagRow key={t.id} href={`/trees/${t.id}`} tag={t.tag} title={findHost(t.hostId)?.name ?? t.hostId}>
              {t.siteName}
            </TagRow>
          ))}
        </ul>
        {rows.length > PAGE && next && (
          <Link className="press mt-4" href={`/trees?${next}`}>
            More trees
          </Link>
        )}
      </Section>
    </Frame>
  );
}
