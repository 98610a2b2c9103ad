import { ChecksThen, RecordFacts, RecordTag, Versions, WhatComesNext } from './parts';
import { notFound } from 'next/navigation';
import { METHOD_NAMES } from '@/core/label/methods';
import { recordView } from '@/views/records';
import { Frame } from '@/ui/frame/frame';
import { Section } from '@/ui/frame/pieces';
import { dayAndClock, shortDay } from '@/ui/words';
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
  const tag = <RecordTag record={r} units={v.units} />;
  const margin = (
    <>
      <Versions versions={versions} newest={r} units={v.units} zone={zone} />
      <ChecksThen record={r} />
      <p>
        <PrintButton />
      </p>
    </>
  );
  return (
    <Frame tag={tag} margin={margin} handle="Versions, gates, print">
      {fresh && <WhatComesNext due={due} nextId={tree?.nextId ?? null} today={todayOf(v)} />}
      <h1>Record of application {r.withdrawn && <span className="text-madder">(withdrawn)</span>}</h1>
      <p className="text-ink-2">
        {METHOD_NAMES[d.method]} for {v.companyName}, tree {d.tree.tag}, {shortDay(r.doneOn)}
      </p>
      <RecordFacts record={r} units={v.units} zone={zone} />
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
