'use client';

import { Bluetooth, Plus, X } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { doubts } from '@/core/measure/plausible';
import { combinedDiameter, girthFromDiameter, stemDiameters } from '@/core/measure/trunk';
import type { Flare } from '@/core/measure/trunk-marks';
import type { Arc } from '@/core/measure/trunk-marks';
import { RingEntry } from '@/ui/figures/ring-entry.client';
import { readNumber } from '@/lib/units/numbers';
import { CM_PER_IN, LENGTH, showTrunk, type LengthUnit, type UnitSystem } from '@/lib/units/units';
import { simulatedTape } from '@/stand-ins/diameter-tape';
import { Choices, Field, FormIssues, TextArea, TextField } from '@/ui/controls/controls';
import { useDraft, useMadeId, useSend } from '@/ui/controls/use.client';
import { Input, Select } from '@/ui/controls/input.client';
import { useNotify } from '@/ui/frame/undo.client';
import { measureTree } from '../../../offline-commands.client';
import { browserNow } from '@/ui/clock.client';

interface Stem {
  kind: 'girth' | 'diameter';
  value: string;
  unit: LengthUnit;
}
interface Props {
  treeId: string;
  units: UnitSystem;
  breastHeightCm: number;
  host: { growthCmPerYear: number; largestCm: number };
  last: {
    diameterCm: number;
    at: string;
    treeHeightM: number | null;
    crownWidthM: number | null;
    crownBaseM: number | null;
    arcs: Arc[];
    flares: Flare[];
    grainDeg: number;
    stems: number;
  } | null;
}
/** A length of the last reading in the reader's unit, as it would be typed. */
const shown = (metres: number | null | undefined, units: UnitSystem): string =>
  metres === null || metres === undefined
    ? ''
    : String(Math.round((units === 'us' ? (metres * 100) / LENGTH.ft : metres) * 10) / 10);
const ARC_KINDS = [
  { value: 'dead-bark', name: 'dead bark' },
  { value: 'wound', name: 'wound' },
  { value: 'canker', name: 'canker' },
  { value: 'valley', name: 'valley' },
  { value: 'inclusion', name: 'inclusion' },
] as const;

/** Stems as typed, in cm; null while a field cannot be read. */
function readStems(stems: Stem[]) {
  const read = stems.map((s) => readNumber(s.value, { name: '', above: 0, max: 3000 }));
  if (read.some((r) => !r.ok)) return null;
  return stemDiameters(
    stems.map((s, i) => ({ kind: s.kind, typed: { value: (read[i] as { value: number }).value, unit: s.unit } })),
  );
}

export function MeasureBench({ treeId, units, breastHeightCm, host, last }: Props) {
  const router = useRouter();
  const said = useNotify();
  const own: LengthUnit = units === 'us' ? 'in' : 'cm';
  const made = useMadeId(`measure:${treeId}`);
  const { id } = made;
  const [form, setForm, forget] = useDraft(`measure:${treeId}`, {
    stems: [{ kind: 'girth', value: '', unit: own }] as Stem[],
    atHeight: units === 'us' ? (breastHeightCm / CM_PER_IN).toFixed(1) : String(breastHeightCm),
    height: '',
    crownWidth: '',
    crownBase: '',
    flares: last?.flares ?? [],
    grain: last?.grainDeg ? String(last.grainDeg) : '',
    obstacles: '',
    arcs: (last?.arcs ?? []).map((a) => ({ kind: a.kind, from: String(a.from), to: String(a.to) })),
    method: 'tape' as 'tape' | 'diameter tape' | 'sent by tape',
    more: false,
  });
  const { busy, issues, send } = useSend(measureTree, made);
  const stem = (i: number, change: Partial<Stem>) =>
    setForm((f) => ({ ...f, stems: f.stems.map((s, j) => (j === i ? { ...s, ...change } : s)) }));
  const diameters = readStems(form.stems);
  const one = diameters && (diameters.length > 1 ? combinedDiameter(diameters, 'basal-area') : diameters[0]!);
  const height = readNumber(form.height, { name: '', above: 0 });
  const perMetre = units === 'us' ? 100 / LENGTH.ft : 1;
  const metres = height.ok ? height.value / perMetre : (last?.treeHeightM ?? undefined);
  const doubtful = one
    ? doubts({
        diameterCm: one,
        ...(last
          ? {
              last: {
                diameterCm: last.diameterCm,
                yearsAgo: Math.max(0, (browserNow().getTime() - Date.parse(last.at)) / 3.15576e10),
              },
            }
          : {}),
        ...(metres ? { heightM: metres } : {}),
        ...host,
        system: units,
      })
    : [];
  const several = form.stems.length > 1;

  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send(
          {
            id,
            treeId,
            stems: form.stems,
            atHeight: form.atHeight,
            atHeightUnit: units === 'us' ? 'in' : 'cm',
            height: form.height || shown(last?.treeHeightM, units),
            heightUnit: units === 'us' ? 'ft' : 'm',
            crownWidth: form.crownWidth || shown(last?.crownWidthM, units),
            crownBase: form.crownBase || shown(last?.crownBaseM, units),
            flares: form.flares,
            grain: form.grain,
            obstacles: form.obstacles,
            arcs: form.arcs,
            method: form.method,
          },
          ({ next }) => {
            forget();
            said({ sentence: 'Reading kept.' });
            router.push(next);
          },
        );
      }}
    >
      <h1 className="mb-4">Put the tape around</h1>
      <FormIssues
        issues={issues}
        known={['stems', 'atHeight', 'height', 'crownWidth', 'crownBase', 'obstacles', 'arcs', 'grain']}
      />
      {form.stems.map((s, i) => (
        <div key={i} className="flex flex-wrap items-end gap-x-4">
          <div className="min-w-56 flex-1">
            <Field
              label={`${several ? `Stem ${i + 1}: ` : ''}${s.kind === 'girth' ? 'Girth' : 'Diameter'}, ${s.unit}`}
              path={`stems.${i}`}
              issues={issues}
            >
              {(p) => (
                <Input
                  {...p}
                  autoFocus={i === 0}
                  className="box box-number"
                  inputMode="decimal"
                  autoComplete="off"
                  maxLength={20}
                  value={s.value}
                  onChange={(e) => stem(i, { value: e.target.value })}
                />
              )}
            </Field>
          </div>
          <Choices
            small
            label="Read as"
            value={s.kind}
            onChange={(kind) => stem(i, { kind })}
            options={[
              { value: 'girth', name: 'girth' },
              { value: 'diameter', name: 'diameter' },
            ]}
          />
          <Choices
            small
            label="Unit"
            value={s.unit}
            onChange={(unit) => stem(i, { unit })}
            options={(['mm', 'cm', 'in'] as const).map((u) => ({ value: u, name: u }))}
          />
          {several && (
            <button
              type="button"
              aria-label={`Remove stem ${i + 1}`}
              className="press mb-4"
              onClick={() => setForm((f) => ({ ...f, stems: f.stems.filter((_, j) => j !== i) }))}
            >
              <X aria-hidden size={18} />
            </button>
          )}
        </div>
      ))}
      <div className="mb-5 flex flex-wrap gap-3">
        <button
          type="button"
          className="press"
          onClick={() => {
            const sent = simulatedTape(
              last?.diameterCm ?? null,
              last ? (browserNow().getTime() - Date.parse(last.at)) / 3.15576e10 : 0,
            ).read();
            setForm((f) => ({
              ...f,
              method: 'sent by tape',
              stems: [{ kind: sent.kind, value: String(sent.typed.value), unit: sent.typed.unit }, ...f.stems.slice(1)],
            }));
          }}
        >
          <Bluetooth size={18} aria-hidden /> Take from the tape (simulated)
        </button>
        <button
          type="button"
          className="press"
          disabled={form.stems.length >= 12}
          onClick={() =>
            setForm((f) => ({
              ...f,
              stems: [...f.stems, { kind: f.stems[0]!.kind, value: '', unit: f.stems[0]!.unit }],
            }))
          }
        >
          <Plus size={18} aria-hidden /> Another stem
        </button>
      </div>

      <div aria-live="polite" className="mb-5 grid grid-cols-2 gap-4 border-y border-line py-3">
        <div>
          <p className="text-[0.9375rem] text-ink-2">Diameter</p>
          <p className="figures text-tag leading-none font-bold phone:text-[2rem]">
            {one ? showTrunk(one, units).text : '–'}
          </p>
        </div>
        <div>
          <p className="text-[0.9375rem] text-ink-2">Girth</p>
          <p className="figures text-tag leading-none font-bold phone:text-[2rem]">
            {one ? showTrunk(girthFromDiameter(one), units).text : '–'}
          </p>
        </div>
        {several && diameters && (
          <p className="col-span-2 text-[0.9375rem]">
            {diameters.length} stems: basal-area equivalent {showTrunk(one!, units).text}; sum{' '}
            {showTrunk(combinedDiameter(diameters, 'sum'), units).text}. The label decides which counts.
          </p>
        )}
        {doubtful.map((d) => (
          <p key={d.id} className="col-span-2 border-l-[3px] border-sap pl-3 font-semibold text-sap">
            {d.sentence}
          </p>
        ))}
      </div>

      <details
        open={form.more}
        onToggle={(e) => e.currentTarget.open !== form.more && setForm((f) => ({ ...f, more: !f.more }))}
        className="mb-5"
      >
        <summary className="min-h-hand py-3 font-bold">Height, crown, ring, obstacles</summary>
        <div className="pt-2">
          <div className="grid grid-cols-2 gap-x-4">
            <TextField
              label={`Read at height, ${units === 'us' ? 'in' : 'cm'}`}
              path="atHeight"
              issues={issues}
              value={form.atHeight}
              onChange={(atHeight) => setForm((f) => ({ ...f, atHeight }))}
              inputMode="decimal"
              maxLength={20}
            />
            <TextField
              label={`Tree height, ${units === 'us' ? 'ft' : 'm'}`}
              path="height"
              issues={issues}
              hint={last?.treeHeightM ? 'Left empty: as last time.' : undefined}
              value={form.height}
              onChange={(h) => setForm((f) => ({ ...f, height: h }))}
              inputMode="decimal"
              maxLength={20}
            />
          </div>
          <div className="grid grid-cols-2 gap-x-4">
            <TextField
              label={`Crown width, ${units === 'us' ? 'ft' : 'm'}`}
              path="crownWidth"
              issues={issues}
              hint={last?.crownWidthM ? 'Left empty: as last time.' : 'For sprays, probes and feeds.'}
              value={form.crownWidth}
              onChange={(crownWidth) => setForm((f) => ({ ...f, crownWidth }))}
              inputMode="decimal"
              maxLength={20}
            />
            <TextField
              label={`Lowest leaves at, ${units === 'us' ? 'ft' : 'm'}`}
              path="crownBase"
              issues={issues}
              value={form.crownBase}
              onChange={(crownBase) => setForm((f) => ({ ...f, crownBase }))}
              inputMode="decimal"
              maxLength={20}
            />
          </div>
          <TextArea
            label="In the way (ivy, swelling, slope, lean)"
            path="obstacles"
            issues={issues}
            rows={2}
            value={form.obstacles}
            onChange={(obstacles) => setForm((f) => ({ ...f, obstacles }))}
          />
          <h2 className="mb-2">The ring: flares, and bark to keep clear of</h2>
          <RingEntry
            flares={form.flares}
            arcs={form.arcs.flatMap((a) => {
              const [from, to] = [Number(a.from), Number(a.to)];
              return a.from && a.to && Number.isFinite(from) && Number.isFinite(to) ? [{ kind: a.kind, from, to }] : [];
            })}
            onFlares={(flares) => setForm((f) => ({ ...f, flares }))}
            onArcs={(arcs) =>
              setForm((f) => ({
                ...f,
                arcs: arcs.map((a) => ({ kind: a.kind, from: String(a.from), to: String(a.to) })),
              }))
            }
          />
          <div className="max-w-80">
            <TextField
              label="The grain spirals, ° clockwise going down"
              path="grain"
              issues={issues}
              hint="Empty: straight. Anticlockwise with a minus."
              value={form.grain}
              onChange={(grain) => setForm((f) => ({ ...f, grain }))}
              inputMode="text"
              maxLength={5}
            />
          </div>
          {form.arcs.map((a, i) => (
            <div key={i} className="flex flex-wrap items-end gap-3">
              <Field label="What" path={`arcs.${i}.kind`}>
                {(p) => (
                  <Select
                    {...p}
                    className="box"
                    value={a.kind}
                    onChange={(e) =>
                      setForm((f) => ({
                        ...f,
                        arcs: f.arcs.map((x, j) => (j === i ? { ...x, kind: e.target.value as Arc['kind'] } : x)),
                      }))
                    }
                  >
                    {ARC_KINDS.map((k) => (
                      <option key={k.value} value={k.value}>
                        {k.name}
                      </option>
                    ))}
                  </Select>
                )}
              </Field>
              {(['from', 'to'] as const).map((end) => (
                <div key={end} className="w-28">
                  <TextField
                    label={`${end}, °`}
                    path={`arcs.${i}`}
                    issues={issues}
                    inputMode="numeric"
                    value={a[end]}
                    onChange={(x) =>
                      setForm((f) => ({ ...f, arcs: f.arcs.map((y, j) => (j === i ? { ...y, [end]: x } : y)) }))
                    }
                  />
                </div>
              ))}
              <button
                type="button"
                className="press mb-4"
                aria-label={`Remove arc ${i + 1}`}
                onClick={() => setForm((f) => ({ ...f, arcs: f.arcs.filter((_, j) => j !== i) }))}
              >
                <X aria-hidden size={18} />
              </button>
            </div>
          ))}
          <button
            type="button"
            className="press"
            onClick={() => setForm((f) => ({ ...f, arcs: [...f.arcs, { kind: 'dead-bark', from: '', to: '' }] }))}
          >
            <Plus size={18} aria-hidden /> An arc, clockwise from north
          </button>
        </div>
      </details>
      <div className="phone:fixed phone:inset-x-0 phone:bottom-0 phone:z-10 phone:border-t-2 phone:border-bark phone:bg-sheet phone:p-3">
        <button data-confirm className="press press-main min-w-64 phone:w-full" disabled={busy}>
          {busy ? 'Keeping …' : 'Keep this reading'}
        </button>
      </div>
    </form>
  );
}
