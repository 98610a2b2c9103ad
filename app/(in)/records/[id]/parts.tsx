import Link from 'next/link';
import { METHOD_NAMES } from '@/core/label/methods';
import {
  showAmount,
  showArea,
  showFine,
  showTemperature,
  showTrunk,
  showVolume,
  type UnitSystem,
} from '@/lib/units/units';
import type { LocalDate } from '@/lib/calendar/zone';
import { airWords } from '@/ui/air-words';
import { RingFigure } from '@/ui/figures/ring';
import { Fact, TagLine } from '@/ui/frame/pieces';
import { positionWords, signalWords } from '@/ui/record-words';
import { dayAndClock, fromToday, shortDay } from '@/ui/words';
import type { recordView } from '@/views/records';

type Seen = NonNullable<Awaited<ReturnType<typeof recordView>>>;
type Record = Seen['newest'];
const dimensionOf = (record: Record) => (record.data.unit === 'mL' ? ('volume' as const) : ('mass' as const));

/** The tree of a record, and where on its trunk it was treated. */
export function RecordTag({ record: r, units }: { record: Record; units: UnitSystem }) {
  const d = r.data;
  return (
    <>
      <Link href={`/trees/${d.tree.id}`} className="figures block text-tag leading-none font-extrabold">
        {d.tree.tag}
      </Link>
      <p className="mt-2 text-lead leading-tight font-bold">{d.host.name}</p>
      <p className="text-[0.9375rem] text-ink-2 italic">{d.host.latin}</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Done">{shortDay(r.doneOn)}</TagLine>
        <TagLine name="Version">{r.version}</TagLine>
        <TagLine name="Girth">{showTrunk(d.tree.girthCm, units).text}</TagLine>
        <TagLine name="Diameter">{showTrunk(d.tree.diameterCm, units).text}</TagLine>
      </dl>
      {d.sites.length > 0 && (
        <div className="mt-4">
          <RingFigure
            mini
            size={130}
            picture={{
              girthCm: d.tree.girthCm,
              heightCm: d.sites[0]!.heightCm,
              sites: d.sites.map((s) => s.bearing),
              arcs: [],
              oldSites: [],
            }}
          />
        </div>
      )}
    </>
  );
}

/** Every version of a record, with who wrote it and why. */
export function Versions({
  versions,
  newest: r,
  units,
  zone,
}: Pick<Seen, 'versions' | 'newest'> & { units: UnitSystem; zone: string }) {
  return (
    <section>
      <h2 className="text-body">Versions</h2>
      <ul>
        {versions.map((x) => (
          <li key={x.id} className="row py-2 text-[0.9375rem]">
            <b>Version {x.version}</b>
            {x.withdrawn && ' (withdrawn)'}, {x.writtenBy}, {dayAndClock(x.writtenAt, zone)}
            <span className="block">{x.correction ?? 'Written when the work was done.'}</span>
            {x.version < r.version && (
              <span className="block text-ink-2">
                {showAmount(x.data.amount, dimensionOf(r), units).text}, lot {x.data.lot.number}
              </span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The checks that were in force when it was done. */
export function ChecksThen({ record: { data: d } }: { record: Record }) {
  return (
    <section>
      <h2 className="text-body">Gates in force then</h2>
      {d.gates.length === 0 && <p className="text-[0.9375rem]">None.</p>}
      <ul>
        {d.gates.map((g) => (
          <li key={g.id} className="row py-2 text-[0.9375rem]">
            <b className="capitalize">{g.strength}:</b> {g.sentence}
            {g.released && <span className="block">Released: {g.released}</span>}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** After a record was written: the follow-ups that it made, and where to go. */
export function WhatComesNext({
  due,
  nextId,
  today,
}: {
  due: NonNullable<Seen['tree']>['followUps'];
  nextId: string | null;
  today: LocalDate;
}) {
  return (
    <div className="no-print mb-6 border-l-4 border-cambium-deep pl-4">
      <h2>Booked. This is what comes next</h2>
      <ul className="mt-1">
        {due.map((f) => (
          <li key={f.id}>
            <b className="figures">{shortDay(f.due)}</b> {f.what}
            {f.onlyIf ? ` (only if ${f.onlyIf})` : ''} <span className="text-ink-2">{fromToday(f.due, today)}</span>
          </li>
        ))}
      </ul>
      <p className="mt-3 flex flex-wrap gap-3">
        {nextId && (
          <Link className="press" href={`/trees/${nextId}`} data-key="n">
            Next tree
          </Link>
        )}
        <Link className="press" href="/">
          Today
        </Link>
      </p>
    </div>
  );
}

/** All that the law and the client may ask of an application. */
export function RecordFacts({ record: r, units, zone }: { record: Record; units: UnitSystem; zone: string }) {
  const d = r.data;
  const dimension = dimensionOf(r);
  const amount = showAmount(d.amount, dimension, units);
  return (
    <div className="mt-4 grid gap-x-10 desk:grid-cols-2 print:grid-cols-2">
      <dl>
        <Fact name="Applicator">{d.applicator.name}</Fact>
        <Fact name="Licence">
          {d.applicator.licence} ({d.applicator.categories.join(', ') || 'no category'}
          {d.applicator.licenceExpires ? `, until ${shortDay(d.applicator.licenceExpires)}` : ''})
        </Fact>
        {d.beside && (
          <Fact name="Together with">{d.beside.map((p) => `${p.name}, licence ${p.licence}`).join('; ')}</Fact>
        )}
        <Fact name="Product">{d.product.name}</Fact>
        <Fact name="Registration number">{d.product.registration}</Fact>
        <Fact name="Signal word">{signalWords(d.product)}</Fact>
        <Fact name="Active">
          {d.product.actives.map((a) => `${a.name} ${a.concentration} (${a.group})`).join(', ')}
        </Fact>
        <Fact name="Lot">
          {d.lot.number}, until {shortDay(d.lot.expires)}
        </Fact>
        <Fact name="Amount used">
          {amount.text}
          {d.typed && d.typed !== amount.text ? ` (typed ${d.typed})` : ''}
        </Fact>
        <Fact name="Planned">{showAmount(d.planned, dimension, units).text}</Fact>
        <Fact name="Concentration">{d.concentration}</Fact>
        {d.rate && <Fact name="Rate">{d.rate}</Fact>}
        {d.mixMl !== null && <Fact name="Mix in all">{showVolume(d.mixMl, units).text}</Fact>}
        {d.waterMl !== null && <Fact name="Water">{showVolume(d.waterMl, units).text}</Fact>}
        {d.actives.map((a) => (
          <Fact key={a.name} name={a.name}>
            {showAmount(a.grams, 'mass', units).text}
          </Fact>
        ))}
        <Fact name="Target">{d.target.name}</Fact>
      </dl>
      <dl>
        <Fact name="Client">{d.place.client}</Fact>
        <Fact name="Place">
          {d.place.name}, {d.place.address}
        </Fact>
        <Fact name="Tree">
          {d.tree.tag}, {d.host.name} ({d.host.latin})
        </Fact>
        <Fact name="Trunk">
          girth {showTrunk(d.tree.girthCm, units).text}, diameter {showTrunk(d.tree.diameterCm, units).text}
        </Fact>
        <Fact name="Position">{positionWords(d.tree)}</Fact>
        <Fact name="Method">{METHOD_NAMES[d.method]}</Fact>
        {d.drill && <Fact name="Sites">{`${d.sites.length}, ${d.drill}`}</Fact>}
        <Fact name="Area">{d.areaM2 === null ? d.areaWords : `${showArea(d.areaM2, units).text}, ${d.areaWords}`}</Fact>
        <Fact name="Start">{dayAndClock(r.startedAt, zone)}</Fact>
        <Fact name="End">{dayAndClock(r.endedAt, zone)}</Fact>
        <Fact name="Re-entry">
          {d.reEntryHours} h, from {dayAndClock(d.reEntryUntil, zone)}
        </Fact>
        <Fact name="Weather">{airWords(d.weather, units)}</Fact>
        <Fact name="Rain ahead">
          {d.weather.rainNext24Mm === null ? 'not forecast' : `${showFine(d.weather.rainNext24Mm, units).text} in 24 h`}
        </Fact>
        {(d.soil || d.weather.soilTemperatureC !== null) && (
          <Fact name="Soil">
            {[
              d.soil ?? 'not said',
              ...(d.weather.soilTemperatureC === null ? [] : [showTemperature(d.weather.soilTemperatureC, units)]),
            ].join(', ')}
          </Fact>
        )}
        <Fact name="Worn">{d.protection.join(', ') || 'nothing ticked'}</Fact>
        {d.mark && <Fact name="Mark">{d.mark}</Fact>}
      </dl>
    </div>
  );
}
