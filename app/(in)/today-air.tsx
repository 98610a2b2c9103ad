import { soilState, type Weather } from '@/core/weather/air';
import type { WeatherStation } from '@/core/weather/station';
import { inZone, type LocalDate } from '@/lib/calendar/zone';
import { showFine, showTemperature, showWind, type UnitSystem } from '@/lib/units/units';
import type { Viewer } from '@/store/auth';
import { airWords } from '@/ui/air-words';
import { TagLine } from '@/ui/frame/pieces';
import { longDay, shortDay } from '@/ui/words';

const hour = inZone('en-GB', { hour: '2-digit' });

/** Wind and rain of the next hours as bars; nothing where no station tells of them. */
function WindAhead({
  station,
  from,
  timeZone,
  units,
}: {
  station: WeatherStation;
  from: string;
  timeZone: string;
  units: UnitSystem;
}) {
  const hours = Array.from({ length: 8 }, (_, i) => station.at(new Date(Date.parse(from) + i * 2 * 3_600_000))).flatMap(
    ({ at, windMs, rainMm }) => (windMs === null || rainMm === null ? [] : [{ at, windMs, rainMm }]),
  );
  if (!hours.length) return null;
  return (
    <>
      <h2 className="mt-5 mb-1 text-small font-semibold text-ink-2">Wind in the hours ahead</h2>
      <ul className="figures text-small">
        {hours.map(({ at, windMs, rainMm }) => (
          <li key={at} className="flex h-6 items-center gap-2">
            <span className="w-9">{hour(at, timeZone)} h</span>
            <span
              className={`h-3 border border-ink-2 ${windMs <= 4.5 && rainMm < 0.1 ? 'bg-cambium' : 'bg-line-2'}`}
              style={{ width: Math.min(78, 6 + windMs * 11) }}
            />
            <span>{showWind(windMs, units).replace(/ .*/, '')}</span>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-small text-ink-2">Green: calm and dry enough to spray.</p>
    </>
  );
}

/** The day, the air at the yard and the wind ahead, beside the page. */
export function DayTag({
  viewer: v,
  today,
  station,
  air: now,
}: {
  viewer: Viewer;
  today: LocalDate;
  station: WeatherStation;
  air: Weather;
}) {
  return (
    <>
      <p className="text-tag leading-none font-extrabold">{longDay(today).slice(0, 3)}</p>
      <p className="mt-2 text-lead font-bold">{shortDay(today).replace(/ \d{4}$/, '')}</p>
      <p className="text-[0.9375rem] text-ink-2">{v.companyName}</p>
      <dl className="mt-3 border-t border-line-2">
        {now.temperatureC !== null && <TagLine name="Air">{showTemperature(now.temperatureC, v.units)}</TagLine>}
        {now.windMs !== null && <TagLine name="Wind">{showWind(now.windMs, v.units)}</TagLine>}
        {soilState(now) && <TagLine name="Soil">{soilState(now)}</TagLine>}
        {now.rainNext24Mm !== null && (
          <TagLine name="Rain, 24 h">{now.rainNext24Mm ? showFine(now.rainNext24Mm, v.units).text : 'none'}</TagLine>
        )}
      </dl>
      <WindAhead station={station} from={now.at} timeZone={v.timeZone} units={v.units} />
    </>
  );
}

/** Which station tells of the air, and what it measures now. */
export function StationNow({
  station: s,
  air: now,
  units,
}: {
  station: WeatherStation;
  air: Weather;
  units: UnitSystem;
}) {
  return (
    <section>
      <h2 className="text-body">Station</h2>
      <p className="text-[0.9375rem]">
        {s.basis === 'usual'
          ? 'No station measures here. The sheets ask for air, wind and rain; windows rest on the usual year of the climate. Readings of a station of your own are brought in under Schedule.'
          : `${s.name}: ${airWords(now, units)}. ${s.basis === 'simulated' ? 'Simulated weather of the demo' : 'Measured'}; say on the sheet what you find on the spot.`}
      </p>
    </section>
  );
}
