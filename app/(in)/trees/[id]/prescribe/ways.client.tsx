import { useState } from 'react';
import { money } from '@/core/cost/prices';
import { METHOD_NAMES } from '@/core/label/methods';
import type { Weighed } from '@/core/prescribe/compare';
import { courses } from '@/core/prescribe/costs';
import { type Weighing } from '@/core/gates/context';
import { WORK, type Far } from '@/core/prescribe/shelf';
import type { Way, WaysAnswer } from '@/core/prescribe/ways';
import { USUAL_PROGRAMME } from '@/core/season/programme';
import { Choices } from '@/ui/controls/controls';
import { Input } from '@/ui/controls/input.client';
import { shortDay } from '@/ui/words';

const KINDS = {
  all: { name: 'all', keeps: () => true, why: '' },
  organic: { name: 'organic only', keeps: (w: Weighed) => w.organic, why: 'their labels are not organic-listed' },
  'no product': {
    name: 'without a product',
    keeps: (w: Weighed) => w.key.startsWith(WORK),
    why: 'they need a product',
  },
};
type Kind = keyof typeof KINDS;

/** What an arborist and a client weigh, in one table: the picked way is marked by its word as well. */
export function SideBySide({
  weighed,
  pick,
  onPick,
  by,
  loss,
}: {
  weighed: Weighed[];
  pick: string;
  onPick: (key: string) => void;
  by: Weighing;
  loss: number;
}) {
  const [kind, setKind] = useState<Kind | null>(null);
  if (!weighed.length) return null;
  // The school of the plan filters first; what it leaves out can still be looked at.
  const shown = kind ?? ((by.programme?.school ?? by.school) === 'organic' ? 'organic' : 'all');
  const ways = weighed.filter((w) => KINDS[shown].keeps(w));
  const mine = weighed.find((w) => w.key === pick);
  const { prices } = by;
  const { years } = by.programme ?? USUAL_PROGRAMME;
  const percent = (x: number) => Math.round(100 * x);
  return (
    <section className="mt-7">
      <div className="flex flex-wrap items-center justify-between gap-x-6">
        <h2>Side by side</h2>
        <Choices
          small
          hideLabel
          label="Which ways"
          value={shown}
          onChange={setKind}
          options={(Object.keys(KINDS) as Kind[]).map((value) => ({ value, name: KINDS[value].name }))}
        />
      </div>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Ways to act, side by side">
        <table className="dense figures">
          <thead>
            <tr>
              <th>Way</th>
              <th>Amount</th>
              <th>Now</th>
              <th>{years} years</th>
              <th>Times in {years} years</th>
              <th>Holes</th>
              <th>Expected to go</th>
              <th>Bees, water, people</th>
              <th>Needs</th>
              <th>Gates</th>
            </tr>
          </thead>
          <tbody>
            {ways.map((w) => (
              <tr key={w.key} className={w.key === pick ? 'bg-paper' : ''}>
                <td>
                  <button
                    type="button"
                    className="min-h-hand text-left font-bold underline"
                    aria-pressed={w.key === pick}
                    onClick={() => onPick(w.key)}
                  >
                    {w.method}
                  </button>
                  <span className="block text-small text-ink-2">
                    {w.name}
                    {w.key === pick && ', in hand'}
                  </span>
                </td>
                <td>{w.amount}</td>
                <td>{money(w.now, prices)}</td>
                <td className="font-bold">{money(w.overYears, prices)}</td>
                <td>{Math.max(1, Math.round(w.visitsAYear * years))}</td>
                <td>{w.wounds || '–'}</td>
                <td>
                  <b>{percent(w.control.likely)} %</b> ({percent(w.control.low)}–{percent(w.control.high)})
                  <span className="block text-small text-ink-2">
                    {[w.control.lasts, w.control.from].filter(Boolean).join('; ')}
                  </span>
                </td>
                <td className="text-small">
                  bees {w.bees}; water: {w.water}; {w.people}
                </td>
                <td className="text-small">{w.needs.join(', ') || '–'}</td>
                <td className={w.stops ? 'font-bold text-madder' : w.holds ? 'font-bold text-sap' : ''}>
                  {w.stops
                    ? `${w.stops} stop`
                    : w.holds
                      ? `${w.holds} hold`
                      : w.on
                        ? `from ${shortDay(w.on)}`
                        : 'free today'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {ways.length < weighed.length && (
        <p className="mt-2 font-semibold" role="status">
          {weighed.length - ways.length} of {weighed.length} ways are left out: {KINDS[shown].why}.
        </p>
      )}
      <p className="mt-2 text-small text-ink-2">
        Control is a practice estimate, corrected by your own checks where there are any; money in today’s, at{' '}
        {percent(prices.discount)} % a year.
      </p>
      {mine && (
        <p className="mt-2 text-[0.9375rem]">
          {courses(mine, by, loss)
            .map(
              (c) => `${c.name}: ${money(c.expected, prices)} over ${years} years, stands then: ${percent(c.stands)} %`,
            )
            .join(' · ')}
          , when {percent(loss)} in 100 such trees are lost each year untreated.
        </p>
      )}
    </section>
  );
}

export function Shelf({
  ways,
  far,
  works,
  pick,
  onPick,
}: {
  ways: Way[];
  far: Far[];
  works: WaysAnswer['works'];
  pick: string;
  onPick: (key: string) => void;
}) {
  const usable = ways.filter((w) => w.meant);
  const rest: Way[] = [
    ...ways.filter((w) => !w.meant),
    ...far.flatMap(({ key, name, actives, uses }) =>
      uses.map((use) => ({
        key: `${key}/${use.key}`,
        method: use.method,
        title: use.title,
        label: name,
        actives,
        stops: 1,
        holds: 0,
        on: null,
        meant: false,
      })),
    ),
  ];
  const product = (way: Way) => (
    <Row
      key={way.key}
      checked={way.key === pick}
      onPick={() => onPick(way.key)}
      title={METHOD_NAMES[way.method]}
      after={`, ${way.actives.join(' + ')}`}
      below={`${way.label}: ${way.title}`}
      right={
        way.stops
          ? `${way.stops} stop${way.stops > 1 ? 's' : ''}`
          : way.holds
            ? `${way.holds} hold${way.holds > 1 ? 's' : ''}`
            : way.on
              ? `from ${shortDay(way.on)}`
              : 'free today'
      }
      tone={way.stops ? 'text-madder' : way.holds ? 'text-sap' : ''}
    />
  );
  const workRow = (work: WaysAnswer['works']['fit'][number]) => (
    <Row
      key={work.id}
      checked={pick === WORK + work.id}
      onPick={() => onPick(WORK + work.id)}
      title={work.name}
      after=""
      below="without a product"
      right=""
      tone=""
    />
  );
  return (
    <section className="mt-7">
      <h2>From the shelf</h2>
      <fieldset className="mt-1">
        <legend className="sr-only">Product and use, or a work without product</legend>
        {usable.map(product)}
        {usable.length === 0 && (
          <p className="py-2 text-ink-2">No label on the shelf is for this host and this trouble.</p>
        )}
        {works.fit.map(workRow)}
        <details className="mt-2">
          <summary className="min-h-hand py-3 font-semibold">Other works ({works.other.length})</summary>
          {works.other.map(workRow)}
        </details>
        <details>
          <summary className="min-h-hand py-3 font-semibold">
            Labels for other hosts or troubles ({rest.length})
          </summary>
          {rest.map(product)}
        </details>
      </fieldset>
    </section>
  );
}

function Row(p: {
  checked: boolean;
  onPick: () => void;
  title: string;
  after: string;
  below: string;
  right: string;
  tone: string;
}) {
  return (
    <label className="row flex min-h-14 cursor-pointer items-center gap-4 px-2 py-2 has-checked:bg-paper has-focus-visible:outline-3 has-focus-visible:outline-slate">
      <Input
        type="radio"
        name="option"
        className="size-6 flex-none accent-[var(--cambium-deep)]"
        checked={p.checked}
        onChange={p.onPick}
      />
      <span className="min-w-0 flex-1">
        <b>{p.title}</b>
        {p.after}
        <span className="block text-[0.9375rem] text-ink-2">{p.below}</span>
      </span>
      <span className={`text-[0.9375rem] font-semibold ${p.tone}`}>{p.right}</span>
    </label>
  );
}
