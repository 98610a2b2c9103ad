import Link from 'next/link';
import { may, refusal } from '@/core/people/rights';
import { showAmount, showFill } from '@/lib/units/units';
import { Frame } from '@/ui/frame/frame';
import { Fact, Pour, Section, TagLine } from '@/ui/frame/pieces';
import { PrintButton } from '@/ui/controls/print.client';
import { dayAndClock } from '@/ui/words';
import type { Viewer } from '@/store/auth';
import type { BatchRow, BatchTaken } from '@/store/batches';
import { EndMix } from './end.client';

/** A mix by its tag: what is left in it, what was taken from it, and what becomes of the rest. */
export function BatchPage({
  viewer: v,
  now,
  batch: b,
  taken,
  qr,
}: {
  viewer: Viewer;
  now: Date;
  batch: BatchRow;
  taken: readonly BatchTaken[];
  /** Its tag to be read by a camera, as a drawing; null where only its code stands. */
  qr: string | null;
}) {
  const dimension = b.unit === 'mL' ? 'volume' : 'mass';
  const good = b.goodUntil > now;
  return (
    <Frame
      tag={
        <>
          <p className="text-head leading-tight font-extrabold">{b.code}</p>
          <dl className="mt-3 border-t border-line-2">
            <TagLine name="Left">{showFill(b.leftMl, v.units).text}</TagLine>
            <TagLine name="Draws">{taken.filter((t) => t.recordRoot).length}</TagLine>
          </dl>
        </>
      }
      margin={
        <>
          <section>
            <h2 className="text-body">Its tag</h2>
            {qr ? (
              <div className="max-w-40 bg-white p-2" dangerouslySetInnerHTML={{ __html: qr }} />
            ) : (
              <p className="text-tag font-extrabold">{b.code}</p>
            )}
            <PrintButton />
          </section>
          <p>
            <Link href={`/jobs/mixes?plan=${b.planIds[0]}${b.crewDayId ? `&round=${b.crewDayId}` : ''}`}>
              Mix more of it
            </Link>
          </p>
        </>
      }
      handle="Its tag"
    >
      <div className="print:hidden">
        <h1>
          Mix {b.code}: {b.labelName}
        </h1>
        <Pour big label="Left in it" {...showFill(b.leftMl, v.units)}>
          <p className={good ? 'text-ink-2' : 'font-semibold text-madder'}>
            {good ? 'Good until' : 'It was good until'} {dayAndClock(b.goodUntil, v.timeZone)}
            {b.kept && b.leftMl > 0 && ', kept'}
          </p>
        </Pour>
        {b.leftMl > 0 && b.crewDayId && (
          <p className="mb-3">
            <Link className="press press-main min-h-14 phone:w-full" href={`/jobs/day/${b.crewDayId}`}>
              Go on with the round
            </Link>
          </p>
        )}
        <dl className="max-w-lg">
          <Fact name="In">{b.vessel}</Fact>
          <Fact name="Made">
            {dayAndClock(b.madeAt, v.timeZone)}, {b.byName}
          </Fact>
          <Fact name="Of it product">
            {showAmount(b.product, dimension, v.units).text} in {showFill(b.totalMl, v.units).text}
          </Fact>
          {b.lots.map((l) => (
            <Fact key={l.id} name={`Lot ${l.number}`}>
              {showAmount(l.amount, dimension, v.units).text}
            </Fact>
          ))}
          <Fact name="Meant for">
            {b.planIds.length} {b.planIds.length === 1 ? 'tree' : 'trees'}
          </Fact>
        </dl>
        {b.leftMl > 0 &&
          (may(v.role, 'apply') ? (
            <EndMix batchId={b.id} good={good} leftMl={b.leftMl} />
          ) : (
            <p className="mt-3 border-l-4 border-sap pl-3 font-semibold text-sap">{refusal(v.role, 'apply')}</p>
          ))}
        <Section
          title="Taken from it"
          empty={taken.length === 0 && 'Nothing yet. What a tree gets is drawn from it when its sheet is written.'}
        >
          <ul>
            {taken.map((t, i) => (
              <li key={i} className="row flex min-h-14 flex-wrap items-center justify-between gap-x-4 py-2">
                <span>
                  {t.recordRoot ? (
                    <Link href={`/records/${t.recordRoot}`}>
                      {t.mixMl < 0 ? 'given back by' : ''} {t.tag}, {t.siteName}
                    </Link>
                  ) : (
                    <>
                      <b>{t.ended}</b>
                      {t.words && `: ${t.words}`}
                    </>
                  )}
                  <span className="block text-[0.9375rem] text-ink-2">
                    {t.byName}, {dayAndClock(t.at, v.timeZone)}
                  </span>
                </span>
                {t.mixMl !== 0 && <b className="figures">{showFill(Math.abs(t.mixMl), v.units).text}</b>}
              </li>
            ))}
          </ul>
        </Section>
      </div>
      <div className="hidden print:block">
        <div className="flex items-center gap-6 border-4 border-ink p-4" style={{ width: '9cm' }}>
          {qr && <div className="w-32 flex-none" dangerouslySetInnerHTML={{ __html: qr }} />}
          <div>
            <p className="text-tag leading-none font-extrabold">{b.code}</p>
            <p className="font-bold">{b.labelName}</p>
            <p>
              {showAmount(b.product, dimension, v.units).text} in {showFill(b.totalMl, v.units).text}
            </p>
            <p>good until {dayAndClock(b.goodUntil, v.timeZone)}</p>
            <p className="font-bold">Pesticide mix. Not for drinking.</p>
          </div>
        </div>
      </div>
    </Frame>
  );
}
