import type { FollowUpDraft } from '@/core/label/draft';
import { RemoveRow } from '@/ui/controls/picked.client';
import { Input } from '@/ui/controls/input.client';
import { Blank, Pick } from './blanks.client';
import { by, fieldsOf, type UsePart } from './fields.client';

const FOLLOW_KINDS: Record<FollowUpDraft['kind'], string> = {
  'check-effect': 'check the effect',
  'treat-again': 'treat again',
  'pull-device': 'pull devices',
  look: 'look',
  'site-work': 'work on the site',
};

/** What comes after it: checks, repeats, devices to pull. */
export function AfterPart({ use: f, onChange }: UsePart) {
  const { set } = fieldsOf({ use: f, onChange });
  return (
    <>
      <h2 className="mt-7 mb-2">What comes after</h2>
      {f.followUps.map((r, i) => {
        const change = (next: Partial<FollowUpDraft>) => set('followUps', by(f.followUps, i, next));
        const line = (k: 'what' | 'why' | 'onlyIf', name: string, width: string) => (
          <Input
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
