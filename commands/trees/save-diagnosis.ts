import { refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { diagnose } from '@/facts/diagnosis';
import { knowledgeOf } from '@/facts/knowledge';
import { detectionsNear, treeOf } from '@/facts/tree';
import { noTree } from '@/commands/trees/no-tree';
import { uuid } from '@/lib/ids';
import { CERTAINTIES, DECISIONS, TREATS } from '@/core/diagnose/words';
import { findHost } from '@/knowledge';
import { insertDiagnosis } from '@/store/diagnoses';
import { z } from 'zod';

/** Deciding: the person's own word; where it differs from the ranking and the rules, with its reason. */
export const saveDiagnosis = command({
  name: 'save-diagnosis',
  right: 'examine',
  schema: z.object({
    id: uuid,
    treeId: uuid,
    conditionId: z.string('Name what ails the tree.').min(1, 'Name what ails the tree, or “Something else”.').max(60),
    certainty: z.enum(CERTAINTIES, 'Say how sure you are.'),
    decision: z.enum(DECISIONS, 'Say what is to be done.'),
    reason: z.string().max(2000, 'At most 2000 characters.'),
    /** Earlier decisions of this tree that a person says were wrong; what is not named goes on beside this one. */
    overturns: z.array(uuid).max(20).default([]),
  }),
  once: (x) => x.id,
  run: async ({ viewer, occurredAt }, d): Promise<Result<{ next: string }>> => {
    const tree = await treeOf(viewer, d.treeId, occurredAt);
    const found =
      tree &&
      diagnose({
        viewer,
        tree,
        knowledge: (await knowledgeOf(viewer)).knowledge,
        nearby: await detectionsNear(viewer, tree),
        now: occurredAt,
      });
    if (!tree || !found) return noTree;
    if (!found.candidates.some((c) => c.id === d.conditionId))
      return refuse('conditionId', `That does not happen to ${findHost(tree.hostId)!.name}. Choose from the list.`);
    const own = found.decide(d.conditionId);
    if (!d.reason.trim() && d.decision !== own.decision)
      return refuse('reason', `The ranking would say “${own.decision}”. Say in a sentence why it is otherwise.`);
    const wrong = tree.savedDiagnoses.filter((x) => d.overturns.includes(x.id));
    if (wrong.length !== d.overturns.length) return refuse('overturns', 'What was overturned is not of this tree.');
    // What overturned an earlier name: what was looked at since, and speaks for the new one.
    const since = wrong.length ? tree.looks.filter((l) => l.at > wrong.at(-1)!.at) : [];
    const overturnedBy = [
      ...since.flatMap((l) => l.tests.map((t) => `${t.test}/${t.outcome}`)),
      ...since.flatMap((l) => (l.detail.check ? ['check of effect'] : [])),
    ].slice(0, 12);
    await insertDiagnosis(viewer, {
      ...d,
      treeId: tree.id,
      at: occurredAt,
      inspectionId: tree.looks[0]?.id ?? null,
      ranking: found.candidates.slice(0, 12).map((c) => ({ id: c.id, p: Math.round(c.p * 1e4) / 1e4 })),
      overturnedBy: [...new Set(overturnedBy)],
    });
    return {
      ok: true,
      value: { next: TREATS.includes(d.decision) ? `/trees/${tree.id}/prescribe` : `/trees/${tree.id}` },
    };
  },
});
