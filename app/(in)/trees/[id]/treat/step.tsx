import Link from 'next/link';
import { findCondition } from '@/knowledge';
import { sourcesOf } from '@/core/mix/sources';
import { refusal } from '@/core/people/rights';
import { installedBy } from '@/facts/queued-tree';
import { treatmentContextOfPlan } from '@/facts/treatment-context';
import { NO_YEAR } from '@/core/season/year';
import { dayIn } from '@/lib/calendar/zone';
import { Frame } from '@/ui/frame/frame';
import { Section } from '@/ui/frame/pieces';
import { dayAndClock, shortDay } from '@/ui/words';
import { StepStrip, TreeHead, TreeTag, TreeWhy } from '../../_frame/tree-frame';
import type { Dose } from '@/core/dose/dose';
import { enteredOf, fillOf, removalsOf } from '@/core/devices/devices';
import type { InstallationRow } from '@/store/devices';
import type { Stock } from '@/store/batches';
import type { Arrival } from '@/store/sites';
import type { Hand } from '@/store/people';
import type { Plan } from '@/store/plans';
import type { Held } from '@/store/stock';
import type { PlanHead, Tree } from '@/store/tree';
import { allows, type Seen } from '../seen';
import { ApplyBench } from './treat.client';
import type { InstalledDevices } from './install.client';
import { Works, workName, worksNow } from '../works';
import { NotDone } from './not-done.client';

/** What hangs or hung by a plan; null where nothing ever did. */
function installedDevicesOf(installed: readonly InstallationRow[], dose: Dose): InstalledDevices | null {
  const [first] = installed;
  if (!first) return null;
  const still = installed.filter((h) => !h.removedAt).length;
  const removed = installed.flatMap((h) => h.removedAt ?? []).map(Number);
  return {
    still,
    from: first.installedAt.toISOString(),
    to: still ? null : new Date(Math.max(...removed)).toISOString(),
    entered: enteredOf(dose.product, fillOf(dose) ?? dose.product, removalsOf(installed)),
    because: installed.flatMap((h) => h.because ?? [])[0] ?? null,
  };
}

/** Where a plan was carried out and its record waits to be settled: who did it and when; nothing is started again. */
function doneAlready(tree: Tree, plan: Plan): string | null {
  const u = tree.unsettled.find((x) => x.planId === plan.id);
  return u
    ? `Done by ${u.byName}, ${dayAndClock(u.doneAt, tree.timeZone)}. Its record is not in the book: settle it under Phone. ${u.why}`
    : null;
}

/** A plan with all that its sheet needs. */
export interface Sheet {
  plan: Plan;
  held: Held;
  stock: Stock;
  arrival: Arrival | null;
  installed: InstallationRow[];
  hands: readonly Hand[];
}
/** The step at which a plan is carried out. */
export function TreatStep({ seen }: { seen: Seen & { open: readonly PlanHead[]; sheet: Sheet | null } }) {
  const { viewer, now, tree, detections, duties, open, sheet } = seen;
  const works = worksNow(tree.works, dayIn(now, tree.timeZone)).filter((w) => w.state === 'open');
  const theirs = works.length > 0 && (
    <Section title="Also to do at this tree" id="works">
      <Works works={works} timeZone={tree.timeZone} may={allows(viewer, 'apply')} />
    </Section>
  );
  const plan = sheet?.plan;
  const use = plan?.label.uses.find((u) => u.key === plan.useKey);
  const tag = <TreeTag tree={tree} units={viewer.units} here="treat" />;
  const head = <TreeHead tree={tree} units={viewer.units} here="treat" />;
  if (!sheet || !plan || !use || !plan.result.dose.ok)
    return (
      <Frame tag={tag} head={head} margin={<TreeWhy tree={tree} />}>
        <StepStrip tree={tree} duties={duties} here="treat" />
        <h1>{works.length ? 'No product is planned for this tree' : 'Nothing is planned for this tree'}</h1>
        {theirs}
        <p className="mt-2 mb-6 text-ink-2">
          A sheet starts from a plan: amount, sites and gates worked out beforehand.
        </p>
        <Link href={`/trees/${tree.id}/prescribe`} className={`press ${works.length ? '' : 'press-main'}`}>
          Prescribe
        </Link>
      </Frame>
    );
  const { held, stock, arrival, installed } = sheet;
  // At the tree it is today, and the leaf is what is seen: the seasons have nothing to add.
  const treatmentContext = treatmentContextOfPlan(viewer, tree, { held, detections, now, plan, year: NO_YEAR });
  return (
    <ApplyBench
      key={plan.id}
      units={viewer.units}
      timeZone={tree.timeZone}
      treatmentContext={treatmentContext}
      plan={{
        id: plan.id,
        treeId: tree.id,
        siteId: tree.siteId,
        label: plan.label,
        use,
        choices: plan.choices,
        plannedFor: plan.plannedFor,
        released: plan.released,
        dose: plan.result.dose,
        ring: plan.result.ring,
        target: findCondition(plan.conditionId)?.name ?? plan.conditionId,
      }}
      sources={sourcesOf(stock.lots, stock.mixes, [plan.id])}
      hands={sheet.hands}
      station={seen.weather}
      place={arrival ?? { access: '', hazards: '', dogs: '', code: null }}
      hanging={installedDevicesOf(installed, plan.result.dose)}
      rows={installedBy(
        tree,
        sheet,
        { id: plan.id, planId: plan.id, at: now.toISOString(), guarded: 'attended' },
        { measured: seen.weather, hours: [] },
        viewer.name,
      )}
      refused={allows(viewer, 'apply') ? doneAlready(tree, plan) : refusal(viewer.role, 'apply')}
      tag={tag}
      head={head}
      strip={
        <>
          <StepStrip tree={tree} duties={duties} here="treat" />
          {plan.plannedFor && plan.plannedFor > treatmentContext.on && (
            <p role="status" className="mt-3 border-l-4 border-sap pl-3 font-semibold text-sap">
              Planned for {shortDay(plan.plannedFor)}. The gates here answer for today.
            </p>
          )}
          {allows(viewer, 'apply') && <NotDone planId={plan.id} tag={tree.tag} />}
        </>
      }
      others={open.map((p) => ({ id: p.id, name: p.labelName, here: p.id === plan.id }))}
      works={works.map(workName)}
      after={theirs}
    />
  );
}
