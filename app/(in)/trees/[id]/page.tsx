import Link from 'next/link';
import { hostNames } from '@/app/(in)/trees/choices';
import { allows, todayOf } from '@/app/_server/viewer';
import { showTrunk } from '@/lib/units/units';
import { clockNow } from '@/store/clock';
import { Series } from '@/ui/figures/series';
import { Frame } from '@/ui/frame/frame';
import { Section } from '@/ui/frame/pieces';
import { overviewOf } from '@/views/tree';
import { LeftRows } from '../../jobs/day/left-rows';
import { ofTree } from '../_frame/load';
import { StepStrip, TreeHead, TreeTag, TreeWhy } from '../_frame/tree-frame';
import { nextStep } from './next-step';
import {
  Diagnoses,
  DoneOnTree,
  EvidenceOfTree,
  FoundWhileDigging,
  LastInspection,
  LookAgain,
  Offered,
  PlanOfTree,
} from './overview';
import { EditTree, Remind } from './overview.client';
import { Photos } from './photos';
import { ItsProgrammes } from './programmes';
import { SeasonHere } from './season-here';
import { Works, worksNow } from './works';

const load = ofTree(overviewOf);
export async function generateMetadata({ params }: { params: Promise<{ id: string }> }) {
  const { tree } = await load((await params).id);
  return { title: `${tree.tag}, ${tree.siteName}` };
}

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { viewer, tree, knowledge, duties, quotes, year, visits, lefts } = await load((await params).id);
  const today = todayOf(viewer);
  const open = tree.followUps.filter((f) => f.state === 'open');
  const next = nextStep(tree, tree.plans.find((p) => p.state === 'open') ?? null, today);
  const works = worksNow(tree.works, today);
  const mayEdit = allows(viewer, 'edit grounds');
  return (
    <Frame
      tag={<TreeTag tree={tree} units={viewer.units} here="tree" />}
      head={<TreeHead tree={tree} units={viewer.units} here="tree" />}
      margin={<TreeWhy tree={tree} />}
      handle="What was named and done"
    >
      <StepStrip tree={tree} duties={duties} here="tree" />
      <div className="flex flex-wrap items-center justify-between gap-4">
        <div>
          <h1>{open[0] && open[0].due <= today ? open[0].what : 'This tree'}</h1>
          <p className="text-ink-2">{next.why}</p>
        </div>
        <Link href={next.href} className="press press-main phone:w-full">
          {next.name}
        </Link>
      </div>

      <LookAgain open={open} visits={visits} viewer={viewer} today={today} />
      {allows(viewer, 'settle a follow-up') && <Remind treeId={tree.id} today={today} />}

      <SeasonHere tree={tree} year={year} today={today} mayNote={allows(viewer, 'measure')} />

      <div className="grid gap-x-10 desk:grid-cols-2">
        <Section title="Trunk" empty={tree.readings.length === 0 && 'No reading yet.'}>
          <div className="py-3">
            <Series
              points={tree.readings.map((r) => ({ at: r.at.getTime(), value: r.diameterCm })).reverse()}
              show={(d) => showTrunk(d, viewer.units).text}
              what="Diameter"
            />
          </div>
        </Section>
        <LastInspection tree={tree} />
      </div>

      <PlanOfTree tree={tree} viewer={viewer} />
      <ItsProgrammes treeId={tree.id} visits={visits} today={today} />

      {works.length > 0 && (
        <Section title="Works without a product" id="works">
          <Works works={works} timeZone={tree.timeZone} may={allows(viewer, 'apply')} />
        </Section>
      )}

      <Offered quotes={quotes} timeZone={tree.timeZone} viewer={viewer} now={clockNow()} />
      <FoundWhileDigging tree={tree} viewer={viewer} />
      <Diagnoses tree={tree} knowledge={knowledge} />
      <EvidenceOfTree tree={tree} knowledge={knowledge} today={today} refused={!allows(viewer, 'examine')} />
      <DoneOnTree tree={tree} units={viewer.units} today={today} />
      {lefts.length > 0 && (
        <Section title="Left undone" aside="a crew came, and it waits">
          <LeftRows lefts={lefts} timeZone={tree.timeZone} />
        </Section>
      )}

      <Photos tree={tree} />
      {mayEdit && (
        <EditTree
          tree={{
            id: tree.id,
            tag: tree.tag,
            hostId: tree.hostId,
            species: tree.species,
            note: tree.note,
            walkOrder: tree.walkOrder,
            lat: tree.lat,
            lon: tree.lon,
            variety: tree.variety,
            eaten: tree.eaten,
            version: tree.version,
          }}
          hosts={hostNames()}
        />
      )}
      {!mayEdit && tree.note && <p className="mt-6">{tree.note}</p>}
    </Frame>
  );
}
