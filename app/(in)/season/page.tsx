import { format, parseISO } from 'date-fns';
import { after } from '@/core/season/follow-ups';
import { findWork } from '@/core/work/works';
import { findHost } from '@/knowledge';
import { METHOD_NAMES } from '@/core/label/methods';
import { seasonView } from '@/views/today';
import { Ribbon } from '@/ui/figures/ribbon';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine, TagRow } from '@/ui/frame/pieces';
import { shortDay } from '@/ui/words';
import { todayOf, viewer } from '../../_server/viewer';

/** A visit to come, whatever it comes from. */
interface Ahead {
  id: string;
  tag: string;
  hostId: string;
  placeName: string;
  due: string;
  earliest: string;
  latest: string;
  href: string;
  words: string;
}

export const metadata = { title: 'Season' };

export default async function Season() {
  const v = await viewer();
  const today = todayOf(v);
  const end = after(today, 1, 'years');
  const { due, ahead, works } = await seasonView(v, after(today, -90, 'days'), end);
  const months = new Map<string, Ahead[]>();
  const visits: Ahead[] = [
    ...due.map((f) => ({
      ...f,
      href: `/tree/${f.treeId}`,
      words: `${f.what}${f.onlyIf ? ` (only if ${f.onlyIf})` : ''}`,
    })),
    ...ahead.map((p) => ({
      ...p,
      due: p.plannedFor!,
      earliest: p.earliest!,
      latest: p.latest!,
      href: `/tree/${p.treeId}/apply?plan=${p.id}`,
      words: `Planned: ${METHOD_NAMES[p.method]}, ${p.labelName}`,
    })),
    ...works.map((w) => ({
      ...w,
      due: w.plannedFor!,
      earliest: w.plannedFor!,
      latest: w.plannedFor!,
      href: `/tree/${w.treeId}#works`,
      words: `Planned: ${findWork(w.workId)?.name ?? w.workId}`,
    })),
  ].sort((a, b) => a.due.localeCompare(b.due));
  for (const f of visits) months.set(f.due.slice(0, 7), [...(months.get(f.due.slice(0, 7)) ?? []), f]);
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">Season</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Visits ahead">{visits.filter((f) => f.due >= today).length}</TagLine>
        <TagLine name="Planned">{ahead.length + works.length}</TagLine>
        <TagLine name="Late">{due.filter((f) => f.due < today).length}</TagLine>
      </dl>
      <ul className="figures mt-5 text-small" aria-label="Visits a month">
        {[...months].map(([m, of]) => (
          <li key={m} className="flex h-6 items-center gap-2">
            <span className="w-14">{format(parseISO(`${m}-01`), 'MMM yy')}</span>
            <span className="h-3 border border-ink-2 bg-cambium" style={{ width: Math.min(70, 5 + of.length * 6) }} />
            {of.length}
          </li>
        ))}
      </ul>
    </>
  );
  const margin = (
    <>
      <section>
        <h2 className="text-body">Calendar</h2>
        <p className="mt-2">
          <a className="press w-full" href="/api/calendar/mine.ics" download>
            Take it as iCalendar
          </a>
        </p>
        <p className="mt-2 text-[0.9375rem]">
          To subscribe, make your own address under <a href="/me">your name</a>.
        </p>
      </section>
      <section>
        <h2 className="text-body">How the dates come about</h2>
        <p className="text-[0.9375rem]">
          What is planned stands on the day it was planned for. The rest comes from a rule of the label’s use, counted
          from the day the work was done. The bar is the span in which it makes sense; the thick line is today. A
          label’s minimum interval moves a date and says so.
        </p>
      </section>
    </>
  );
  return (
    <Frame tag={tag} margin={margin} handle="Calendar">
      <h1>The year ahead</h1>
      {visits.length === 0 && (
        <p className="mt-4 text-ink-2">
          Nothing is due or planned in the coming year. Dates appear once work has been planned or booked.
        </p>
      )}
      {[...months].map(([m, of]) => {
        const from = `${m}-01`;
        const to = after(from, 1, 'months');
        return (
          <Section
            key={m}
            title={format(parseISO(from), 'MMMM yyyy')}
            aside={`${of.length} ${of.length === 1 ? 'visit' : 'visits'}`}
          >
            <ul>
              {of.map((f) => (
                <TagRow
                  key={f.id}
                  href={f.href}
                  tag={f.tag}
                  title={`${findHost(f.hostId)?.name ?? f.hostId}, ${f.placeName}`}
                  right={
                    <Ribbon from={from} to={to} earliest={f.earliest} latest={f.latest} due={f.due} today={today} />
                  }
                >
                  {f.words}, {shortDay(f.due)}
                </TagRow>
              ))}
            </ul>
          </Section>
        );
      })}
    </Frame>
  );
}
