import { Alarms, OnArrival, SiteTag } from './parts';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { uuid } from '@/lib/ids';
import { showMass } from '@/lib/units/units';
import { findHost } from '@/knowledge';
import { siteView } from '@/views/trees';
import { Frame } from '@/ui/frame/frame';
import { Fact, Section, TagRow } from '@/ui/frame/pieces';
import { shortDay } from '@/ui/words';
import { allows, idOr404, todayOf, viewer } from '@/app/_server/viewer';
import { dayAfter as daysAfter } from '@/lib/calendar/days';
import { TaskList } from '@/app/(in)/tasks';
import { TaskForm } from '@/app/(in)/tasks.client';
import { hostNames, regionChoices } from '../../trees/choices';
import { AddTreeForm, OthersForm, SiteForm } from '../site.client';
import { tagRuns } from '@/core/site-map/tags';
import { ClientCalendar } from './calendar.client';
import { SectionForm } from './section.client';

export const metadata = { title: 'Place' };
const PAGE = 80;

export default async function SitePage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ after?: string; id?: string }>;
}) {
  const v = await viewer();
  const id = idOr404((await params).id);
  const q = await searchParams;
  const order = Number(q.after);
  const after = Number.isInteger(order) && uuid.safeParse(q.id).success ? { walkOrder: order, id: q.id! } : null;
  const mayCode = allows(v, 'see gate codes');
  const today = todayOf(v);
  const { place, knowledge, dangers, alarms, rows, clients, others, tasks, sections, code } =
    (await siteView({ viewer: v, id, after, limit: PAGE, tasksFrom: daysAfter(today, -60, 'days') })) ?? notFound();
  const shown = rows.slice(0, PAGE);
  const last = shown.at(-1);
  const edit = allows(v, 'edit grounds');
  const tag = <SiteTag place={place} units={v.units} />;
  const margin = (
    <>
      <OnArrival place={place} code={mayCode ? code : null} mayCode={mayCode} />
      <section className="flex flex-col gap-2">
        <a className="press" href={`/api/trees.csv?place=${place.id}`} download>
          Trees as CSV
        </a>
        <a className="press" href={`/api/trees.geojson?place=${place.id}`} download>
          Trees as GeoJSON
        </a>
        {edit && (
          <Link className="press" href={`/trees/import?place=${place.id}`}>
            Bring trees in
          </Link>
        )}
      </section>
      {edit && <ClientCalendar siteId={place.id} />}
    </>
  );
  return (
    <Frame tag={tag} margin={margin} handle="Access, gate, hazards">
      <Alarms alarms={alarms} dangers={dangers} knowledge={knowledge} />
      <h1>{place.name}</h1>
      <p className="text-ink-2">{place.address}</p>
      <p className="mt-2 flex flex-wrap gap-2">
        <Link href={`/sites/${id}/map`} className="press">
          Plan of the grounds
        </Link>
        <Link href={`/sites/${id}/choose`} className="press">
          Which trees, under a cap or a sum
        </Link>
        <Link href={`/sites/${id}/spread`} className="press">
          How a finding has spread
        </Link>
        <Link href={`/sites/${id}/quote`} className="press">
          Offer it to the client
        </Link>
      </p>
      <Section
        title="Trees in walking order"
        empty={shown.length === 0 && 'No tag hangs here yet. Hang the first one below, or bring a list in.'}
      >
        <ul className="grid gap-x-8 desk:grid-cols-2">
          {shown.map((t) => (
            <TagRow key={t.id} href={`/trees/${t.id}`} tag={t.tag} title={findHost(t.hostId)?.name ?? t.hostId}>
              {t.section}
            </TagRow>
          ))}
        </ul>
        {rows.length > PAGE && last && (
          <Link
            className="press mt-4"
            href={`/sites/${id}?${new URLSearchParams({ after: String(last.walkOrder), id: last.id })}`}
          >
            Further along
          </Link>
        )}
      </Section>
      {(edit || sections.length > 0) && (
        <Section title="Sections" aside="for choosing trees and splitting days">
          {sections.length === 0 && (
            <p className="py-2 text-ink-2">
              None yet: a terrace, a row, a water zone, or whatever divides the work here.
            </p>
          )}
          <ul>
            {sections.map((s) => (
              <li key={s.section} className="row py-2">
                <b>{s.section}</b>, {s.tags.length} {s.tags.length === 1 ? 'tree' : 'trees'}: {tagRuns(s.tags)}
              </li>
            ))}
          </ul>
          {edit && <SectionForm siteId={place.id} names={sections.map((s) => s.section)} />}
        </Section>
      )}
      <Section title="To come back for, and left to the client" id="tasks">
        {tasks.length === 0 && <p className="py-2 text-ink-2">Nothing is set.</p>}
        <TaskList tasks={tasks} today={today} may={allows(v, 'settle a follow-up')} place={false} />
        {allows(v, 'settle a follow-up') && <TaskForm siteId={place.id} today={today} />}
      </Section>
      <Section
        title="Put down by others"
        aside="counts against the yearly caps of labels"
        empty={others.length === 0 && !edit && 'Nothing is known.'}
      >
        <ul>
          {others.map((o) => (
            <li key={o.id} className="row py-1.5">
              <b className="figures">{showMass(o.grams, v.units).text}</b> {o.active}, {o.who}, {shortDay(o.onDay)}
            </li>
          ))}
        </ul>
        {edit && <OthersForm siteId={place.id} today={today} />}
      </Section>
      {edit && (
        <>
          <AddTreeForm siteId={place.id} hosts={hostNames()} units={v.units} />
          <details className="mt-8">
            <summary className="min-h-hand text-lead font-bold">Change this place</summary>
            <SiteForm
              place={{ ...place, gateCode: mayCode ? (code ?? '') : null }}
              clients={clients.map((c) => ({ value: c.id, name: c.name }))}
              regions={regionChoices(v)}
              units={v.units}
            />
          </details>
        </>
      )}
      {!edit && place.firstPicking && (
        <dl className="mt-6">
          <Fact name="Picking">
            {shortDay(place.firstPicking)}
            {place.lastPicking ? ` to ${shortDay(place.lastPicking)}` : ', its end not entered'}
          </Fact>
        </dl>
      )}
    </Frame>
  );
}
