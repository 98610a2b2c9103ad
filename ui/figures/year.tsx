import { shortDay } from '@/ui/words';
import { memo } from 'react';
import { at as t, DAY, dayAt, xOf, type Span } from './span';

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
  tone: 'seen' | 'expected' | 'visit' | 'missed' | 'maybe' | 'done' | 'left' | 'infection' | 'risk';
  words: string;
  href?: string;
  /** Of what can be chosen; a mark without is only looked at. */
  id?: string;
  /** It can be moved to another day. */
  movable?: boolean;
}
/** A sum as it grows: 1 is what it takes. */
export interface YearCurve {
  day: string;
  share: number;
}
export interface YearRow {
  id: string;
  label: string;
  bands: YearBand[];
  marks: YearMark[];
  curves?: YearCurve[][];
}
export interface YearDay {
  day: string;
  max: number;
  min: number;
  rainMm: number;
  told: 'measured' | 'forecast';
}

/** How a kind of work is served, day by day and hour by hour, as a clock at the place shows it (YYYY-MM-DDTHH). */
export interface YearFit {
  id: string;
  name: string;
  days: { day: string; chance: number }[];
  hours: { wall: string; chance: number }[];
}

/** Height of a row on which things grow, and of one that stands among hundreds. */
export const ROW = { tall: 50, low: 34 } as const;
export type RowKind = keyof typeof ROW;
/** Where things stand in a row, from its top. */
const LINES: Record<RowKind, { band: number; visit: number; bar: number }> = {
  tall: { band: 24, visit: 31, bar: 43 },
  low: { band: 17, visit: 23, bar: 30 },
};
export type X = (ms: number) => number;

/** Patterns of the bands: what they are reads without colour. */
export const YearPatterns = () => (
  <defs>
    <pattern id="year-half" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <rect width="6" height="6" fill="var(--sheet)" />
      <rect width="3" height="6" fill="var(--cambium)" />
    </pattern>
    <pattern id="year-bloom" width="7" height="7" patternUnits="userSpaceOnUse">
      <rect width="7" height="7" fill="var(--sheet)" />
      <circle cx="3.5" cy="3.5" r="2.1" fill="var(--madder)" />
    </pattern>
    <pattern id="year-shut" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
      <rect width="2" height="7" fill="var(--madder)" />
    </pattern>
  </defs>
);

/** The mark in hand, with the day over which it is held, and what is said of that day. */
export interface InHand {
  id: string;
  day: string;
  says?: { words: string; breaks: boolean } | null;
}

/** Days on which what is in hand cannot stand. */
export interface Shut {
  from: string;
  to: string;
}

/** A row without its name: what grows and what is open as bands, what comes as marks, sums as curves. */
export const YearRowDrawing = memo(function YearRowDrawing({
  row,
  kind,
  span,
  width,
  chosen,
  shut,
}: {
  row: YearRow;
  kind: RowKind;
  span: Span;
  width: number;
  /** Null where the mark in hand is none of this row’s. */
  chosen: InHand | null;
  shut: readonly Shut[];
}) {
  const x = xOf(span, width);
  const [from, to] = [dayAt(span.from), dayAt(span.to)];
  const inside = (a: string, b: string) => b >= from && a <= to;
  const { band, visit, bar } = LINES[kind];
  return (
    <>
      {chosen &&
        shut
          .filter((s) => inside(s.from, s.to))
          .map((s) => (
            <rect
              key={s.from}
              x={x(t(s.from))}
              y="1"
              width={Math.max(1, x(t(s.to) + DAY) - x(t(s.from)))}
              height={ROW[kind] - 1}
              fill="url(#year-shut)"
              opacity="0.4"
            />
          ))}
      {row.bands
        .filter((b) => inside(b.from, b.to))
        .map((b) => (
          <Band key={`${b.from}${b.tone}${b.words}`} band={b} y={band} left={x(t(b.from))} right={x(t(b.to) + DAY)} />
        ))}
      {row.curves?.map((c) => (
        <Curve key={c[0]!.day} curve={c} x={x} height={ROW[kind]} />
      ))}
      {row.marks
        .filter((m) => inside(m.earliest, m.latest) || m.id === chosen?.id)
        .map((m) => {
          const held = chosen !== null && m.id === chosen.id;
          return (
            <Mark
              key={m.id ?? `${m.day}${m.tone}${m.words}`}
              mark={m}
              y={{ visit, bar }}
              at={x(t(held ? chosen.day : m.day) + DAY / 2)}
              left={x(t(m.earliest))}
              right={x(t(m.latest) + DAY)}
              chosen={held}
            />
          );
        })}
    </>
  );
});

/** A name no longer than there is room for; the table has it whole. */
function fitted(words: string, width: number, kind: RowKind): string {
  const room = Math.floor((width - 8) / (kind === 'tall' ? 7.4 : 6.4));
  return words.length > room ? `${words.slice(0, room - 1).trimEnd()}…` : words;
}

/** The name of a row, with the line above it, and where its nearest mark lies when none is to be seen. */
export const YearRowName = memo(function YearRowName({
  row,
  kind,
  span,
  width,
}: {
  row: YearRow;
  kind: RowKind;
  span: Span;
  width: number;
}) {
  const { visit } = LINES[kind];
  return (
    <>
      <path d={`M0 0H${width}`} stroke="var(--line)" strokeWidth="1" />
      <Elsewhere row={row} from={dayAt(span.from)} to={dayAt(span.to)} y={visit} width={width} />
      <text
        x="4"
        y={kind === 'tall' ? 15 : 12}
        fontSize={kind === 'tall' ? 14 : 12}
        fontWeight="700"
        fill="var(--ink)"
        stroke="var(--sheet)"
        strokeWidth="4"
        paintOrder="stroke"
      >
        {fitted(row.label, width, kind)}
      </text>
    </>
  );
});

/** What is said of the day over which the mark in hand is held. */
export function YearSays({ kind, inHand, x, width }: { kind: RowKind; inHand: InHand; x: X; width: number }) {
  return inHand.says ? (
    <Says {...inHand.says} at={x(t(inHand.day) + DAY / 2)} y={LINES[kind].visit} width={width} />
  ) : null;
}

/** What is said of the day over which a mark is held, beside it. */
function Says({
  words,
  breaks,
  at,
  y,
  width,
}: {
  words: string;
  breaks: boolean;
  at: number;
  y: number;
  width: number;
}) {
  const left = at > width / 2;
  return (
    <text
      x={left ? at - 16 : at + 16}
      y={y + 5}
      textAnchor={left ? 'end' : 'start'}
      fontSize="13"
      fontWeight="700"
      fill={breaks ? 'var(--madder)' : 'var(--ink)'}
      stroke="var(--sheet)"
      strokeWidth="5"
      paintOrder="stroke"
    >
      {breaks ? '▮ ' : ''}
      {words}
    </text>
  );
}

/** Where nothing of a row is to be seen: which way its nearest mark lies, and when. */
function Elsewhere({ row, from, to, y, width }: { row: YearRow; from: string; to: string; y: number; width: number }) {
  const spans = [
    ...row.bands.map((b) => ({ earliest: b.from, latest: b.to, day: b.from })),
    ...row.marks,
    ...(row.curves ?? []).map((c) => ({ earliest: c[0]!.day, latest: c.at(-1)!.day, day: c[0]!.day })),
  ];
  if (spans.some((s) => s.latest >= from && s.earliest <= to)) return null;
  const before = spans.filter((s) => s.latest < from).sort((a, b) => b.day.localeCompare(a.day))[0];
  const after = spans.filter((s) => s.earliest > to).sort((a, b) => a.day.localeCompare(b.day))[0];
  const words = { y: y + 6, fontSize: 12, fill: 'var(--ink-2)' };
  return (
    <>
      {before && (
        <text x="4" {...words}>
          ◂ {shortDay(before.day)}
        </text>
      )}
      {after && (
        <text x={width - 4} textAnchor="end" {...words}>
          {shortDay(after.day)} ▸
        </text>
      )}
    </>
  );
}

/** A sum that grows towards what it takes, which is the top of its row. */
function Curve({ curve, x, height }: { curve: YearCurve[]; x: X; height: number }) {
  const y = (share: number) => height - 3 - share * (height - 22);
  const line = curve.map((p) => `${x(t(p.day)).toFixed(1)} ${y(p.share).toFixed(1)}`).join('L');
  return (
    <>
      <path
        d={`M${x(t(curve[0]!.day))} ${y(1)}H${x(t(curve.at(-1)!.day))}`}
        stroke="var(--line)"
        strokeDasharray="3 4"
      />
      <path d={`M${line}`} fill="none" stroke="var(--sap)" strokeWidth="2.2" />
    </>
  );
}

const FILLS: Record<YearBand['tone'], string> = {
  opening: 'url(#year-half)',
  full: 'var(--cambium)',
  closing: 'url(#year-half)',
  bloom: 'url(#year-bloom)',
  window: 'var(--wood)',
};

function Band({ band, y, left, right }: { band: YearBand; y: number; left: number; right: number }) {
  return (
    <rect
      x={left}
      y={band.tone === 'bloom' ? y - 1 : y}
      width={Math.max(2, right - left)}
      height={band.tone === 'bloom' ? 16 : 14}
      fill={FILLS[band.tone]}
      stroke="var(--ink)"
      strokeWidth="1"
    />
  );
}

/** What is to do, by its shape: a ring is planned, a broken one waits for a look, a full one is done, a barred one is left out, one with a stop before it was missed. */
const RINGS: Partial<Record<YearMark['tone'], { fill: string; dash?: string }>> = {
  visit: { fill: 'var(--sheet)' },
  missed: { fill: 'var(--sheet)' },
  maybe: { fill: 'var(--sheet)', dash: '4 3' },
  done: { fill: 'var(--ink)' },
  left: { fill: 'var(--sheet)' },
};

/** Shapes before colours: a triangle was seen, a bar is expected, a ring is to do, a cross infected. */
function Mark({
  mark,
  y: { visit, bar },
  at,
  left,
  right,
  chosen,
}: {
  mark: YearMark;
  y: { visit: number; bar: number };
  at: number;
  left: number;
  right: number;
  chosen: boolean;
}) {
  const ring = RINGS[mark.tone];
  const sick = mark.tone === 'infection' || mark.tone === 'risk' || mark.tone === 'missed';
  const colour = sick ? 'var(--madder)' : 'var(--ink)';
  return (
    <g>
      {right - left > 8 && <path d={`M${left} ${bar}H${right}`} stroke={colour} strokeWidth="2" />}
      {mark.tone === 'seen' && (
        <path d={`M${at - 6} ${bar + 6}L${at} ${bar - 4}L${at + 6} ${bar + 6}Z`} fill="var(--ink)" />
      )}
      {mark.tone === 'expected' && <path d={`M${at} ${bar - 5}V${bar + 5}`} stroke={colour} strokeWidth="3" />}
      {chosen && <circle cx={at} cy={visit} r="11" fill="var(--cambium)" stroke="var(--ink)" strokeWidth="1.5" />}
      {ring && (
        <circle
          cx={at}
          cy={visit}
          r="6.5"
          fill={ring.fill}
          stroke={colour}
          strokeWidth="3"
          strokeDasharray={ring.dash}
        />
      )}
      {mark.tone === 'left' && (
        <path d={`M${at - 8} ${visit + 8}L${at + 8} ${visit - 8}`} stroke={colour} strokeWidth="3" />
      )}
      {mark.tone === 'missed' && <path d={`M${at + 11} ${visit - 8}V${visit + 8}`} stroke={colour} strokeWidth="3.5" />}
      {(mark.tone === 'infection' || mark.tone === 'risk') && (
        <path
          d={`M${at - 5} ${visit - 5}L${at + 5} ${visit + 5}M${at + 5} ${visit - 5}L${at - 5} ${visit + 5}`}
          stroke={colour}
          strokeWidth={mark.tone === 'infection' ? 3.5 : 1.6}
        />
      )}
    </g>
  );
}
