import Link from 'next/link';
import { notFound } from 'next/navigation';
import { money } from '@/core/cost/prices';
import { refusal } from '@/core/people/rights';
import { totalOf } from '@/core/quotes/property';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine } from '@/ui/frame/pieces';
import { dayAndClock, dayThere } from '@/ui/words';
import { quoteView } from '@/views/trees';
import { allows, idOr404, viewer } from '@/app/_server/viewer';
import { DropPlans } from '@/app/(in)/jobs/drop.client';
import { Revoke } from '@/app/(in)/trees/[id]/overview.client';
import { QuoteForm } from './quote.client';
import { clockNow } from '@/store/clock';

export const metadata = { title: 'Offer for a property' };

type View = NonNullable<Awaited<ReturnType<typeof quoteView>>>;

/** What is planned on a property within a year, offered to its client as one thing. */
export default async function QuotePage({ params }: { params: Promise<{ id: string }> }) {
  const v = await viewer();
  const view = (await quoteView(v, idOr404((await params).id), clockNow())) ?? notFound();
  const { place, lines, openPlans } = view;
  const may = allows(v, 'prescribe');
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">{place.name}</p>
      <p className="mt-2 text-[0.9375rem] text-ink-2">{place.clientName}</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="To offer">{lines.length}</TagLine>
        <TagLine name="Offered before">{view.before.length}</TagLine>
      </dl>
    </>
  );
  const margin = (
    <section>
      <h2 className="text-body">How it is priced</h2>
      <p className="text-[0.9375rem]">
        Hands, product and devices at each tree, by the company’s prices of today; coming out is asked once for each day
        on which anything of it is done, however many trees there are. What waits for a look is told apart.
      </p>
      <p className="text-[0.9375rem]">
        Days move with the season; the client’s page names them as they are planned now. The address opens this one
        offer, until it is answered, runs out or is taken back.
      </p>
    </section>
  );
  return (
    <Frame tag={tag} margin={margin} handle="How it is priced">
      <h1>An offer for {place.name}</h1>
      <Section
        title="What is planned within a year"
        empty={lines.length === 0 && 'Nothing is planned here yet. Prescribe on a tree, or lay a programme.'}
      >
        {lines.length > 0 &&
          (!may ? (
            <p>{refusal(v.role, 'prescribe')}</p>
          ) : v.prices.unentered ? (
            <p>
              An offer names money, and no prices are entered yet. <a href="/settings/team">Enter them under People</a>.
            </p>
          ) : (
            <QuoteForm siteId={place.id} lines={lines} prices={v.prices} />
          ))}
        <p className="mt-3">
          <Link href={`/schedule/programmes?place=${place.id}`}>Lay a programme here</Link>
        </p>
      </Section>
      {view.before.length > 0 && (
        <Section title="Offered before">
          <ul>
            {view.before.map((p) => (
              <Before key={p.id} offer={p} timeZone={place.timeZone} may={may} openPlans={openPlans} />
            ))}
          </ul>
        </Section>
      )}
    </Frame>
  );
}

function Before({
  offer: p,
  timeZone,
  may,
  openPlans,
}: {
  offer: View['before'][number];
  timeZone: string;
  may: boolean;
  openPlans: View['openPlans'];
}) {
  const { lines } = p.data;
  const taken = p.answer ? lines.filter((l) => p.answer!.options.includes(l.key)) : [];
  const waits = !p.answer && !p.revokedAt && p.expiresAt > clockNow();
  const untaken = p.answer
    ? lines.filter((l) => !taken.includes(l)).flatMap((l) => l.covers.filter((id) => openPlans.has(id)))
    : [];
  return (
    <li className="row py-3">
      <p>
        <b>
          {lines.length} {lines.length === 1 ? 'thing' : 'things'},{' '}
          {money(
            totalOf(
              p.data,
              lines.map((l) => l.key),
            ).total,
            p.data,
          )}
        </b>
      </p>
      <p className="text-small text-ink-2">
        {p.byName}, {dayAndClock(p.at, timeZone)}: <Standing offer={p} timeZone={timeZone} />
      </p>
      {p.answer && (
        <p>
          Taken: {taken.map((l) => l.what).join('; ') || 'none of these'}
          {taken.length > 0 && `, ${money(totalOf(p.data, p.answer.options).total, p.data)}`}
          {p.answer.word && <span className="block">“{p.answer.word}”</span>}
        </p>
      )}
      {may && waits && <Revoke id={p.id} />}
      {may && untaken.length > 0 && untaken.length <= 300 && (
        <DropPlans
          ids={untaken}
          words={`Drop the ${untaken.length === 1 ? 'plan that was' : `${untaken.length} plans that were`} not taken`}
        />
      )}
    </li>
  );
}

function Standing({ offer: p, timeZone }: { offer: View['before'][number]; timeZone: string }) {
  if (p.answer) return `${p.answer.who} answered on ${dayAndClock(new Date(p.answer.at), timeZone)}`;
  if (p.revokedAt) return 'taken back';
  if (p.expiresAt < clockNow()) return 'has run out';
  return `waits for an answer until ${dayThere(p.expiresAt, timeZone)}`;
}
