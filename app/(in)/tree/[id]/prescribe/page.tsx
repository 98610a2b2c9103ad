import { listVessels, shelfLabels } from '@/store/shelf';
import { refusal } from '@/core/people/rights';
import { situationOf, usualChoices } from '@/app/_server/situation';
import { station } from '@/app/_server/station';
import { allows } from '@/app/_server/viewer';
import { loadTree } from '../../load';
import { StepStrip, TreeHead, TreeTag, TreeWhy } from '../../tree-frame';
import { PrescribeBench } from './prescribe.client';

export const metadata = { title: 'Prescribe' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { v, tree } = await loadTree((await params).id);
  const [labels, vessels] = await Promise.all([shelfLabels(v), listVessels(v)]);
  const plan = tree.plans.find((p) => p.state === 'open');
  return (
    <PrescribeBench
      treeId={tree.id}
      units={v.units}
      situation={situationOf(v, tree, labels, vessels)}
      usual={usualChoices(tree, station().at(new Date()))}
      shelf={labels.map((l) => ({ id: l.id, label: l.label }))}
      open={
        plan
          ? {
              id: plan.id,
              labelKey: plan.labelKey,
              useKey: plan.useKey,
              product: plan.result.dose.ok ? plan.result.dose.product : null,
            }
          : null
      }
      refused={allows(v, 'prescribe') ? null : refusal(v.role, 'prescribe')}
      tag={<TreeTag tree={tree} units={v.units} here="prescribe" />}
      head={<TreeHead tree={tree} units={v.units} here="prescribe" />}
      strip={<StepStrip tree={tree} here="prescribe" />}
      why={<TreeWhy tree={tree} />}
    />
  );
}
