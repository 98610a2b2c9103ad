'use server';

import { refuse, type Result } from '@/lib/result';
import { failed } from '@/app/_server/failed';
import { answerQuote } from '@/commands/share/answer-offer';
import type { QuoteAnswer } from '@/core/quotes/quote';

/** A client's answer, without a sign-in. */
export async function answerShared(
  input: Omit<QuoteAnswer, 'changes' | 'word'> & { token: string; changes?: string[]; word?: string },
): Promise<Result> {
  try {
    return await answerQuote(input);
  } catch (error) {
    await failed(error);
    return refuse('', 'That did not work, and it was not your fault. Nothing was kept; try again.');
  }
}
