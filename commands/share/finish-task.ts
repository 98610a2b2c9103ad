import { done, issuesOf, refuse, type Result } from '@/lib/result';
import { z } from 'zod';
import { databaseSentence } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { siteOfCalendar } from '@/store/site-calendar';
import { getTask, settleTask } from '@/store/tasks';

const schema = z.strictObject({
  token: z.string().min(10).max(100),
  id: uuid,
  who: z.string().trim().min(2, 'Write your name.').max(120, 'At most 120 characters.'),
  said: z.string().trim().max(1000, 'At most 1000 characters.').default(''),
});

const GONE = 'This address does not work any more. Ask for a new one.';

/**
 * A client says that what was left to them is done. Nobody is signed in: the address of their place is the right to do so, for
 * what was left to them there and nothing else.
 * @throws what is neither the client's fault nor the database's refusal
 */
export async function finishTask(input: unknown): Promise<Result> {
  const read = schema.safeParse(input);
  if (!read.success) return { ok: false, issues: issuesOf(read.error) };
  const { token, id, who, said } = read.data;
  try {
    const place = await siteOfCalendar(token);
    if (!place) return refuse('', GONE);
    const task = await getTask(place, id);
    if (!task || task.siteId !== place.siteId || task.who !== 'client') return refuse('', 'This was not left to you.');
    return (await settleTask(place, id, 'done', { who, said }))
      ? done
      : refuse('', 'This is settled already; load the page again to see how.');
  } catch (error) {
    const sentence = databaseSentence(error);
    if (sentence) return refuse('', sentence);
    throw error;
  }
}
