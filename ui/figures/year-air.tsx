import { scaleLinear } from 'd3-scale';
import { at as t, DAY } from './span';
import type { X, YearDay, YearFit } from './year';

/** Heights of the weather, and of a strip of what serves. */
export const WEATHER = 68;
const FIT = 17;

/** Height of the strips that tell how the days serve. */
export const fitHeight = (fits: readonly YearFit[]) => fits.length * FIT + 4;

/** How days, or hours where they have room, serve each kind of work: the fuller a cell, the more courses of the forecast allow it. */
export function FitStrips({ fits, x, top, hourly }: { fits: readonly YearFit[]; x: X; top: number; hourly: boolean }) {
  return fits.map((f, i) => {
    const cells = hourly
      ? f.hours.map((h) => ({
          key: h.wall,
          from: t(`${h.wall}:00Z`),
          to: t(`${h.wall}:00Z`) + DAY / 24,
          chance: h.chance,
        }))
      : f.days.map((d) => ({ key: d.day, from: t(d.day), to: t(d.day) + DAY, chance: d.chance }));
    const [first] = cells;
    const y = top + i * FIT;
    return (
      <g key={f.id}>
        {cells.map((c) => (
          <g key={c.key}>
            <rect
              x={x(c.from)}
              y={y}
              width={Math.max(1, x(c.to) - x(c.from) - 1)}
              height={FIT - 4}
              fill="var(--sheet)"
              stroke="var(--line)"
            />
            <rect
              x={x(c.from)}
              y={y + (FIT - 4) * (1 - c.chance)}
              width={Math.max(1, x(c.to) - x(c.from) - 1)}
              height={(FIT - 4) * c.chance}
              fill={c.chance >= 0.6 ? 'var(--cambium)' : 'var(--line)'}
              stroke={c.chance >= 0.6 ? 'var(--ink)' : 'none'}
              strokeWidth="0.8"
            />
          </g>
        ))}
        {first && (
          <text
            x={Math.max(4, x(first.from) - 6)}
            y={y + 11}
            fontSize="12"
            fill="var(--ink)"
            textAnchor={x(first.from) > 90 ? 'end' : 'start'}
          >
            {f.name}
          </text>
        )}
      </g>
    );
  });
}

/** Warmth as a strip between the day's lowest and highest, rain as bars from the bottom; the forecast is hollow. */
export function Weather({ days, x, top, across }: { days: readonly YearDay[]; x: X; top: number; across: number }) {
  const warm = scaleLinear([-10, 35], [top + WEATHER - 8, top]).clamp(true);
  const wet = scaleLinear([0, 30], [0, WEATHER - 14]).clamp(true);
  const width = Math.max(1, x(DAY) - x(0) - 0.6);
  return (
    <g>
      <path d={`M0 ${warm(0)}H${across}`} stroke="var(--line)" strokeWidth="1" strokeDasharray="3 4" />
      {days.map((d) => (
        <g key={d.day}>
          <rect
            x={x(t(d.day))}
            y={warm(d.max)}
            width={width}
            height={Math.max(1, warm(d.min) - warm(d.max))}
            fill={d.told === 'measured' ? 'var(--line)' : 'none'}
            stroke={d.told === 'measured' ? 'none' : 'var(--ink-2)'}
            strokeWidth="0.8"
          />
          {d.rainMm >= 0.2 && (
            <rect
              x={x(t(d.day)) + width * 0.15}
              y={top + WEATHER - 8 - wet(d.rainMm)}
              width={width * 0.7}
              height={wet(d.rainMm)}
              fill={d.told === 'measured' ? 'var(--slate)' : 'none'}
              stroke="var(--slate)"
              strokeWidth="0.8"
            />
          )}
        </g>
      ))}
    </g>
  );
}
