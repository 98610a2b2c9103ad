import type { Issue } from '../../lib/result';
import { z } from 'zod';
import { instant } from '../records/record';
import { uuid } from '@/lib/ids';
import { currentWrite } from './command-names';
import { MOST_TOGETHER } from './limits';

/** What was written on a phone without signal, as it travels: the command, what it was told, and when by which clock. */
export const sendSchema = z
  .strictObject({
    /** Made by the phone: sent again under it, it lands once. */
    id: uuid,
    verb: z.string().min(1).max(60),
    /** In words, for whoever has to look at it. */
    what: z.string().trim().min(1).max(300),
    input: z.unknown(),
    /** When it was done: the clock of the phone, put right by what it knew of its error. */
    at: instant,
    /** What its clock showed. */
    clockAt: instant,
  })
  .transform(currentWrite);
export type Send = z.infer<typeof sendSchema>;

/** What a phone sends when there is signal: its writes in the order in which they were made. */
export const sendsSchema = z.strictObject({
  phoneId: uuid,
  /** What its clock shows while it sends. */
  clockNow: instant,
  sends: z.array(sendSchema).max(MOST_TOGETHER, `At most ${MOST_TOGETHER} writes at once.`),
});
export type Sends = z.infer<typeof sendsSchema>;

/** What became of a write: it landed, or it was refused and waits on the server for somebody to look at it. Either way the phone need not keep it. */
export type SyncResult = { id: string; ok: true } | { id: string; ok: false; issues: Issue[] };

/** What a phone says of itself when it meets the server. */
export const handshakeSchema = z.strictObject({
  phoneId: uuid,
  name: z.string().trim().min(1, 'Give the phone a name.').max(80, 'At most 80 characters.'),
  clockNow: instant,
  waiting: z.number().int().min(0).max(1_000_000),
});
