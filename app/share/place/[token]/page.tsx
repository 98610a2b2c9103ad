import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { dayIn } from '@/lib/calendar/zone';
import { siteOfCalendar } from '@/store/site-calendar';
import { longDay } from '@/ui/words';
import { comingTo } from '@/app/_server/place-visits';
import { FinishTask } from './finish.client';
import { clockNow } from '@/store/clock';

export const metadata: Metadata = {
  title: 'Your trees',
  robots: { index: false, follow: false },
  referrer: 'no-referrer',
};
export const dynamic = 'force-dynamic';

/** A day in full; another year than this one is named. */
const dayWords = (day: string, today: string) =>
  day.slice(0, 4) === today.slice(0, 4) ? longDay(day) : `${longDay(day)} ${day.slice(0, 4)}`;

/** What a client opens without a sign-in: what was left to them with how it is done, and when somebody comes for what. */
export default async function SharedSite({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const place = (token.length <= 100 ? await siteOfCalendar(token) : null) ?? notFound();
  const now = clockNow();
  const today = dayIn(now, place.timeZone);
  const { visits, tasks } = await comingTo(place, now);
  const mine = tasks.filter((t) => t.who === 'client');
  const open = mine.filter((t) => t.state === 'open');
  const done = mine.filter((t) => t.state === 'done');
  const ahead = visits.filter((v) => v.state === 'open' && v.due >= today && !mine.some((t) => t.id === v.id));
  return (
    <main className="mx-auto max-w-3xl bg-sheet px-5 py-8">
      <p className="text-ink-2">{place.companyName}</p>
      <h1 className="mt-1 text-[2rem]!">{place.siteName}</h1>
      <h2 className="mt-6">Left to you</h2>
      {open.length === 0 && <p className="text-ink-2">Nothing at present.</p>}
      <ul>
        {open.map((t) => (
          <li key={t.id} className="row py-4">
            <p className="text-lead font-bold">
              {t.what}
              {t.tag && `, tree ${t.tag}`}
            </p>
            <p className="figures">
              by {dayWords(t.due, today)}
              {t.due < today && <b className="text-madder">, late</b>}
            </p>
            <p className="mt-1 whitespace-pre-line">{t.instructions}</p>
            <FinishTask token={token} id={t.id} what={t.what} />
          </li>
        ))}
      </ul>
      {done.length > 0 && (
        <>
          <h2 className="mt-6">Done</h2>
          <ul>
            {done.map((t) => (
              <li key={t.id} className="row py-2">
                {t.what}
                {t.doneBy && `, says ${t.doneBy}`}
              </li>
            ))}
          </ul>
        </>
      )}
      <h2 className="mt-6">When we come</h2>
      {ahead.length === 0 && <p className="text-ink-2">Nothing is planned at present.</p>}
      <ul>
        {ahead.slice(0, 60).map((v) => (
          <li key={`${v.id}${v.due}`} className="row py-2">
            <b className="figures">{dayWords(v.due, today)}</b>: {v.what}
            {v.tag && `, ${v.tag}`}
          </li>
        ))}
      </ul>
      <p className="mt-6 text-[0.9375rem] text-ink-2">
        Days move with weather and season; they are told anew here and in your calendar.
      </p>
      <p className="mt-3">
        <a className="press" href={`/api/calendar/place/${token}.ics`}>
          Follow it in a calendar
        </a>
      </p>
    </main>
  );
}
