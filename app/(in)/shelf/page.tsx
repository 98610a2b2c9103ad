import Link from 'next/link';
import { METHOD_NAMES } from '@/core/label/methods';
import { isLiquid } from '@/core/label/liquid';
import { showAmount } from '@/core/units/units';
import { openPlans } from '@/store/plans';
import { lastMoves, listLots, listSprayers, listVessels, shelfLabels } from '@/store/shelf';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine } from '@/ui/frame/pieces';
import { dayAndClock, shortDay } from '@/ui/words';
import { allows, todayOf, viewer } from '../../_server/viewer';
import { AddVessel, CheckLabel, CountLot, LabelFile, Receive, RemoveVessel, SprayerForm } from './shelf.client';

export const metadata = { title: 'Shelf' };

export default async function Shelf() {
  const v = await viewer();
  const today = todayOf(v);
  const [labels, lots, vessels, moves, sprayers, plans] = await Promise.all([
    shelfLabels(v),
    listLots(v),
    listVessels(v),
    lastMoves(v),
    listSprayers(v),
    openPlans(v),
  ]);
  const keep = allows(v, 'keep the shelf');
  const show = (amount: number, unit: 'mL' | 'g') =>
    showAmount(amount, unit === 'mL' ? 'volume' : 'mass', v.units).text;
  /** What open sheets will take of a product, against what is on hand and has not expired. */
  const shortOf = (key: string) => {
    const wanted = plans.filter((p) => p.labelKey === key).reduce((a, p) => a + p.product, 0);
    const held = lots.filter((l) => l.labelKey === key && l.expiresOn >= today).reduce((a, l) => a + l.onHand, 0);
    return wanted > held ? { wanted, held } : null;
  };
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">Shelf</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Labels">{labels.length}</TagLine>
        <TagLine name="Not checked">{labels.filter((l) => !l.checkedOn).length}</TagLine>
        <TagLine name="Lots">{lots.length}</TagLine>
        <TagLine name="Expired">{lots.filter((l) => l.expiresOn < today && l.onHand > 0).length}</TagLine>
      </dl>
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
            <Link href="/shelf/labels/new" className="press">
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
                  <Link href={`/shelf/labels/${l.id}`} className="font-bold hover:underline">
                    {l.label.name}
                  </Link>
                  <span className="figures text-[0.9375rem]">
                    {l.label.registration}, version {l.version}
                  </span>
                </div>
                <p className="text-[0.9375rem] text-ink-2">
                  {l.label.actives
                    .map(
                      (a) =>
                        `${a.name} (${a.group.scheme === 'none' ? 'no group' : `${a.group.scheme} ${a.group.code}`})`,
                    )
                    .join(' + ')}
                  ; {[...new Set(l.label.uses.map((u) => METHOD_NAMES[u.method]))].join(', ')}
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
                {shortOf(l.key) && (
                  <p className="mt-1 font-semibold text-sap">
                    Open sheets need {show(shortOf(l.key)!.wanted, isLiquid(l.label) ? 'mL' : 'g')}; only{' '}
                    {show(shortOf(l.key)!.held, isLiquid(l.label) ? 'mL' : 'g')} is on hand.
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
                      {own.map((x) => (
                        <tr key={x.id}>
                          <td className="font-bold">{x.lotNumber}</td>
                          <td>{show(x.onHand, x.unit)}</td>
                          <td className={x.expiresOn < today ? 'font-bold text-madder' : ''}>
                            {shortDay(x.expiresOn)}
                            {x.expiresOn < today && ', expired'}
                          </td>
                          {keep && (
                            <td>
                              <CountLot lotId={x.id} lotNumber={x.lotNumber} unit={x.unit} units={v.units} />
                            </td>
                          )}
                        </tr>
                      ))}
                    </tbody>
                  </table>
                )}
              </li>
            );
          })}
        </ul>
      </Section>
      {keep && (
        <Section title="A delivery">
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
        title="Vessels"
        aside="kept for pesticides, never for food or drink"
        empty={vessels.length === 0 && 'No vessel yet: doses cannot be rounded to marks. Enter your jugs and syringes.'}
      >
        <ul>
          {vessels.map((x) => (
            <li key={x.id} className="row figures flex items-center justify-between gap-4 py-1.5">
              <b>{x.name}</b>
              <span className="flex items-center gap-4">
                {x.reserved === false && <b className="text-madder">not reserved</b>} marks every {x.graduation}{' '}
                {x.dimension === 'volume' ? 'mL' : 'g'}, holds {x.capacity}
                {keep && <RemoveVessel vessel={x} />}
              </span>
            </li>
          ))}
        </ul>
        {keep && <AddVessel />}
      </Section>
      <Section
        title="Sprayers"
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
