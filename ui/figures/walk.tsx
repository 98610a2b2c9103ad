import { forceCollide, forceSimulation, forceX, forceY } from 'd3-force';
import type { Point } from '@/core/rootzone/probe-grid';
import { showDistance, type UnitSystem } from '@/lib/units/units';

/** A trunk on the way: its tag, what is said beside it, and whether somebody is to go there now. */
export interface WalkStop {
  key: string;
  tag: string;
  at: Point;
  says: string;
  now: boolean;
  urgent: boolean;
}

const [WIDE, HIGH, PAD] = [360, 260, 46];
/** Half the width of a mark. */
const MARK = 13;
const STEPS = [5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000];

/** Marks no nearer to one another than they can be read; each still as near to its trunk as that leaves room. */
function apart(trunks: readonly { x: number; y: number }[]): { x: number; y: number }[] {
  const marks = trunks.map((t, i) => ({ ...t, index: i }));
  forceSimulation(marks)
    .force('x', forceX<(typeof marks)[number]>((m) => trunks[m.index]!.x).strength(0.2))
    .force('y', forceY<(typeof marks)[number]>((m) => trunks[m.index]!.y).strength(0.2))
    .force('apart', forceCollide(MARK * 1.9))
    .stop()
    .tick(120);
  return marks.map((m) => ({
    x: Math.max(PAD / 2, Math.min(WIDE - PAD / 2, m.x)),
    y: Math.max(PAD / 2, Math.min(HIGH - PAD / 2, m.y)),
  }));
}

/** Trunks from above, north up and to scale, with the way between those that want a hand; numbered in the order of the walk. */
export function WalkFigure({ stops, units }: { stops: readonly WalkStop[]; units: UnitSystem }) {
  const [xs, ys] = [stops.map((s) => s.at.x), stops.map((s) => s.at.y)];
  const [left, top] = [Math.min(...xs), Math.max(...ys)];
  const [wide, high] = [Math.max(...xs) - left, top - Math.min(...ys)];
  const scale = Math.min((WIDE - 2 * PAD) / Math.max(wide, 8), (HIGH - 2 * PAD) / Math.max(high, 8));
  const trunks = stops.map(({ at }) => ({
    x: PAD + (WIDE - 2 * PAD - wide * scale) / 2 + (at.x - left) * scale,
    y: PAD + (HIGH - 2 * PAD - high * scale) / 2 + (top - at.y) * scale,
  }));
  const marks = apart(trunks);
  const bar = STEPS.findLast((m) => m * scale <= WIDE / 3) ?? STEPS[0]!;
  const words = stops.map((s, i) => `${i + 1}. ${s.tag}, ${s.says}`).join('; ');
  return (
    <figure className="m-0">
      <svg
        viewBox={`0 0 ${WIDE} ${HIGH}`}
        className="h-auto w-full max-w-[560px] border border-line bg-sheet"
        role="img"
        aria-label={`Where they hang, north up: ${words}.`}
      >
        <polyline
          points={stops
            .flatMap((s, i) => (s.now ? [`${marks[i]!.x.toFixed(1)},${marks[i]!.y.toFixed(1)}`] : []))
            .join(' ')}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2"
          strokeDasharray="7 5"
        />
        {trunks.map((t, i) => (
          <path
            key={stops[i]!.key}
            d={`M${t.x.toFixed(1)} ${t.y.toFixed(1)}L${marks[i]!.x.toFixed(1)} ${marks[i]!.y.toFixed(1)}`}
            stroke="var(--ink-2)"
            strokeWidth="1.5"
          />
        ))}
        {stops.map((s, i) => (
          <g key={s.key} transform={`translate(${marks[i]!.x.toFixed(1)} ${marks[i]!.y.toFixed(1)})`}>
            {s.urgent ? (
              <path
                d={`M${-MARK} ${-MARK}H${MARK}V${MARK}H${-MARK}Z`}
                fill="var(--madder)"
                stroke="var(--ink)"
                strokeWidth="2"
              />
            ) : (
              <circle r={MARK} fill={s.now ? 'var(--cambium)' : 'var(--sheet)'} stroke="var(--ink)" strokeWidth="2" />
            )}
            <text
              y="5.5"
              textAnchor="middle"
              fontSize="16"
              fontWeight="800"
              fill={s.urgent ? 'var(--sheet)' : s.now ? 'var(--on-cambium)' : 'var(--ink)'}
            >
              {i + 1}
            </text>
            <g
              fontWeight="700"
              fill="var(--ink)"
              textAnchor="middle"
              paintOrder="stroke"
              stroke="var(--sheet)"
              strokeWidth="4"
            >
              <text y="-19" fontSize="15">
                {s.tag}
              </text>
              <text y="29" fontSize="13" fontWeight="600">
                {s.says}
              </text>
            </g>
          </g>
        ))}
        <g transform={`translate(${WIDE - 16} 12)`} fill="var(--ink)">
          <path d="M0 0L6 16L0 12L-6 16Z" />
          <text y="30" textAnchor="middle" fontSize="13" fontWeight="800">
            N
          </text>
        </g>
        <g transform={`translate(10 ${HIGH - 10})`} fill="var(--ink)">
          <path d={`M0 -5V0H${(bar * scale).toFixed(1)}V-5`} fill="none" stroke="var(--ink)" strokeWidth="2" />
          <text x={bar * scale + 6} y="2" fontSize="13" fontWeight="600">
            {showDistance(bar, units).text}
          </text>
        </g>
      </svg>
    </figure>
  );
}
