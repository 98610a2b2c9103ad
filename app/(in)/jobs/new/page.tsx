import Link from 'next/link';
import { z } from 'zod';
import { refusal } from '@/core/people/rights';
import { METHOD_NAMES } from '@/core/label/methods';
import { hoursOn } from '@/core/schedule/hours';
import { dayAfter } from '@/lib/calendar/days';
import { findHost } from '@/knowledge';
import { findWork } from '@/knowledge/works';
import { Frame } from '@/ui/frame/frame';
import { TagLine } from '@/ui/frame/pieces';
import { longDay, shortDay } from '@/ui/words';
import { toPutView } from '@/views/day';
import { allows, viewer } from '@/app/_server/viewer';
import { leftWords } from '../day/words';
import { PutOnDay, type WaitingItem } from './new.client';
import { clockNow } from '@/store/clock';

export const metadata = { title: 'Put on a day' };
const asked = z.object({ left: z.uuid().optional().catch(undefined), place: z.uuid().optional().catch(undefined) });
/** Days on offer, from today on. */
const DAYS = 14;

export default async function Page({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const v = await viewer();
  const { left, place } = asked.parse(await searchParams);
  const { today, plans, works, crews, rounds } = await toPutView(v, clockNow());
  const on = new Map(
    rounds.flatMap((r) => r.items.map((i) => [i.itemId, `${r.crewName}, ${shortDay(r.day)}`] as const)),
  );
  const waiting: WaitingItem[] = [
    ...plans.map((p) => ({
      ...p,
      words: `${METHOD_NAMES[p.method]}: ${p.labelName}${p.plannedFor ? `, for ${shortDay(p.plannedFor)}` : ''}`,
    })),
    ...works.map((w) => ({ ...w, words: findWork(w.workId)?.name ?? w.workId })),
  ].map((x) => ({
    id: x.id,
    tag: x.tag,
    siteId: x.siteId,
    siteName: x.siteName,
    title: findHost(x.hostId)?.name ?? x.hostId,
    words: x.words,
    on: on.get(x.id) ?? null,
    left: x.left ? `left ${shortDay(x.left.day)}: ${leftWords(x.left)}` : null,
    chosen: left ? x.left?.crewDayId === left : x.siteId === place,
  }));
  const days = Array.from({ length: DAYS }, (_, i) => dayAfter(today, i, 'days'));
  // The soonest day on which somebody goes out, and who does.
  const usual = days
    .flatMap((day) => crews.filter((c) => hoursOn(c.hours, day, null).length).map((c) => ({ day, crewId: c.id })))
    .at(0);
  const refused = allows(v, 'plan rounds') ? null : refusal(v.role, 'plan rounds');
  return (
    <Frame
      tag={
        <>
          <p className="text-head leading-tight font-extrabold">Put on a day</p>
          <dl className="mt-3 border-t border-line-2">
            <TagLine name="Waiting">{waiting.length}</TagLine>
            <TagLine name="On a day">{on.size}</TagLine>
            <TagLine name="Crews">{crews.length}</TagLine>
          </dl>
        </>
      }
      margin={
        <section>
          <h2 className="text-body">By hand, or worked out</h2>
          <p className="text-[0.9375rem]">
            What law and label forbid is refused here too. What only the hours or the forecast speak against is said,
            and you may know better.
          </p>
          <p>
            <Link href="/jobs/fortnight">Days and crews for the fortnight, worked out</Link>
          </p>
        </section>
      }
    >
      <h1>What goes on which day</h1>
      {refused && <p className="mt-2 border-l-4 border-sap pl-3 font-semibold text-sap">{refused}</p>}
      {crews.length === 0 ? (
        <p className="mt-3">
          There is no crew yet. <Link href="/jobs/crews">Crews</Link>
        </p>
      ) : (
        <PutOnDay
          waiting={waiting}
          crews={crews.map((c) => ({ value: c.id, name: c.name }))}
          days={days.map((d) => ({ value: d, name: longDay(d) }))}
          usual={usual ?? { day: today, crewId: crews[0]!.id }}
          may={refused === null}
        />
      )}
    </Frame>
  );
}
