'use client';

import type { OfflineCommand } from '@/core/phone/command-names';
import { batchCode } from '@/core/mix/batch';
import { sendOrQueue } from '@/ui/phone/send-or-queue.client';
import * as day from './jobs/day/actions';
import { LEFT_WORDS } from './jobs/day/words';
import * as hanging from './jobs/devices/actions';
import { STATE_PRESSES } from './jobs/devices/words';
import * as mix from './jobs/mixes/actions';
import * as row from './jobs/row/actions';
import * as tree from './trees/[id]/actions';
import * as apply from './trees/[id]/treat/actions';
import * as diagnoseActions from './trees/[id]/diagnose/actions';
import * as inspectActions from './trees/[id]/inspect/actions';
import * as measureActions from './trees/[id]/measure/actions';
import * as prescribeActions from './trees/[id]/prescribe/actions';

/**
 * What a phone may write without signal: each command with what is said of it while it waits. Whatever is not here needs the
 * server, and says so.
 */
const nothing = () => null;
const made = (x: { id: string }) => x.id;
const many = (n: number, one: string, more: string) => (n === 1 ? `one ${one}` : `${n} ${more}`);

/** The schemas come once somebody writes, and are fetched beforehand while there is signal: no page needs them to be read. */
const known = () => import('./offline-checks.client').then((m) => m.KNOWN_WRONG);
if (typeof window !== 'undefined') setTimeout(() => void known().catch(() => {}), 3000);
/** What is wrong with it by what the phone knows; where it cannot know, the server says. */
const wrong = (verb: OfflineCommand) => async (input: object) =>
  (await known().catch(() => null))?.[verb]?.(input as never) ?? [];

export const measureTree = sendOrQueue('measure-tree', measureActions.measureTree, {
  what: (m) => `A reading: ${m.stems.map((s) => `${s.kind} ${s.value} ${s.unit}`).join(' + ')}`,
  value: (m) => ({ next: `/trees/${m.treeId}/prescribe` }),
  makes: made,
  wrong: wrong('measure-tree'),
});
export const saveInspection = sendOrQueue('save-inspection', inspectActions.saveInspection, {
  what: (x) => `A look, with ${many(x.findings.length, 'sign', 'signs')}`,
  value: nothing,
  makes: made,
  wrong: wrong('save-inspection'),
});
export const saveDiagnosis = sendOrQueue('save-diagnosis', diagnoseActions.saveDiagnosis, {
  what: (d) => `A decision: ${d.decision}`,
  value: (d) => ({ next: `/trees/${d.treeId}` }),
  makes: made,
});
export const planTreatment = sendOrQueue('plan-treatment', prescribeActions.planTreatment, {
  what: (p) => (p.alike?.length ? `A plan, for ${p.alike.length + 1} trees` : 'A plan'),
  value: () => ({ left: [] }),
  makes: made,
});
export const recordTreatment = sendOrQueue('record-treatment', apply.recordTreatment, {
  what: (b) => `A record of ${b.typed ?? b.amount}`,
  value: (b) => ({ recordId: b.id, due: [], rest: null }),
  makes: made,
  wrong: wrong('record-treatment'),
});
export const recordTreatments = sendOrQueue('record-treatments', row.recordTreatments, {
  what: (b) => `Records of ${many(b.rows.length, 'tree', 'trees')} in one go`,
  value: (b) => ({ recordIds: b.rows.map((r) => r.recordId) }),
  makes: made,
});
export const finishWork = sendOrQueue('finish-work', tree.finishWork, {
  what: (w) => (w.done ? 'A work is done' : 'A work is dropped'),
  value: nothing,
  wrong: wrong('finish-work'),
});

export const installDevices = sendOrQueue('install-devices', hanging.installDevices, {
  what: () => 'Devices are hung',
  value: nothing,
  makes: made,
});
export const reinstallDevices = sendOrQueue('reinstall-devices', hanging.reinstallDevices, {
  what: () => 'Devices hang again',
  value: nothing,
});
export const leaveDevicesOvernight = sendOrQueue('leave-devices-overnight', hanging.leaveDevicesOvernight, {
  what: (h) => `${many(h.deviceIds.length, 'device hangs', 'devices hang')} through the night`,
  value: nothing,
  wrong: wrong('leave-devices-overnight'),
});
export const readDevices = sendOrQueue('read-devices', hanging.readDevices, {
  what: (s) => `Seen on the board: ${STATE_PRESSES[s.state].toLowerCase()}`,
  value: nothing,
  makes: made,
});
export const removeDevices = sendOrQueue('remove-devices', hanging.removeDevices, {
  what: (p) => `${many(p.devices.length, 'device is', 'devices are')} pulled`,
  value: nothing,
  makes: made,
});

export const startDay = sendOrQueue('start-day', day.startDay, {
  what: (b) => (b.at ? 'The crew has set out' : 'The crew has not set out'),
  value: nothing,
});
export const orderStops = sendOrQueue('order-stops', day.orderStops, {
  what: () => 'The stops in another order',
  value: nothing,
});
export const checkLoadItem = sendOrQueue('check-load-item', day.checkLoadItem, {
  what: (t) => `Load sheet: ${many(t.ticks.length, 'line', 'lines')}`,
  value: nothing,
});
export const markNotDone = sendOrQueue('mark-not-done', day.markNotDone, {
  what: (l) => `Left undone: ${LEFT_WORDS[l.why]}`,
  value: nothing,
  makes: made,
  wrong: wrong('mark-not-done'),
});
export const reopenNotDone = sendOrQueue('reopen-not-done', day.reopenNotDone, {
  what: () => 'Not left undone after all',
  value: nothing,
  takesBack: made,
});
export const finishDay = sendOrQueue('finish-day', day.finishDay, {
  what: () => 'The day is closed',
  value: (c) => ({ told: c.tell?.length ?? 0 }),
  makes: made,
  wrong: wrong('finish-day'),
});

export const makeBatch = sendOrQueue('make-batch', mix.makeBatch, {
  what: (b) => `Mix ${batchCode(b.id)}`,
  value: (b) => ({ code: batchCode(b.id), goodUntil: '' }),
  makes: made,
});
export const voidBatch = sendOrQueue('void-batch', mix.voidBatch, {
  what: (b) => `Mix ${batchCode(b.batchId)} was never made`,
  value: nothing,
  makes: made,
  takesBack: (b) => b.batchId,
});
export const finishBatch = sendOrQueue('finish-batch', mix.finishBatch, {
  what: (e) => `The rest of mix ${batchCode(e.batchId)} is ${e.how}`,
  value: nothing,
  makes: made,
  wrong: wrong('finish-batch'),
});
