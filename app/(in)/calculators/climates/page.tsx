import { memoize } from '@/lib/memoize';
import { monthName, monthOf } from '@/lib/calendar/months';
import { showFine, showTemperature } from '@/lib/units/units';
import { CLIMATES, type Climate, type ClimateName } from '@/stand-ins/weather/climates';
import { simulatedStation } from '@/stand-ins/weather/station';
import { ClimateFigure, type ClimateMonth } from '@/ui/figures/climate';
import { Frame } from '@/ui/frame/frame';
import { viewer } from '../../../_server/viewer';

export const metadata = { title: 'Climates of the simulated station' };

const YEARS = { from: '2023-01-01', to: '2025-12-31', count: 3 };
const mean = (of: readonly number[]) => of.reduce((a, b) => a + b, 0) / of.length;

/** Months of three simulated years; the same every time. */
const monthsOf = memoize<Climate, ClimateMonth[]>((climate) => {
  const days = simulatedStation(7, { climate, lat: 48 }).days(YEARS.from, YEARS.to, 'UTC');
  return Array.from({ length: 12 }, (_, i) => {
    const of = days.filter((d) => monthOf(d.day) === i + 1);
    return {
      min: mean(of.map((d) => d.min)),
      max: mean(of.map((d) => d.max)),
      rainMm: of.reduce((sum, d) => sum + d.rainMm, 0) / YEARS.count,
    };
  });
});

/** What the simulated stations can be like: for practice, and for whoever puts a real one in their place. */
export default async function Climates() {
  const v = await viewer();
  const warm = (c: number) => showTemperature(c, v.units);
  const margin = (
    <section>
      <h2 className="text-body">What this is</h2>
      <p className="text-[0.9375rem]">
        No real station is asked here. A place has the climate of its latitude, unless whoever runs this installation
        sets one for all (<code>ELMHORN_CLIMATE</code>). South of the equator the year is turned. Readings of a place’s
        own station go before it.
      </p>
      <p className="text-[0.9375rem]">
        Green: the mean of the days’ lowest and highest temperature. Below: rain of the month.
      </p>
    </section>
  );
  return (
    <Frame
      tag={<p className="text-head leading-tight font-extrabold">Climates</p>}
      margin={margin}
      handle="What this is"
    >
      <h1>Climates of the simulated station</h1>
      <ul className="mt-4 grid grid-cols-2 gap-x-8 gap-y-6 phone:grid-cols-1 desk:grid-cols-3">
        {(Object.keys(CLIMATES) as ClimateName[]).map((name) => {
          const months = monthsOf(CLIMATES[name]);
          const [warmest, coldest] = [Math.max(...months.map((m) => m.max)), Math.min(...months.map((m) => m.min))];
          const rain = months.reduce((sum, m) => sum + m.rainMm, 0);
          const wettest = months.map((m) => m.rainMm).indexOf(Math.max(...months.map((m) => m.rainMm)));
          return (
            <li key={name}>
              <h2 className="text-body">{name.replace('-', ' ').replace(/^./, (c) => c.toUpperCase())}</h2>
              <ClimateFigure
                months={months}
                words={`${name}: ${months.map((m, i) => `${monthName(i + 1)} ${warm(m.min)} to ${warm(m.max)}, ${showFine(m.rainMm, v.units).text}`).join('; ')}`}
              />
              <p className="text-small text-ink-2">{CLIMATES[name].words.replace(/^./, (c) => c.toUpperCase())}.</p>
              <p className="figures text-small">
                {warm(coldest)} to {warm(warmest)}, {showFine(rain, v.units).text} a year
                {rain > 0 && `, most in ${monthName(wettest + 1)}`}
              </p>
            </li>
          );
        })}
      </ul>
    </Frame>
  );
}
