import type { Instant } from '@/lib/calendar/zone';
import { json, within, type Scope } from './db';

/**
 * Notes that a command begins. Two sends of the same id wait for each other here, so that only one of them does the work.
 * @returns `new`, or the answer of the first send of the same content, or `other` where the content differs
 */
export const startCommand = (
  scope: Scope,
  c: {
    id: string;
    name: string;
    digest: string;
    /** Where it was written on a phone without signal: when, by the clock put right and by the clock as it was. */
    phoneId: string | null;
    seenAt: Date | null;
    clockAt: Instant | null;
  },
): Promise<'new' | 'other' | { answer: unknown }> =>
  within(scope, async (tx) => {
    const made = await tx`
      insert into command_done (company_id, id, name, digest, person_id, phone_id, seen_at, clock_at)
      values (${scope.companyId}, ${c.id}, ${c.name}, ${c.digest}, ${scope.personId}, ${c.phoneId}, ${c.seenAt},
        ${c.clockAt})
      on conflict (company_id, id) do nothing`;
    if (made.count) return 'new';
    const [was] = await tx<{ name: string; digest: string; answer: unknown }[]>`
      select name, digest, answer
      from command_done
      where company_id = ${scope.companyId} and id = ${c.id}`;
    return was?.name === c.name && was.digest === c.digest ? { answer: was.answer } : 'other';
  });

/** Keeps what was answered, for whoever sends the same again. */
export const commandDone = (scope: Scope, id: string, answer: unknown) =>
  within(
    scope,
    (tx) => tx`
      update command_done
      set answer = ${json(tx, answer)}
      where company_id = ${scope.companyId} and id = ${id} and answer is null`,
  );
