import { refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { knowledgeOf } from '@/facts/knowledge';
import { customCase } from '@/facts/own-cases';
import { uuid } from '@/lib/ids';
import { baseOf } from '@/core/decide/base';
import { DECISIONS } from '@/core/diagnose/words';
import { practiceCase, scorePractice, type Score } from '@/core/practice/round';
import { findHost } from '@/knowledge';
import { insertPracticeSession } from '@/store/knowledge';
import { z } from 'zod';

/** Ends a round: the case is drawn again from its seed here, and scored from what was asked. */
export const finishPractice = command({
  name: 'finish-practice',
  right: 'practise',
  schema: z.object({
    id: uuid,
    seed: z.number().int().min(0).max(1_000_000_000),
    level: z.union([z.literal(1), z.literal(2), z.literal(3)]),
    own: uuid.nullable(),
    asked: z.array(z.string().max(80)).max(400),
    condition: z.string('Name what it is.').min(1, 'Name what it is.').max(60),
    decision: z.enum(DECISIONS, 'Say what is to be done.'),
  }),
  run: async ({ viewer }, r): Promise<Result<Score>> => {
    const { knowledge } = await knowledgeOf(viewer);
    const drawn = r.own ? await customCase(viewer, r.own) : practiceCase(knowledge, r.seed, r.level);
    if (!drawn) return refuse('', 'This case is no longer there.');
    if (!drawn.model.conditions.some((c) => c.id === r.condition))
      return refuse('condition', 'That does not happen to this host.');
    const score = scorePractice({
      c: drawn,
      asked: [...new Set(r.asked)],
      said: r,
      host: findHost(drawn.hostId)!,
      base: baseOf(knowledge),
    });
    await insertPracticeSession(viewer, {
      id: r.id,
      seed: r.seed,
      level: r.level,
      score: score.points,
      data: { truth: score.truth[0]!, said: r.condition, minutes: score.minutes, wounds: score.wounds },
    });
    return { ok: true, value: score };
  },
});
