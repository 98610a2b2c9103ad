import { scaleLinear } from 'd3-scale';
import { monthName } from '@/lib/calendar/months';

/** A month as it usually is: mean of the days' lowest and highest temperature, °C, and rain, mm. */
export interface ClimateMonth {
  min: number;
  max: number;
  rainMm: number;
}

const W = 250;
const H = 150;

/** A climate in twelve bars of warmth over twelve of rain; the dashed line is freezing. */
export function ClimateFigure({ months, words }: { months: ClimateMonth[]; words: string }) {
  const x = scaleLinear([0, 12], [4, W - 4]);
  const warm = scaleLinear([-20, 36], [H - 40, 8]).clamp(true);
  const wet = scaleLinear([0, 220], [0, 60]).clamp(true);
  const width = x(1) - x(0) - 4;
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="w-full" role="img" aria-label={words}>
      <path d={`M4 ${warm(0)}H${W - 4}`} stroke="var(--ink-2)" strokeWidth="1" strokeDasharray="3 4" />
      {months.map((m, i) => (
        <g key={monthName(i + 1)}>
          <rect
            x={x(i) + 2}
            y={warm(m.max)}
            width={width}
            height={Math.max(2, warm(m.min) - warm(m.max))}
            fill="var(--cambium)"
            stroke="var(--ink)"
            strokeWidth="1"
          />
          <rect
            x={x(i) + 2}
            y={H - 16 - wet(m.rainMm)}
            width={width}
            height={wet(m.rainMm)}
            fill="var(--slate)"
            opacity="0.75"
          />
          <text x={x(i) + 2 + width / 2} y={H - 3} fontSize="11" textAnchor="middle" fill="var(--ink-2)">
            {monthName(i + 1).slice(0, 1)}
          </text>
        </g>
      ))}
    </svg>
  );
}
