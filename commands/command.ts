import { DAY_MS } from '@/lib/calendar/days';
import { z } from 'zod';
import { sentBefore, type Context } from '@/facts/context';
import { digestOf } from '@/facts/digest';
import { issuesOf, refuse, type Issue, type Result } from '@/lib/result';
import { uuid } from '@/lib/ids';
import type { RowIssue } from '@/core/exchange/table';
import { withCustomKnowledge } from '@/facts/custom-knowledge';
import { may, refusal, type Right } from '@/core/people/rights';
import { commandDone, startCommand } from '@/store/commands';
import { pgCode, together } from '@/store/db';

/** What is wrong in the rows of a list, by line and column, the first `most` of them. */
export const refuseRows = (issues: readonly RowIssue[], most: number): { ok: false; issues: Issue[] } => ({
  ok: false,
  issues: issues.slice(0, most).map((f) => ({
    path: `csv.${f.line}${f.column ? `.${f.column}` : ''}`,
    message: f.message,
  })),
});

const instant = z.iso.datetime({ offset: true, error: 'Give the instant like 2026-05-14T09:30:00Z.' });
/** What goes beside the content of every command: a phone without signal says when it was seen, and under which id it sends. */
const envelope = z.looseObject({
  occurredAt: instant.optional(),
  /** The name of `occurredAt` in the release before, understood for one release. */
  observedAt: instant.optional(),
  sentAs: uuid.optional(),
});
/** Days without signal are weeks at most. */
const BEHIND_MS = 60 * DAY_MS;

/**
 * The instant at which something happened: as the device says, never later than it was received; else when it was received.
 * A page that is in touch with the server says nothing: the server's clock is the better one.
 */
function occurredBefore(said: string | undefined, receivedAt: Date): Result<Date> {
  const at = said ? new Date(said) : receivedAt;
  if (at.getTime() < receivedAt.getTime() - BEHIND_MS)
    return refuse('occurredAt', 'This was seen more than sixty days ago by the clock of this device. Set the clock.');
  return { ok: true, value: at > receivedAt ? receivedAt : at };
}

/** One command: who may, what it is told, and what it does; gathers its facts, asks core, and writes once. */
export interface Command<S extends z.ZodType = z.ZodType, T = unknown> {
  name: string;
  /** Null: everybody who is signed in. */
  right: Right | null;
  schema: S;
  /** The id that makes a repeat a repeat: the same content again is the same answer, other content is refused. */
  once?: (input: z.output<S>) => string;
  /** Heavy work on what was sent, done before the transaction opens: no connection is held for it. */
  prepare?: (input: z.output<S>) => Promise<Result<z.output<S>>>;
  run: (context: Context, input: z.output<S>) => Promise<Result<T>>;
}
export const command = <S extends z.ZodType, T>(definition: Command<S, T>): Command<S, T> => definition;
// What stands in the list of all commands takes whatever its own schema takes.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
export type AnyCommand = Command<any, any>;

/** What is said of a bug or an outage. */
export const SERVER_FAILED = 'That did not work, and it was not your fault. Nothing was written; try again.';

/** A refusal of the database, in words; null when it is a bug or an outage. */
export function databaseSentence(error: unknown): string | null {
  switch (pgCode(error)) {
    case '23505':
      return 'There is one like this already.';
    case '23503':
      return 'What this belongs to is not there (any more).';
    case '23514':
      return 'The database refuses this value.';
    case '22P02':
    case '22021':
    case '22P05':
      return 'This text holds signs that cannot be stored.';
    case '53100':
      return 'The disk of the database is full. Nothing was written; tell whoever runs it.';
    case '57014':
    case '55P03':
    case '25P03':
      return 'Somebody else holds what this needs, or it took too long. Nothing was written; try again.';
    case '42501':
      return 'The database refuses: these rows are not yours to change.';
    default:
      return null;
  }
}

/** Refusals that pass by themselves: whoever can send the same again in a while does so, and asks nobody. */
const PASSING = ['53100', '57014', '55P03', '25P03'];

/** Undoes the transaction of a command that answered with issues: what was refused leaves nothing behind. */
class Refused extends Error {
  constructor(readonly answer: { ok: false; issues: Issue[] }) {
    super('refused');
  }
}

/**
 * Performs a command: the right, the schema, then the work in one transaction. Whatever happens, the answer is a value or
 * sentences with their places, and nothing is half-written.
 * @throws what is neither a refusal of the command nor one of the database: a bug or an outage
 */
export async function perform<S extends z.ZodType, T>(
  given: Command<S, T>,
  context: Omit<Context, 'occurredAt'>,
  input: unknown,
): Promise<Result<T>> {
  try {
    return await withCustomKnowledge(context.viewer, () => performed(given, context, input));
  } catch (error) {
    if (error instanceof Refused) return error.answer;
    const sentence = databaseSentence(error);
    if (sentence && !(context.phone && PASSING.includes(pgCode(error) ?? ''))) return refuse('', sentence);
    throw error;
  }
}

async function performed<S extends z.ZodType, T>(
  given: Command<S, T>,
  context: Omit<Context, 'occurredAt'>,
  input: unknown,
): Promise<Result<T>> {
  const { viewer } = context;
  if (given.right && !may(viewer.role, given.right)) return refuse('', refusal(viewer.role, given.right));
  // What is no object has nothing beside it, and is left to the schema of the command.
  const sent = envelope.safeParse(typeof input === 'object' && input !== null && !Array.isArray(input) ? input : {});
  if (!sent.success) return { ok: false, issues: issuesOf(sent.error) };
  const { occurredAt: said, observedAt: saidBefore, sentAs, ...content } = sent.data;
  const beside = [said, saidBefore, sentAs].some((x) => x !== undefined);
  const read = given.schema.safeParse(beside ? content : input);
  if (!read.success) return { ok: false, issues: issuesOf(read.error) };
  const occurred = occurredBefore(said ?? saidBefore, context.receivedAt);
  if (!occurred.ok) return occurred;
  const occurredAt = occurred.value;
  const ready = given.prepare ? await given.prepare(read.data) : { ok: true as const, value: read.data };
  if (!ready.ok) return ready;
  return together(viewer, async () => {
    // What makes nothing has no id of its own; whoever may have to send it again gives it one.
    const id = given.once?.(read.data) ?? sentAs;
    if (id !== undefined) {
      const { phone } = context;
      const seen = { phoneId: phone?.id ?? null, seenAt: phone ? occurredAt : null, clockAt: phone?.clockAt ?? null };
      const before = await startCommand(viewer, { id, name: given.name, digest: digestOf(read.data), ...seen });
      if (before === 'other') throw new Refused(sentBefore);
      if (before !== 'new') return before.answer as Result<T>;
    }
    const answer = await given.run({ ...context, occurredAt }, ready.value);
    if (!answer.ok) throw new Refused(answer);
    if (id !== undefined) await commandDone(viewer, id, answer);
    return answer;
  });
}
