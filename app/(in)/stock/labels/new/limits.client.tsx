import { LIMITS, type LimitDraft } from '@/core/label/draft';
import { AREA, LENGTH } from '@/lib/units/units';
import { RemoveRow } from '@/ui/controls/picked.client';
import { Blank, Pick } from './blanks.client';
import { AMOUNTS, by, fieldsOf, OF_WORDS, type UsePart } from './fields.client';

const LIMIT_WORDS: Record<LimitDraft['limit'], string> = {
  'per-tree': 'at most, per tree',
  'per-application': 'at most, per application',
  'per-tree-year': 'at most, per tree and year',
  'per-area-year': 'at most, per area and year',
  'min-size': 'not on trunks under',
  'max-size': 'not on trunks over',
};

/** What it must never exceed, and on what size of trunk it is not for. */
export function LimitsPart({ use: f, onChange, actives }: UsePart & { actives: string[] }) {
  const { set } = fieldsOf({ use: f, onChange });
  return (
    <>
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
    </>
  );
}
