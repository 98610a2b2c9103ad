import Link from 'next/link';
import { groupWords } from '@/core/label/group';
import { isLiquid } from '@/core/label/liquid';
import { METHOD_NAMES } from '@/core/label/methods';
import { figure, MASS, showAmount, smallUnit, VOLUME, type UnitSystem } from '@/lib/units/units';
import type { LocalDate } from '@/lib/calendar/zone';
import { Section } from '@/ui/frame/pieces';
import { dayAndClock, shortDay } from '@/ui/words';
import type { stockView } from '@/views/stock';
import { EquipmentForm, EquipmentRow } from './equipment.client';
import { CheckLabel, LabelFile, LabelOff } from './labels.client';
import { CountLot, WarnBelow } from './stock.client';
import { AddVessel, RemoveVessel, SprayerForm } from './vessels.client';

type Stock = Awaited<ReturnType<typeof stockView>>;
/** Who reads the stock, and what the reader may do with it. */
export interface Reader {
  units: UnitSystem;
  timeZone: string;
  today: LocalDate;
  /** May keep the stock: count, receive, check labels. */
  keep: boolean;
}

export const anchor = (name: string) => name.toLowerCase().replace(/[^a-z]+/g, '-');

const show = (amount: number, unit: 'mL' | 'g', units: UnitSystem) =>
  showAmount(amount, unit === 'mL' ? 'volume' : 'mass', units).text;

/** The last moves of stock, the newest first. */
export function LastMoves({ moves, reader }: { moves: Stock['moves']; reader: Reader }) {
  return (
    <section>
      <h2 className="text-body">Last moves</h2>
      {moves.length === 0 && <p className="text-ink-2">No stock has moved.</p>}
      <ul>
        {moves.map((m) => (
          <li key={m.id} className="row py-2 text-[0.9375rem]">
            <b className="figures">
              {m.amount > 0 ? '+' : '−'}
              {show(Math.abs(m.amount), m.unit, reader.units)}
            </b>{' '}
            lot {m.lotNumber}
            <span className="block text-small text-ink-2">
              {m.reason}, {m.byName}, {dayAndClock(m.at, reader.timeZone)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The ways in which a company brings in a label of its own. */
export function OwnLabel() {
  return (
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
  );
}

/** The lots of one product, with what is on hand of each. */
function LotTable({ lots, reader }: { lots: Stock['lots']; reader: Reader }) {
  const { keep, today } = reader;
  return (
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
        {lots.map((lot) => (
          <tr key={lot.id}>
            <td className="font-bold">{lot.lotNumber}</td>
            <td>{show(lot.onHand, lot.unit, reader.units)}</td>
            <td className={lot.expiresOn < today ? 'font-bold text-madder' : ''}>
              {shortDay(lot.expiresOn)}
              {lot.expiresOn < today && ', expired'}
            </td>
            {keep && (
              <td>
                <CountLot lotId={lot.id} lotNumber={lot.lotNumber} unit={lot.unit} units={reader.units} />
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** One label of the stock: its state, its lots, and what is short of it. */
export function LabelRow({
  label: l,
  lots: own,
  need,
  reader,
}: {
  label: Stock['labels'][number];
  lots: Stock['lots'];
  need: Need;
  reader: Reader;
}) {
  const { keep, units } = reader;
  const small = (unit: 'mL' | 'g', base: number) =>
    base / { ...VOLUME, ...MASS }[smallUnit(unit === 'mL' ? 'volume' : 'mass', units)];
  return (
    <li className="row py-3">
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
          <span className="text-[0.9375rem] font-semibold text-sap">Not checked against the label in hand</span>
        )}
        {keep && !l.checkedOn && <CheckLabel labelId={l.id} name={l.label.name} />}
      </div>
      <Short unit={isLiquid(l.label) ? 'mL' : 'g'} of={need} units={units} />
      {keep && own.every((lot) => lot.onHand <= 0) && (
        <p className="mt-1">
          <LabelOff labelKey={l.key} name={l.label.name} off={false} />
        </p>
      )}
      {own.length > 0 && <LotTable lots={own} reader={reader} />}
      {keep && own.length > 0 && (
        <WarnBelow
          labelKey={l.key}
          name={l.label.name}
          unit={own[0]!.unit}
          units={units}
          below={need.level ? figure(small(own[0]!.unit, need.level), 6) : ''}
        />
      )}
    </li>
  );
}

/** Where the stock went, by product and account. */
export function WhereItWent({ balances, labels, reader }: Pick<Stock, 'balances' | 'labels'> & { reader: Reader }) {
  return (
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
                        ? `${a.sign * b.amount < 0 ? '−' : ''}${show(Math.abs(b.amount), b.unit, reader.units)}`
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
  );
}

/** Bits, devices and tools, against which the load list is held. */
export function Equipment({ equipment, keep }: Pick<Stock, 'equipment'> & { keep: boolean }) {
  return (
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
  );
}

const NO_VESSEL = 'No vessel yet: doses cannot be rounded to marks. Add your jugs and syringes.';

/** The vessels to whose marks doses are rounded. */
export function Vessels({ vessels, keep }: Pick<Stock, 'vessels'> & { keep: boolean }) {
  return (
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
              {vessel.reserved === false && <b className="text-madder">not reserved</b>} marks every {vessel.graduation}{' '}
              {vessel.dimension === 'volume' ? 'mL' : 'g'}, holds {vessel.capacity}
              {keep && <RemoveVessel vessel={vessel} />}
            </span>
          </li>
        ))}
      </ul>
      {keep && <AddVessel />}
    </Section>
  );
}

/** Sprayers with their flow as measured. */
export function Sprayers({ sprayers, keep }: Pick<Stock, 'sprayers'> & { keep: boolean }) {
  return (
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
  );
}

/** Accounts as a keeper of stock reads them: what came in, and where it went. */
const ACCOUNTS = [
  { key: 'supplier', name: 'From the supplier', sign: -1 },
  { key: 'tree', name: 'On trees', sign: 1 },
  { key: 'mix', name: 'Into mixes', sign: 1 },
  { key: 'loss', name: 'Spilled', sign: 1 },
  { key: 'count', name: 'Missing by counts', sign: 1 },
  { key: 'lot', name: 'On hand', sign: 1 },
] as const;

/** What open job sheets will take of a product, what is on hand and has not expired, and below what it is ordered. */
export interface Need {
  wanted: number;
  held: number;
  level: number | null;
}
export const short = (of: Need): 'sheets' | 'level' | null =>
  of.wanted > of.held ? 'sheets' : of.level !== null && of.held < of.level ? 'level' : null;

/** What is short of a product: for the open sheets, or below the amount that the company wants to keep. */
function Short({ of, unit, units }: { of: Need; unit: 'mL' | 'g'; units: UnitSystem }) {
  const why = short(of);
  if (why === 'sheets')
    return (
      <p className="mt-1 font-semibold text-sap">
        Order: open sheets need {show(of.wanted, unit, units)}; only {show(of.held, unit, units)} is on hand and has not
        expired.
      </p>
    );
  if (why === 'level' && of.level !== null)
    return (
      <p className="mt-1 font-semibold text-sap">
        Order: {show(of.held, unit, units)} is left, below {show(of.level, unit, units)}.
      </p>
    );
  return null;
}
