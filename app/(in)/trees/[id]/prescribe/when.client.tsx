import type { Issue } from '@/lib/result';
import { useState } from 'react';
import type { Label, LabelUse } from '@/core/label/schema';
import { conditionsOf } from '@/core/prescribe/conditions';
import type { Prescription } from '@/core/prescribe/prescribe';
import type { When } from '@/core/gates/context';
import { dayAfter } from '@/lib/calendar/days';
import type { FitDay } from '@/core/weather/fitness';
import type { UnitSystem } from '@/lib/units/units';
import { Choices, TextField } from '@/ui/controls/controls';
import { conditionWords } from '@/ui/label-words';
import { boundWords } from '@/ui/season-words';
import { shortDay } from '@/ui/words';

/**
 * The three answers to when: from the day its time begins, today, or a day of one's own.
 * @param from when its time begins; today or null where there is nothing to wait for
 * @param on the day that the answer comes to
 */
export function WhenChoice({
  when,
  onWhen,
  from,
  today,
  on,
  issues,
}: {
  when: When;
  onWhen: (when: When) => void;
  from: string | null;
  today: string;
  on: string;
  issues: Issue[];
}) {
  const waits = from !== null && from > today;
  // What is open today is done today; the two answers are one then.
  const shown = when.kind === 'window' && !waits ? 'now' : when.kind;
  const [day, setDay] = useState(when.kind === 'day' ? when.day : '');
  const choose = (kind: When['kind']) => {
    if (kind !== 'day') return onWhen({ kind });
    setDay(day || on);
    onWhen({ kind, day: day || on });
  };
  return (
    <div className="flex flex-wrap items-end gap-x-6">
      <Choices
        small
        label="When"
        value={shown}
        onChange={choose}
        options={[
          ...(waits ? [{ value: 'window' as const, name: `from ${shortDay(from)}` }] : []),
          { value: 'now' as const, name: 'today' },
          { value: 'day' as const, name: 'a day' },
        ]}
      />
      {shown === 'day' && (
        <TextField
          label="The day"
          path="choices.when"
          issues={issues}
          type="date"
          value={day}
          onChange={(next) => {
            setDay(next);
            if (/^\d{4}-\d{2}-\d{2}$/.test(next)) onWhen({ kind: 'day', day: next });
          }}
        />
      )}
    </div>
  );
}

/** Beyond it no forecast tells anything. */
const FORECAST_DAYS = 9;

/** When it is to be done: its next window, with why, today, or a day of one's own; and what must be so on the day. */
export function WhenToDo({
  when,
  onWhen,
  result,
  today,
  label,
  use,
  units,
  issues,
  fits,
  meanwhile,
  onPick,
}: {
  when: When;
  onWhen: (when: When) => void;
  result: Prescription;
  today: string;
  label: Label;
  use: LabelUse;
  units: UnitSystem;
  issues: Issue[];
  /** Days of the forecast that are likely to suit it; null where it has no limits of air. */
  fits: FitDay[] | null;
  meanwhile: { key: string; name: string }[];
  onPick: (key: string) => void;
}) {
  const { window, on } = result;
  const openNow = window?.from === today;
  const known = on <= dayAfter(today, FORECAST_DAYS, 'days');
  const fit = known ? fits?.find((d) => d.day >= on) : undefined;
  const later = on > today;
  const outside = later && (!window || on < window.from || on > window.to);
  return (
    <section aria-label="When" className="mb-5 border-b border-line-2 pb-3 phone:mb-3">
      <WhenChoice when={when} onWhen={onWhen} from={window?.from ?? null} today={today} on={on} issues={issues} />
      <p className="text-[0.9375rem]">
        {window ? (
          <>
            {openNow ? 'Open today' : `Opens ${shortDay(window.from)}: ${window.opens.map(boundWords).join('; ')}`}.
            Open until {shortDay(window.to)}
            {window.closes.length > 0 && `: ${window.closes.map(boundWords).join('; ')}`}.
          </>
        ) : (
          <b className="text-madder">No window within a year: nothing that is known opens it.</b>
        )}{' '}
        {later && (
          <>
            On the day:{' '}
            {conditionsOf(label, use)
              .map((c) => conditionWords(c, units))
              .join(' · ') || 'nothing more'}
            ; the sheet asks then.
          </>
        )}
        {known && fits && fits.length > 0 && (
          <>
            {' '}
            {fit
              ? `The air is likely to suit first on ${shortDay(fit.day)}, ${fit.from}–${fit.to} h (${Math.round(fit.chance * 10)} of 10 courses of the forecast).`
              : 'In the ten days of the forecast the air is not likely to suit.'}
          </>
        )}
        {outside && <b className="block text-sap">{shortDay(on)} is outside this window.</b>}
      </p>
      {meanwhile.length > 0 && (
        <p className="text-[0.9375rem]">
          Meanwhile, today:{' '}
          {meanwhile.slice(0, 3).map((way, i) => (
            <span key={way.key}>
              {i > 0 && ' · '}
              <button type="button" className="min-h-hand font-bold underline" onClick={() => onPick(way.key)}>
                {way.name}
              </button>
            </span>
          ))}
        </p>
      )}
    </section>
  );
}
