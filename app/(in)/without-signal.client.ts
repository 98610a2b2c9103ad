'use client';

import { batchCode } from '@/core/mix/batch';
import { orKept } from '@/ui/phone/or-kept.client';
import * as day from './rounds/day/actions';
import { LEFT_WORDS } from './rounds/day/words';
import * as hanging from './rounds/hanging/actions';
import { STATE_PRESSES } from './rounds/hanging/words';
import * as mix from './rounds/mix/actions';
import * as row from './rounds/row/actions';
import * as tree from './tree/[id]/actions';
import * as apply from './tree/[id]/apply/actions';
import * as decideActions from './tree/[id]/decide/actions';
import * as examineActions from './tree/[id]/examine/actions';
import * as measureActions from './tree/[id]/measure/actions';
import * as prescribeActions from './tree/[id]/prescribe/actions';

/**
 * What a phone may write without signal: each verb with what is said of it while it waits. Whatever is not here needs the
 * server, and says so.
 */
const nothing = () => null;
const made = (x: { id: string }) => x.id;
const many = (n: number, one: string, more: string) => (n === 1 ? `one ${one}` : `${n} ${more}`);

/** The schemas come once somebody writes, and are fetched beforehand while there is signal: no page needs them to be read. */
const known = () => import('./known-wrong.client').then((m) => m.KNOWN_WRONG);
if (typeof window !== 'undefined') setTimeout(() => void known().catch(() => {}), 3000);
/** What is wrong with it by what the phone knows; where it cannot know, the server says. */
const wrong = (verb: string) => async (input: object) =>
  (await known().catch(() => null))?.[verb]?.(input as never) ?? [];

export const measure = orKept('measure', measureActions.measure, {
  what: (m) => `A reading: ${m.stems.map((s) => `${s.kind} ${s.value} ${s.unit}`).join(' + ')}`,
  value: (m) => ({ next: `/tree/${m.treeId}/prescribe` }),
  makes: made,
  wrong: wrong('measure'),
});
export const examine = orKept('examine', examineActions.examine, {
  what: (x) => `A look, with ${many(x.findings.length, 'sign', 'signs')}`,
  value: nothing,
  makes: made,
  wrong: wrong('examine'),
});
export const decide = orKept('decide', decideActions.decide, {
  what: (d) => `A decision: ${d.decision}`,
  value: (d) => ({ next: `/tree/${d.treeId}` }),
  makes: made,
});
export const makePlan = orKept('plan', prescribeActions.makePlan, {
  what: (p) => (p.alike?.length ? `A plan, for ${p.alike.length + 1} trees` : 'A plan'),
  value: () => ({ left: [] }),
  makes: made,
});
export const book = orKept('book', apply.book, {
  what: (b) => `A record of ${b.typed ?? b.amount}`,
  value: (b) => ({ recordId: b.id, due: [], rest: null }),
  makes: made,
  wrong: wrong('book'),
});
export const bookRow = orKept('book-row', row.bookRow, {
  what: (b) => `Records of ${many(b.rows.length, 'tree', 'trees')} in one go`,
  value: (b) => ({ recordIds: b.rows.map((r) => r.recordId) }),
  makes: made,
});
export const finishWork = orKept('finish-work', tree.finishWork, {
  what: (w) => (w.done ? 'A work is done' : 'A work is dropped'),
  value: nothing,
  wrong: wrong('finish-work'),
});

export const hang = orKept('hang', hanging.hang, { what: () => 'Devices are hung', value: nothing, makes: made });
export const hangAgain = orKept('hang-again', hanging.hangAgain, {
  what: () => 'Devices hang again',
  value: nothing,
});
export const hangOvernight = orKept('hang-overnight', hanging.hangOvernight, {
  what: (h) => `${many(h.deviceIds.length, 'device hangs', 'devices hang')} through the night`,
  value: nothing,
  wrong: wrong('hang-overnight'),
});
export const seeDevices = orKept('see-devices', hanging.seeDevices, {
  what: (s) => `Seen on the board: ${STATE_PRESSES[s.state].toLowerCase()}`,
  value: nothing,
  makes: made,
});
export const pullDevices = orKept('pull-devices', hanging.pullDevices, {
  what: (p) => `${many(p.devices.length, 'device is', 'devices are')} pulled`,
  value: nothing,
  makes: made,
});

export const beginRound = orKept('begin-round', day.beginRound, {
  what: (b) => (b.at ? 'The crew has set out' : 'The crew has not set out'),
  value: nothing,
});
export const orderStops = orKept('order-round', day.orderStops, {
  what: () => 'The stops in another order',
  value: nothing,
});
export const tickLoad = orKept('tick-load', day.tickLoad, {
  what: (t) => `Load sheet: ${many(t.ticks.length, 'line', 'lines')}`,
  value: nothing,
});
export const leaveUndone = orKept('leave-undone', day.leaveUndone, {
  what: (l) => `Left undone: ${LEFT_WORDS[l.why]}`,
  value: nothing,
  makes: made,
  wrong: wrong('leave-undone'),
});
export const takeBackLeft = orKept('take-back-left', day.takeBackLeft, {
  what: () => 'Not left undone after all',
  value: nothing,
  takesBack: made,
});
export const closeRound = orKept('close-round', day.closeRound, {
  what: () => 'The day is closed',
  value: (c) => ({ told: c.tell?.length ?? 0 }),
  makes: made,
  wrong: wrong('close-round'),
});

export const makeBatch = orKept('make-batch', mix.makeBatch, {
  what: (b) => `Mix ${batchCode(b.id)}`,
  value: (b) => ({ code: batchCode(b.id), goodUntil: '' }),
  makes: made,
});
export const unmakeBatch = orKept('unmake-batch', mix.unmakeBatch, {
  what: (b) => `Mix ${batchCode(b.batchId)} was never made`,
  value: nothing,
  makes: made,
  takesBack: (b) => b.batchId,
});
export const endBatch = orKept('end-batch', mix.endBatch, {
  what: (e) => `The rest of mix ${batchCode(e.batchId)} is ${e.how}`,
  value: nothing,
  makes: made,
  wrong: wrong('end-batch'),
});
