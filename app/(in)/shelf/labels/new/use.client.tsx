import {
  LIMITS,
  PER,
  unitsFor,
  type FollowUpDraft,
  type LimitDraft,
  type Per,
  type UseDraft,
} from '@/core/label/draft';
import { DEVICES, METHOD_NAMES, METHODS } from '@/core/label/methods';
import { AREA, LENGTH, MASS, VOLUME } from '@/core/units/units';
import { Choices, SelectField, TextArea, TextField, Tick } from '@/ui/controls/controls';
import { Blank, ClassTable, Pick, Picked, RemoveRow, Sentence, type Named } from './blanks.client';

const PER_WORDS: Record<Per, string> = {
  diameter: 'of trunk diameter',
  girth: 'of girth',
  tree: 'a tree',
  site: 'an injection site',
  hole: 'a probe hole',
  area: 'of ground',
  'spray-volume': 'of spray',
};
const LIMIT_WORDS: Record<LimitDraft['limit'], string> = {
  'per-tree': 'at most, per tree',
  'per-application': 'at most, per application',
  'per-tree-year': 'at most, per tree and year',
  'per-area-year': 'at most, per area and year',
  'min-size': 'not on trunks under',
  'max-size': 'not on trunks over',
};
const OF_WORDS = { product: 'product', stock: 'stock solution', active: 'active ingredient' };
const FOLLOW_KINDS: Record<FollowUpDraft['kind'], string> = {
  'check-effect': 'check the effect',
  'treat-again': 'treat again',
  'pull-device': 'pull devices',
  look: 'look',
  'site-work': 'work on the site',
};
const AMOUNTS = [...Object.keys(VOLUME), ...Object.keys(MASS)];
const by = <T,>(of: readonly T[], i: number, change: Partial<T>) =>
  of.map((x, j) => (j === i ? { ...x, ...change } : x));

/** One use of a label: what for, the rate as a sentence or a class table, water, sites, limits, when and with what. */
export function UseForm({
  use: f,
  onChange,
  hosts,
  targets,
  actives,
}: {
  use: UseDraft;
  onChange: (change: Partial<UseDraft>) => void;
  hosts: Named[];
  targets: Named[];
  /** Names of the actives on the label. */
  actives: string[];
}) {
  const set = <K extends keyof UseDraft>(k: K, value: UseDraft[K]) => onChange({ [k]: value } as Partial<UseDraft>);
  type Text = { [K in keyof UseDraft]: UseDraft[K] extends string ? K : never }[keyof UseDraft];
  const word = (k: Text, label: string, more: object = {}) => (
    <TextField label={label} path={k} value={f[k]} onChange={(x) => onChange({ [k]: x })} {...more} />
  );
  const blank = (k: Text, name: string, width?: string) => (
    <Blank name={name} value={f[k]} onChange={(x) => onChange({ [k]: x })} width={width} />
  );
  const sprayed = f.method.endsWith('spray');
  return (
    <>
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
      <Choices
        small
        label="The label gives"
        value={f.form}
        onChange={(x) => set('form', x)}
        options={[
          { value: 'flat', name: 'one rate' },
          { value: 'classes', name: 'a table of sizes' },
        ]}
      />
      <Sentence>
        Give{' '}
        {f.form === 'flat' ? (
          <>
            {blank('low', 'Rate, or its low end')} to{' '}
            {blank('high', 'High end of the range, empty when there is one value')}
          </>
        ) : (
          'what the table says, in'
        )}{' '}
        <Pick name="Unit of the rate" value={f.unit} onChange={(x) => set('unit', x)} options={AMOUNTS} /> of{' '}
        <Pick
          name="Of what"
          value={f.of}
          onChange={(x) => set('of', x)}
          options={['product', 'stock', 'active']}
          words={OF_WORDS}
        />
        {unitsFor(f.per).length ? (
          <>
            for each {blank('each', 'For each')}{' '}
            <Pick
              name="Unit of the basis"
              value={f.eachUnit}
              onChange={(x) => set('eachUnit', x)}
              options={unitsFor(f.per)}
            />
          </>
        ) : (
          'for'
        )}
        <Pick
          name="Basis of the rate"
          value={f.per}
          onChange={(per) =>
            onChange({
              per,
              eachUnit: unitsFor(per).includes(f.eachUnit)
                ? f.eachUnit
                : (unitsFor(per)[1] ?? unitsFor(per)[0] ?? 'cm'),
            })
          }
          options={PER}
          words={PER_WORDS}
        />
        {f.per === 'area' && (
          <Pick
            name="Which ground"
            value={f.ground}
            onChange={(x) => set('ground', x)}
            options={['treated', 'basin', 'canopy']}
            words={{ treated: 'that is treated', basin: 'in the basin', canopy: 'under the canopy' }}
          />
        )}
        .
      </Sentence>
      {f.form === 'classes' && (
        <ClassTable of="Rate" table={f.classes} onChange={(x) => set('classes', x)} unit={f.unit} ranges />
      )}
      <Sentence>
        Several stems:
        <Pick
          name="Several stems"
          value={f.stems}
          onChange={(x) => set('stems', x)}
          options={['unanswered', 'sum', 'basal-area', 'each', 'largest']}
          words={{
            unanswered: 'the label does not say',
            sum: 'the sum of diameters',
            'basal-area': 'basal-area equivalent',
            each: 'each stem a tree',
            largest: 'the largest stem',
          }}
        />{' '}
        measured at
        <Pick
          name="Measured at"
          value={f.measuredAt}
          onChange={(x) => set('measuredAt', x)}
          options={['breast-height', 'injection-height']}
          words={{ 'breast-height': 'breast height', 'injection-height': 'injection height' }}
        />
      </Sentence>
      <Sentence>
        Water:
        <Pick
          name="Water"
          value={f.carrier}
          onChange={(x) => set('carrier', x)}
          options={['none', 'fixed', 'per-size', 'by-size', 'wet-basin']}
          words={{
            none: 'none is said',
            fixed: 'so much a tree or tank',
            'per-size': 'so much for each size',
            'by-size': 'a table of sizes',
            'wet-basin': 'so deep on the basin',
          }}
        />
        {(f.carrier === 'fixed' || f.carrier === 'per-size') && blank('water', 'Water, amount')}
        {(f.carrier === 'fixed' || f.carrier === 'per-size' || f.carrier === 'by-size') && (
          <Pick
            name="Unit of the water"
            value={f.waterUnit}
            onChange={(x) => set('waterUnit', x)}
            options={Object.keys(VOLUME)}
          />
        )}
        {f.carrier === 'per-size' && (
          <>
            for each {blank('waterEach', 'Water for each')}
            <Pick
              name="Unit of the size for water"
              value={f.waterEachUnit}
              onChange={(x) => set('waterEachUnit', x)}
              options={Object.keys(LENGTH)}
            />
            of
            <Pick
              name="Size for water"
              value={f.waterBy}
              onChange={(x) => set('waterBy', x)}
              options={['diameter', 'girth']}
            />
          </>
        )}
        {f.carrier === 'wet-basin' && (
          <>
            {blank('mm', 'Millimetres of water')} mm deep, from {blank('inner', 'Basin from, cm')} to{' '}
            {blank('outer', 'Basin to, cm')} cm from the bark
          </>
        )}
      </Sentence>
      {f.carrier === 'by-size' && (
        <ClassTable of="Water" table={f.waterTable} onChange={(x) => set('waterTable', x)} unit={f.waterUnit} />
      )}
      {f.method === 'trunk-injection' && (
        <>
          <Sentence>
            Sites:
            <Pick
              name="Rule for the sites"
              value={f.siteRule}
              onChange={(siteRule) => onChange({ siteRule, siteUnit: siteRule === 'volume-per-device' ? 'mL' : 'cm' })}
              options={['per-diameter', 'per-girth', 'classes', 'volume-per-device']}
              words={{
                'per-diameter': 'one for each step of diameter',
                'per-girth': 'one for each step of girth',
                classes: 'a table of sizes',
                'volume-per-device': 'as many as the devices need',
              }}
            />
            {f.siteRule !== 'classes' && (
              <>
                {blank('siteEvery', f.siteRule === 'volume-per-device' ? 'In each device' : 'One site for each')}
                <Pick
                  name="Unit for the sites"
                  value={f.siteUnit}
                  onChange={(x) => set('siteUnit', x)}
                  options={f.siteRule === 'volume-per-device' ? Object.keys(VOLUME) : Object.keys(LENGTH)}
                />
              </>
            )}
          </Sentence>
          {f.siteRule === 'classes' && (
            <ClassTable of="Sites" table={f.siteTable} onChange={(x) => set('siteTable', x)} unit="" />
          )}
          <Sentence>
            {blank('drill', 'Bit, mm', 'w-16')} mm bit, {blank('depth', 'Depth past the bark, mm', 'w-16')} mm past the
            bark, {blank('height', 'Height, cm', 'w-16')} cm above soil, {blank('spacing', 'Least spacing, cm', 'w-16')}{' '}
            cm apart at least, {blank('rows', 'Rows', 'w-16')} rows. With
            <Pick
              name="Device"
              value={f.device}
              onChange={(x) => set('device', x)}
              options={['', ...DEVICES]}
              words={{ '': 'any device' }}
            />
            that holds {blank('holds', 'Device holds, empty when the label does not say', 'w-16')}
            <Pick
              name="Unit of what the device holds"
              value={f.holdsUnit}
              onChange={(x) => set('holdsUnit', x)}
              options={Object.keys(VOLUME)}
            />
          </Sentence>
        </>
      )}
      {sprayed && (
        <Sentence>
          Spray
          <Pick
            name="Sprayed to"
            value={f.sprayTo}
            onChange={(x) => set('sprayTo', x)}
            options={['to wet', 'to run-off']}
          />
          up to {blank('sprayUpTo', 'Up to a height, m, empty for the whole crown', 'w-16')} m
        </Sentence>
      )}
      {(f.per === 'hole' || f.method === 'soil-injection') && (
        <Sentence>
          Holes {blank('probeSpacing', 'Distance of the holes, cm', 'w-16')} cm apart in a
          <Pick
            name="Pattern of the holes"
            value={f.probePattern}
            onChange={(x) => set('probePattern', x)}
            options={['triangular', 'square']}
          />
          pattern, {blank('probeDepth', 'Depth of the holes, cm', 'w-16')} cm deep
        </Sentence>
      )}
      {f.method === 'bait' && (
        <Tick checked={f.inStations} onChange={(x) => set('inStations', x)}>
          Only in locked stations
        </Tick>
      )}
      <TextArea label="The label’s own sentence" path="text" rows={2} value={f.text} onChange={(x) => set('text', x)} />

      <h2 className="mt-7 mb-2">Limits</h2>
      {f.limits.map((l, i) => {
        const change = (next: Partial<LimitDraft>) => set('limits', by(f.limits, i, next));
        const size = l.limit.endsWith('size');
        return (
          <div key={i} className="mb-3 flex flex-wrap items-center gap-2">
            <Pick
              name={`Limit ${i + 1}`}
              value={l.limit}
              onChange={(limit) =>
                change({
                  limit,
                  unit: limit.endsWith('size') ? 'cm' : limit === 'per-area-year' ? 'g' : f.unit,
                  active: limit === 'per-area-year' ? l.active || (actives[0] ?? '') : l.active,
                })
              }
              options={LIMITS}
              words={LIMIT_WORDS}
            />
            <Blank name={`Value of limit ${i + 1}`} value={l.value} onChange={(value) => change({ value })} />
            <Pick
              name={`Unit of limit ${i + 1}`}
              value={l.unit}
              onChange={(unit) => change({ unit })}
              options={size ? Object.keys(LENGTH) : AMOUNTS}
            />
            {size ? (
              <Pick
                name={`Size of limit ${i + 1}`}
                value={l.by}
                onChange={(x) => change({ by: x })}
                options={['diameter', 'girth']}
                words={{ diameter: 'diameter', girth: 'girth' }}
              />
            ) : l.limit === 'per-area-year' ? (
              <>
                of
                <Pick
                  name={`Active of limit ${i + 1}`}
                  value={l.active}
                  onChange={(active) => change({ active })}
                  options={[...new Set([l.active, ...actives])]}
                />
                on
                <Blank
                  name={`Area of limit ${i + 1}`}
                  width="w-16"
                  value={l.each}
                  onChange={(each) => change({ each })}
                />
                <Pick
                  name={`Unit of area of limit ${i + 1}`}
                  value={l.eachUnit}
                  onChange={(eachUnit) => change({ eachUnit })}
                  options={Object.keys(AREA)}
                />
              </>
            ) : (
              <Pick
                name={`Of what, limit ${i + 1}`}
                value={l.of}
                onChange={(of) => change({ of })}
                options={['product', 'active', 'stock']}
                words={OF_WORDS}
              />
            )}
            <RemoveRow
              name={`Remove limit ${i + 1}`}
              onClick={() =>
                set(
                  'limits',
                  f.limits.filter((_, j) => j !== i),
                )
              }
            />
          </div>
        );
      })}
      <button
        type="button"
        className="press"
        onClick={() =>
          set('limits', [
            ...f.limits,
            {
              limit: 'per-tree',
              value: '',
              unit: f.unit,
              of: 'product',
              by: 'diameter',
              active: '',
              each: '1',
              eachUnit: 'ha',
            },
          ])
        }
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
        {word('rain', 'Dry hours after', { inputMode: 'decimal' })}
        {word('minSoilC', 'Soil from, °C', { inputMode: 'decimal' })}
        {word('minWind', 'Wind from, m/s', { inputMode: 'decimal' })}
        {word('wind', 'Wind up to, m/s', { inputMode: 'decimal' })}
        {word('bloomDays', 'Days before bloom, for bees', { inputMode: 'numeric' })}
        {word('crownLoss', 'Crown loss up to, %', { inputMode: 'decimal' })}
        {word('stages', 'Stages that it reaches, by comma')}
      </div>
      <Tick checked={f.needsLeaf} onChange={(x) => set('needsLeaf', x)}>
        Only on trees in full leaf
      </Tick>
      <Tick checked={f.leafDry} onChange={(x) => set('leafDry', x)}>
        Only on dry leaves
      </Tick>
      <Tick checked={f.lowSun} onChange={(x) => set('lowSun', x)}>
        Early, late or under cloud: sun takes it off
      </Tick>
      <Picked label="Never on" all={hosts} chosen={f.never} onChange={(x) => set('never', x)} />
      <TextArea
        label="To wear, one a line"
        path="protection"
        rows={3}
        value={f.protection}
        onChange={(x) => set('protection', x)}
      />

      <h2 className="mt-7 mb-2">What comes after</h2>
      {f.followUps.map((r, i) => {
        const change = (next: Partial<FollowUpDraft>) => set('followUps', by(f.followUps, i, next));
        const line = (k: 'what' | 'why' | 'onlyIf', name: string, width: string) => (
          <input
            aria-label={`${name}, rule ${i + 1}`}
            placeholder={name}
            className={`box ${width}`}
            maxLength={200}
            value={r[k]}
            onChange={(e) => change({ [k]: e.target.value })}
          />
        );
        return (
          <div key={i} className="mb-3 flex flex-wrap items-center gap-2">
            <Blank
              name={`After how many, rule ${i + 1}`}
              width="w-16"
              value={r.count}
              onChange={(count) => change({ count })}
            />
            <Pick
              name={`Unit of time, rule ${i + 1}`}
              value={r.unit}
              onChange={(unit) => change({ unit })}
              options={['days', 'weeks', 'months', 'years']}
            />
            after:
            <Pick
              name={`Kind, rule ${i + 1}`}
              value={r.kind}
              onChange={(kind) => change({ kind })}
              options={Object.keys(FOLLOW_KINDS) as FollowUpDraft['kind'][]}
              words={FOLLOW_KINDS}
            />
            {line('what', 'What is to be done', 'min-w-56 flex-1')}
            {line('why', 'Why', 'min-w-56 flex-1')}
            {line('onlyIf', 'Only if …', 'min-w-40 flex-1')}
            <RemoveRow
              name={`Remove rule ${i + 1}`}
              onClick={() =>
                set(
                  'followUps',
                  f.followUps.filter((_, j) => j !== i),
                )
              }
            />
          </div>
        );
      })}
      <button
        type="button"
        className="press"
        onClick={() =>
          set('followUps', [
            ...f.followUps,
            {
              id: `rule-${Math.max(0, ...f.followUps.map((r) => Number(/^rule-(\d+)$/.exec(r.id)?.[1] ?? 0))) + 1}`,
              kind: 'check-effect',
              what: '',
              count: '',
              unit: 'weeks',
              onlyIf: '',
              why: '',
            },
          ])
        }
      >
        Another rule
      </button>
    </>
  );
}
