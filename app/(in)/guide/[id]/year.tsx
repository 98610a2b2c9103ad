import Link from 'next/link';
import type { Beside } from '@/core/diagnose/beside-schema';
import { INFECTIONS, type Infection } from '@/core/season/infections';
import { figure } from '@/lib/units/units';
import { heatModels } from '@/knowledge';
import { LifeFigure } from '@/ui/figures/life';
import { Fact, Section } from '@/ui/frame/pieces';
import { LIFE_WORDS, lifeTimeWords } from '@/ui/season-words';
import type { LifeYear } from '@/views/life';
import { SiteChoice } from '@/ui/controls/site-choice.client';

/** What the sums of heat that ship bring about. */
export const HEAT = new Map(heatModels.map((m) => [m.id, m.what]));

/** What it does in which weeks, at a place of one's own, and what the winter before changed. */
export function ThroughTheYear({
  life,
  year,
  winters,
  id,
}: Pick<Beside, 'life' | 'winters'> & { year: LifeYear | null; id: string }) {
  return (
    <Section
      title="Through the year"
      aside={year ? `on ${year.host.name.toLowerCase()}, at ${year.place.name}` : 'by stages of the host'}
    >
      {year ? (
        <LifeFigure life={life} bars={year.spans} heat={HEAT} {...year} />
      ) : (
        <dl>
          {life.map((l, i) => (
            <Fact key={i} name={LIFE_WORDS[l.stage]}>
              {lifeTimeWords(l.time, false, HEAT)}
            </Fact>
          ))}
        </dl>
      )}
      {year?.waits.map((m) => (
        <p key={m.id} className="mt-2 text-[0.9375rem]">
          <b className="inline-block first-letter:uppercase">{m.what}</b> is counted from: {m.from}. Nobody has noted it
          there this season.{' '}
          <Link href={`/schedule?place=${year.place.id}`} className="underline underline-offset-3">
            Note it
          </Link>
        </p>
      ))}
      {heatModels
        .filter((m) => m.condition === id)
        .map((m) => (
          <p key={m.id} className="mt-2 text-[0.9375rem]">
            <b className="inline-block first-letter:uppercase">{m.what}:</b> {figure(m.sum, 4)} degree-days above{' '}
            {m.baseC} °C{m.ceilingC ? `, below ${m.ceilingC} °C` : ''}, from{' '}
            {m.from === 'new year' ? 'the new year' : m.from}. <span className="text-small text-ink-2">{m.basis}</span>
          </p>
        ))}
      {id in INFECTIONS && (
        <p className="mt-2 text-[0.9375rem]">
          <b>Infections</b> are told from the weather of each place under Schedule.{' '}
          <span className="text-small text-ink-2">{INFECTIONS[id as Infection].basis}</span>
        </p>
      )}
      {winters?.hard && (
        <p className="mt-2">
          <b>After a hard winter:</b> {winters.hard}
        </p>
      )}
      {winters?.mild && (
        <p className="mt-1">
          <b>After a mild one:</b> {winters.mild}
        </p>
      )}
      {year && (year.places.more || year.places.sites.length > 1) && (
        <form action={`/guide/${id}`} className="mt-3 flex flex-wrap gap-3 print:hidden">
          <SiteChoice name="place" list={year.places} chosen={year.place.id} />
          <button className="press">Show it there</button>
        </form>
      )}
    </Section>
  );
}
