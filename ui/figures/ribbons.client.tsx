'use client';

import { ChevronLeft, ChevronRight, Minus, Plus } from 'lucide-react';
import {
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
} from 'react';
import { flushSync } from 'react-dom';
import { at, DAY, dayAt, panned, ticksOf, widened, xOf, zoomed, type Span } from './span';
import { FitStrips, fitHeight, Weather, WEATHER } from './year-air';
import {
  ROW,
  YearPatterns,
  YearRowDrawing,
  YearRowName,
  YearSays,
  type InHand,
  type RowKind,
  type Shut,
  type YearDay,
  type YearFit,
  type YearMark,
  type YearRow,
} from './year';

const BY_KEYBOARD = { tabIndex: 0, role: 'group', 'aria-label': 'Rows' } as const;
const AXIS = 24;
/** Wider than this, strips of the coming ten days are too small to read; closer than that, hours have room. */
const FITS_WITHIN = 75 * DAY;
const HOURS_WITHIN = 6 * DAY;
/** Height of what is seen of the rows at once, and rows that are drawn beyond it. */
const SEEN = 560;
const BEYOND = 4;
/** How near a finger must come to a mark, and how far it must go before it drags. */
const NEAR = 18;
const DRAGS = 5;
/** Of the span that is shown, a press of a key or button moves so much; and a press comes so much closer. */
const STEP = 0.2;
const CLOSER = 0.6;

interface Props {
  rows: readonly YearRow[];
  kind: RowKind;
  days: readonly YearDay[];
  fits: readonly YearFit[];
  today: string;
  /** The days of which something is known, and those that are shown at first. */
  loaded: { from: string; to: string };
  shown: { from: string; to: string };
  label: string;
  inHand?: InHand | null;
  shut?: readonly Shut[];
  onHand?: (mark: YearMark | null) => void;
  onDrag?: (day: string) => void;
  /** Spans that are shown by one press, by name. */
  spans?: Record<string, { from: string; to: string }>;
  /** More to press beside them. */
  children?: ReactNode;
}

/** Rows are drawn so much wider than what is seen, on either side: within it they are only moved. */
const BESIDE = 0.5;
/** Rest after which what was moved and stretched is drawn anew. */
const RESTS_MS = 140;

/** Whether rows that were drawn for one span still serve another. */
function serves(drawn: Span, shown: Span): boolean {
  const wide = widened(drawn, BESIDE * 0.9);
  const stretched = (drawn.to - drawn.from) / (shown.to - shown.from);
  return shown.from >= wide.from && shown.to <= wide.to && stretched > 0.6 && stretched < 1.8;
}

/** What is shown, and what moves it: wheel, fingers, keys. Rows follow at rest, so that moving costs next to nothing. */
function useSpan(loaded: Props['loaded'], shown: Props['shown']) {
  const within: Span = { from: at(loaded.from), to: at(loaded.to) + DAY };
  const first: Span = { from: at(shown.from), to: at(shown.to) + DAY };
  const [span, set] = useState(first);
  const [drawn, draw] = useState(first);
  if (span !== drawn && !serves(drawn, span)) draw(span);
  useEffect(() => {
    if (span === drawn) return;
    const rest = setTimeout(() => draw(span), RESTS_MS);
    return () => clearTimeout(rest);
  }, [span, drawn]);
  return {
    span,
    drawn,
    show: (s: Props['shown']) => set(panned({ from: at(s.from), to: at(s.to) + DAY }, 0, within)),
    pan: (ms: number) => set((s) => panned(s, ms, within)),
    step: (n: number) => set((s) => panned(s, n * STEP * (s.to - s.from), within)),
    zoom: (by: number, around?: number) => set((s) => zoomed(s, by, around ?? (s.from + s.to) / 2, within)),
    to: (day: string) => set((s) => panned(s, at(day) - (s.from + s.to) / 2, within)),
  };
}
type Shown = ReturnType<typeof useSpan>;

/** Width of an element as it is laid out; a usual one before that is known. */
function useWidth() {
  const ref = useRef<HTMLDivElement>(null);
  const [width, set] = useState(724);
  useLayoutEffect(() => {
    const watch = new ResizeObserver(([e]) => e && e.contentRect.width > 0 && set(Math.round(e.contentRect.width)));
    watch.observe(ref.current!);
    return () => watch.disconnect();
  }, []);
  return { ref, width };
}

/** On paper every row is drawn, on the screen those that can be seen. */
function usePrinting() {
  const [printing, set] = useState(false);
  useEffect(() => {
    const media = matchMedia('print');
    // Paper is laid out as soon as the event is over.
    const follow = () => flushSync(() => set(media.matches));
    media.addEventListener('change', follow);
    return () => media.removeEventListener('change', follow);
  }, []);
  return printing;
}

/** A wheel that is turned with Control, or a pinched pad, comes closer; a sideways one moves; any other scrolls the page. */
function useWheel(ref: { current: HTMLDivElement | null }, shown: Shown, width: number) {
  const latest = useRef({ shown, width });
  useLayoutEffect(() => void (latest.current = { shown, width }));
  useEffect(() => {
    const el = ref.current!;
    const turned = (e: WheelEvent) => {
      const { shown, width } = latest.current;
      const { from, to } = shown.span;
      const sideways = e.shiftKey ? e.deltaY : Math.abs(e.deltaX) > Math.abs(e.deltaY) ? e.deltaX : 0;
      if (!e.ctrlKey && !e.metaKey && !sideways) return;
      e.preventDefault();
      if (sideways) return shown.pan((sideways / width) * (to - from));
      const x = e.clientX - el.getBoundingClientRect().left;
      shown.zoom(Math.exp(Math.max(-60, Math.min(60, e.deltaY)) / 150), from + (x / width) * (to - from));
    };
    el.addEventListener('wheel', turned, { passive: false });
    return () => el.removeEventListener('wheel', turned);
  }, [ref]);
}

/** Marks that can be chosen, in order of day. */
const choosable = (rows: readonly YearRow[], { from, to }: Span): YearMark[] =>
  rows
    .flatMap((r) => r.marks)
    .filter((m) => m.id !== undefined && at(m.day) >= from - DAY && at(m.day) <= to)
    .sort((a, b) => a.day.localeCompare(b.day));

/**
 * Ribbons of time, one under the other: what grows, hatches, infects and is to do. Moved by drag, wheel and arrow keys, brought
 * closer by pinch, wheel with Control, + and −; a mark is chosen by a press or with the arrows up and down, and dragged where it
 * may be moved. Whoever shows it puts the same content beside it as a table.
 */
export function Ribbons(props: Props) {
  const { rows, kind, days, fits, today, loaded, label, inHand = null, shut = NONE_SHUT, onHand, children } = props;
  const shown = useSpan(loaded, props.shown);
  const { span } = shown;
  const { ref, width } = useWidth();
  const printing = usePrinting();
  const [scrolled, setScrolled] = useState(0);
  useWheel(ref, shown, width);
  const x = xOf(span, width);
  const fingers = useFingers({ ...props, shown, width, x });
  const key = (e: KeyboardEvent) => {
    if (e.altKey || e.ctrlKey || e.metaKey) return;
    const moves: Record<string, () => void> = {
      ArrowLeft: () => shown.step(-1),
      ArrowRight: () => shown.step(1),
      '+': () => shown.zoom(CLOSER),
      '=': () => shown.zoom(CLOSER),
      '-': () => shown.zoom(1 / CLOSER),
      Home: () => shown.to(today),
      ArrowDown: () => next(1),
      ArrowUp: () => next(-1),
      Escape: () => onHand?.(null),
    };
    const move = moves[e.key];
    if (!move || e.target !== e.currentTarget) return;
    e.preventDefault();
    move();
  };
  const next = (by: number) => {
    const all = choosable(rows, span);
    const now = all.findIndex((m) => m.id === inHand?.id);
    // With none in hand the first comes from above, the last from below.
    const from = now < 0 && by < 0 ? 0 : now;
    const to = all[(from + by + all.length) % all.length];
    if (to) onHand?.(to);
  };
  const height = rows.length * ROW[kind];
  const first = printing ? 0 : Math.max(0, Math.floor(scrolled / ROW[kind]) - BEYOND);
  const seen = rows.slice(first, printing ? undefined : first + Math.ceil(SEEN / ROW[kind]) + 2 * BEYOND);
  return (
    <>
      <div className="mb-2 flex flex-wrap items-center gap-2 print:hidden">
        <SpanButtons shown={shown} today={today} />
        {Object.entries(props.spans ?? {}).map(([name, s]) => (
          <button key={name} type="button" className="press px-3" onClick={() => shown.show(s)}>
            {name}
          </button>
        ))}
        {children}
      </div>
      <div
        ref={ref}
        className="touch-pan-y border-y border-line select-none"
        tabIndex={0}
        role="group"
        aria-roledescription="ribbons"
        aria-label={label}
        aria-keyshortcuts="ArrowLeft ArrowRight ArrowUp ArrowDown + - Home"
        onKeyDown={key}
        {...fingers}
      >
        <Head span={span} width={width} x={x} days={days} fits={fits} today={today} />
        <div
          data-rows
          {...BY_KEYBOARD}
          className="overflow-x-hidden overflow-y-auto print:max-h-none! print:overflow-visible!"
          style={{ maxHeight: `min(${SEEN}px, 60vh)` }}
          onScroll={(e) => setScrolled(e.currentTarget.scrollTop)}
        >
          <div style={{ height, paddingTop: first * ROW[kind] }}>
            <Rows rows={seen} kind={kind} shown={shown} width={width} today={today} inHand={inHand} shut={shut} />
          </div>
        </div>
      </div>
    </>
  );
}

function SpanButtons({ shown, today }: { shown: Shown; today: string }) {
  const press = (name: string, to: () => void, icon: ReactNode) => (
    <button type="button" className="press min-w-hand px-2" aria-label={name} title={name} onClick={to}>
      {icon}
    </button>
  );
  return (
    <>
      {press('Earlier', () => shown.step(-1), <ChevronLeft aria-hidden />)}
      <button type="button" className="press" onClick={() => shown.to(today)}>
        Today
      </button>
      {press('Later', () => shown.step(1), <ChevronRight aria-hidden />)}
      {press('Closer', () => shown.zoom(CLOSER), <Plus aria-hidden />)}
      {press('Wider', () => shown.zoom(1 / CLOSER), <Minus aria-hidden />)}
    </>
  );
}

/** The rows that are seen: drawn for a wider span and moved within it, their names above, the axis' lines below. */
function Rows({
  rows,
  kind,
  shown: { span, drawn },
  width,
  today,
  inHand,
  shut,
}: Pick<Props, 'kind' | 'today'> & {
  rows: readonly YearRow[];
  shown: Shown;
  width: number;
  inHand: InHand | null;
  shut: readonly Shut[];
}) {
  const height = rows.length * ROW[kind];
  const wide = useMemo(() => widened(drawn, BESIDE), [drawn]);
  const across = width * (1 + 2 * BESIDE);
  const x = xOf(span, width);
  const scale = (drawn.to - drawn.from) / (span.to - span.from);
  const layer = 'absolute top-0 left-0 block h-full';
  const held = inHand && rows.findIndex((r) => r.marks.some((m) => m.id === inHand.id));
  const each = (draw: (row: YearRow, i: number) => ReactNode) =>
    rows.map((row, i) => (
      <g key={row.id} transform={`translate(0 ${i * ROW[kind]})`}>
        {draw(row, i)}
      </g>
    ));
  return (
    <div className="relative overflow-hidden" style={{ height }} aria-hidden="true">
      <svg viewBox={`0 0 ${width} ${height}`} className={`${layer} w-full`}>
        <Upright span={span} width={width} x={x} today={today} height={height} />
      </svg>
      <svg
        viewBox={`0 0 ${across} ${height}`}
        className={layer}
        style={{
          width: `${(across / width) * 100}%`,
          transformOrigin: '0 0',
          transform: `translateX(${(x(wide.from) / across) * 100}%) scaleX(${scale})`,
          willChange: 'transform',
        }}
        preserveAspectRatio="none"
      >
        {each((row, i) => (
          <YearRowDrawing
            row={row}
            kind={kind}
            span={wide}
            width={across}
            chosen={i === held ? inHand : null}
            shut={i === held ? shut : NONE_SHUT}
          />
        ))}
      </svg>
      <svg viewBox={`0 0 ${width} ${height}`} className={`${layer} pointer-events-none w-full`}>
        {each((row, i) => (
          <>
            <YearRowName row={row} kind={kind} span={drawn} width={width} />
            {i === held && <YearSays kind={kind} inHand={inHand!} x={x} width={width} />}
          </>
        ))}
      </svg>
    </div>
  );
}
const NONE_SHUT: readonly Shut[] = [];

/** Upright lines: the axis’ steps, and today. */
function Upright({
  span,
  width,
  x,
  today,
  height,
}: {
  span: Span;
  width: number;
  x: (ms: number) => number;
  today: string;
  height: number;
}) {
  return (
    <>
      <YearPatterns />
      {ticksOf(span, width).map((t) => (
        <path key={t.at} d={`M${x(t.at)} 0V${height}`} stroke="var(--line-2)" strokeWidth="1" />
      ))}
      <path d={`M${x(at(today) + DAY / 2)} 0V${height}`} stroke="var(--ink)" strokeWidth="3" />
    </>
  );
}

/** The axis, the weather above the rows, and how the coming days serve. */
function Head({
  span,
  width,
  x,
  days,
  fits,
  today,
}: {
  span: Span;
  width: number;
  x: (ms: number) => number;
  days: readonly YearDay[];
  fits: readonly YearFit[];
  today: string;
}) {
  const length = span.to - span.from;
  const near =
    length <= FITS_WITHIN && fits.some((f) => f.days.some((d) => at(d.day) + DAY > span.from && at(d.day) < span.to));
  const weather = days.length ? WEATHER : 0;
  const height = AXIS + weather + (near ? fitHeight(fits) : 0);
  const seen = days.filter((d) => at(d.day) + DAY > span.from && at(d.day) < span.to);
  return (
    <svg viewBox={`0 0 ${width} ${height}`} className="block w-full" aria-hidden="true">
      <Upright span={span} width={width} x={x} today={today} height={height} />
      <rect width={width} height={AXIS - 6} fill="var(--sheet)" />
      {ticksOf(span, width).map((t) => (
        <text key={t.at} x={x(t.at) + 3} y="14" fontSize="13" fill="var(--ink-2)">
          {t.words}
        </text>
      ))}
      {days.length > 0 && <Weather days={seen} x={x} top={AXIS} across={width} />}
      {near && <FitStrips fits={fits} x={x} top={AXIS + weather} hourly={length <= HOURS_WITHIN} />}
    </svg>
  );
}

/** Fingers and mouse: one on the ground moves it, one on a mark chooses or drags it, two come closer. */
function useFingers({
  rows,
  kind,
  shown,
  width,
  x,
  inHand,
  onHand,
  onDrag,
}: Omit<Props, 'shown'> & { shown: Shown; width: number; x: (ms: number) => number }) {
  const down = useRef(new Map<number, number>());
  const gesture = useRef<{ mark: YearMark | null; from: number; day: string; drags: boolean } | null>(null);
  const perPixel = (shown.span.to - shown.span.from) / width;
  /** Where a mark is drawn: the one in hand over the day where it is held. */
  const dayOf = (m: YearMark) => (inHand && m.id === inHand.id ? inHand.day : m.day);
  /** The mark under a finger, if one is near. */
  const under = (e: PointerEvent<HTMLDivElement>): YearMark | null => {
    const box = e.currentTarget.querySelector('[data-rows]')!;
    const area = box.getBoundingClientRect();
    const row = rows[Math.floor((e.clientY - area.top + box.scrollTop) / ROW[kind])];
    if (!row || e.clientY < area.top) return null;
    const off = (m: YearMark) => Math.abs(x(at(dayOf(m)) + DAY / 2) - (e.clientX - area.left));
    const near = row.marks.filter((m) => m.id !== undefined && off(m) <= NEAR).sort((a, b) => off(a) - off(b));
    return near[0] ?? null;
  };
  return {
    onPointerDown: (e: PointerEvent<HTMLDivElement>) => {
      if (e.pointerType === 'mouse' && e.button !== 0) return;
      down.current.set(e.pointerId, e.clientX);
      const mark = down.current.size === 1 ? under(e) : null;
      gesture.current = { mark, from: e.clientX, day: mark ? dayOf(mark) : '', drags: false };
      if (mark && mark.id !== inHand?.id) onHand?.(mark);
    },
    onPointerMove: (e: PointerEvent<HTMLDivElement>) => {
      const before = down.current.get(e.pointerId);
      const g = gesture.current;
      if (before === undefined || !g) return;
      if (!g.drags && Math.abs(e.clientX - g.from) >= DRAGS) {
        g.drags = true;
        e.currentTarget.setPointerCapture(e.pointerId);
      }
      if (!g.drags) return;
      const other = [...down.current].find(([id]) => id !== e.pointerId)?.[1];
      down.current.set(e.pointerId, e.clientX);
      if (other !== undefined) {
        const left = e.currentTarget.getBoundingClientRect().left;
        const middle = shown.span.from + ((e.clientX + other) / 2 - left) * perPixel;
        shown.zoom(Math.max(8, Math.abs(before - other)) / Math.max(8, Math.abs(e.clientX - other)), middle);
      } else if (g.mark?.movable) onDrag?.(dayAt(at(g.day) + DAY / 2 + (e.clientX - g.from) * perPixel));
      else shown.pan((before - e.clientX) * perPixel);
    },
    onPointerUp: (e: PointerEvent<HTMLDivElement>) => void down.current.delete(e.pointerId),
    onPointerCancel: (e: PointerEvent<HTMLDivElement>) => void down.current.delete(e.pointerId),
  };
}
