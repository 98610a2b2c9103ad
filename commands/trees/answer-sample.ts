import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { todayOf } from '@/facts/today';
import { treeOf } from '@/facts/tree';
import { noTree } from '@/commands/trees/no-tree';
import { uuid } from '@/lib/ids';
import { detailSchema } from '@/core/diagnose/inspection';
import { findTest } from '@/knowledge';
import { insertSampleAnswer } from '@/store/inspections';
import { z } from 'zod';

/** The answer to a sample; the outcome of a laboratory test becomes evidence, as a look of its own. */
export const answerSample = command({
  name: 'answer-sample',
  right: 'examine',
  schema: z.object({
    treeId: uuid,
    sampleId: uuid,
    inspectionId: uuid,
    outcome: z.string().max(60).nullable(),
    answer: z.string().trim().min(1, 'Write what the answer says.').max(2000, 'At most 2000 characters.'),
    onDay: z.iso.date('Give the day of the answer.'),
  }),
  run: async ({ viewer, receivedAt, occurredAt }, a): Promise<Result> => {
    const tree = await treeOf(viewer, a.treeId, receivedAt);
    const sample = tree?.samples.find((s) => s.id === a.sampleId);
    if (!tree || !sample) return noTree;
    if (sample.answer !== null) return refuse('sampleId', 'This sample was answered meanwhile.');
    if (a.onDay > todayOf(viewer, receivedAt)) return refuse('onDay', 'That day has not come yet.');
    if (a.onDay < sample.sentOn) return refuse('onDay', 'That is before it was sent.');
    if (sample.testId && !findTest(sample.testId)?.outcomes.some((o) => o.id === a.outcome))
      return refuse('outcome', 'Choose what the laboratory found.');
    await insertSampleAnswer(viewer, {
      sampleId: sample.id,
      answer: a.answer,
      onDay: a.onDay,
      look:
        sample.testId && a.outcome
          ? {
              id: a.inspectionId,
              treeId: tree.id,
              at: occurredAt,
              crownLoss: null,
              vigour: null,
              hostKey: [],
              hostConfirmed: false,
              findings: [],
              tests: [{ test: sample.testId, outcome: a.outcome }],
              detail: detailSchema.parse({}),
              note: `Answer of ${sample.sentTo}: ${a.answer}`.slice(0, 4000),
              today: todayOf(viewer, occurredAt),
              change: null,
            }
          : null,
    });
    return done;
  },
});
