import Link from 'next/link';
import { findCondition } from '@/knowledge';
import { refusal } from '@/core/people/rights';
import { getPlan } from '@/store/plans';
import { getGateCode, getPlace } from '@/store/grounds';
import { lotsOf } from '@/store/shelf';
import { heldBy, situationFor } from '@/commands/facts/situation';
import { station } from '@/app/_server/station';
import { allows } from '@/app/_server/viewer';
import { Frame } from '@/ui/frame/frame';
import { loadTree } from '../../load';
import { StepStrip, TreeHead, TreeTag, TreeWhy } from '../../tree-frame';
import { ApplyBench } from './apply.client';

export const metadata = { title: 'Apply' };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ plan?: string }>;
}) {
  const { v, tree } = await loadTree((await params).id);
  const wanted = (await searchParams).plan;
  const open = tree.plans.filter((p) => p.state === 'open');
  const headPlan = open.find((p) => p.id === wanted) ?? open[0];
  const plan = headPlan && (await getPlan(v, headPlan.id));
  const use = plan?.label.uses.find((u) => u.key === plan.useKey);
  const tag = <TreeTag tree={tree} units={v.units} here="apply" />;
  const head = <TreeHead tree={tree} units={v.units} here="apply" />;
  if (!plan || !use || !plan.result.dose.ok)
    return (
      <Frame tag={tag} head={head} margin={<TreeWhy tree={tree} />}>
        <StepStrip tree={tree} here="apply" />
        <h1>Nothing is planned for this tree</h1>
        <p className="mt-2 mb-6 text-ink-2">
          A sheet starts from a plan: amount, sites and gates worked out beforehand.
        </p>
        <Link href={`/tree/${tree.id}/prescribe`} className="press press-main">
          Prescribe
        </Link>
      </Frame>
    );
  const [held, lots, place, code] = await Promise.all([
    heldBy(v),
    lotsOf(v, plan.label.key),
    getPlace(v, tree.placeId),
    allows(v, 'see gate codes') ? getGateCode(v, tree.placeId) : null,
  ]);
  return (
    <ApplyBench
      key={plan.id}
      units={v.units}
      timeZone={tree.timeZone}
      situation={await situationFor(v, tree, held, new Date(), { trouble: plan.conditionId })}
      plan={{
        id: plan.id,
        treeId: tree.id,
        placeId: tree.placeId,
        label: plan.label,
        use,
        choices: plan.choices,
        released: plan.released,
        dose: plan.result.dose,
        ring: plan.result.ring,
        target: findCondition(plan.conditionId)?.name ?? plan.conditionId,
      }}
      lots={lots}
      station={station().at(new Date())}
      place={{ access: place?.access ?? '', hazards: place?.hazards ?? '', dogs: place?.dogs ?? '', code }}
      refused={allows(v, 'apply') ? null : refusal(v.role, 'apply')}
      tag={tag}
      head={head}
      strip={<StepStrip tree={tree} here="apply" />}
      others={open.length > 1 ? open.map((p) => ({ id: p.id, name: p.labelName, here: p.id === plan.id })) : []}
    />
  );
}
