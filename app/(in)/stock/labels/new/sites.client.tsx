import { DEVICES } from '@/core/label/methods';
import { LENGTH, VOLUME } from '@/lib/units/units';
import { Checkbox } from '@/ui/controls/controls';
import { ClassTable, Pick, Sentence } from './blanks.client';
import { fieldsOf, type UsePart } from './fields.client';

/** Where it goes: sites in the trunk, how high a spray reaches, holes in the ground, stations. */
export function SitesPart({ use: f, onChange }: UsePart) {
  const { set, blank } = fieldsOf({ use: f, onChange });
  return (
    <>
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
      {f.method.endsWith('spray') && (
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
        <Checkbox checked={f.inStations} onChange={(x) => set('inStations', x)}>
          Only in locked stations
        </Checkbox>
      )}
    </>
  );
}
