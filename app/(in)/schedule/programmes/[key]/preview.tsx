import { stopTold } from '@/commands/programmes/settle';
import { money, type Prices } from '@/core/cost/prices';
import type { Said } from '@/core/gates/said';
import type { AssignedVisit } from '@/core/programmes/assign';
import type { VisitSum } from '@/core/programmes/sums';
import type { YearProgramme } from '@/core/programmes/schema';
import type { UnitSystem } from '@/lib/units/units';
import { showVolume } from '@/lib/units/units';
import { Section } from '@/ui/frame/pieces';
import { spanWords } from '@/ui/season-words';
import { shortDay } from '@/ui/words';
import type { AssigningView, Preview } from '@/views/programmes';
import { ProgrammeFigure } from '../figure';
import { LeftOut, type LeftRow } from '../left';
import { amountWords, reasonsWords, stepName } from '../words';
import { AssignIt } from './assign.client';

/** Trees whose days are told one by one; the rest follow the same table on the page of what is laid. */
const MOST_SHOWN = 60;

const leftOf = (preview: Preview): LeftRow[] =>
  preview.trees.flatMap((t) =>
    t.visits.flatMap((v) =>
      v.stop ? [{ id: null, tag: t.tree.tag, step: v.step, day: v.day, stop: stopTold(v.stop) }] : [],
    ),
  );

/** What laying a programme would mean: how much of everything, when, what stands against it, and the press. */
export function ProgrammePreview({
  view,
  preview,
  asked,
  units,
  prices,
}: {
  view: AssigningView;
  preview: Preview;
  asked: { from: string; until: string; reason: string; said: Said; carriedFrom: string | null };
  units: UnitSystem;
  prices: Prices;
}) {
  const { programme, place, chosen } = view;
  const { sums, stock, already } = preview;
  const drawn = preview.trees.flatMap((t) => t.visits.map((v) => ({ ...v, tag: t.tree.tag })));
  const planned = drawn.filter((v) => v.state === 'planned').length;
  return (
    <Section
      id="preview"
      title={`What it would mean for ${chosen.length} ${chosen.length === 1 ? 'tree' : 'trees'}`}
      aside={place?.name}
    >
      <p className="figures my-3 text-head leading-tight font-bold">
        {planned} visits planned, {money(sums.planned, prices)}
      </p>
      <p>
        {sums.days} {sums.days === 1 ? 'day' : 'days'} of coming out
        {sums.expected > 0 && `; what waits for a look would be ${money(sums.expected, prices)} more`}. By the company’s
        prices of today, coming out counted once a day.
      </p>
      <ProgrammeFigure
        programme={programme}
        visits={drawn}
        from={asked.from}
        until={asked.until}
        today={place!.today}
      />
      <Visits programme={programme} sums={sums.visits} preview={preview} units={units} prices={prices} />
      {stock.length > 0 && <StockTable stock={stock} units={units} />}
      <LeftOut rows={leftOf(preview)} programme={programme} />
      <ByTree programme={programme} preview={preview} units={units} />
      {already.length > 0 && (
        <p className="mt-4 font-semibold text-madder" role="alert">
          {already.length} of them {already.length === 1 ? 'has' : 'have'} this programme already, until{' '}
          {shortDay(already[0]!.until)}:{' '}
          {already
            .slice(0, 8)
            .map((a) => a.tag)
            .join(', ')}
          . End that first, or begin after it.
        </p>
      )}
      {already.length === 0 && (
        <AssignIt
          programme={programme.key}
          siteId={place!.id}
          treeIds={chosen.map((t) => t.id)}
          {...asked}
          said={asked.said}
        />
      )}
    </Section>
  );
}

/** Every visit of the programme over all its trees. */
function Visits({
  programme,
  sums,
  preview,
  units,
  prices,
}: {
  programme: YearProgramme;
  sums: readonly VisitSum[];
  preview: Preview;
  units: UnitSystem;
  prices: Prices;
}) {
  const why = (s: VisitSum) =>
    preview.trees
      .flatMap((t) => t.visits)
      .find((v) => v.step === s.step && v.year === s.year && v.nth === s.nth && v.day === s.from)?.reasons ?? [];
  return (
    <div className="mt-4 overflow-x-auto" tabIndex={0} role="region" aria-label="Visits of the programme">
      <table className="figures w-full text-[0.9375rem]">
        <caption className="sr-only">Visits over all trees</caption>
        <thead>
          <tr>
            <th className="text-left">Visit</th>
            <th className="text-left">When</th>
            <th className="text-right">Trees</th>
            <th className="text-right">At the trees</th>
          </tr>
        </thead>
        <tbody>
          {sums.map((s) => (
            <tr key={`${s.step}${s.year}${s.nth}`} className="border-t border-line-2 align-top">
              <td className="py-1 pr-4 phone:min-w-56">
                <b>
                  {stepName(programme, s.step)}
                  {s.nth > 1 && ` ${s.nth}`}
                </b>
                {s.expected > 0 && `, waits for a look${s.expected < s.trees ? ` on ${s.expected}` : ''}`}
                {s.products.map((p) => (
                  <span key={p.name} className="block">
                    {amountWords(p.amount, p.dimension, units)} {p.name}
                    {p.waterMl > 0 && ` in ${showVolume(p.waterMl, units, 3).text}`}
                  </span>
                ))}
                <span className="block text-ink-2">{reasonsWords(why(s), programme)}</span>
              </td>
              <td className="py-1 pr-4 whitespace-nowrap">{spanWords(s.from, s.to)}</td>
              <td className="py-1 pr-4 text-right">{s.trees}</td>
              <td className="py-1 text-right whitespace-nowrap">{money(s.money, prices)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function StockTable({ stock, units }: { stock: Preview['stock']; units: UnitSystem }) {
  return (
    <>
      <h3 className="mt-5">From the shelf</h3>
      <ul>
        {stock.map((s) => {
          const short = s.planned > s.onHand;
          return (
            <li key={s.key} className="row flex flex-wrap justify-between gap-x-4 py-2">
              <span>{s.name}</span>
              <span className="figures">
                {s.planned > 0 && `${amountWords(s.planned, s.dimension, units)} planned`}
                {s.planned > 0 && s.expected > 0 && ', '}
                {s.expected > 0 && `${amountWords(s.expected, s.dimension, units)} may be`}; on the shelf{' '}
                {s.onHand > 0 ? amountWords(s.onHand, s.dimension, units) : 'nothing'}
                {short && (
                  <b className="block text-right text-madder">
                    {amountWords(s.planned - s.onHand, s.dimension, units)} to be got
                  </b>
                )}
              </span>
            </li>
          );
        })}
      </ul>
    </>
  );
}

/** What one visit is on one tree, in a cell; in brackets where it waits for a look. */
function cellWords(v: AssignedVisit | undefined, units: UnitSystem): string {
  if (!v) return '';
  if (v.state === 'stopped') return `${shortDay(v.day)}: left out`;
  const dose = v.act?.kind === 'treat' && v.act.result.dose.ok ? v.act.result.dose : null;
  const words = `${shortDay(v.day)}${dose ? `: ${amountWords(dose.product, dose.dimension, units)}` : ''}`;
  return v.state === 'expected' ? `(${words})` : words;
}

/** Tree by tree: every visit with its day and dose. */
function ByTree({ programme, preview, units }: { programme: YearProgramme; preview: Preview; units: UnitSystem }) {
  const columns = preview.sums.visits;
  const shown = preview.trees.slice(0, MOST_SHOWN);
  return (
    <details className="mt-4">
      <summary className="min-h-hand font-semibold">Tree by tree</summary>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Visits tree by tree">
        <table className="figures text-small">
          <thead>
            <tr>
              <th className="text-left">Tree</th>
              {columns.map((c) => (
                <th key={`${c.step}${c.year}${c.nth}`} className="px-2 text-left">
                  {stepName(programme, c.step)}
                  {c.nth > 1 && ` ${c.nth}`}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map((t) => (
              <tr key={t.tree.id} className="border-t border-line-2 align-top">
                <th scope="row" className="pr-3 text-left whitespace-nowrap">
                  {t.tree.tag} {t.tree.variety}
                </th>
                {columns.map((c) => {
                  const v = t.visits.find((x) => x.step === c.step && x.year === c.year && x.nth === c.nth);
                  return (
                    <td key={`${c.step}${c.year}${c.nth}`} className="px-2 whitespace-nowrap">
                      {cellWords(v, units)}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {preview.trees.length > MOST_SHOWN && (
        <p className="text-[0.9375rem]">
          The first {MOST_SHOWN} of {preview.trees.length} trees.
        </p>
      )}
    </details>
  );
}
