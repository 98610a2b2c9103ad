import type { Choices } from '@/core/gates/context';
import type { CustomResults } from '@/core/prescribe/costs';
import { options } from '@/core/prescribe/options';
import { prescribe } from '@/core/prescribe/prescribe';
import { likelyDays } from '@/core/prescribe/conditions';
import type { HostYear } from '@/core/season/year';
import type { Forecast } from '@/core/weather/station';
import type { Held } from '@/store/stock';
import type { RowTree } from '@/store/tree';
import { findUse, nameOf, shelfFor, WORK } from '@/core/prescribe/shelf';
import { whenOf } from '@/core/prescribe/when';
import { firstWay, meanwhile, servesDecision } from '@/core/prescribe/ways';
import { refusal } from '@/core/people/rights';
import { inWindow } from '@/lib/calendar/hemisphere';
import { worksFor } from '@/core/work/works';
import { findWork } from '@/knowledge/works';
import { findHost } from '@/knowledge';
import { checksOf } from '@/facts/diagnosis';
import { treatmentContextFor, usualChoices, workFactsOf } from '@/facts/treatment-context';
import { StepStrip, TreeHead, TreeTag, TreeWhy } from '../../_frame/tree-frame';
import { allows, type Seen } from '../seen';
import { choicesOf, emptyForm } from './form';
import { PrescribeBench } from './prescribe.client';

/** What prescribing rests on beside the tree. */
export interface ToPrescribe extends Seen {
  held: Held;
  alike: readonly RowTree[];
  year: HostYear;
  /** The courses of the coming days; null where nothing is known of them. */
  forecast: Forecast | null;
}
/** The step at which it is prescribed. @param trouble the condition that an address names */
export function PrescribeStep({ seen, problem }: { seen: ToPrescribe; problem: string | null }) {
  const { viewer, now, tree, detections, duties, held, alike, year, weather, forecast } = seen;
  const treatmentContext = treatmentContextFor(viewer, tree, { held, detections, now, problem, year });
  const facts = workFactsOf(viewer, tree, now);
  const named = treatmentContext.condition?.options ?? [];
  // A work whose months are closed is not what is done today.
  const openNow = named.filter((o) => inWindow(treatmentContext.on, o, treatmentContext.south)).map((o) => o.method);
  const openWorks = facts
    ? worksFor(facts, named).fit.filter(
        (w) => openNow.includes(w.method) && servesDecision(w, treatmentContext.decision),
      )
    : [];
  const own: Record<string, CustomResults> = {};
  for (const c of checksOf(tree)) {
    const record = tree.records.find((r) => r.labelKey === c.labelKey);
    if (!record) continue;
    const sum = (own[record.method] ??= { none: 0, some: 0, good: 0 });
    // Only a look in its time judges a treatment; one too early or on a wrongly done one says nothing about the method.
    if (c.savedDiagnosis.kind === 'no effect') sum.none++;
    else if (c.savedDiagnosis.kind === 'effect') sum[c.effect]++;
  }
  const { stems } = viewer.schools;
  const plans = tree.plans.filter((p) => p.state === 'open');
  // The visits of a programme have their own days; what is prescribed anew is the plan that stands for itself.
  const standing = plans.find((p) => !p.assignment);
  const usual: Choices = {
    ...usualChoices(tree, weather, year),
    ...(stems === 'ask' ? {} : { stemRule: stems }),
    ...(standing ? { when: whenOf(standing, treatmentContext.on) } : {}),
  };
  const labels = held.labels.map((l) => ({ id: l.id, label: l.label }));
  // The first answer comes with the page: what is in hand before anybody touches anything, and its figures.
  const choices = choicesOf(emptyForm(treatmentContext, usual), usual, viewer.units);
  const offered = options(
    treatmentContext,
    labels.map((l) => l.label),
    choices,
  );
  const pick = standing
    ? `${standing.labelKey}/${standing.useKey}`
    : (firstWay(treatmentContext, offered, openWorks[0]?.id ?? null) ?? '');
  const chosen = pick.startsWith(WORK) ? null : findUse(labels, pick);
  const { near, far } = shelfFor(treatmentContext, labels, [
    ...plans.map((p) => p.labelKey),
    ...(chosen ? [chosen.label.key] : []),
  ]);
  // When the air is likely to suit each use, told of the ten days that the forecast knows.
  const fits = Object.fromEntries(
    (forecast ? near : []).flatMap(({ label }) =>
      label.uses.map((use) => [nameOf({ label, use }), likelyDays(use, forecast!, tree.timeZone)]),
    ),
  );
  return (
    <PrescribeBench
      treeId={tree.id}
      units={viewer.units}
      treatmentContext={treatmentContext}
      usual={usual}
      near={near}
      far={far}
      fits={fits}
      first={{ pick, result: chosen && prescribe(treatmentContext, chosen.label, chosen.use, choices) }}
      meanwhile={meanwhile(treatmentContext, offered, openWorks, pick)}
      open={plans.map((p) => ({
        id: p.id,
        plannedFor: p.plannedFor,
        labelKey: p.labelKey,
        useKey: p.useKey,
        product: p.result.dose.ok ? p.result.dose.product : null,
        once: p.price?.now ?? null,
      }))}
      workFacts={facts}
      works={tree.works
        .filter((w) => w.state === 'open')
        .map((w) => ({
          id: w.id,
          workId: w.workId,
          name: findWork(w.workId)?.name ?? w.workId,
          rules: w.sheet.followUps,
          life: findWork(w.workId)?.life,
          once: w.price?.now ?? null,
        }))}
      alike={alike.map((t) => ({ ...t, host: findHost(t.hostId)?.name ?? t.hostId }))}
      hostId={tree.hostId}
      frequency={viewer.schools.frequency}
      own={own}
      refused={allows(viewer, 'prescribe') ? null : refusal(viewer.role, 'prescribe')}
      tag={<TreeTag tree={tree} units={viewer.units} here="prescribe" />}
      head={<TreeHead tree={tree} units={viewer.units} here="prescribe" />}
      strip={<StepStrip tree={tree} duties={duties} here="prescribe" />}
      why={<TreeWhy tree={tree} />}
    />
  );
}
