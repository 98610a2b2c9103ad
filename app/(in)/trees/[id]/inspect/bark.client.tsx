'use client';

import { part } from '@/ui/controls/part.client';
import { useState } from 'react';
import { Choices } from '@/ui/controls/controls';
import { Input, Select } from '@/ui/controls/input.client';
import { TARGETS } from '@/core/diagnose/targets';
import { barkLossAdvice, barkLossShare } from '@/core/measure/bark-loss';
import { BEARINGS } from './form';
import { type Props } from './beside.client';

// Most looks draw no ring: the figure comes when its part is opened.
const ArcsFigure = part(() => import('@/ui/figures/arcs').then((m) => m.ArcsFigure));

/** Bark loss as arcs, main roots one by one, and who stands below. */
export function BarkAndRoots({ form, update }: Omit<Props, 'issues'>) {
  const share = barkLossShare(form.barkLoss.filter((a) => a.kind === 'bare'));
  const [open, setOpen] = useState(false);
  const girdled = barkLossShare(form.barkLoss.filter((a) => a.kind === 'girdled'));
  const advice = barkLossAdvice(share);
  const arc = (i: number, end: 'from' | 'to', by: number) =>
    update((f) => ({
      ...f,
      barkLoss: f.barkLoss.map((a, j) => (j === i ? { ...a, [end]: (a[end] + by + 360) % 360 } : a)),
    }));
  return (
    <details
      className="mt-4 border-t border-line"
      open={form.barkLoss.length + form.anchors.length + form.targets.length > 0 || undefined}
      ref={(d) => void (d?.open && setOpen(true))}
      onToggle={(e) => setOpen(e.currentTarget.open)}
    >
      <summary className="min-h-hand py-3 font-bold">Bark loss, main roots, and what stands within its reach</summary>
      <div className="flex flex-wrap gap-x-8 gap-y-4 pb-3">
        {open && <ArcsFigure arcs={form.barkLoss} anchors={form.anchors} size={220} />}
        <div className="min-w-64 flex-1">
          <p className="figures">
            <b className="text-head">{Math.round(share * 100)} %</b> of the girth without living bark
            {girdled > 0 && (
              <>
                , <b>{Math.round(girdled * 100)} %</b> under a girdling root
              </>
            )}
          </p>
          {advice && <p className="mb-2">{advice}</p>}
          {form.barkLoss.map((a, i) => (
            <div key={i} className="row flex flex-wrap items-center gap-2 py-1">
              {(['from', 'to'] as const).map((end) => (
                <span key={end} className="flex items-center">
                  <button
                    type="button"
                    className="press px-3"
                    aria-label={`Arc ${i + 1}, ${end}: 15 degrees back`}
                    onClick={() => arc(i, end, -15)}
                  >
                    −
                  </button>
                  <span className="figures min-w-20 text-center text-[0.9375rem]">
                    {end} {a[end]}°
                  </span>
                  <button
                    type="button"
                    className="press px-3"
                    aria-label={`Arc ${i + 1}, ${end}: 15 degrees on`}
                    onClick={() => arc(i, end, 15)}
                  >
                    +
                  </button>
                </span>
              ))}
              <button
                type="button"
                className="press px-3"
                aria-label={`Arc ${i + 1} is ${a.kind === 'bare' ? 'bare bark' : 'under a girdling root'}: change`}
                onClick={() =>
                  update((f) => ({
                    ...f,
                    barkLoss: f.barkLoss.map((x, j) =>
                      j === i ? { ...x, kind: x.kind === 'bare' ? 'girdled' : 'bare' } : x,
                    ),
                  }))
                }
              >
                {a.kind === 'bare' ? 'bare bark' : 'girdled'}
              </button>
              <button
                type="button"
                className="press press-plain"
                aria-label={`Take arc ${i + 1} away`}
                onClick={() => update((f) => ({ ...f, barkLoss: f.barkLoss.filter((_, j) => j !== i) }))}
              >
                take away
              </button>
            </div>
          ))}
          <div className="mt-2 flex flex-wrap gap-2">
            <button
              type="button"
              className="press"
              disabled={form.barkLoss.length >= 12}
              onClick={() => update((f) => ({ ...f, barkLoss: [...f.barkLoss, { from: 180, to: 225, kind: 'bare' }] }))}
            >
              Add an arc of bare bark
            </button>
            <button
              type="button"
              className="press"
              disabled={form.anchors.length >= 24}
              onClick={() =>
                update((f) => ({
                  ...f,
                  anchors: [...f.anchors, { bearing: (f.anchors.length * 60) % 360, state: 'sound' }],
                }))
              }
            >
              Add a main root
            </button>
          </div>
          {form.anchors.map((a, i) => (
            <div key={i} className="row flex flex-wrap items-center gap-2 py-1">
              <button
                type="button"
                className="press px-3"
                aria-label={`Root ${i + 1}: 15 degrees back`}
                onClick={() =>
                  update((f) => ({
                    ...f,
                    anchors: f.anchors.map((x, j) => (j === i ? { ...x, bearing: (x.bearing + 345) % 360 } : x)),
                  }))
                }
              >
                −
              </button>
              <span className="figures min-w-16 text-center">{a.bearing}°</span>
              <button
                type="button"
                className="press px-3"
                aria-label={`Root ${i + 1}: 15 degrees on`}
                onClick={() =>
                  update((f) => ({
                    ...f,
                    anchors: f.anchors.map((x, j) => (j === i ? { ...x, bearing: (x.bearing + 15) % 360 } : x)),
                  }))
                }
              >
                +
              </button>
              {(['sound', 'doubtful', 'decayed'] as const).map((state) => (
                <button
                  key={state}
                  type="button"
                  aria-pressed={a.state === state}
                  onClick={() =>
                    update((f) => ({ ...f, anchors: f.anchors.map((x, j) => (j === i ? { ...x, state } : x)) }))
                  }
                  className={`-mr-2 min-h-hand border border-ink-2 px-3 ${a.state === state ? 'bg-ink font-bold text-sheet' : ''}`}
                >
                  {state}
                </button>
              ))}
              <label className="flex items-center gap-2 text-small">
                probe
                <Input
                  aria-label={`Root ${i + 1}: the probe sank in, cm`}
                  inputMode="decimal"
                  maxLength={5}
                  className="box figures min-h-dense w-20"
                  value={a.probeCm ?? ''}
                  onChange={(e) => {
                    const cm = Number(e.target.value.replace(',', '.'));
                    const probeCm = e.target.value.trim() === '' || !Number.isFinite(cm) ? null : cm;
                    update((f) => ({
                      ...f,
                      anchors: f.anchors.map((x, j) => (j === i ? { ...x, probeCm } : x)),
                    }));
                  }}
                />
                cm
              </label>
            </div>
          ))}
        </div>
      </div>
      <Choices
        label="Do people or buildings stand under it?"
        small
        value={form.peopleBelow === null ? null : form.peopleBelow ? 'yes' : 'no'}
        onChange={(x) => update({ peopleBelow: x === 'yes' })}
        options={[
          { value: 'yes', name: 'yes' },
          { value: 'no', name: 'no' },
        ]}
      />
      <div className="flex flex-wrap items-end gap-x-5 gap-y-2 pb-3">
        {TARGETS.map((kind) => {
          const at = form.targets.find((t) => t.kind === kind);
          return (
            <label key={kind} className="text-small">
              <span className="block first-letter:uppercase">{kind}, m away</span>
              <Input
                inputMode="decimal"
                maxLength={5}
                className="box figures min-h-dense w-24"
                value={at?.metres ?? ''}
                onChange={(e) => {
                  const m = Number(e.target.value.replace(',', '.'));
                  const rest = form.targets.filter((t) => t.kind !== kind);
                  update({
                    targets:
                      e.target.value.trim() === '' || !Number.isFinite(m)
                        ? rest
                        : [...rest, { kind, metres: m, bearing: at?.bearing ?? null }],
                  });
                }}
              />
            </label>
          );
        })}
        <label className="text-small">
          <span className="block">Storms come from</span>
          <Select
            className="box min-h-dense w-auto"
            value={form.windFromDeg ?? ''}
            onChange={(e) => update({ windFromDeg: e.target.value === '' ? null : Number(e.target.value) })}
          >
            <option value="">–</option>
            {BEARINGS.map((b, i) => (
              <option key={b} value={i * 45}>
                {b}
              </option>
            ))}
          </Select>
        </label>
      </div>
    </details>
  );
}
