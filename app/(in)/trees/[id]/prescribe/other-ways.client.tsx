'use client';

import { useMemo } from 'react';
import { stepOfUse, stepOfWork, type CustomResults } from '@/core/prescribe/costs';
import { findUse, WORK, type Far, type HeldLabel } from '@/core/prescribe/shelf';
import type { Choices, TreatmentContext } from '@/core/gates/context';
import type { Life } from '@/core/season/programme';
import type { FollowUpRule } from '@/core/season/rules';
import type { WorkFacts } from '@/core/work/work';
import { useWorked } from '@/ui/controls/worker.client';
import { Quoted } from './offer.client';
import { PlanOfTree, type PlannedStep } from './programme.client';
import { Shelf, SideBySide } from './ways.client';

const worker = () => new Worker(new URL('./ways.worker.ts', import.meta.url), { type: 'module' });
const here = () => import('@/core/prescribe/ways').then((m) => m.waysOf);

/** A work that waits on this tree, as a step of its plan. */
export interface OpenWorkStep {
  id: string;
  workId: string;
  name: string;
  rules: FollowUpRule[];
  /** Of a work that this version no longer knows, its rules alone speak. */
  life: Life | undefined;
  once: number | null;
}

/** The plan of the tree over the years, the ways side by side, what is offered to the client, and the whole shelf. */
export function OtherWays({
  treeId,
  treatmentContext,
  shelf,
  far,
  choices,
  open,
  workFacts,
  works,
  own,
  refused,
  pick,
  onPick,
}: {
  treeId: string;
  treatmentContext: TreatmentContext;
  shelf: HeldLabel[];
  far: Far[];
  choices: Choices;
  open: { id: string; labelKey: string; useKey: string; once: number | null }[];
  workFacts: WorkFacts | null;
  works: OpenWorkStep[];
  own: Record<string, CustomResults>;
  refused: boolean;
  pick: string;
  onPick: (way: string) => void;
}) {
  const { by, lossUntreated } = treatmentContext.money!;
  const { answer, behind } = useWorked(
    worker,
    here,
    useMemo(
      () => ({ treatmentContext, shelf, choices, workFacts, own }),
      [treatmentContext, shelf, choices, workFacts, own],
    ),
  );
  const weighed = answer?.weighed ?? [];
  const onceOf = (key: string, planned: number | null) => planned ?? weighed.find((w) => w.key === key)?.now ?? null;
  const steps: PlannedStep[] = [
    ...open.flatMap((o) => {
      const key = `${o.labelKey}/${o.useKey}`;
      const use = findUse(shelf, key)?.use;
      return use ? [{ id: o.id, step: stepOfUse(use, by), once: onceOf(key, o.once) }] : [];
    }),
    ...works.map((w) => ({
      id: w.id,
      step: stepOfWork(w.name, w.rules, w.life, by),
      once: onceOf(WORK + w.workId, w.once),
    })),
  ];
  return (
    <>
      <PlanOfTree treeId={treeId} steps={steps} by={by} refused={refused} />
      {answer ? (
        // What stands from before a change is greyed until the new figures are there.
        <div aria-busy={behind} className={behind ? 'text-ink-2' : undefined}>
          <SideBySide weighed={weighed} pick={pick} onPick={onPick} by={by} loss={lossUntreated} />
          {!refused && weighed.length > 0 && <Quoted treeId={treeId} weighed={weighed} />}
          <Shelf ways={answer.ways} far={far} works={answer.works} pick={pick} onPick={onPick} />
        </div>
      ) : (
        <p className="py-6 font-semibold text-ink-2">Other ways are being weighed …</p>
      )}
    </>
  );
}
