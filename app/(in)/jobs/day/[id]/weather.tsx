import type { HourOfDay } from '@/core/weather/by-hour';

/** Hours in which crews are out. */
const [FROM, TO] = [6, 20];

/** The weather of a working day by the hour, as words and shapes: rain as a filled foot, wind and warmth as figures. */
export function HoursStrip({ hours, name }: { hours: readonly HourOfDay[]; name: string }) {
  const shown = hours.filter((h) => h.hour >= FROM && h.hour <= TO && (h.hour - FROM) % 2 === 0);
  if (!shown.length) return null;
  return (
    <table className="figures mt-2 w-full max-w-2xl table-fixed text-center text-[0.875rem]">
      <caption className="sr-only">Weather by the hour at {name}</caption>
      <thead>
        <tr>
          {shown.map((h) => (
            <th key={h.hour} scope="col" className="font-normal text-ink-2">
              {h.hour}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        <tr>
          {shown.map((h) => (
            <td key={h.hour} className="font-bold">
              {Math.round(h.temperatureC)}°
            </td>
          ))}
        </tr>
        <tr>
          {shown.map((h) => (
            <td key={h.hour}>{h.windMs === null ? '–' : h.windMs.toFixed(1)}</td>
          ))}
        </tr>
        <tr>
          {shown.map((h) => (
            <td key={h.hour} className="align-bottom">
              <span className="relative block h-7 border-b border-line">
                <span
                  aria-hidden
                  className="absolute inset-x-1 bottom-0 bg-slate"
                  style={{ height: `${Math.round(h.rain * 100)}%` }}
                />
                <span className="sr-only">rain in {Math.round(h.rain * 100)} of 100 courses</span>
              </span>
            </td>
          ))}
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <td colSpan={shown.length} className="pt-0.5 text-left text-ink-2">
            °C, wind in m/s, rain as the foot fills
          </td>
        </tr>
      </tfoot>
    </table>
  );
}
