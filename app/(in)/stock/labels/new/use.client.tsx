import { METHOD_NAMES, METHODS } from '@/core/label/methods';
import { Choices, SelectField, TextArea, Checkbox } from '@/ui/controls/controls';
import { Picked, type Named } from '@/ui/controls/picked.client';
import { AfterPart } from './after.client';
import { fieldsOf, type UsePart } from './fields.client';
import { LimitsPart } from './limits.client';
import { RatePart, WaterPart } from './rate.client';
import { SitesPart } from './sites.client';

/** One use of a label: what for, the rate as a sentence or a class table, water, sites, limits, when and with what. */
export function UseForm({
  use: f,
  onChange,
  hosts,
  targets,
  actives,
}: UsePart & {
  hosts: Named[];
  targets: Named[];
  /** Names of the actives on the label. */
  actives: string[];
}) {
  const { set, word } = fieldsOf({ use: f, onChange });
  const part = { use: f, onChange };
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

      <RatePart {...part} />
      <WaterPart {...part} />
      <SitesPart {...part} />
      <TextArea label="The label’s own sentence" path="text" rows={2} value={f.text} onChange={(x) => set('text', x)} />

      <LimitsPart {...part} actives={actives} />

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
      <Checkbox checked={f.needsLeaf} onChange={(x) => set('needsLeaf', x)}>
        Only on trees in full leaf
      </Checkbox>
      <Checkbox checked={f.leafDry} onChange={(x) => set('leafDry', x)}>
        Only on dry leaves
      </Checkbox>
      <Checkbox checked={f.lowSun} onChange={(x) => set('lowSun', x)}>
        Early, late or under cloud: sun takes it off
      </Checkbox>
      <Picked label="Never on" all={hosts} chosen={f.never} onChange={(x) => set('never', x)} />
      <TextArea
        label="To wear, one a line"
        path="protection"
        rows={3}
        value={f.protection}
        onChange={(x) => set('protection', x)}
      />

      <AfterPart {...part} />
    </>
  );
}
