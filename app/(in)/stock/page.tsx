import Link from 'next/link';
import { groupWords } from '@/core/label/group';
import { METHOD_NAMES } from '@/core/label/methods';
import { isLiquid } from '@/core/label/liquid';
import { figure, MASS, showAmount, smallUnit, VOLUME } from '@/lib/units/units';
import { stockView } from '@/views/stock';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine } from '@/ui/frame/pieces';
import { dayAndClock, shortDay } from '@/ui/words';
import { allows, todayOf, viewer } from '../../_server/viewer';
import { EquipmentForm, EquipmentRow } from './equipment.client';
import { AddVessel, RemoveVessel, SprayerForm } from './vessels.client';
import { CheckLabel, LabelFile, LabelOff } from './labels.client';
import { CountLot, Receive, WarnBelow } from './stock.client';

export const metadata = { title: 'Stock' };

const NO_VESSEL = 'No vessel yet: doses cannot be rounded to marks. Add your jugs and syringes.';

export default async function Shelf() {
  const v = await viewer();
  const today = todayOf(v);
  const { labels, lots, vessels, moves, sprayers, plans, balances, levels, equipment, labelsOff } = await stockView(v);
  const keep = allows(v, 'keep the shelf');
  const show = (amount: number, unit: 'mL' | 'g') =>
    showAmount(amount, unit === 'mL' ? 'volume' : 'mass', v.units).text;
  /** What open sheets will take of a product, against what is on hand and has not expired. */
  const shortOf = (key: string) => {
    const wanted = plans.filter((p) => p.labelKey === key).reduce((a, p) => a + p.product, 0);
    const held = lots.filter((l) => l.labelKey === key && l.expiresOn >= today).reduce((a, l) => a + l.onHand, 0);
    return { wanted, held, level: levels[key] ?? null };
  };
  const small = (unit: 'mL' | 'g', base: number) =>
    base / { ...VOLUME, ...MASS }[smallUnit(unit === 'mL' ? 'volume' : 'mass', v.units)];
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">Stock</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Labels">{labels.length}</TagLine>
        <TagLine name="Not checked">{labels.filter((l) => !l.checkedOn).length}</TagLine>
        <TagLine name="Lots">{lots.length}</TagLine>
        <TagLine name="Expired">{lots.filter((l) => l.expiresOn < today && l.onHand > 0).length}</TagLine>
        <TagLine name="To order">{labels.filter((l) => short(shortOf(l.key))).length}</TagLine>
      </dl>
      <nav aria-label="On this page" className="mt-4">
        {['A delivery', 'Where it went', 'Bits, devices, tools', 'Vessels', 'Sprayers'].map((name) => (
          <a key={name} href={`#${anchor(name)}`} className="row block py-2 underline underline-offset-3">
            {name}
          </a>
        ))}
      </nav>
    </>
  );
  const margin = (
    <>
      <section>
        <h2 className="text-body">Last moves</h2>
        {moves.length === 0 && <p className="text-ink-2">No stock has moved.</p>}
        <ul>
          {moves.map((m) => (
            <li key={m.id} className="row py-2 text-[0.9375rem]">
              <b className="figures">
                {m.amount > 0 ? '+' : '−'}
                {show(Math.abs(m.amount), m.unit)}
              </b>{' '}
              lot {m.lotNumber}
              <span className="block text-small text-ink-2">
                {m.reason}, {m.byName}, {dayAndClock(m.at, v.timeZone)}
              </span>
            </li>
          ))}
        </ul>
      </section>
      {keep && (
        <section>
          <h2 className="text-body">A label of your own</h2>
          <p className="text-[0.9375rem]">
            Copied from the label in hand into the open label format (docs/label-format.md). A label with the same key
            becomes its next version.
          </p>
          <LabelFile />
          <p className="mt-3">
            <Link href="/stock/labels/new" className="press">
              Enter it from the paper label
            </Link>
          </p>
        </section>
      )}
    </>
  );
  return (
    <Frame tag={tag} margin={margin} handle="Last moves, new label">
      <h1>Labels, lots, vessels</h1>
      <Section
        title="Labels"
        aside="fictional training labels until you enter your own"
        empty={labels.length === 0 && 'No label yet. Bring one in from its file, in the margin.'}
      >
        <ul>
          {labels.map((l) => {
            const own = lots.filter((x) => x.labelKey === l.key);
            return (
              <li key={l.id} className="row py-3">
                <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
                  <Link href={`/stock/labels/${l.id}`} className="font-bold hover:underline">
                    {l.label.name}
                  </Link>
                  <span className="figures text-[0.9375rem]">
                    {l.label.registration}, version {l.version}
                  </span>
                </div>
                <p className="text-[0.9375rem] text-ink-2">
                  {l.label.actives.map((a) => `${a.name} (${groupWords(a.group)})`).join(' + ')};{' '}
                  {[...new Set(l.label.uses.map((u) => METHOD_NAMES[u.method]))].join(', ')}
                </p>
                <div className="mt-1 flex flex-wrap items-center gap-x-6 gap-y-1">
                  {l.checkedOn ? (
                    <span className="text-[0.9375rem]">
                      Checked against the label in hand by {l.checkedBy}, {shortDay(l.checkedOn)}
                    </span>
                  ) : (
                    <span className="text-[0.9375rem] font-semibold text-sap">
                      Not checked against the label in hand
                    </span>
                  )}
                  {keep && !l.checkedOn && <CheckLabel labelId={l.id} name={l.label.name} />}
                </div>
                <Short unit={isLiquid(l.label) ? 'mL' : 'g'} of={shortOf(l.key)} show={show} />
                {keep && own.every((lot) => lot.onHand <= 0) && (
                  <p className="mt-1">
                    <LabelOff labelKey={l.key} name={l.label.name} off={false} />
                  </p>
                )}
                {own.length > 0 && (
                  <table className="dense figures mt-2 max-w-2xl">
                    <thead>
                      <tr>
                        <th>Lot</th>
                        <th>On hand</th>
                        <th>Expires</th>
                        {keep && <th>Count</th>}
                      </tr>
                    </thead>
                    <tbody>
                      {own.map((lot) => (
                        <tr key={lot.id}>
                          <td className="font-bold">{lot.lotNumber}</td>
                          <td>{show(lot.onHand, lot.unit)}</td>
                          <td className={lot.expiresOn < today ? 'font-bold text-madder' : ''}>
                            {shortDay(lot.expiresOn)}
                            {lot.expiresOn < today && ', expired'}
                          </td>
                          {keep && (
                            <td>
                              <CountLot lotId={lot.id} lotNumber={lot.lotNumber} unit={lot.unit} units={v.units} />
                            </td>
                          )}
                        </tr>
                      ))}
                    </tbody>
                  </table>
                )}
                {keep && own.length > 0 && (
                  <WarnBelow
                    labelKey={l.key}
                    name={l.label.name}
                    unit={own[0]!.unit}
                    units={v.units}
                    below={levels[l.key] ? figure(small(own[0]!.unit, levels[l.key]!), 6) : ''}
                  />
                )}
              </li>
            );
          })}
        </ul>
      </Section>
      {keep && labelsOff.length > 0 && (
        <Section title="Off the shelf" aside="nothing is prescribed by these">
          <ul className="flex flex-wrap gap-3">
            {labelsOff.map((l) => (
              <li key={l.key}>
                <LabelOff labelKey={l.key} name={l.label.name} off />
              </li>
            ))}
          </ul>
        </Section>
      )}
      {keep && (
        <Section title="A delivery" id={anchor('A delivery')}>
          <Receive
            labels={labels.map((l) => ({
              value: l.key,
              name: l.label.name,
              unit: isLiquid(l.label) ? ('mL' as const) : ('g' as const),
            }))}
            units={v.units}
          />
        </Section>
      )}
      <Section
        title="Where it went"
        id={anchor('Where it went')}
        aside="of lots in use: what came is on trees, spilled, missing or on hand"
        empty={balances.length === 0 && 'No stock has moved yet.'}
      >
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Where the stock went">
          <table className="dense figures">
            <thead>
              <tr>
                <th>Product</th>
                {ACCOUNTS.map((a) => (
                  <th key={a.key}>{a.name}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              {[...new Set(balances.map((b) => b.labelKey))].map((key) => (
                <tr key={key}>
                  <td className="font-bold">{labels.find((l) => l.key === key)?.label.name ?? key}</td>
                  {ACCOUNTS.map((a) => {
                    const b = balances.find((x) => x.labelKey === key && x.account === a.key);
                    return (
                      <td key={a.key} className="whitespace-nowrap">
                        {b && b.amount !== 0
                          ? `${a.sign * b.amount < 0 ? '−' : ''}${show(Math.abs(b.amount), b.unit)}`
                          : '–'}
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </Section>
      <Section
        title="Bits, devices, tools"
        id={anchor('Bits, devices, tools')}
        aside="what the load sheet is held against"
        empty={equipment.length === 0 && !keep && 'Nothing is listed yet.'}
      >
        <ul>
          {equipment.map((e) =>
            keep ? (
              <EquipmentRow key={`${e.id}${e.count}${e.checkedOn}`} own={e} />
            ) : (
              <li key={e.id} className="row py-2">
                <b>{e.name}</b>
                {e.sizeMm ? `, ${e.sizeMm} mm` : ''}: {e.count}
              </li>
            ),
          )}
        </ul>
        {keep && <EquipmentForm key={equipment.length} />}
      </Section>
      <Section
        title="Vessels"
        id={anchor('Vessels')}
        aside="kept for pesticides, never for food or drink"
        empty={vessels.length === 0 && !keep && NO_VESSEL}
      >
        {vessels.length === 0 && <p>{NO_VESSEL}</p>}
        <ul>
          {vessels.map((vessel) => (
            <li key={vessel.id} className="row figures flex items-center justify-between gap-4 py-1.5">
              <b>{vessel.name}</b>
              <span className="flex items-center gap-4">
                {vessel.reserved === false && <b className="text-madder">not reserved</b>} marks every{' '}
                {vessel.graduation} {vessel.dimension === 'volume' ? 'mL' : 'g'}, holds {vessel.capacity}
                {keep && <RemoveVessel vessel={vessel} />}
              </span>
            </li>
          ))}
        </ul>
        {keep && <AddVessel />}
      </Section>
      <Section
        title="Sprayers"
        id={anchor('Sprayers')}
        aside="the flow as measured: fill, spray a minute, measure what is gone"
        empty={sprayers.length === 0 && !keep && 'No sprayer yet: loads cannot be split.'}
      >
        {sprayers.map((x) =>
          keep ? (
            <SprayerForm key={x.id} sprayer={x} />
          ) : (
            <p key={x.id} className="row py-2">
              <b>{x.name}</b>, {x.holdsMl / 1000} L
              {x.flowMlMin ? `, ${x.flowMlMin / 1000} L a minute, calibrated ${x.calibratedOn}` : ', not calibrated'}
            </p>
          ),
        )}
        {keep && <SprayerForm key={sprayers.length} />}
      </Section>
    </Frame>
  );
}

const anchor = (name: string) => name.toLowerCase().replace(/[^a-z]+/g, '-');

/** Accounts as a keeper of stock reads them: what came in, and where it went. */
const ACCOUNTS = [
  { key: 'supplier', name: 'From the supplier', sign: -1 },
  { key: 'tree', name: 'On trees', sign: 1 },
  { key: 'mix', name: 'Into mixes', sign: 1 },
  { key: 'loss', name: 'Spilled', sign: 1 },
  { key: 'count', name: 'Missing by counts', sign: 1 },
  { key: 'lot', name: 'On hand', sign: 1 },
] as const;

interface Need {
  wanted: number;
  held: number;
  level: number | null;
}
const short = (of: Need): 'sheets' | 'level' | null =>
  of.wanted > of.held ? 'sheets' : of.level !== null && of.held < of.level ? 'level' : null;

/** What is short of a product: for the open sheets, or below the amount that the company wants to keep. */
function Short({ of, unit, show }: { of: Need; unit: 'mL' | 'g'; show: (amount: number, unit: 'mL' | 'g') => string }) {
  const why = short(of);
  if (why === 'sheets')
    return (
      <p className="mt-1 font-semibold text-sap">
        Order: open sheets need {show(of.wanted, unit)}; only {show(of.held, unit)} is on hand and has not expired.
      </p>
    );
  if (why === 'level' && of.level !== null)
    return (
      <p className="mt-1 font-semibold text-sap">
        Order: {show(of.held, unit)} is left, below {show(of.level, unit)}.
      </p>
    );
  return null;
}
