'use client';

import { X } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { dose } from '@/core/dose/dose';
import { METHOD_NAMES, METHODS, type Method } from '@/core/label/methods';
import { labelSchema, type Label } from '@/core/label/schema';
import { readNumber } from '@/core/units/numbers';
import { AREA, LENGTH, MASS, showAmount, showTrunk, VOLUME, type UnitSystem } from '@/core/units/units';
import { Choices, FormFaults, SelectField, TextArea, TextField, Tick } from '@/ui/controls/controls';
import { useDraft, useSend } from '@/ui/controls/use.client';
import { Frame } from '@/ui/frame/frame';
import { useSaid } from '@/ui/frame/undo.client';
import { bringLabel } from '../../actions';

interface Named {
  id: string;
  name: string;
}
const PER = ['diameter', 'girth', 'tree', 'site', 'hole', 'area', 'spray-volume'] as const;
type Per = (typeof PER)[number];
const PER_WORDS: Record<Per, string> = {
  diameter: 'of trunk diameter',
  girth: 'of girth',
  tree: 'a tree',
  site: 'an injection site',
  hole: 'a probe hole',
  area: 'of treated ground',
  'spray-volume': 'of spray',
};
const unitsFor = (per: Per): string[] =>
  per === 'diameter' || per === 'girth'
    ? Object.keys(LENGTH)
    : per === 'area'
      ? Object.keys(AREA)
      : per === 'spray-volume'
        ? Object.keys(VOLUME)
        : [];
const AMOUNTS = [...Object.keys(VOLUME), ...Object.keys(MASS)];
const LIMITS = ['per-tree', 'per-application', 'per-tree-year', 'per-area-year', 'min-size', 'max-size'] as const;
const slug = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60) || 'label';

/** The form as typed: text throughout, so that nothing typed is lost while it is no number yet. */
function blank(from: Label | null) {
  const use = from?.uses[0];
  const point = use?.rate.dose.form === 'flat' ? use.rate.dose.point : undefined;
  const basis = use?.rate.basis;
  const each = basis && 'each' in basis ? basis.each : undefined;
  return {
    name: from?.name ?? '',
    registration: from?.registration ?? '',
    formulation: from?.formulation ?? 'SL',
    signalWord: from?.signalWord ?? ('none' as const),
    restricted: from?.restricted ?? false,
    organic: from?.organic ?? false,
    systemic: from?.systemic ?? false,
    beeHazard: from?.beeHazard ?? ('none' as const),
    licence: from?.licenceCategory ?? '',
    actives: (from?.actives ?? [{ name: '', group: { scheme: 'none' as const, code: '' }, family: '' }]).map((a) => ({
      name: a.name,
      amount: String(('gPerL' in a && a.gPerL) || ('massFraction' in a && a.massFraction ? 100 * a.massFraction : '')),
      as: 'massFraction' in a && a.massFraction ? ('%' as const) : ('g/L' as const),
      group: a.group.scheme === 'none' ? '' : `${a.group.scheme} ${a.group.code}`,
      family: a.family,
    })),
    title: use?.title ?? '',
    method: (use?.method ?? 'soil-drench') as Method,
    hosts: use?.hosts ?? ([] as string[]),
    targets: use?.targets ?? ([] as string[]),
    purpose: use?.purpose ?? ('both' as const),
    of: use?.rate.of ?? ('product' as const),
    low: point ? String(point.kind === 'range' ? point.low : point.value) : '',
    high: point?.kind === 'range' ? String(point.high) : '',
    unit: point?.unit ?? ('mL' as string),
    per: (basis?.per ?? 'diameter') as Per,
    each: each ? String(each.value) : '1',
    eachUnit: (each?.unit ?? 'cm') as string,
    stems: use?.rate.stems ?? ('unanswered' as const),
    text: use?.rate.text ?? '',
    water: use?.carrier.kind === 'fixed' ? String(use.carrier.volume.value) : '',
    waterUnit: use?.carrier.kind === 'fixed' ? (use.carrier.volume.unit as string) : 'L',
    siteEvery: use?.sites && 'each' in use.sites.count ? String(use.sites.count.each.value) : '5',
    siteUnit: use?.sites && 'each' in use.sites.count ? (use.sites.count.each.unit as string) : 'cm',
    drill: String(use?.sites?.drillMm ?? 6),
    depth: String(use?.sites?.depthMm ?? 20),
    height: String(use?.sites?.heightCm ?? 20),
    spacing: String(use?.sites?.minSpacingCm ?? 5),
    stock: from?.stock ? String(from.stock.concentrate.value) : '',
    stockUnit: from?.stock?.concentrate.unit ?? ('mL' as string),
    madeUpTo: from?.stock ? String(from.stock.madeUpTo.value) : '',
    madeUpUnit: from?.stock?.madeUpTo.unit ?? ('mL' as string),
    limits: (use?.limits ?? []).map((l) => ({
      limit: l.limit as (typeof LIMITS)[number],
      value: String('amount' in l ? l.amount.value : l.size.value),
      unit: ('amount' in l ? l.amount.unit : l.size.unit) as string,
      text: l.text,
    })),
    minDays: String(use?.intervals.minDays ?? ''),
    maxPerYear: String(use?.intervals.maxPerYear ?? ''),
    preHarvest: String(use?.intervals.preHarvestDays ?? ''),
    reEntry: String(use?.intervals.reEntryHours ?? ''),
    minC: String(use?.conditions?.minC ?? ''),
    maxC: String(use?.conditions?.maxC ?? ''),
    wind: String(use?.conditions?.maxWindMs ?? ''),
    rain: String(use?.conditions?.rainFreeHours ?? ''),
    waterDistance: String(use?.conditions?.waterDistanceM ?? ''),
    bloomDays: String(use?.conditions?.bloomDays ?? ''),
    months: (use?.months ?? []).join(', '),
    needsLeaf: use?.needsLeaf ?? false,
    protection: (use?.protection ?? []).join('\n'),
    price: from?.priceMinor ? String(from.priceMinor / 100) : '',
  };
}
type Form = ReturnType<typeof blank>;

const n = (text: string): number | undefined => {
  const read = readNumber(text, { name: '' });
  return read.ok ? read.value : undefined;
};
const optional = <K extends string>(key: K, text: string) => {
  const value = n(text);
  return value === undefined ? {} : ({ [key]: value } as Record<K, number>);
};

/** The label that the form says, over the version it came from: what the form does not show is kept. */
function toLabel(f: Form, from: Label | null): unknown {
  const first = from?.uses[0];
  const rangeHigh = n(f.high);
  const point =
    rangeHigh === undefined
      ? { kind: 'single', value: n(f.low), unit: f.unit }
      : {
          ...(first?.rate.dose.form === 'flat' && first.rate.dose.point.kind === 'range' ? first.rate.dose.point : {}),
          kind: 'range',
          low: n(f.low),
          high: rangeHigh,
          unit: f.unit,
        };
  const basis = unitsFor(f.per).length
    ? { per: f.per, each: { value: n(f.each), unit: f.eachUnit }, ...(f.per === 'area' ? { ground: 'treated' } : {}) }
    : { per: f.per };
  const conditions = {
    ...first?.conditions,
    ...optional('minC', f.minC),
    ...optional('maxC', f.maxC),
    ...optional('maxWindMs', f.wind),
    ...optional('rainFreeHours', f.rain),
    ...optional('waterDistanceM', f.waterDistance),
    ...optional('bloomDays', f.bloomDays),
  };
  const use = {
    ...first,
    key: first?.key ?? slug(f.title),
    title: f.title,
    method: f.method,
    hosts: f.hosts,
    targets: f.targets,
    purpose: f.purpose,
    rate: {
      ...first?.rate,
      of: f.of,
      basis,
      dose: first?.rate.dose.form === 'classes' ? first.rate.dose : { form: 'flat', point },
      stems: f.stems,
      measuredAt: first?.rate.measuredAt ?? 'breast-height',
      text: f.text,
    },
    carrier: f.water.trim()
      ? { kind: 'fixed', volume: { value: n(f.water), unit: f.waterUnit }, text: `${f.water} ${f.waterUnit} of water.` }
      : first && first.carrier.kind !== 'fixed'
        ? first.carrier
        : { kind: 'none' },
    ...(f.method === 'trunk-injection'
      ? {
          sites: {
            ...first?.sites,
            count:
              first?.sites && !('each' in first.sites.count)
                ? first.sites.count
                : {
                    rule: first?.sites?.count.rule ?? 'per-diameter',
                    each: { value: n(f.siteEvery), unit: f.siteUnit },
                  },
            drillMm: n(f.drill),
            depthMm: n(f.depth),
            heightCm: n(f.height),
            minSpacingCm: n(f.spacing),
            text: first?.sites?.text ?? `One site for each ${f.siteEvery} ${f.siteUnit}.`,
          },
        }
      : {}),
    ...(f.per === 'hole' && !first?.rootzone ? { rootzone: { text: f.text } } : {}),
    limits: f.limits.map((l) => {
      const text = l.text || `${l.limit.replace(/-/g, ' ')} ${l.value} ${l.unit}`;
      const value = { value: n(l.value), unit: l.unit };
      if (l.limit === 'min-size' || l.limit === 'max-size')
        return { limit: l.limit, by: 'diameter', size: value, text };
      if (l.limit === 'per-area-year')
        return { limit: l.limit, active: f.actives[0]?.name, amount: value, each: { value: 1, unit: 'ha' }, text };
      return { limit: l.limit, of: 'product', amount: value, text };
    }),
    months: f.months.split(',').flatMap((m) => (m.trim() ? [Number(m.trim())] : [])),
    needsLeaf: f.needsLeaf,
    intervals: {
      ...optional('minDays', f.minDays),
      ...optional('maxPerYear', f.maxPerYear),
      ...optional('preHarvestDays', f.preHarvest),
      reEntryHours: n(f.reEntry),
      text: first?.intervals.text ?? 'As entered.',
    },
    ...(Object.keys(conditions).length ? { conditions: { text: 'As entered.', ...conditions } } : {}),
    protection: f.protection
      .split('\n')
      .map((p) => p.trim())
      .filter(Boolean),
    followUps: first?.followUps ?? [],
  };
  return {
    ...from,
    format: 'elmhorn-label',
    formatVersion: 1,
    key: from?.key ?? slug(`${f.name}-${f.registration}`),
    version: (from?.version ?? 0) + 1,
    name: f.name,
    training: from?.training ?? false,
    registration: f.registration,
    formulation: f.formulation,
    signalWord: f.signalWord,
    restricted: f.restricted,
    organic: f.organic,
    systemic: f.systemic,
    beeHazard: f.beeHazard,
    ...(f.licence.trim() ? { licenceCategory: f.licence.trim() } : {}),
    actives: f.actives.map((a, i) => {
      const [scheme, ...code] = a.group.trim().split(/\s+/);
      const value = n(a.amount);
      return {
        ...from?.actives[i],
        name: a.name,
        ...(a.as === '%'
          ? { massFraction: value === undefined ? undefined : value / 100, gPerL: undefined }
          : { gPerL: value, massFraction: undefined }),
        group: scheme ? { scheme: scheme.toUpperCase(), code: code.join(' ') } : { scheme: 'none', code: '' },
        family: a.family || 'other',
      };
    }),
    ...(f.stock.trim()
      ? {
          stock: {
            concentrate: { value: n(f.stock), unit: f.stockUnit },
            madeUpTo: { value: n(f.madeUpTo), unit: f.madeUpUnit },
            text: `${f.stock} ${f.stockUnit} made up to ${f.madeUpTo} ${f.madeUpUnit}.`,
          },
        }
      : {}),
    ...(n(f.price) === undefined ? {} : { priceMinor: Math.round(n(f.price)! * 100) }),
    uses: [use, ...(from?.uses.slice(1) ?? [])],
  };
}

export function LabelEditor({
  from,
  hosts,
  targets,
  units,
}: {
  from: Label | null;
  hosts: Named[];
  targets: Named[];
  units: UnitSystem;
}) {
  const router = useRouter();
  const said = useSaid();
  const [f, setForm, forget] = useDraft<Form>(`label:${from ? `${from.key}-${from.version}` : 'new'}`, blank(from));
  const { busy, faults, send } = useSend(bringLabel);
  const set = <K extends keyof Form>(k: K, value: Form[K]) => setForm((was) => ({ ...was, [k]: value }));
  const data = useMemo(() => toLabel(f, from), [f, from]);
  const read = useMemo(() => labelSchema.safeParse(data), [data]);
  const begun = f.name !== '' && f.low !== '';
  const issues = read.success ? [] : read.error.issues;
  const example = read.success
    ? dose({
        label: read.data,
        useKey: read.data.uses[0]!.key,
        diameters: [40],
        vessels: [],
        siteAreaM2: 10_000,
        areaM2: 20,
        holes: 60,
        sprayVolumeMl: 20_000,
        system: units,
      })
    : null;
  const word = (k: keyof Form, label: string, more: object = {}) => (
    <TextField label={label} path={k} value={String(f[k])} onChange={(x) => set(k, x as never)} {...more} />
  );
  const blankIn = (k: keyof Form, name: string, width = 'w-24') => (
    <input
      aria-label={name}
      className={`box inline-block ${width}`}
      inputMode="decimal"
      maxLength={20}
      value={String(f[k])}
      onChange={(e) => set(k, e.target.value as never)}
    />
  );
  const pickIn = (k: keyof Form, name: string, options: readonly string[], words?: Record<string, string>) => (
    <select
      aria-label={name}
      className="box inline-block w-auto"
      value={String(f[k])}
      onChange={(e) => set(k, e.target.value as never)}
    >
      {options.map((o) => (
        <option key={o} value={o}>
          {words?.[o] ?? o}
        </option>
      ))}
    </select>
  );
  const margin = (
    <>
      <section aria-live="polite">
        <h2 className="text-body">For a trunk of {showTrunk(40, units).text}</h2>
        {example?.ok ? (
          <>
            <p className="figures text-tag leading-tight font-bold">
              {showAmount(example.product, example.dimension, units).text}
            </p>
            <ul className="text-[0.9375rem]">
              {example.steps.map((s, i) => (
                <li key={i} className="row py-1">
                  {s.what}: {s.sum} = <b>{s.result}</b>
                </li>
              ))}
            </ul>
            <p className="text-small text-ink-2">
              Ground of 20 m², 60 holes or 20 L of spray, where the rate goes by those.
            </p>
          </>
        ) : (
          <p className="text-ink-2">
            {example ? example.faults[0]!.sentence : 'Fill the sentence of the rate, and the sum stands here.'}
          </p>
        )}
      </section>
      {begun && issues.length > 0 && (
        <section>
          <h2 className="text-body">Still to be put right</h2>
          <ul role="status">
            {issues.slice(0, 8).map((i) => (
              <li key={i.path.join('.') + i.message} className="row py-1.5 text-[0.9375rem] font-semibold text-sap">
                {i.path.filter((p) => p !== 'uses' && p !== 0).join(' › ') || 'the label'}: {i.message}
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
  return (
    <Frame
      tag={<p className="text-lead leading-tight font-extrabold">{f.name || 'A new label'}</p>}
      margin={margin}
      handle="The sum, and what is missing"
    >
      <form
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          send({ text: JSON.stringify(data) }, ({ name, version }) => {
            forget();
            said({
              sentence: `${name} stands on the shelf as version ${version}; sign it once it is read against the label.`,
            });
            router.push('/shelf');
          });
        }}
      >
        <h1>{from ? `The next version of ${from.name}` : 'Enter a label from the paper'}</h1>
        <p className="mb-4 text-ink-2">Copy what the label in hand says, in its own units. Nothing is rounded here.</p>
        <FormFaults faults={faults} />
        <h2 className="mb-2">Who it is</h2>
        <div className="grid gap-x-5 desk:grid-cols-2">
          {word('name', 'Name on the label', { maxLength: 200 })}
          {word('registration', 'Registration number', { maxLength: 60 })}
          {word('formulation', 'Formulation, like SL or WG', { maxLength: 60 })}
          {word('licence', 'Licence class it asks for', { maxLength: 60, hint: 'Empty: none.' })}
        </div>
        <Choices
          small
          label="Signal word"
          value={f.signalWord}
          onChange={(x) => set('signalWord', x)}
          options={(['none', 'Caution', 'Warning', 'Danger'] as const).map((x) => ({ value: x, name: x }))}
        />
        <Choices
          small
          label="Harm to bees"
          value={f.beeHazard}
          onChange={(x) => set('beeHazard', x)}
          options={(['none', 'moderate', 'high'] as const).map((x) => ({ value: x, name: x }))}
        />
        <div className="mb-4 flex flex-wrap gap-x-8">
          <Tick checked={f.restricted} onChange={(x) => set('restricted', x)}>
            Restricted use
          </Tick>
          <Tick checked={f.systemic} onChange={(x) => set('systemic', x)}>
            Moves in the tree
          </Tick>
          <Tick checked={f.organic} onChange={(x) => set('organic', x)}>
            Organic-listed
          </Tick>
        </div>
        {f.actives.map((a, i) => {
          const change = (next: Partial<typeof a>) =>
            set(
              'actives',
              f.actives.map((x, j) => (j === i ? { ...x, ...next } : x)),
            );
          return (
            <div key={i} className="grid items-end gap-x-3 desk:grid-cols-[2fr_1fr_1fr_1fr_1fr_auto]">
              <TextField
                label={`Active ${i + 1}`}
                path={`actives.${i}`}
                maxLength={80}
                value={a.name}
                onChange={(name) => change({ name })}
              />
              <TextField
                label="Strength"
                path={`actives.${i}.amount`}
                inputMode="decimal"
                maxLength={20}
                value={a.amount}
                onChange={(amount) => change({ amount })}
              />
              <SelectField
                label="in"
                path={`actives.${i}.as`}
                value={a.as}
                onChange={(as) => change({ as })}
                options={[
                  { value: 'g/L', name: 'g/L' },
                  { value: '%', name: '% by weight' },
                ]}
              />
              <TextField
                label="Group"
                path={`actives.${i}.group`}
                maxLength={16}
                placeholder="IRAC 4A"
                value={a.group}
                onChange={(group) => change({ group })}
              />
              <TextField
                label="Family"
                path={`actives.${i}.family`}
                maxLength={60}
                placeholder="oil, sulphur …"
                value={a.family}
                onChange={(family) => change({ family })}
              />
              <button
                type="button"
                className="press mb-4"
                aria-label={`Remove active ${i + 1}`}
                disabled={f.actives.length === 1}
                onClick={() =>
                  set(
                    'actives',
                    f.actives.filter((_, j) => j !== i),
                  )
                }
              >
                <X size={18} aria-hidden />
              </button>
            </div>
          );
        })}
        {f.actives.length < 6 && (
          <button
            type="button"
            className="press"
            onClick={() => set('actives', [...f.actives, { name: '', amount: '', as: 'g/L', group: '', family: '' }])}
          >
            Another active
          </button>
        )}

        <h2 className="mt-7 mb-2">What for</h2>
        {word('title', 'Use, as the label heads it', { maxLength: 200 })}
        <SelectField
          label="Method"
          path="method"
          value={f.method}
          onChange={(x) => set('method', x)}
          options={METHODS.map((m) => ({ value: m, name: METHOD_NAMES[m] }))}
        />
        <Picked label="On" all={hosts} chosen={f.hosts} onChange={(x) => set('hosts', x)} />
        <Picked label="Against" all={targets} chosen={f.targets} onChange={(x) => set('targets', x)} />
        <Choices
          small
          label="It"
          value={f.purpose}
          onChange={(x) => set('purpose', x)}
          options={[
            { value: 'preventive', name: 'protects' },
            { value: 'curative', name: 'cures' },
            { value: 'both', name: 'does both' },
          ]}
        />

        <h2 className="mt-7 mb-2">The rate, as a sentence</h2>
        {from?.uses[0]?.rate.dose.form === 'classes' ? (
          <p className="mb-4">This use has a class table of sizes; it is kept as it is. Change it in the JSON file.</p>
        ) : (
          <p className="mb-4 flex flex-wrap items-center gap-2 text-lead">
            Give {blankIn('low', 'Rate, or its low end')} to{' '}
            {blankIn('high', 'High end of the range, empty when there is one value')}
            {pickIn('unit', 'Unit of the rate', AMOUNTS)} of{' '}
            {pickIn('of', 'Of what', ['product', 'stock', 'active'], {
              stock: 'stock solution',
              active: 'active ingredient',
            })}
            {unitsFor(f.per).length ? (
              <>
                for each {blankIn('each', 'For each')} {pickIn('eachUnit', 'Unit of the basis', unitsFor(f.per))}
              </>
            ) : (
              'for'
            )}
            <select
              aria-label="Basis of the rate"
              className="box inline-block w-auto"
              value={f.per}
              onChange={(e) => {
                const per = e.target.value as Per;
                setForm((was) => ({
                  ...was,
                  per,
                  eachUnit: unitsFor(per).includes(was.eachUnit)
                    ? was.eachUnit
                    : (unitsFor(per)[1] ?? unitsFor(per)[0] ?? 'cm'),
                }));
              }}
            >
              {PER.map((p) => (
                <option key={p} value={p}>
                  {PER_WORDS[p]}
                </option>
              ))}
            </select>
            .
          </p>
        )}
        {f.of === 'stock' && (
          <p className="mb-4 flex flex-wrap items-center gap-2 text-lead">
            The stock is {blankIn('stock', 'Concentrate in the stock')}{' '}
            {pickIn('stockUnit', 'Unit of the concentrate', AMOUNTS)} made up to {blankIn('madeUpTo', 'Made up to')}
            {pickIn('madeUpUnit', 'Unit of the stock', Object.keys(VOLUME))}.
          </p>
        )}
        <p className="mb-4 flex flex-wrap items-center gap-2 text-lead">
          In {blankIn('water', 'Water, empty when none is said')}{' '}
          {pickIn('waterUnit', 'Unit of the water', Object.keys(VOLUME))} of water. Several stems:
          {pickIn('stems', 'Several stems', ['unanswered', 'sum', 'basal-area', 'each', 'largest'], {
            unanswered: 'the label does not say',
          })}
        </p>
        {f.method === 'trunk-injection' && (
          <p className="mb-4 flex flex-wrap items-center gap-2 text-lead">
            One site for each {blankIn('siteEvery', 'One site for each')}{' '}
            {pickIn('siteUnit', 'Unit for the sites', ['cm', 'in'])}, {blankIn('drill', 'Bit, mm', 'w-16')} mm bit,{' '}
            {blankIn('depth', 'Depth past the bark, mm', 'w-16')} mm past the bark,
            {blankIn('height', 'Height, cm', 'w-16')} cm above soil, {blankIn('spacing', 'Least spacing, cm', 'w-16')}{' '}
            cm apart at least.
          </p>
        )}
        <TextArea
          label="The label’s own sentence"
          path="text"
          rows={2}
          value={f.text}
          onChange={(x) => set('text', x)}
        />

        <h2 className="mt-7 mb-2">Limits</h2>
        {f.limits.map((l, i) => {
          const change = (next: Partial<typeof l>) =>
            set(
              'limits',
              f.limits.map((x, j) => (j === i ? { ...x, ...next } : x)),
            );
          const size = l.limit.endsWith('size');
          return (
            <p key={i} className="mb-3 flex flex-wrap items-center gap-2">
              <select
                aria-label={`Limit ${i + 1}`}
                className="box inline-block w-auto"
                value={l.limit}
                onChange={(e) =>
                  change({
                    limit: e.target.value as typeof l.limit,
                    unit: e.target.value.endsWith('size') ? 'cm' : e.target.value === 'per-area-year' ? 'g' : f.unit,
                  })
                }
              >
                {LIMITS.map((x) => (
                  <option key={x} value={x}>
                    {x === 'min-size'
                      ? 'not on trunks under'
                      : x === 'max-size'
                        ? 'not on trunks over'
                        : `at most, ${x.replace(/-/g, ' ')}${x === 'per-area-year' ? ' and hectare, of the first active' : ''}`}
                  </option>
                ))}
              </select>
              <input
                aria-label={`Value of limit ${i + 1}`}
                className="box inline-block w-24"
                inputMode="decimal"
                maxLength={20}
                value={l.value}
                onChange={(e) => change({ value: e.target.value })}
              />
              <select
                aria-label={`Unit of limit ${i + 1}`}
                className="box inline-block w-auto"
                value={l.unit}
                onChange={(e) => change({ unit: e.target.value })}
              >
                {(size ? Object.keys(LENGTH) : AMOUNTS).map((u) => (
                  <option key={u}>{u}</option>
                ))}
              </select>
              <button
                type="button"
                className="press"
                aria-label={`Remove limit ${i + 1}`}
                onClick={() =>
                  set(
                    'limits',
                    f.limits.filter((_, j) => j !== i),
                  )
                }
              >
                <X size={18} aria-hidden />
              </button>
            </p>
          );
        })}
        <button
          type="button"
          className="press"
          onClick={() => set('limits', [...f.limits, { limit: 'per-tree', value: '', unit: f.unit, text: '' }])}
        >
          Another limit
        </button>

        <h2 className="mt-7 mb-2">When, and with what</h2>
        <div className="grid gap-x-5 desk:grid-cols-3">
          {word('minDays', 'Days between', { inputMode: 'numeric' })}
          {word('maxPerYear', 'Times a year', { inputMode: 'numeric' })}
          {word('preHarvest', 'Days before picking', { inputMode: 'numeric' })}
          {word('reEntry', 'Re-entry, hours', { inputMode: 'decimal' })}
          {word('months', 'Months, like 4, 5, 6')}
          {word('waterDistance', 'From water, m', { inputMode: 'decimal' })}
          {word('minC', 'Not below, °C', { inputMode: 'decimal' })}
          {word('maxC', 'Not above, °C', { inputMode: 'decimal' })}
          {word('wind', 'Wind up to, m/s', { inputMode: 'decimal' })}
          {word('rain', 'Dry hours after', { inputMode: 'decimal' })}
          {word('bloomDays', 'Days before bloom, for bees', { inputMode: 'numeric' })}
          {word('price', 'Price of a litre or kilogram', { inputMode: 'decimal' })}
        </div>
        <Tick checked={f.needsLeaf} onChange={(x) => set('needsLeaf', x)}>
          Only on trees in full leaf
        </Tick>
        <TextArea
          label="To wear, one a line"
          path="protection"
          rows={3}
          value={f.protection}
          onChange={(x) => set('protection', x)}
        />
        <button data-confirm className="press press-main mt-4 min-w-56" disabled={busy || !read.success}>
          {busy ? 'Keeping …' : 'Put it on the shelf'}
        </button>
        {begun && issues.length > 0 && (
          <p className="mt-2 font-semibold">{issues.length} things to be put right first, in the margin.</p>
        )}
      </form>
    </Frame>
  );
}

/** A choice of many by typing: what is chosen stands in front. */
function Picked({
  label,
  all,
  chosen,
  onChange,
}: {
  label: string;
  all: Named[];
  chosen: string[];
  onChange: (next: string[]) => void;
}) {
  const [text, setText] = useState('');
  const found = text.trim()
    ? all
        .filter(
          (x) =>
            !chosen.includes(x.id) &&
            (x.name.toLowerCase().includes(text.toLowerCase()) || x.id.includes(text.toLowerCase())),
        )
        .slice(0, 8)
    : [];
  return (
    <div className="mb-4">
      <TextField label={`${label}: type to find`} path={label} value={text} onChange={setText} maxLength={60} />
      <div className="-mt-2 flex flex-wrap gap-2">
        {chosen.map((id) => (
          <button
            key={id}
            type="button"
            className="press"
            aria-label={`Take away ${all.find((x) => x.id === id)?.name ?? id}`}
            onClick={() => onChange(chosen.filter((x) => x !== id))}
          >
            <b>{all.find((x) => x.id === id)?.name ?? id}</b> <X size={16} aria-hidden />
          </button>
        ))}
        {found.map((x) => (
          <button
            key={x.id}
            type="button"
            className="press press-plain"
            onClick={() => {
              onChange([...chosen, x.id]);
              setText('');
            }}
          >
            + {x.name}
          </button>
        ))}
      </div>
    </div>
  );
}
