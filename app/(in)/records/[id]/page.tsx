import Link from 'next/link';
import { notFound } from 'next/navigation';
import { METHOD_NAMES } from '@/core/label/methods';
import { showAmount, showArea, showFine, showTemperature, showTrunk, showVolume } from '@/lib/units/units';
import { recordView } from '@/views/records';
import { RingFigure } from '@/ui/figures/ring';
import { Frame } from '@/ui/frame/frame';
import { Fact, Section, TagLine } from '@/ui/frame/pieces';
import { airWords } from '@/ui/air-words';
import { positionWords, signalWords } from '@/ui/record-words';
import { dayAndClock, fromToday, shortDay } from '@/ui/words';
import { allows, idOr404, todayOf, viewer } from '../../../_server/viewer';
import { PrintButton } from '@/ui/controls/print.client';
import { Correct } from './record.client';
import { clockNow } from '@/store/clock';

export const metadata = { title: 'Record' };

export default async function RecordPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ fresh?: string }>;
}) {
  const v = await viewer();
  const seen = (await recordView(v, idOr404((await params).id), clockNow())) ?? notFound();
  const { versions, newest: r, tree, place, lots } = seen;
  const d = r.data;
  const fresh = (await searchParams).fresh === '1';
  const zone = place?.timeZone ?? v.timeZone;
  const due = tree?.followUps.filter((f) => f.state === 'open') ?? [];
  const dimension = d.unit === 'mL' ? ('volume' as const) : ('mass' as const);
  const amount = showAmount(d.amount, dimension, v.units);
  const tag = (
    <>
      <Link href={`/trees/${d.tree.id}`} className="figures block text-tag leading-none font-extrabold">
        {d.tree.tag}
      </Link>
      <p className="mt-2 text-lead leading-tight font-bold">{d.host.name}</p>
      <p className="text-[0.9375rem] text-ink-2 italic">{d.host.latin}</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Done">{shortDay(r.doneOn)}</TagLine>
        <TagLine name="Version">{r.version}</TagLine>
        <TagLine name="Girth">{showTrunk(d.tree.girthCm, v.units).text}</TagLine>
        <TagLine name="Diameter">{showTrunk(d.tree.diameterCm, v.units).text}</TagLine>
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
  const margin = (
    <>
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
                  {showAmount(x.data.amount, dimension, v.units).text}, lot {x.data.lot.number}
                </span>
              )}
            </li>
          ))}
        </ul>
      </section>
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
      <p>
        <PrintButton />
      </p>
    </>
  );
  return (
    <Frame tag={tag} margin={margin} handle="Versions, gates, print">
      {fresh && (
        <div className="no-print mb-6 border-l-4 border-cambium-deep pl-4">
          <h2>Booked. This is what comes next</h2>
          <ul className="mt-1">
            {due.map((f) => (
              <li key={f.id}>
                <b className="figures">{shortDay(f.due)}</b> {f.what}
                {f.onlyIf ? ` (only if ${f.onlyIf})` : ''}{' '}
                <span className="text-ink-2">{fromToday(f.due, todayOf(v))}</span>
              </li>
            ))}
          </ul>
          <p className="mt-3 flex flex-wrap gap-3">
            {tree?.nextId && (
              <Link className="press" href={`/trees/${tree.nextId}`} data-key="n">
                Next tree
              </Link>
            )}
            <Link className="press" href="/">
              Today
            </Link>
          </p>
        </div>
      )}
      <h1>Record of application {r.withdrawn && <span className="text-madder">(withdrawn)</span>}</h1>
      <p className="text-ink-2">
        {METHOD_NAMES[d.method]} for {v.companyName}, tree {d.tree.tag}, {shortDay(r.doneOn)}
      </p>
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
          <Fact name="Planned">{showAmount(d.planned, dimension, v.units).text}</Fact>
          <Fact name="Concentration">{d.concentration}</Fact>
          {d.rate && <Fact name="Rate">{d.rate}</Fact>}
          {d.mixMl !== null && <Fact name="Mix in all">{showVolume(d.mixMl, v.units).text}</Fact>}
          {d.waterMl !== null && <Fact name="Water">{showVolume(d.waterMl, v.units).text}</Fact>}
          {d.actives.map((a) => (
            <Fact key={a.name} name={a.name}>
              {showAmount(a.grams, 'mass', v.units).text}
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
            girth {showTrunk(d.tree.girthCm, v.units).text}, diameter {showTrunk(d.tree.diameterCm, v.units).text}
          </Fact>
          <Fact name="Position">{positionWords(d.tree)}</Fact>
          <Fact name="Method">{METHOD_NAMES[d.method]}</Fact>
          {d.drill && <Fact name="Sites">{`${d.sites.length}, ${d.drill}`}</Fact>}
          <Fact name="Area">
            {d.areaM2 === null ? d.areaWords : `${showArea(d.areaM2, v.units).text}, ${d.areaWords}`}
          </Fact>
          <Fact name="Start">{dayAndClock(r.startedAt, zone)}</Fact>
          <Fact name="End">{dayAndClock(r.endedAt, zone)}</Fact>
          <Fact name="Re-entry">
            {d.reEntryHours} h, from {dayAndClock(d.reEntryUntil, zone)}
          </Fact>
          <Fact name="Weather">{airWords(d.weather, v.units)}</Fact>
          <Fact name="Rain ahead">
            {d.weather.rainNext24Mm === null
              ? 'not forecast'
              : `${showFine(d.weather.rainNext24Mm, v.units).text} in 24 h`}
          </Fact>
          {(d.soil || d.weather.soilTemperatureC !== null) && (
            <Fact name="Soil">
              {[
                d.soil ?? 'not said',
                ...(d.weather.soilTemperatureC === null ? [] : [showTemperature(d.weather.soilTemperatureC, v.units)]),
              ].join(', ')}
            </Fact>
          )}
          <Fact name="Worn">{d.protection.join(', ') || 'nothing ticked'}</Fact>
          {d.mark && <Fact name="Mark">{d.mark}</Fact>}
        </dl>
      </div>
      {r.correction && (
        <p className="mt-4 border-l-4 border-sap pl-3">
          <b>Corrected</b> by {r.writtenBy}, {dayAndClock(r.writtenAt, zone)}: {r.correction}
        </p>
      )}
      {d.deviation && (
        <p className="mt-4 border-l-4 border-sap pl-3">
          <b>Deviation.</b> {d.deviation}
        </p>
      )}
      {d.note && <p className="mt-4">{d.note}</p>}
      {d.photoIds.length > 0 && (
        <ul className="mt-4 flex flex-wrap gap-3">
          {d.photoIds.map((id) => (
            <li key={id}>
              {/* eslint-disable-next-line @next/next/no-img-element -- already resized, served with its own rights */}
              <img src={`/api/photos/${id}`} alt="Photo taken with this record" width={180} />
            </li>
          ))}
        </ul>
      )}
      <p className="mt-6 hidden print:block">Signed: ______________________________</p>
      {allows(v, 'correct') && (
        <div className="no-print">
          <Section title="Correct">
            <Correct
              record={{
                rootId: r.rootId,
                amount: d.amount,
                unit: d.unit,
                lotId: d.lot.id,
                lotNumber: d.lot.number,
                startedAt: r.startedAt.toISOString(),
                endedAt: r.endedAt.toISOString(),
                note: d.note,
                mark: d.mark,
                deviation: d.deviation,
                withdrawn: r.withdrawn,
              }}
              lots={lots.map((l) => ({ id: l.id, lotNumber: l.lotNumber }))}
              units={v.units}
              timeZone={zone}
            />
          </Section>
        </div>
      )}
    </Frame>
  );
}
