'use client';

import { useState } from 'react';
import { bandArea, INTAKE, splitPasses, USUAL_BAND, waterDepth, type SoilTexture } from '@/core/basin/basin';
import { dose } from '@/core/dose/dose';
import type { Label } from '@/core/label/schema';
import { combinedDiameter, diameterFromGirth, girthFromDiameter } from '@/core/measure/trunk';
import type { Vessel } from '@/core/dose/vessels';
import { degreeDays } from '@/core/season/degree-days';
import { readNumber } from '@/lib/units/numbers';
import {
  figure,
  LENGTH,
  showAmount,
  showArea,
  showFine,
  showTrunk,
  showVolume,
  VOLUME,
  type UnitSystem,
} from '@/lib/units/units';
import { vapourDeficit } from '@/core/weather/air';
import { Choices, SelectField, TextField } from '@/ui/controls/controls';
import { SeasonTools } from './season.client';
import { Pour } from '@/ui/frame/pieces';
import { read, Tool } from './tool.client';

export function Tools({ units, vessels, labels }: { units: UnitSystem; vessels: Vessel[]; labels: Label[] }) {
  const us = units === 'us';
  const unit = us ? 'in' : 'cm';
  return (
    <div className="grid gap-x-12 desk:grid-cols-2">
      <Tool
        title="Girth and diameter"
        fields={[
          ['girth', `Girth, ${unit}`],
          ['diameter', `or diameter, ${unit}`],
        ]}
      >
        {(v) => {
          const g = read(v, { girth: { name: 'The girth', above: 0, max: 3000 } });
          const d = read(v, { diameter: { name: 'The diameter', above: 0, max: 1000 } });
          const cm = g.ok ? diameterFromGirth(g.n.girth * LENGTH[unit]) : d.ok ? d.n.diameter * LENGTH[unit] : null;
          return {
            issues: [...(g.ok ? [] : g.issues), ...(d.ok ? [] : d.issues)],
            out: cm !== null && (
              <>
                <Pour label="Diameter" value={showTrunk(cm, units).value} unit={unit}>
                  {figure(cm, 6)} cm, {figure(cm / LENGTH.in, 6)} in
                </Pour>
                <Pour label="Girth" value={showTrunk(girthFromDiameter(cm), units).value} unit={unit} />
              </>
            ),
          };
        }}
      </Tool>
      <Tool
        title="Several stems"
        fields={[
          ['a', `First, ${unit} across`],
          ['b', 'Second'],
          ['c', 'Third'],
        ]}
      >
        {(v) => {
          const all = ['a', 'b', 'c']
            .filter((k) => (v[k] ?? '').trim())
            .map((k) => [k, readNumber(v[k]!, { name: 'The diameter', above: 0, max: 1000 })] as const);
          const good = all.flatMap(([, r]) => (r.ok ? [r.value * LENGTH[unit]] : []));
          return {
            issues: all.flatMap(([path, r]) => (r.ok ? [] : [{ path, message: r.sentence }])),
            out: good.length > 1 && good.length === all.length && (
              <>
                <Pour
                  label="Basal-area equivalent"
                  value={showTrunk(combinedDiameter(good, 'basal-area'), units).value}
                  unit={unit}
                />
                <Pour label="Sum" value={showTrunk(combinedDiameter(good, 'sum'), units).value} unit={unit}>
                  The label says which counts; they differ by{' '}
                  {figure(100 * (combinedDiameter(good, 'sum') / combinedDiameter(good, 'basal-area') - 1), 2)} %.
                </Pour>
              </>
            ),
          };
        }}
      </Tool>
      <DoseTool labels={labels} vessels={vessels} units={units} />
      <BasinTool units={units} />
      <Tool
        title="How hard the air pulls"
        fields={[
          ['t', `Air, ${us ? '°F' : '°C'}`],
          ['h', 'Humidity, %'],
        ]}
      >
        {(v) => {
          const r = read(v, {
            t: { name: 'The temperature', min: -40, max: us ? 130 : 55 },
            h: { name: 'The humidity', min: 0, max: 100 },
          });
          return {
            issues: r.ok ? [] : r.issues,
            out: r.ok && (
              <Pour
                label="Vapour-pressure deficit"
                value={figure(vapourDeficit(us ? (r.n.t - 32) / 1.8 : r.n.t, r.n.h), 3)}
                unit="kPa"
              />
            ),
          };
        }}
      </Tool>
      <Tool
        title="Degree-days of a day"
        fields={[
          ['min', 'Lowest, °C'],
          ['max', 'Highest, °C'],
          ['base', 'Threshold, °C'],
        ]}
      >
        {(v) => {
          const r = read(v, {
            min: { name: 'The lowest', min: -50, max: 50 },
            max: { name: 'The highest', min: -50, max: 60 },
            base: { name: 'The threshold', min: -20, max: 40 },
          });
          const turned = r.ok && r.n.max < r.n.min;
          return {
            issues: turned ? [{ path: 'max', message: 'The highest lies below the lowest.' }] : r.ok ? [] : r.issues,
            out: r.ok && !turned && (
              <Pour label="Single sine" value={figure(degreeDays(r.n.min, r.n.max, r.n.base), 4)} unit="°C·d">
                By the average method {figure(degreeDays(r.n.min, r.n.max, r.n.base, undefined, 'average'), 4)}; windows
                name the method they were built on.
              </Pour>
            ),
          };
        }}
      </Tool>
      <SeasonTools units={units} />
    </div>
  );
}

function DoseTool({ labels, vessels, units }: { labels: Label[]; vessels: Vessel[]; units: UnitSystem }) {
  const uses = labels.flatMap((l) =>
    l.uses.map((u) => ({ value: `${l.key}/${u.key}`, name: `${l.name}: ${u.title}`, label: l, use: u })),
  );
  const [pick, setPick] = useState(uses[0]?.value ?? '');
  const [girth, setGirth] = useState('');
  const unit = units === 'us' ? 'in' : 'cm';
  const chosen = uses.find((u) => u.value === pick);
  const g = readNumber(girth, { name: 'The girth', above: 0, max: 3000, unit });
  const result =
    chosen && g.ok
      ? dose({
          label: chosen.label,
          useKey: chosen.use.key,
          diameters: [diameterFromGirth(g.value * LENGTH[unit])],
          vessels,
          siteAreaM2: 10_000,
          system: units,
        })
      : null;
  return (
    <section className="border-t border-line py-5">
      <h2 className="mb-2">A dose from a label</h2>
      <SelectField label="Label and use" path="use" value={pick} onChange={setPick} options={uses} />
      <TextField
        label={`Girth, ${unit}`}
        path="girth"
        issues={girth.trim() && !g.ok ? [{ path: 'girth', message: g.sentence }] : []}
        inputMode="decimal"
        maxLength={20}
        value={girth}
        onChange={setGirth}
      />
      <div aria-live="polite">
        {result?.ok && (
          <>
            <Pour
              label="Product"
              value={showAmount(result.product, result.dimension, units).value}
              unit={showAmount(result.product, result.dimension, units).unit}
            >
              {result.sites && `${result.sites.count} sites. `}
              {result.carrier && `Fill with water to ${showVolume(result.carrier.totalMl, units).text}. `}A yearly cap
              is counted here as on one hectare.
            </Pour>
            <ol className="list-decimal pl-5 text-[0.9375rem]">
              {result.steps.map((s, i) => (
                <li key={i}>
                  {s.what}: {s.sum} = <b className="figures">{s.result}</b>
                </li>
              ))}
            </ol>
          </>
        )}
        {result && !result.ok && result.issues.map((f) => <p key={f.path}>{f.message}</p>)}
      </div>
    </section>
  );
}

function BasinTool({ units }: { units: UnitSystem }) {
  const us = units === 'us';
  const unit = us ? 'in' : 'cm';
  const [soil, setSoil] = useState<SoilTexture>('loam');
  return (
    <div>
      <Tool
        title="Basin"
        fields={[
          ['girth', `Girth, ${unit}`],
          ['volume', `Mix, ${us ? 'gal' : 'L'}`],
        ]}
      >
        {(v) => {
          const r = read(v, {
            girth: { name: 'The girth', above: 0, max: 3000 },
            volume: { name: 'The mix', above: 0, max: 10_000 },
          });
          if (!r.ok) return { issues: r.issues, out: null };
          const m2 = bandArea(diameterFromGirth(r.n.girth * LENGTH[unit]), USUAL_BAND.inner, USUAL_BAND.outer);
          const mm = waterDepth(r.n.volume * VOLUME[us ? 'gal' : 'L'], m2);
          const p = splitPasses(mm, INTAKE[soil]);
          return {
            issues: [],
            out: (
              <Pour
                label={`On ${showArea(m2, units).text}, ${showTrunk(USUAL_BAND.inner, units).value}–${showTrunk(USUAL_BAND.outer, units).text} from the bark`}
                value={showFine(mm, units).value}
                unit={showFine(mm, units).unit}
              >
                {p.passes === 1 ? 'In one pass.' : `In ${p.passes} passes, ${p.waitMinutes} minutes apart.`}
              </Pour>
            ),
          };
        }}
      </Tool>
      <Choices
        small
        label="Soil"
        value={soil}
        onChange={setSoil}
        options={(['sandy', 'loam', 'clay'] as const).map((s) => ({ value: s, name: s }))}
      />
    </div>
  );
}
