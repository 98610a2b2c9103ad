import Link from 'next/link';
import { notFound } from 'next/navigation';
import QRCode from 'qrcode';
import { treeCode } from '@/core/phone/scan';
import { findCondition, findHost } from '@/knowledge';
import { methodWords } from '@/core/label/method-words';
import { showAmount, showTrunk, showVolume } from '@/lib/units/units';
import { oldSitesOf } from '@/facts/treatment-context';
import { PrintButton } from '@/ui/controls/print.client';
import { RingFigure, ringWords } from '@/ui/figures/ring';
import { Frame } from '@/ui/frame/frame';
import { longDay } from '@/ui/words';
import { todayOf } from '@/app/_server/viewer';
import { loadSheet, titledSheet, type SheetAddress } from '../treat/sheet';
import { TreeHead, TreeTag, TreeWhy } from '../../_frame/tree-frame';

export const generateMetadata = titledSheet('Paper sheet');

/** What is written by hand at the tree, in the order of the record. */
const BLANKS = ['Begun', 'Ended', 'Air', 'Wind, from', 'Lot', 'Used', 'Mark on the tree', 'Applicator'];

/** The whole sheet on one page of paper, black on white, for a crew whose phone is wet, broken or in the van. */
export default async function Paper(address: SheetAddress) {
  const { viewer, tree, sheet } = await loadSheet(address);
  const plan = sheet?.plan ?? notFound();
  const use = plan.label.uses.find((u) => u.key === plan.useKey);
  const { dose, ring } = plan.result;
  if (!use || !dose.ok) return notFound();
  const units = viewer.units;
  const qr = await QRCode.toString(treeCode(tree.id), { type: 'svg', margin: 0, errorCorrectionLevel: 'Q' });
  const words = methodWords(use.method, use.sites?.device, use.carrier.kind !== 'none');
  const host = findHost(tree.hostId);
  const place = sheet!.arrival;
  const pour = showAmount(dose.pour.amount, dose.pour.what === 'stock' ? 'volume' : dose.dimension, units);
  const picture = ring && {
    girthCm: dose.girthCm,
    heightCm: use.sites?.heightCm ?? 0,
    sites: ring.sites,
    arcs: tree.readings[0]?.arcs ?? [],
    oldSites: oldSitesOf(tree),
  };
  return (
    <Frame
      tag={<TreeTag tree={tree} units={units} here="treat" />}
      head={<TreeHead tree={tree} units={units} here="treat" />}
      margin={<TreeWhy tree={tree} />}
    >
      <p className="no-print mb-4 flex flex-wrap gap-3">
        <PrintButton />
        <Link className="press press-plain" href={`/trees/${tree.id}/treat?plan=${plan.id}`}>
          Back to the sheet
        </Link>
      </p>
      <article aria-label="Paper sheet" className="max-w-[46rem] print:max-w-none">
        <header className="flex flex-wrap items-end justify-between gap-x-6 border-b-2 border-ink pb-2">
          <h1 className="figures text-[4.5rem]! leading-none font-extrabold">{tree.tag}</h1>
          <div
            role="img"
            aria-label={`Code of ${tree.tag}`}
            className="size-20 flex-none bg-white"
            dangerouslySetInnerHTML={{ __html: qr }}
          />
          <p className="text-right">
            <b>{tree.siteName}</b>, {tree.address}
            <br />
            {tree.species || host?.name} · {showTrunk(dose.diameterCm, units).text} across,{' '}
            {showTrunk(dose.girthCm, units).text} round · printed {longDay(todayOf(viewer))}
          </p>
        </header>
        <section className="mt-3 flex flex-wrap gap-x-10 gap-y-2">
          <Great
            name={`${plan.label.name}, ${dose.pour.per === 'site' ? 'each site' : 'this tree'}`}
            value={pour.text}
          />
          {dose.carrier && <Great name="Fill with water to" value={showVolume(dose.carrier.totalMl, units).text} />}
          {dose.sites && <Great name="Sites" value={String(dose.sites.count)} />}
        </section>
        <p className="mt-2">
          Against {(findCondition(plan.conditionId)?.name ?? plan.conditionId).toLowerCase()}. Label in hand:{' '}
          {plan.label.name}, version {plan.label.version}, {plan.label.registration}; {plan.label.signalWord}. Nobody in{' '}
          {use.intervals.reEntryHours > 0 ? `for ${use.intervals.reEntryHours} hours after` : 'until it is dry'}.
        </p>
        <div className={picture ? 'mt-3 grid grid-cols-[1fr_auto] gap-x-6' : 'mt-3'}>
          <div>
            <h2>Worn, before anything is opened</h2>
            <ul className="list-['☐_'] pl-6">
              {use.protection.map((p) => (
                <li key={p}>{p}</li>
              ))}
            </ul>
            <h2 className="mt-3">In this order</h2>
            <ol className="list-decimal pl-6">
              {words.steps.map((s) => (
                <li key={s}>{s}</li>
              ))}
            </ol>
          </div>
          {picture && (
            <div className="w-56">
              <RingFigure units={units} size={220} picture={picture} />
            </div>
          )}
        </div>
        {picture && <p className="text-small">{ringWords(picture, units)}</p>}
        {plan.result.gates.length > 0 && (
          <>
            <h2 className="mt-3">Look at these again on the day</h2>
            <ul className="list-['☐_'] pl-6">
              {plan.result.gates.map((g) => (
                <li key={g.id}>
                  <b>{/[.?!]$/.test(g.title) ? g.title : `${g.title}.`}</b> {g.sentence}
                </li>
              ))}
            </ul>
          </>
        )}
        {place && (place.access || place.hazards || place.dogs) && (
          <p className="mt-3">
            <b>At the gate:</b> {[place.access, place.hazards, place.dogs].filter(Boolean).join(' ')}
          </p>
        )}
        <h2 className="mt-3">Written at the tree</h2>
        <dl className="mt-2 grid grid-cols-4 gap-x-5 gap-y-6 phone:grid-cols-2 print:grid-cols-4">
          {BLANKS.map((name) => (
            <div key={name} className="border-b border-ink pb-6">
              <dt className="text-small">{name}</dt>
              <dd className="sr-only">to be written</dd>
            </div>
          ))}
        </dl>
        <p className="mt-6">Signed: ______________________________ Entered into the book on: ______________</p>
      </article>
    </Frame>
  );
}

function Great({ name, value }: { name: string; value: string }) {
  return (
    <p>
      <span className="block text-small">{name}</span>
      <b className="figures text-[2.75rem] leading-none font-extrabold">{value}</b>
    </p>
  );
}
