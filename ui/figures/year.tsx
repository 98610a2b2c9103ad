import { scaleLinear, scaleUtc } from 'd3-scale';
import { format, parseISO } from 'date-fns';
import { after } from '@/core/season/follow-ups';

/** A span of days on a row: what it is tells its pattern, so that it reads without colour. */
export interface YearBand {
  from: string;
  to: string;
  tone: 'opening' | 'full' | 'closing' | 'bloom' | 'window';
  words: string;
}
/** A day on a row, with the days between which it may come. */
export interface YearMark {
  day: string;
  earliest: string;
  latest: string;
  /** `maybe` waits for a look, `left` can be done on no day. */
  tone: 'seen' | 'expected' | 'visit' | 'maybe' | 'done' | 'left' | 'infection' | 'risk';
  words: string;
  href?: string;
}
export interface YearRow {
  id: string;
  label: string;
  bands: YearBand[];
  marks: YearMark[];
}
export interface YearDay {
  day: string;
  max: number;
  min: number;
  rainMm: number;
  told: 'measured' | 'forecast';
}

const W = 1000;
const ROW = 50;
/** Room above the rows: with the weather, and without. */
const WITH_WEATHER = 92;
const BARE = 24;
const DAY = 864e5;
const t = (day: string) => Date.parse(day);

/** The year of a place as one drawing: months across, its weather above, a row each for what grows, hatches, infects and is to do. */
export function Year({
  from,
  to,
  today,
  rows,
  days,
}: {
  from: string;
  to: string;
  today: string;
  rows: YearRow[];
  days: YearDay[];
}) {
  const x = scaleUtc([t(from), t(to)], [0, W]).clamp(true);
  const inside = (a: string, b: string) => b >= from && a <= to;
  const top = days.length ? WITH_WEATHER : BARE;
  const height = top + rows.length * ROW + 8;
  const months = Array.from({ length: 14 }, (_, i) => after(`${from.slice(0, 7)}-01`, i, 'months')).filter(
    (m) => m <= to,
  );
  const short = t(to) - t(from) < 60 * DAY;
  const marks = short ? Array.from({ length: 40 }, (_, i) => after(from, i, 'days')).filter((d) => d <= to) : months;
  return (
    <svg viewBox={`0 0 ${W} ${height}`} className="w-full min-w-[820px]" aria-hidden="true">
      <defs>
        <pattern id="year-half" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="6" height="6" fill="var(--sheet)" />
          <rect width="3" height="6" fill="var(--cambium)" />
        </pattern>
        <pattern id="year-bloom" width="7" height="7" patternUnits="userSpaceOnUse">
          <rect width="7" height="7" fill="var(--sheet)" />
          <circle cx="3.5" cy="3.5" r="2.1" fill="var(--madder)" />
        </pattern>
      </defs>
      {marks.map((m) => (
        <g key={m}>
          <path d={`M${x(t(m))} 16V${height}`} stroke="var(--line-2)" strokeWidth="1" />
          {m < to && (
            <text x={x(t(m)) + 4} y="12" fontSize="13" fill="var(--ink-2)">
              {format(parseISO(m), short ? 'EEE d' : m.slice(5, 7) === '01' ? 'MMM yyyy' : 'MMM')}
            </text>
          )}
        </g>
      ))}
      {days.length > 0 && (
        <Weather
          days={days.filter((d) => inside(d.day, d.day))}
          x={(day) => x(t(day))}
          width={Math.max(1, x(t(from) + DAY) - 0.6)}
        />
      )}
      {rows.map((row, i) => (
        <g key={row.id} transform={`translate(0 ${top + i * ROW})`}>
          <path d={`M0 0H${W}`} stroke="var(--line)" strokeWidth="1" />
          <path d={`M0 31H${W}`} stroke="var(--line-2)" strokeWidth="1" />
          {row.bands
            .filter((b) => inside(b.from, b.to))
            .map((b) => (
              <Band key={`${b.from}${b.tone}`} band={b} left={x(t(b.from))} right={x(t(b.to) + DAY)} />
            ))}
          {row.marks
            .filter((m) => inside(m.earliest, m.latest))
            .map((m) => (
              <Mark
                key={`${m.day}${m.tone}${m.words}`}
                mark={m}
                at={x(t(m.day) + DAY / 2)}
                left={x(t(m.earliest))}
                right={x(t(m.latest) + DAY)}
              />
            ))}
          <text
            x="4"
            y="15"
            fontSize="14"
            fontWeight="700"
            fill="var(--ink)"
            stroke="var(--sheet)"
            strokeWidth="4"
            paintOrder="stroke"
          >
            {row.label}
          </text>
        </g>
      ))}
      {today >= from && today <= to && (
        <path d={`M${x(t(today) + DAY / 2)} 16V${height}`} stroke="var(--ink)" strokeWidth="3" />
      )}
    </svg>
  );
}

/** Warmth as a strip between the day's lowest and highest, rain as bars from the bottom; the forecast is hollow. */
function Weather({ days, x, width }: { days: YearDay[]; x: (day: string) => number; width: number }) {
  const warm = scaleLinear([-10, 35], [WITH_WEATHER - 8, 20]).clamp(true);
  const wet = scaleLinear([0, 30], [0, WITH_WEATHER - 34]).clamp(true);
  return (
    <g>
      <path d={`M0 ${warm(0)}H${W}`} stroke="var(--line)" strokeWidth="1" strokeDasharray="3 4" />
      {days.map((d) => (
        <g key={d.day}>
          <rect
            x={x(d.day)}
            y={warm(d.max)}
            width={width}
            height={Math.max(1, warm(d.min) - warm(d.max))}
            fill={d.told === 'measured' ? 'var(--line)' : 'none'}
            stroke={d.told === 'measured' ? 'none' : 'var(--ink-2)'}
            strokeWidth="0.8"
          />
          {d.rainMm >= 0.2 && (
            <rect
              x={x(d.day) + width * 0.15}
              y={WITH_WEATHER - 8 - wet(d.rainMm)}
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

const FILLS: Record<YearBand['tone'], string> = {
  opening: 'url(#year-half)',
  full: 'var(--cambium)',
  closing: 'url(#year-half)',
  bloom: 'url(#year-bloom)',
  window: 'var(--wood)',
};

function Band({ band, left, right }: { band: YearBand; left: number; right: number }) {
  return (
    <rect
      x={left}
      y={band.tone === 'bloom' ? 23 : 24}
      width={Math.max(2, right - left)}
      height={band.tone === 'bloom' ? 16 : 14}
      fill={FILLS[band.tone]}
      stroke="var(--ink)"
      strokeWidth="1"
    />
  );
}

/** What is to do, by its shape: a ring is planned, a broken one waits for a look, a full one is done, a barred one is left out. */
const RINGS: Partial<Record<YearMark['tone'], { fill: string; dash?: string }>> = {
  visit: { fill: 'var(--sheet)' },
  maybe: { fill: 'var(--sheet)', dash: '4 3' },
  done: { fill: 'var(--ink)' },
  left: { fill: 'var(--sheet)' },
};

/** Shapes before colours: a triangle was seen, a bar is expected, a ring is to do, a cross infected. */
function Mark({ mark, at, left, right }: { mark: YearMark; at: number; left: number; right: number }) {
  const ring = RINGS[mark.tone];
  const colour = mark.tone === 'infection' || mark.tone === 'risk' ? 'var(--madder)' : 'var(--ink)';
  return (
    <g>
      {right - left > 8 && <path d={`M${left} 43H${right}`} stroke={colour} strokeWidth="2" />}
      {mark.tone === 'seen' && <path d={`M${at - 6} 49L${at} 39L${at + 6} 49Z`} fill="var(--ink)" />}
      {mark.tone === 'expected' && <path d={`M${at} 38V48`} stroke={colour} strokeWidth="3" />}
      {ring && (
        <circle cx={at} cy="31" r="6.5" fill={ring.fill} stroke={colour} strokeWidth="3" strokeDasharray={ring.dash} />
      )}
      {mark.tone === 'left' && <path d={`M${at - 8} 39L${at + 8} 23`} stroke={colour} strokeWidth="3" />}
      {(mark.tone === 'infection' || mark.tone === 'risk') && (
        <path
          d={`M${at - 5} 26L${at + 5} 36M${at + 5} 26L${at - 5} 36`}
          stroke={colour}
          strokeWidth={mark.tone === 'infection' ? 3.5 : 1.6}
        />
      )}
    </g>
  );
}
