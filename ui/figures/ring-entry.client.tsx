'use client';

import { Minus, Plus, X } from 'lucide-react';
import { useState } from 'react';
import type { Flare } from '@/core/measure/trunk-marks';
import type { Arc } from '@/core/measure/trunk-marks';
import { Choices } from '../controls/controls';
import { arcPath, bearingAt, onRing } from './polar';

/** What can be put on the ring; its usual width in degrees. */
const MARKS = [
  { value: 'flare', name: 'flare', width: 0 },
  { value: 'valley', name: 'valley', width: 14 },
  { value: 'wound', name: 'wound', width: 20 },
  { value: 'dead-bark', name: 'dead bark', width: 30 },
  { value: 'canker', name: 'canker', width: 24 },
] as const;
type Mark = (typeof MARKS)[number]['value'];

/**
 * The trunk from above, filled in by tapping: choose what it is, tap where it is. The same by steps: turn the pointer, put
 * the mark down. Every mark can be made wider, narrower, or taken away.
 */
export function RingEntry({
  flares,
  arcs,
  onFlares,
  onArcs,
}: {
  flares: Flare[];
  arcs: Arc[];
  onFlares: (next: Flare[]) => void;
  onArcs: (next: Arc[]) => void;
}) {
  const [mark, setMark] = useState<Mark>('flare');
  const [pointer, setPointer] = useState(0);
  const put = (bearing: number) => {
    const b = ((Math.round(bearing) % 360) + 360) % 360;
    setPointer(b);
    if (mark === 'flare') onFlares([...flares, { bearing: b, strength: 1 }].sort((x, y) => x.bearing - y.bearing));
    else {
      const half = MARKS.find((m) => m.value === mark)!.width / 2;
      onArcs([...arcs, { kind: mark, from: (b - half + 360) % 360, to: (b + half) % 360 }]);
    }
  };
  const turn = (by: number) => setPointer((p) => (p + by + 360) % 360);
  const widen = (i: number, by: number) =>
    onArcs(
      arcs.map((a, j) => {
        if (j !== i) return a;
        // Equal ends go all round, as everywhere.
        const width = (a.from === a.to ? 360 : (a.to - a.from + 360) % 360) + 2 * by;
        if (width <= 0) return a;
        return width >= 360
          ? { ...a, to: a.from }
          : { ...a, from: (a.from - by + 360) % 360, to: (a.to + by + 360) % 360 };
      }),
    );
  return (
    <div className="mb-5 grid gap-x-6 desk:grid-cols-[260px_1fr]">
      <svg
        viewBox="-130 -130 260 260"
        className="h-auto w-full max-w-[300px] cursor-crosshair touch-none select-none"
        aria-hidden
        onClick={(e) => put(bearingAt(e.currentTarget, e.clientX, e.clientY))}
      >
        <text y={-112} textAnchor="middle" fontSize="14" fontWeight="800" fill="var(--ink)">
          N
        </text>
        <circle r="92" fill="var(--wood)" stroke="var(--ink)" strokeWidth="4" />
        {flares.map((f) => {
          const [x, y] = onRing(f.bearing, 100);
          return (
            <circle
              key={f.bearing}
              cx={x}
              cy={y}
              r={6 + 6 * f.strength}
              fill="var(--wood)"
              stroke="var(--ink)"
              strokeWidth="3"
            />
          );
        })}
        {arcs.map((a, i) => (
          <path
            key={i}
            d={arcPath(a.from, a.to, 70, 97)}
            fill="var(--madder)"
            fillOpacity="0.35"
            stroke="var(--madder)"
            strokeWidth="2"
          />
        ))}
        <line
          x2={onRing(pointer, 88)[0]}
          y2={onRing(pointer, 88)[1]}
          stroke="var(--ink)"
          strokeWidth="2"
          strokeDasharray="5 4"
        />
      </svg>
      <div>
        <Choices
          small
          label="Tap the ring to put down a"
          value={mark}
          onChange={setMark}
          options={MARKS.map(({ value, name }) => ({ value, name }))}
        />
        <div className="mb-3 flex flex-wrap items-center gap-2" role="group" aria-label="By steps">
          <button type="button" className="press" aria-label="Turn 15° anticlockwise" onClick={() => turn(-15)}>
            <Minus size={18} aria-hidden />
          </button>
          <output className="figures min-w-16 text-center font-bold">{pointer}°</output>
          <button type="button" className="press" aria-label="Turn 15° clockwise" onClick={() => turn(15)}>
            <Plus size={18} aria-hidden />
          </button>
          <button type="button" className="press" onClick={() => put(pointer)}>
            Put it there
          </button>
        </div>
        <ul>
          {flares.map((f, i) => (
            <li key={`f${f.bearing}`} className="row flex items-center justify-between gap-2 py-1">
              <span>
                Flare at <b className="figures">{f.bearing}°</b>
                {f.strength < 1 && ', weak'}
              </span>
              <span className="flex gap-1">
                <button
                  type="button"
                  className="press"
                  onClick={() =>
                    onFlares(flares.map((x, j) => (j === i ? { ...x, strength: x.strength === 1 ? 0.5 : 1 } : x)))
                  }
                >
                  {f.strength === 1 ? 'weak' : 'strong'}
                </button>
                <button
                  type="button"
                  className="press"
                  aria-label={`Remove the flare at ${f.bearing}°`}
                  onClick={() => onFlares(flares.filter((_, j) => j !== i))}
                >
                  <X size={16} aria-hidden />
                </button>
              </span>
            </li>
          ))}
          {arcs.map((a, i) => (
            <li key={`a${i}`} className="row flex items-center justify-between gap-2 py-1">
              <span>
                {a.kind.replace('-', ' ')}{' '}
                <b className="figures">
                  {a.from}° to {a.to}°
                </b>
              </span>
              <span className="flex gap-1">
                <button
                  type="button"
                  className="press"
                  aria-label={`Narrower: ${a.kind} at ${a.from}°`}
                  onClick={() => widen(i, -3)}
                >
                  <Minus size={16} aria-hidden />
                </button>
                <button
                  type="button"
                  className="press"
                  aria-label={`Wider: ${a.kind} at ${a.from}°`}
                  onClick={() => widen(i, 3)}
                >
                  <Plus size={16} aria-hidden />
                </button>
              </span>
            </li>
          ))}
        </ul>
      </div>
    </div>
  );
}
