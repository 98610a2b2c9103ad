'use server';

import { failed } from '@/app/_server/failed';
import { z } from 'zod';
import { proposalAnswerSchema, type ProposalAnswer } from '@/core/proposal/proposal';
import { databaseSentence, done, faultsOf, refuse, type Answer } from '@/commands/command';
import { answerProposal } from '@/store/proposals';

const schema = proposalAnswerSchema.extend({ token: z.string().min(10).max(100) });

/** A client's answer, without a sign-in: the address itself is the right to give it, once. */
export async function answerShared(
  input: Omit<ProposalAnswer, 'changes' | 'word'> & { token: string; changes?: string[]; word?: string },
): Promise<Answer> {
  const read = schema.safeParse(input);
  if (!read.success) return { ok: false, faults: faultsOf(read.error) };
  const { token, ...answer } = read.data;
  try {
    switch (await answerProposal(token, answer)) {
      case 'kept':
        return done;
      case 'answered':
        return refuse('', 'This offer has been answered already; load the page again to see how.');
      case 'unknown option':
        return refuse('options', 'This way is not among those offered.');
      case 'gone':
        return refuse('', 'This offer has run out or was taken back. Ask for a new one.');
    }
  } catch (error) {
    const sentence = databaseSentence(error);
    if (sentence) return refuse('', sentence);
    await failed(error);
    return refuse('', 'That did not work, and it was not your fault. Nothing was kept; try again.');
  }
}
