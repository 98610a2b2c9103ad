import { curveCatmullRomClosed, lineRadial } from 'd3-shape';
import type { OldSite, Sector } from '@/core/ring/ring';
import type { Flare } from '@/core/measure/trunk-marks';
import type { Arc } from '@/core/measure/trunk-marks';
import { showTrunk, type UnitSystem } from '@/lib/units/units';
import { arcPath, compass, onRing as at } from './polar';

export interface RingPicture {
  girthCm: number;
  heightCm: number;
  sites: number[];
  arcs: Arc[];
  oldSites: OldSite[];
  heights?: number[];
  flares?: Flare[];
  sectors?: Sector[];
}

/** The same in words, for a screen reader and for the print. */
export const ringWords = (p: RingPicture, units: UnitSystem = 'metric'): string =>
  p.sites.length === 0
    ? 'No sites.'
    : `${p.sites.length} sites at ${showTrunk(p.heightCm, units).text} above soil, clockwise from north: ${p.sites.map((b, i) => `${i + 1} at ${b}° (${compass(b)})${(p.heights?.[i] ?? p.heightCm) > p.heightCm ? ' in the row above' : ''}`).join(', ')}.${p.flares?.length ? ` Flares at ${p.flares.map((f) => `${f.bearing}°`).join(', ')}.` : ''}${p.arcs.length ? ` Kept clear: ${p.arcs.map((a) => `${a.kind.replace('-', ' ')} ${a.from}° to ${a.to}°`).join(', ')}.` : ''}${p.oldSites.length ? ` ${p.oldSites.length} old holes, of ${[...new Set(p.oldSites.map((s) => s.year))].join(', ')}.` : ''}`;

/** The trunk from above at injection height, north up: sites numbered clockwise, old holes, bark to keep clear of. */
export function RingFigure({
  picture,
  size = 420,
  mini = false,
  units,
}: {
  picture: RingPicture;
  size?: number;
  mini?: boolean;
  units?: UnitSystem;
}) {
  const R = 132;
  const bark = lineRadial<[number, number]>().curve(curveCatmullRomClosed);
  const radial = (r: number) =>
    bark(
      Array.from({ length: 48 }, (_, i) => i).map((i) => [
        (i / 48) * 2 * Math.PI,
        r * (1 + 0.012 * Math.sin(i * 2.1) + 0.008 * Math.cos(i * 5.3)),
      ]),
    ) ?? '';
  return (
    <figure className="m-0">
      <svg
        viewBox="-190 -190 380 380"
        width={size}
        height={size}
        role="img"
        aria-label={ringWords(picture, units)}
        className="h-auto w-full"
        style={{ maxWidth: size }}
      >
        {!mini && (
          <text y={-172} textAnchor="middle" fontSize="17" fontWeight="800" fill="var(--ink)">
            N
          </text>
        )}
        {!mini &&
          picture.flares?.map((f) => {
            const [x, y] = at(f.bearing, R - 6);
            return (
              <circle
                key={`f${f.bearing}`}
                cx={x}
                cy={y}
                r={14 + 8 * f.strength}
                fill="var(--wood)"
                stroke="var(--ink)"
                strokeWidth="5"
              />
            );
          })}
        <path d={radial(R)} fill="var(--wood)" stroke="var(--ink)" strokeWidth={mini ? 8 : 5} />
        {!mini &&
          [0.86, 0.74, 0.61, 0.49, 0.37, 0.26, 0.15, 0.06].map((f) => (
            <path key={f} d={radial(R * f)} fill="none" stroke="var(--ink-2)" strokeOpacity="0.35" strokeWidth="1" />
          ))}
        {!mini &&
          picture.sectors?.map((s, i) => (
            <path
              key={`s${i}`}
              d={arcPath(s.from, s.to, R + 44, R + 46 + 3 * s.severity)}
              fill="var(--sap)"
              stroke="var(--ink)"
              strokeWidth="0.8"
            />
          ))}
        {picture.arcs.map((a) => {
          const width = a.from === a.to ? 360 : (a.to - a.from + 360) % 360;
          const [tx, ty] = at(a.from + width / 2, R + 34);
          return (
            <g key={`${a.kind}${a.from}`}>
              <path
                d={arcPath(a.from, a.to, R - 22, R + 4)}
                fill="url(#kept-clear)"
                stroke="var(--madder)"
                strokeWidth="1.5"
              />
              {!mini && (
                <text
                  x={Math.max(-150, Math.min(150, tx))}
                  y={ty}
                  textAnchor={tx > 40 ? 'end' : tx < -40 ? 'start' : 'middle'}
                  fontSize="12.5"
                  fontWeight="700"
                  fill="var(--madder)"
                  paintOrder="stroke"
                  stroke="var(--sheet)"
                  strokeWidth="5"
                >
                  {a.kind.replace('-', ' ')}
                </text>
              )}
            </g>
          );
        })}
        <defs>
          <pattern id="kept-clear" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V6" stroke="var(--madder)" strokeWidth="2.4" />
          </pattern>
        </defs>
        {picture.oldSites.map((s, i) => {
          const [x, y] = at(s.bearing, R - 14);
          return (
            <circle
              key={i}
              cx={x}
              cy={y}
              r={mini ? 7 : 4.5}
              fill="var(--sheet)"
              stroke="var(--ink-2)"
              strokeWidth="1.6"
            />
          );
        })}
        {!mini && picture.oldSites.length > 0 && (
          <text
            textAnchor="middle"
            y="5"
            fontSize="13"
            fill="var(--ink)"
            paintOrder="stroke"
            stroke="var(--wood)"
            strokeWidth="4"
          >
            holes of {[...new Set(picture.oldSites.map((s) => s.year))].sort().join(', ')}
          </text>
        )}
        {picture.sites.map((b, i) => {
          const [x, y] = at(b, R + 12);
          const [ix, iy] = at(b, R - 20);
          const crowded = picture.sites.length > 24;
          return (
            <g key={b} className="moved">
              <path d={`M${x} ${y}L${ix} ${iy}`} stroke="var(--ink)" strokeWidth="2.6" />
              <rect
                x={x - (mini ? 13 : crowded ? 7 : 13)}
                y={y - (mini ? 13 : crowded ? 7 : 13)}
                width={2 * (mini ? 13 : crowded ? 7 : 13)}
                height={2 * (mini ? 13 : crowded ? 7 : 13)}
                // A site of the row above is square, so that the print tells it without colour.
                rx={(picture.heights?.[i] ?? picture.heightCm) > picture.heightCm ? 2 : 13}
                fill="var(--cambium)"
                stroke="var(--ink)"
                strokeWidth="1.8"
              />
              {!mini && (!crowded || i % 5 === 0) && (
                <text
                  x={x}
                  y={y + (crowded ? 3.5 : 4.5)}
                  textAnchor="middle"
                  fontSize={crowded ? 9 : 13}
                  fontWeight="800"
                  fill="var(--on-cambium)"
                >
                  {i + 1}
                </text>
              )}
            </g>
          );
        })}
      </svg>
    </figure>
  );
}
