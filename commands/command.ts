import { createHash } from 'node:crypto';
import { z } from 'zod';
import { uuid } from '@/core/book/record';
import { issuesOf } from '@/lib/issues';
import type { Issue } from '@/core/book/write';
import type { RowIssue } from '@/core/exchange/table';
import { withOwn } from '@/facts/custom-knowledge';
import { may, refusal, type Right } from '@/core/people/rights';
import type { StationFor } from '@/core/weather/station';
import type { Viewer } from '@/store/auth';
import { commandDone, startCommand } from '@/store/commands';
import { pgCode, together } from '@/store/db';

/** What a verb answers: a value, or issues with the place of each. */
export type Result<T = null> = { ok: true; value: T } | { ok: false; issues: Issue[] };

export { issuesOf };

export const done: Result = { ok: true, value: null };
export const refuse = (path: string, sentence: string): { ok: false; issues: Issue[] } => ({
  ok: false,
  issues: [{ path, message: sentence }],
});

/** What is wrong in the rows of a list, by line and column, the first `most` of them. */
export const refuseRows = (issues: readonly RowIssue[], most: number): { ok: false; issues: Issue[] } => ({
  ok: false,
  issues: issues.slice(0, most).map((f) => ({
    path: `csv.${f.line}${f.column ? `.${f.column}` : ''}`,
    message: f.message,
  })),
});

/** Who acts, when, and in what air: all that a verb may know beside its input and the store. */
export interface Context {
  viewer: Viewer;
  /** When the server received it. */
  now: Date;
  /** When it was seen or done, by the device that tells of it. */
  observed: Date;
  /** The station that serves a spot. */
  station: StationFor;
  /** The phone that it was written on without signal, and what its clock showed. */
  phone?: { id: string; clockAt: string };
  /** Hears how far a long piece of work is. */
  progress?: (done: number, of: number) => void;
}

/** What goes beside the content of every verb: a phone without signal says when it was seen, and under which id it sends. */
const envelope = z.looseObject({
  observedAt: z.iso.datetime({ offset: true, error: 'Give the instant like 2026-05-14T09:30:00Z.' }).optional(),
  sentAs: uuid.optional(),
});
/** Days without signal are weeks at most. */
const BEHIND_MS = 60 * 86_400_000;

/**
 * The instant at which something was seen: as the device says, never later than it was received; else when it was received.
 * A page that is in touch with the server says nothing: the server's clock is the better one.
 */
function seenAt(said: string | undefined, now: Date): Date | { ok: false; issues: Issue[] } {
  const at = said ? new Date(said) : now;
  if (at.getTime() < now.getTime() - BEHIND_MS)
    return refuse('observedAt', 'This was seen more than sixty days ago by the clock of this device. Set the clock.');
  return at > now ? now : at;
}

/** One verb: who may, what it is told, and what it does; gathers its facts, asks core, and writes once. */
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
export const command = <S extends z.ZodType, T>(c: Command<S, T>): Command<S, T> => c;
// What stands in the list of all verbs takes whatever its own schema takes.
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

/** Undoes the transaction of a verb that answered with issues: what was refused leaves nothing behind. */
class Refused extends Error {
  constructor(readonly answer: { ok: false; issues: Issue[] }) {
    super('refused');
  }
}

/** The same content has the same digest, whatever the order of its keys. */
export function digestOf(input: unknown): string {
  const sorted = (x: unknown): unknown =>
    Array.isArray(x)
      ? x.map(sorted)
      : x && typeof x === 'object' && !(x instanceof Date)
        ? Object.fromEntries(
            Object.entries(x)
              .filter(([, v]) => v !== undefined)
              .sort(([a], [b]) => (a < b ? -1 : 1))
              .map(([k, v]) => [k, sorted(v)]),
          )
        : x;
  return createHash('sha256')
    .update(JSON.stringify(sorted(input)))
    .digest('hex');
}

/** What stands under this id is something else. */
export const sentBefore = refuse(
  'id',
  'This was sent before with other content, and that stands. Look at it first; what you typed here is kept.',
);

/**
 * Performs a verb: the right, the schema, then the work in one transaction. Whatever happens, the answer is a value or
 * sentences with their places, and nothing is half-written.
 * @throws what is neither a refusal of the verb nor one of the database: a bug or an outage
 */
export async function perform<S extends z.ZodType, T>(
  verb: Command<S, T>,
  context: Omit<Context, 'observed'>,
  input: unknown,
): Promise<Result<T>> {
  try {
    return await withOwn(context.viewer, () => performed(verb, context, input));
  } catch (error) {
    if (error instanceof Refused) return error.answer;
    const sentence = databaseSentence(error);
    if (sentence && !(context.phone && PASSING.includes(pgCode(error) ?? ''))) return refuse('', sentence);
    throw error;
  }
}

async function performed<S extends z.ZodType, T>(
  verb: Command<S, T>,
  context: Omit<Context, 'observed'>,
  input: unknown,
): Promise<Result<T>> {
  const { viewer } = context;
  if (verb.right && !may(viewer.role, verb.right)) return refuse('', refusal(viewer.role, verb.right));
  // What is no object has nothing beside it, and is left to the schema of the verb.
  const sent = envelope.safeParse(typeof input === 'object' && input !== null && !Array.isArray(input) ? input : {});
  if (!sent.success) return { ok: false, issues: issuesOf(sent.error) };
  const { observedAt, sentAs, ...content } = sent.data;
  const read = verb.schema.safeParse(observedAt === undefined && sentAs === undefined ? input : content);
  if (!read.success) return { ok: false, issues: issuesOf(read.error) };
  const observed = seenAt(observedAt, context.now);
  if (!(observed instanceof Date)) return observed;
  const ready = verb.prepare ? await verb.prepare(read.data) : { ok: true as const, value: read.data };
  if (!ready.ok) return ready;
  return together(viewer, async () => {
    // What makes nothing has no id of its own; whoever may have to send it again gives it one.
    const id = verb.once?.(read.data) ?? sentAs;
    if (id !== undefined) {
      const { phone } = context;
      const seen = { phoneId: phone?.id ?? null, seenAt: phone ? observed : null, clockAt: phone?.clockAt ?? null };
      const before = await startCommand(viewer, { id, name: verb.name, digest: digestOf(read.data), ...seen });
      if (before === 'other') throw new Refused(sentBefore);
      if (before !== 'new') return before.answer as Result<T>;
    }
    const answer = await verb.run({ ...context, observed }, ready.value);
    if (!answer.ok) throw new Refused(answer);
    if (id !== undefined) await commandDone(viewer, id, answer);
    return answer;
  });
}
