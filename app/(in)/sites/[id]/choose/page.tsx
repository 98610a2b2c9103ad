import Link from 'next/link';
import { notFound } from 'next/navigation';
import { money, inMinor } from '@/core/cost/prices';
import { stemDiameters } from '@/core/measure/trunk';
import { expectedControl } from '@/core/prescribe/costs';
import { capLeft, chooseTrees } from '@/core/prescribe/stand';
import { readNumber } from '@/lib/units/numbers';
import { figure, showAmount, showMass } from '@/lib/units/units';
import { METHOD_NAMES } from '@/core/label/methods';
import { findHost } from '@/knowledge';
import { chooseView } from '@/views/trees';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine, TagRow } from '@/ui/frame/pieces';
import { idOr404, todayOf, viewer } from '@/app/_server/viewer';

export const metadata = { title: 'Which trees' };

/** Which trees of a place get a product when not all can: under the label's yearly cap, or for a sum of money. */
export default async function Choose({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ use?: string; budget?: string }>;
}) {
  const v = await viewer();
  const id = idOr404((await params).id);
  const { place, labels, stand } = (await chooseView(v, id, todayOf(v).slice(0, 4))) ?? notFound();
  const q = await searchParams;
  const trees = stand.trees.flatMap((t) => {
    const host = findHost(t.hostId);
    return host && t.stems
      ? [
          {
            id: t.id,
            tag: t.tag,
            host,
            diameters: stemDiameters(t.stems),
            crownLoss: t.crownLoss,
            conditionId:
              t.decision?.startsWith('treat') || t.decision === 'protect a sound tree' ? t.conditionId : null,
          },
        ]
      : [];
  });
  const uses = labels.flatMap(({ label }) =>
    label.uses
      .filter((use) => ['tree', 'diameter', 'girth', 'site'].includes(use.rate.basis.per))
      .map((use) => ({ key: `${label.key}/${use.key}`, label, use })),
  );
  const picked =
    uses.find((u) => u.key === q.use) ?? uses.find((u) => capLeft(u.use, place.areaM2, stand.used) !== null) ?? uses[0];
  const typed = typeof q.budget === 'string' ? q.budget.slice(0, 20) : '';
  const budget = typed.trim() ? readNumber(typed, { name: 'The sum', above: 0, max: 1e7 }) : null;
  const cap = picked ? capLeft(picked.use, place.areaM2, stand.used) : null;
  const by = budget?.ok
    ? ({ kind: 'budget', left: inMinor(budget.value, v.prices), prices: v.prices } as const)
    : cap
      ? ({ kind: 'cap', ...cap } as const)
      : null;
  const got =
    picked && by
      ? chooseTrees({ trees, label: picked.label, use: picked.use, by, likely: expectedControl(picked.use.method) })
      : null;
  const show = (x: number) => (by?.kind === 'budget' ? money(x, v.prices) : showMass(x, v.units).text);
  const chosen = new Set(got?.choice.chosen);
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">{place.name}</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Trees">{stand.trees.length}</TagLine>
        {got && <TagLine name="Get it">{chosen.size}</TagLine>}
        {got && <TagLine name="Do not">{got.considered.length - chosen.size}</TagLine>}
      </dl>
    </>
  );
  const margin = got ? (
    <>
      <section>
        <h2 className="text-body">How it was chosen</h2>
        <p className="text-[0.9375rem]">
          Most living trunk kept: cross-section, less what the crown has lost, times the control that is likely. Every
          set of trees was weighed:{' '}
          {got.choice.gap === 0
            ? 'this is the best there is'
            : `none is better by more than ${figure(100 * got.choice.gap, 2)} %`}
          .
        </p>
      </section>
      <section>
        <h2 className="text-body">What the last of it bought</h2>
        <p className="text-[0.9375rem]">
          {got.choice.lastTaken
            ? `The poorest tree taken keeps ${figure(got.choice.lastTaken.perUnit, 3)} cm² for each ${by?.kind === 'budget' ? 'penny' : 'gram'}`
            : 'Nothing could be taken'}
          {got.choice.firstLeft && `; the best one left out would have kept ${figure(got.choice.firstLeft.perUnit, 3)}`}
          .
        </p>
      </section>
      <section>
        <h2 className="text-body">Not weighed</h2>
        <ul className="text-[0.9375rem]">
          {got.outside.slice(0, 12).map((o) => (
            <li key={o.tag} className="row py-1">
              <b>{o.tag}</b>: {o.why}
            </li>
          ))}
          {got.outside.length > 12 && <li className="py-1">and {got.outside.length - 12} more</li>}
        </ul>
      </section>
    </>
  ) : null;
  return (
    <Frame tag={tag} margin={margin} handle="How it was chosen">
      <h1>Which trees get it</h1>
      <p className="text-ink-2">
        When a cap or a budget does not reach for all. Each tree still passes its own gates when it is prescribed for.
      </p>
      <form className="mt-4 grid items-end gap-x-5 desk:grid-cols-[2fr_1fr_auto]">
        <label className="mb-4 block">
          <span className="mb-1 block font-semibold">Product and use</span>
          <select name="use" defaultValue={picked?.key} className="box">
            {uses.map((u) => (
              <option key={u.key} value={u.key}>
                {METHOD_NAMES[u.use.method]}, {u.label.name}
              </option>
            ))}
          </select>
        </label>
        <label className="mb-4 block">
          <span className="mb-1 block font-semibold">For a sum, {v.prices.currency}</span>
          <input
            name="budget"
            defaultValue={typed}
            className="box"
            inputMode="decimal"
            placeholder="empty: the cap"
            maxLength={20}
          />
        </label>
        <button className="press press-main mb-4">Choose</button>
      </form>
      {budget && !budget.ok && (
        <p role="alert" className="font-semibold text-madder">
          {budget.sentence}
        </p>
      )}
      {!got && (
        <p>
          This use has no yearly cap{place.areaM2 === null ? ', and the area of this place is not known' : ''}. Give a
          sum.
        </p>
      )}
      {got && (
        <>
          <p className="mt-2 text-lead">
            <b className="figures">{show(got.choice.takes)}</b> of <b className="figures">{show(got.limit)}</b>
            {cap &&
              by?.kind === 'cap' &&
              cap.whole > cap.left &&
              ` (${show(cap.whole - cap.left)} of the year’s ${show(cap.whole)} is used)`}
          </p>
          {[true, false].map((take) => (
            <Section
              key={String(take)}
              title={take ? 'Get it' : 'Another method, or next year'}
              empty={!got.considered.some((c) => chosen.has(c.tree.id) === take) && 'None.'}
            >
              <ul className="grid gap-x-8 desk:grid-cols-2">
                {got.considered
                  .filter((c) => chosen.has(c.tree.id) === take)
                  .map((c) => (
                    <TagRow
                      key={c.tree.id}
                      href={`/trees/${c.tree.id}/prescribe`}
                      tag={c.tree.tag}
                      title={findHost(c.tree.host.id)?.name ?? ''}
                      right={<span className="figures font-bold">{show(c.takes)}</span>}
                    >
                      {showAmount(c.dose.product, c.dose.dimension, v.units).text}
                    </TagRow>
                  ))}
              </ul>
            </Section>
          ))}
        </>
      )}
      <p className="mt-6">
        <Link href={`/sites/${id}`} className="press">
          Back to the place
        </Link>
      </p>
    </Frame>
  );
}
