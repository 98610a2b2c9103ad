import { dayIn } from '@/lib/calendar/zone';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { money } from '@/core/cost/prices';
import { takenNames, type Quote } from '@/core/quotes/quote';
import { isProperty, totalOf } from '@/core/quotes/property';
import type { SiteQuote } from '@/core/quotes/property-schema';
import { sharedQuote, type SharedQuote } from '@/store/quotes';
import { longDay } from '@/ui/words';
import { Answering } from './answer.client';
import { AnsweringProperty } from './property.client';
import { QuoteLines } from './lines';

export const metadata: Metadata = {
  title: 'For you',
  robots: { index: false, follow: false },
  referrer: 'no-referrer',
};
export const dynamic = 'force-dynamic';

/** What a client opens without a sign-in: what is offered, what it costs and does, and one answer. */
export default async function Shared({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const p = (token.length < 100 ? await sharedQuote(token) : null) ?? notFound();
  return (
    <main className="mx-auto max-w-3xl bg-sheet px-5 py-8">
      <p className="text-ink-2">
        {p.data.company} for {p.data.client} · {p.data.place}
      </p>
      {isProperty(p.data) ? (
        <Property token={token} offer={{ ...p, data: p.data }} />
      ) : (
        <Ways token={token} offer={{ ...p, data: p.data }} />
      )}
      <p className="mt-8">
        <a className="press" href={`/share/${token}/pdf`} download>
          Keep it as a PDF
        </a>
      </p>
    </main>
  );
}

const openUntil = (p: Pick<SharedQuote, 'expiresAt'>) => (
  <p className="mt-3 text-[0.9375rem] text-ink-2">
    Open until {longDay(dayIn(p.expiresAt, 'UTC'))}. Prices are estimates; the label in hand and local rules come first
    on the day.
  </p>
);

/** What is to be done on a whole property, line by line, with its months. */
function Property({ token, offer: p }: { token: string; offer: SharedQuote<SiteQuote> }) {
  const d = p.data;
  return (
    <>
      <h1 className="mt-1 text-[2rem]!">{d.place}</h1>
      {d.message && <p className="mt-3 quote">{d.message}</p>}
      {openUntil(p)}
      {p.answer ? (
        <>
          <QuoteLines lines={d.lines} currency={d.currency} taken={p.answer.options} />
          <p className="mt-6 border-l-4 border-ink py-1 pl-3 text-lead font-semibold" role="status">
            {p.answer.who} answered: {p.answer.options.length} of {d.lines.length},{' '}
            {money(totalOf(d, p.answer.options).total, d)}. Thank you; {d.by} has it.
          </p>
        </>
      ) : (
        <AnsweringProperty
          token={token}
          currency={d.currency}
          comingOut={d.comingOut}
          // What the lines cover is the company’s own business.
          lines={d.lines.map(({ covers: _, ...l }) => l)}
        />
      )}
    </>
  );
}

/** The ways for one tree, what they cost and do, and one answer. */
function Ways({ token, offer: p }: { token: string; offer: SharedQuote<Quote> }) {
  const d = p.data;
  const cost = (minor: number) => money(minor, d);
  return (
    <>
      <h1 className="mt-1 text-[2rem]!">
        Tree {d.tag}, {d.host.toLowerCase()}
      </h1>
      <p className="mt-3 text-lead">{d.found}</p>
      {d.message && <p className="mt-3 quote">{d.message}</p>}
      {openUntil(p)}
      <div className="mt-6">
        {d.options.map((o, i) => (
          <section key={o.key} className="row py-4">
            <h2>
              {i + 1}. {o.name}
            </h2>
            <p>{o.what}</p>
            <dl className="mt-1 grid gap-x-6 desk:grid-cols-2">
              {[
                ['Now', cost(o.now)],
                [`Over ${d.years} years, in today’s money`, cost(o.overYears)],
                ['How often', o.visits],
                ['When', o.when],
              ].map(([k, x]) => (
                <div key={k} className="row flex justify-between gap-4 py-1.5">
                  <dt className="text-ink-2">{k}</dt>
                  <dd className="figures font-bold">{x}</dd>
                </div>
              ))}
            </dl>
            <p className="mt-2">{o.expected}</p>
            <p className="text-[0.9375rem] text-ink-2">{o.risks}</p>
          </section>
        ))}
      </div>
      {p.answer ? (
        <p className="mt-6 border-l-4 border-ink py-1 pl-3 text-lead font-semibold" role="status">
          {p.answer.who} answered: {takenNames(d, p.answer.options)}. Thank you; {d.by} has it.
        </p>
      ) : (
        <Answering
          token={token}
          currency={d.currency}
          options={d.options.map((o) => ({ value: o.key, name: o.name, now: o.now }))}
          changes={d.changes.map((c) => ({ id: c.id, what: c.what, price: c.price === null ? '' : cost(c.price) }))}
        />
      )}
    </>
  );
}
