'use client';

import { useMemo } from 'react';
import { blocked } from '@/core/gates/rules';
import { weighUse, weighWork } from '@/core/prescribe/compare';
import { stepOfUse, stepOfWork, type OwnResults } from '@/core/prescribe/costs';
import { serves, type Option } from '@/core/prescribe/options';
import { type Situation } from '@/core/prescribe/situation';
import type { FollowUpRule } from '@/core/season/rules';
import type { WorkFacts } from '@/core/work/work';
import { worksFor } from '@/core/work/works';
import { nameOf, WORK } from './name';
import { Offer } from './offer.client';
import { PlanOfTree, type PlannedStep } from './programme.client';
import { Shelf, SideBySide } from './ways.client';
import { sheetOf } from './work-bench.client';

/** The plan of the tree over the years, the ways side by side, what is offered to the client, and the whole shelf. */
export function OtherWays({
  treeId,
  situation,
  offered,
  open,
  workFacts,
  works,
  own,
  refused,
  pick,
  onPick,
}: {
  treeId: string;
  situation: Situation;
  offered: Option[];
  open: { id: string; labelKey: string; useKey: string; once: number | null }[];
  workFacts: WorkFacts | null;
  works: { id: string; workId: string; name: string; rules: FollowUpRule[]; once: number | null }[];
  own: Record<string, OwnResults>;
  refused: boolean;
  pick: string;
  onPick: (way: string) => void;
}) {
  const { by, lossUntreated } = situation.money!;
  const fitting = useMemo(
    () => (workFacts ? worksFor(workFacts, situation.condition?.options ?? []) : { fit: [], other: [] }),
    [workFacts, situation.condition],
  );
  const weighed = useMemo(
    () => [
      // Only what acts on what was named is weighed as a way against it; a feed or a repellent stands on the shelf below.
      ...offered
        .filter((o) => o.result && (!situation.condition || serves(situation, o.use) > 0))
        .flatMap((o) => weighUse(o.label, o.use, o.result!, o.holds, by, own[o.use.method]) ?? []),
      ...(workFacts
        ? fitting.fit.map((w) => {
            const { sheet } = sheetOf(w, workFacts, {});
            return weighWork(w, sheet, blocked(sheet.gates, {}).length, by, own[`${WORK}${w.id}`]);
          })
        : []),
    ],
    [offered, situation, fitting, workFacts, by, own],
  );
  const onceOf = (key: string, planned: number | null) => planned ?? weighed.find((w) => w.key === key)?.now ?? null;
  const steps: PlannedStep[] = [
    ...open.flatMap((o) => {
      const key = `${o.labelKey}/${o.useKey}`;
      const use = offered.find((x) => nameOf(x) === key)?.use;
      return use ? [{ id: o.id, step: stepOfUse(use, by), once: onceOf(key, o.once) }] : [];
    }),
    ...works.map((w) => ({
      id: w.id,
      step: stepOfWork(w.name, w.rules, by),
      once: onceOf(WORK + w.workId, w.once),
    })),
  ];
  return (
    <>
      <PlanOfTree treeId={treeId} steps={steps} by={by} refused={refused} />
      <SideBySide weighed={weighed} pick={pick} onPick={onPick} by={by} loss={lossUntreated} />
      {!refused && weighed.length > 0 && <Offer treeId={treeId} weighed={weighed} />}
      <Shelf offered={offered} fitting={fitting} pick={pick} nameOf={nameOf} onPick={onPick} />
    </>
  );
}
