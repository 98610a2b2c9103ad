import Link from 'next/link';
import { may, refusal } from '@/core/people/rights';
import { workedMinutes } from '@/core/crew-day/home';
import { minuteWords } from '@/core/schedule/words';
import { METHOD_NAMES } from '@/core/label/methods';
import { showAmount } from '@/lib/units/units';
import { Frame } from '@/ui/frame/frame';
import { Fact, Section, TagLine } from '@/ui/frame/pieces';
import { PrintButton } from '@/ui/controls/print.client';
import { clock, dayAndClock, longDay, shortDay } from '@/ui/words';
import { toTell } from '../../told';
import { MixRows } from '../../../mixes/mix-rows';
import { RINSE_WORDS } from '../../words';
import { LeftRows } from '../../left-rows';
import { lineOf } from '../../lines';
import type { SeenDay } from '../day';
import { CloseForm } from './finish.client';

/** The end of a crew's day: what must have an end first, then hours, tools, stock and clients. */
export function ClosePage({ seen: { viewer: v, now, day } }: { seen: SeenDay }) {
  const { round } = day;
  const closed = round.closedAt !== null;
  const refused = may(v.role, 'apply') ? null : refusal(v.role, 'apply');
  const nameOf = (id: string) => {
    const item = day.stops.flatMap((s) => s.items).find((i) => i.id === id);
    return item ? lineOf(item, v.units, day.done, round.id).tag : '';
  };
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">{round.crewName}</p>
      <p className="font-bold">{shortDay(round.day)}</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Records">{day.done.length}</TagLine>
        <TagLine name="Left">{day.lefts.length}</TagLine>
        <TagLine name="Mixes">{day.batches.length}</TagLine>
      </dl>
    </>
  );
  return (
    <Frame
      tag={tag}
      handle="The day"
      margin={
        <>
          <section>
            <h2 className="text-body">Before it is closed</h2>
            <p className="text-[0.9375rem]">
              Every device is pulled and measured, every mix is used up, kept or handed in, and whatever was not done
              has its reason. Nothing is poured away.
            </p>
          </section>
          <p>
            <Link href={`/jobs/day/${round.id}`}>Back to the round</Link>
          </p>
          <p>
            <Link href="/jobs">What waits for tomorrow</Link>
          </p>
          <PrintButton />
        </>
      }
    >
      <h1>
        {closed ? 'Done' : 'Home'}: {round.crewName}, {longDay(round.day)}
      </h1>
      {round.begunAt && (
        <dl className="mt-2 max-w-lg">
          <Fact name="Set out">
            {clock(round.begunAt, v.timeZone)}, {round.begunBy}
          </Fact>
          {round.home && (
            <>
              <Fact name="Home">
                {clock(round.home.homeAt, v.timeZone)}, {round.closedBy}
              </Fact>
              <Fact name="Worked">{minuteWords(workedMinutes(round.begunAt, round.home))}</Fact>
              <Fact name="Tools, bits, boots">{round.home.toolsClean ? 'disinfected' : 'not disinfected'}</Fact>
              {round.home.bits !== null && <Fact name="Bits that came back">{round.home.bits}</Fact>}
              {round.home.rinse && <Fact name="Rinse water">{RINSE_WORDS[round.home.rinse]}</Fact>}
              <Fact name="Stock">{round.home.stockCounted ? 'counted back' : 'not counted'}</Fact>
            </>
          )}
        </dl>
      )}
      {round.home?.note && <p className="mt-2">{round.home.note}</p>}
      <Section
        title="Done"
        aside={`${day.done.length} in the book`}
        empty={day.done.length === 0 && 'Nothing was written.'}
      >
        <ul>
          {day.done.map((d) => (
            <li key={d.planId} className="row flex min-h-14 flex-wrap items-center gap-x-4 py-2">
              <Link href={d.rootId ? `/records/${d.rootId}` : `/trees/${d.treeId}`} className="plate-small flex-none">
                {d.tag}
              </Link>
              <span className="min-w-0 flex-1">
                <b className="block">{day.places[d.siteId]?.name}</b>
                <span className="text-[0.9375rem] text-ink-2">
                  {METHOD_NAMES[d.method]}: {d.productName}; {d.byName}
                </span>
              </span>
              <span className="figures text-right">
                <b className="block">{showAmount(d.amount, d.unit === 'mL' ? 'volume' : 'mass', v.units).text}</b>
                {clock(d.startedAt, v.timeZone)}–{clock(d.endedAt, v.timeZone)}
              </span>
            </li>
          ))}
        </ul>
      </Section>
      {day.lefts.length > 0 && (
        <Section title="Left undone">
          <LeftRows lefts={day.lefts} timeZone={v.timeZone} />
        </Section>
      )}
      {day.batches.length > 0 && (
        <Section title="Mixes">
          <MixRows mixes={day.batches} units={v.units} timeZone={v.timeZone} now={now} />
        </Section>
      )}
      {day.messages.length > 0 && (
        <Section title="Clients told">
          <ul>
            {day.messages.map((m) => (
              <li key={m.id} className="row py-2">
                <b>{m.siteName}</b>, {m.clientName}:{' '}
                {m.carriedAt
                  ? `sent ${dayAndClock(m.carriedAt, v.timeZone)}`
                  : 'waits: no contact that the carrier can use'}
                <p className="whitespace-pre-line text-[0.9375rem] text-ink-2">{m.body}</p>
              </li>
            ))}
          </ul>
        </Section>
      )}
      {refused && <p className="mt-4 border-l-4 border-sap pl-3 font-semibold text-sap">{refused}</p>}
      {!closed && !round.begunAt && (
        <p className="mt-4">
          This crew has not set out. <Link href={`/jobs/day/${round.id}`}>Its round</Link>
        </p>
      )}
      {!closed && round.begunAt && !refused && (
        <CloseForm
          crewDayId={round.id}
          ends={day.ends.map((e) =>
            e.by === 'batch'
              ? {
                  key: e.batchId,
                  href: `/jobs/mixes/${e.batchId}`,
                  sentence: `Mix ${e.name}: ${showAmount(e.leftMl, 'volume', v.units).text} is left. Say what became of it.`,
                }
              : {
                  key: e.by,
                  href: e.by === 'hangs' ? '/jobs/devices' : `/jobs/day/${round.id}`,
                  sentence:
                    e.by === 'hangs'
                      ? `Still hangs on ${e.itemIds.map(nameOf).join(', ')}: pull and measure it.`
                      : `Neither done nor left with a reason: ${e.itemIds.map(nameOf).join(', ')}.`,
                },
          )}
          tell={toTell(day)}
          mixed={day.batches.length > 0}
          bits={day.stops.some((s) => s.items.some((i) => i.kind === 'plan' && i.plan.drillMm !== null))}
        />
      )}
    </Frame>
  );
}
