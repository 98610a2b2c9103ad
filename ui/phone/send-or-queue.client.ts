'use client';

import { issuesOf, type Issue } from '@/lib/result';
import { v7 } from 'uuid';
import type { OfflineCommand } from '@/core/phone/command-names';
import type { z } from 'zod';
import { inTime } from './in-time';
import { queueWrite, readQueue, sendQueue, takeBack } from './outbox.client';

/** What an action answers; `kept` where it waits on this phone. */
type Answer<T> = { ok: true; value: T; kept?: boolean } | { ok: false; issues: Issue[] };

/** What a schema of the core finds wrong, as the server would say it. */
export const issuesBy =
  (schema: z.ZodType) =>
  (input: unknown): Issue[] => {
    const read = schema.safeParse(input);
    return read.success ? [] : issuesOf(read.error);
  };

/** A server that has not answered a write by then is not there, and the write is kept; should it have landed, it lands once. */
const PATIENCE_MS = 15_000;

/** What waits before it may take so long; whoever works does not wait for more of it. */
const BEFORE_MS = 3000;

/** Whether Next itself speaks, which is no fault of the line. */
const isOfNext = (error: unknown) => (error as { digest?: string }).digest?.startsWith('NEXT_') === true;

/**
 * A command that a phone may write without signal: sent at once where there is some and nothing waits before it, else kept on
 * the phone and sent in its turn.
 * @param command its name in the house
 * @param of what is said of it while it waits; what the page goes on with; the id of what it makes, where it makes
 * something; the id of the write that it takes back, which is taken off the phone where it has never been on its way, and otherwise taken
 * back behind it; what is wrong
 * with it by what the phone knows: said at once, before it is kept for an evening on which nobody remembers
 * @returns the action; `shown` is what pages show of it until it is sent
 */
export function sendOrQueue<I extends object, T>(
  verb: OfflineCommand,
  action: (input: I) => Promise<Answer<T>>,
  of: {
    what: (input: I) => string;
    value: (input: I) => T;
    makes?: (input: I) => string;
    takesBack?: (input: I) => string;
    wrong?: (input: I) => Promise<Issue[]>;
  },
): (input: I, shown?: unknown) => Promise<Answer<T>> {
  return async (input, shown) => {
    const kept: Answer<T> = { ok: true, value: of.value(input), kept: true };
    if (of.takesBack && (await takeBack(of.takesBack(input)))) return kept;
    // What is sent again under the same id lands once, whichever way it goes.
    const id = of.makes?.(input) ?? v7();
    const wrong = (await of.wrong?.(input)) ?? [];
    if (wrong.length) return { ok: false, issues: wrong };
    const write = { id, verb, what: of.what(input), input, shown };
    // What was written before it goes before it.
    if (navigator.onLine && (await readQueue()).length) await inTime(sendQueue(), BEFORE_MS).catch(() => null);
    const behind = (await readQueue()).length > 0;
    if ((behind || !navigator.onLine) && (await queueWrite(write))) return kept;
    try {
      return await inTime(action({ ...input, sentAs: id }), PATIENCE_MS);
    } catch (error) {
      if (isOfNext(error) || !(await queueWrite(write, true))) throw error;
      return kept;
    }
  };
}
