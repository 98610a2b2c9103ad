import { clockWords } from '@/core/schedule/hours';
import type { UnitSystem } from '@/lib/units/units';
import { longDay } from '@/ui/words';
import type { CrewsDay } from '@/facts/crews-day';
import { arrivalWords, lineOf } from '../lines';
import { HoursStrip } from './weather';

/** What a crew takes along on paper: the load, then one page a stop, black and white, with room to tick and to write. */
export function CrewSheets({ day, units }: { day: CrewsDay; units: UnitSystem }) {
  const { round } = day;
  return (
    <div className="hidden print:block">
      <section>
        <h1>
          {round.crewName}, {longDay(round.day)}
        </h1>
        <p>{round.people.join(', ')}</p>
        <ol className="mt-3">
          {day.stops.map((s) => (
            <li key={s.siteId} className="row flex gap-4 py-1.5">
              <b className="figures text-lead">{clockWords(s.begins)}</b>
              <b className="text-lead">{s.place.name}</b>
              <span>{s.items.length} to do</span>
            </li>
          ))}
        </ol>
        {day.load.map((g) => (
          <div key={g.title} className="mt-3 break-inside-avoid">
            <h2 className="text-body">{g.title}</h2>
            <ul>
              {g.lines.map((l) => (
                <li key={l.line} className="row flex items-baseline gap-3 py-1">
                  <span aria-hidden className="inline-block size-4 flex-none border border-ink" />
                  <span className="flex-1">
                    {l.what}
                    {l.short && <b> ({l.short})</b>}
                  </span>
                  <b className="figures">{l.amount}</b>
                </li>
              ))}
            </ul>
          </div>
        ))}
      </section>
      {day.stops.map((s) => (
        <section key={s.siteId} className="break-before-page">
          <p className="flex items-baseline justify-between gap-4 border-b-4 border-ink pb-2">
            <b className="text-head">{s.place.name}</b>
            <b className="figures text-tag">{clockWords(s.begins)}</b>
          </p>
          <p className="mt-2 text-lead">{arrivalWords(s.place)}</p>
          {s.place.notes && <p className="font-bold">{s.place.notes}</p>}
          <HoursStrip hours={s.weather} name={s.place.name} />
          <table className="mt-3 w-full">
            <thead>
              <tr className="border-b-2 border-ink text-left">
                <th>Tag</th>
                <th>What</th>
                <th className="text-right">Amount</th>
                <th className="w-40 pl-4">Begun, done</th>
              </tr>
            </thead>
            <tbody>
              {s.items.map((i) => {
                const l = lineOf(i, units, day.done, round.id);
                return (
                  <tr key={l.id} className="break-inside-avoid border-b border-ink align-middle">
                    <td className="py-3 pr-4 text-head font-extrabold">{l.tag}</td>
                    <td className="py-3 pr-4">
                      <b className="block">{l.title}</b>
                      {l.words}
                    </td>
                    <td className="figures py-3 text-right text-head font-bold whitespace-nowrap">{l.amount}</td>
                    <td className="py-3 pl-4">
                      <span aria-hidden className="mr-3 inline-block size-6 border-2 border-ink align-middle" />
                      ____ : ____
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </section>
      ))}
    </div>
  );
}
