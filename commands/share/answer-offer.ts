import { done, issuesOf, refuse, type Result } from '@/lib/result';
import { z } from 'zod';
import { databaseSentence } from '@/commands/command';
import { quoteAnswerSchema } from '@/core/quotes/quote';
import { insertQuoteAnswer } from '@/store/quotes';

const schema = quoteAnswerSchema.extend({ token: z.string().min(10).max(100) });

/**
 * A client answers an offer. Nobody is signed in: the address itself is the right to answer, once, so that this command stands
 * beside the list of those that a session may call.
 * @throws what is neither the client's fault nor the database's refusal
 */
export async function answerQuote(input: unknown): Promise<Result> {
  const read = schema.safeParse(input);
  if (!read.success) return { ok: false, issues: issuesOf(read.error) };
  const { token, ...answer } = read.data;
  try {
    switch (await insertQuoteAnswer(token, answer)) {
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
    throw error;
  }
}
