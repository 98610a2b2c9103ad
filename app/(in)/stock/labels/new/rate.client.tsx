import { PER, unitsFor, type Per } from '@/core/label/draft';
import { LENGTH, VOLUME } from '@/lib/units/units';
import { Choices } from '@/ui/controls/controls';
import { ClassTable, Pick, Sentence } from './blanks.client';
import { AMOUNTS, fieldsOf, OF_WORDS, type UsePart } from './fields.client';

const PER_WORDS: Record<Per, string> = {
  diameter: 'of trunk diameter',
  girth: 'of girth',
  tree: 'a tree',
  site: 'an injection site',
  hole: 'a probe hole',
  area: 'of ground',
  'spray-volume': 'of spray',
};

/** How much of it: one rate or a table of sizes, and how several stems count. */
export function RatePart({ use: f, onChange }: UsePart) {
  const { set, blank } = fieldsOf({ use: f, onChange });
  return (
    <>
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
    </>
  );
}

/** How much water it goes with. */
export function WaterPart({ use: f, onChange }: UsePart) {
  const { set, blank } = fieldsOf({ use: f, onChange });
  return (
    <>
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
    </>
  );
}
