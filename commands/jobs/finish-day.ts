import { refuse, type Issue, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { thingsOf } from '@/facts/crew-day-items';
import { endsOf } from '@/facts/crew-day-ends';
import { notThen } from '@/facts/not-then';
import { uuid } from '@/lib/ids';
import type { OpenEnd } from '@/core/crew-day/day';
import { homeSchema } from '@/core/crew-day/home-schema';
import { crewDayHead, setClosed } from '@/store/day';
import { addMessages } from '@/store/messages';
import { z } from 'zod';

const issueOf = (end: OpenEnd): Issue => {
  const n = end.by === 'batch' ? 0 : end.itemIds.length;
  switch (end.by) {
    case 'hangs':
      return {
        path: 'hangs',
        message: `Devices of ${n === 1 ? 'one tree' : `${n} trees`} still hang: pull them first.`,
      };
    case 'open':
      return {
        path: 'open',
        message: `${n === 1 ? 'One thing is' : `${n} things are`} neither done nor left with a reason.`,
      };
    case 'batch':
      return {
        path: `batches.${end.batchId}`,
        message: `Say what became of the rest of mix ${end.name}: ${Number(end.leftMl.toPrecision(4))} mL.`,
      };
  }
};

/** A crew is home: everything on its day has an end, its hours and tools are told, its clients hear of it. */
export const finishDay = command({
  name: 'finish-day',
  right: 'apply',
  schema: z.object({
    id: uuid,
    crewDayId: uuid,
    home: homeSchema,
    /** What clients are told, one message a place at most. */
    tell: z
      .array(
        z.strictObject({
          id: uuid,
          siteId: uuid,
          subject: z.string().trim().min(1, 'A message has a subject.').max(200, 'At most 200 characters.'),
          body: z.string().trim().min(1, 'A message says something.').max(8000, 'At most 8000 characters.'),
        }),
      )
      .max(60)
      .default([]),
  }),
  once: (x) => x.id,
  run: async ({ viewer, receivedAt, occurredAt }, { crewDayId, home, tell }): Promise<Result<{ told: number }>> => {
    const round = await crewDayHead(viewer, crewDayId);
    if (!round) return refuse('', 'There is no such round in this company.');
    if (round.closedAt) return refuse('', 'This day is closed already.');
    if (!round.begunAt) return refuse('', 'This crew has not set out.');
    const never = notThen(home.homeAt, receivedAt);
    if (never) return refuse('homeAt', never);
    if (Date.parse(home.homeAt) < round.begunAt.getTime()) return refuse('homeAt', 'It was home before it set out.');
    const stands = await thingsOf(viewer, crewDayId);
    // A mix that was good when they came home may be stale when this arrives.
    const ends = endsOf(stands, new Date(home.homeAt));
    if (stands.batches.length && home.rinse === null)
      return refuse('home.rinse', 'Say where the rinse water went: it counts as mix.');
    if (ends.length) return { ok: false, issues: ends.map(issueOf) };
    const places = new Set([...stands.things, ...stands.lefts].map((t) => t.siteId));
    if (tell.some((m) => !places.has(m.siteId))) return refuse('tell', 'The round did not go to a place among them.');
    await addMessages(
      viewer,
      tell.map((m) => ({ ...m, crewDayId })),
    );
    return (await setClosed(viewer, crewDayId, home, occurredAt))
      ? { ok: true, value: { told: tell.length } }
      : refuse('', 'Somebody else closed this day meanwhile.');
  },
});
