import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { ownCompany } from '@/commands/testing';
import { cancelPlan } from '@/commands/trees/cancel-plan';
import { elmAvenue } from '@/commands/trees/testing';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer, type Viewer } from '@/store/auth';
import { installedNow, installedDevicesOf } from '@/store/devices';
import { getPlan } from '@/store/plans';
import { makeCompany } from '@/store/testing';
import { applyView } from '@/views/tree';
import { boardOf } from '@/facts/board';
import { boardView } from '@/views/devices';
import { installDevices } from './install-devices';
import { reinstallDevices } from './reinstall-devices';
import { leaveDevicesOvernight } from './leave-devices-overnight';
import { removeDevices } from './remove-devices';
import { readDevices } from './read-devices';

const made = ownCompany();
let avenue: Awaited<ReturnType<typeof elmAvenue>>;
let viewer: Viewer;
beforeAll(async () => {
  avenue = await elmAvenue(made);
  viewer = avenue.viewer;
});

/** A June morning, long after the infusion was planned. */
const MORNING = new Date('2027-06-14T08:00:00Z');
const later = (minutes: number) => new Date(MORNING.getTime() + minutes * 60_000);
const by = (now: Date, who = viewer) => ({ viewer: who, receivedAt: now, station: fair });
/** An infusion that waits for its window on a sound elm. */
async function planned(tag: string) {
  const input = avenue.asked(await avenue.soundElm(tag));
  expect(await avenue.planIt(input)).toMatchObject({ ok: true });
  return input.id;
}
const installed = (planId: string, more: object = {}, now = MORNING, who = viewer) =>
  perform(installDevices, by(now, who), { id: v7(), planId, at: now.toISOString(), guarded: 'signed', ...more });
const pull = (devices: object[], now: Date, who = viewer) =>
  perform(removeDevices, by(now, who), { id: v7(), at: now.toISOString(), devices });
const boardAt = async (who: Viewer, now: Date) => boardOf(await boardView(who, now), now);
const ids = async (planId: string) => (await installedDevicesOf(viewer, planId)).map((d) => d.id);

it('what is hung stands on the board with when it is empty; sent twice it hangs once, and a second time not at all', async () => {
  const planId = await planned('H1');
  const id = v7();
  expect(await installed(planId, { id })).toEqual({ ok: true, value: null });
  expect(await installed(planId, { id })).toEqual({ ok: true, value: null });
  expect(await installed(planId)).toMatchObject({ ok: false, issues: [{ path: 'planId' }] });
  expect(await installed(planId, { id, guarded: 'fenced' })).toMatchObject({ ok: false });
  const board = await boardAt(viewer, later(1));
  const group = board.groups.find((g) => g.planId === planId)!;
  expect(group).toMatchObject({ tag: 'H1', guarded: 'signed', turn: { why: 'running' } });
  const plan = (await getPlan(viewer, planId))!;
  if (!plan.result.dose.ok) throw new Error('no dose');
  const put = group.devices.reduce((a, d) => a + d.putMl, 0);
  // The liquid that hangs is the stock solution, several times the product in it.
  expect(put).toBeCloseTo(plan.result.dose.stockMl!, 6);
  expect(put).toBeGreaterThan(2 * plan.result.dose.product);
  expect(group.turn.empty.earliest < group.turn.empty.at && group.turn.empty.at < group.turn.empty.latest).toBe(true);
  // A June evening in the north: it is dark hours after that.
  expect(group.dark! > later(8 * 60).toISOString()).toBe(true);
});

it('what is seen moves its turn; another company sees nothing of it', async () => {
  const planId = await planned('S1');
  await installed(planId);
  const deviceIds = await ids(planId);
  const see = (state: string, now: Date, more: object = {}, who = viewer) =>
    perform(readDevices, by(now, who), { id: v7(), deviceIds, at: now.toISOString(), state, ...more });
  expect(await see('leaking', later(5))).toEqual({ ok: true, value: null });
  const [first] = (await boardAt(viewer, later(6))).groups;
  expect(first).toMatchObject({ planId, turn: { why: 'leaking' } });
  expect(await see('running', later(7), { leftMl: 1e4 })).toMatchObject({ ok: false, issues: [{ path: 'leftMl' }] });
  const { putMl } = (await installedDevicesOf(viewer, planId))[0]!;
  expect(await see('running', later(7), { leftMl: putMl / 2 })).toMatchObject({ ok: true });
  expect(await see('running', later(7), { leftMl: putMl + 0.1 })).toMatchObject({ ok: false });
  expect(await see('running', later(7), { at: later(-30).toISOString() })).toMatchObject({
    ok: false,
    issues: [{ path: 'at' }],
  });
  expect(await see('running', later(7), { at: later(60).toISOString() })).toMatchObject({ ok: false });
  expect(await see('empty', later(8))).toMatchObject({ ok: true });
  expect((await boardAt(viewer, later(9))).groups.find((g) => g.planId === planId)!.turn.why).toBe('empty');
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect((await boardAt(theirs, later(9))).groups).toEqual([]);
  expect(await see('empty', later(10), {}, theirs)).toMatchObject({ ok: false, issues: [{ path: 'deviceIds' }] });
});

it('pulled with half of it left, half is what may be booked; undone, it hangs again', async () => {
  const planId = await planned('P1');
  await installed(planId);
  const devices = await installedDevicesOf(viewer, planId);
  const half = devices.map((d) => ({ id: d.id, leftMl: d.putMl / 2 }));
  expect(await pull([{ ...half[0], leftMl: devices[0]!.putMl * 2 }], later(60))).toMatchObject({
    ok: false,
    issues: [{ path: `devices.${devices[0]!.id}` }],
  });
  // What is left and what was spilt were in it together.
  const spilt = half.map((d, i) => ({ ...d, lostMl: devices[i]!.putMl * 0.6 }));
  expect(await pull(spilt, later(60))).toMatchObject({ ok: false, issues: [{ path: `devices.${devices[0]!.id}` }] });
  expect(await pull(half, later(-5))).toMatchObject({ ok: false, issues: [{ path: 'at' }] });
  const id = v7();
  const whole = { id, at: later(60).toISOString(), devices: half };
  expect(await perform(removeDevices, by(later(60)), whole)).toEqual({ ok: true, value: null });
  expect(await perform(removeDevices, by(later(61)), whole)).toEqual({ ok: true, value: null });
  expect(await pull(half, later(62))).toMatchObject({ ok: false });
  const board = await boardAt(viewer, later(63));
  expect(board.groups.some((g) => g.planId === planId)).toBe(false);
  expect(board.unwritten.find((u) => u.planId === planId)).toMatchObject({ tag: 'P1', devices: expect.any(Array) });
  // The sheet knows when it was hung and pulled.
  const { sheet } = (await applyView(viewer, devices[0]!.treeId, later(64), fair, planId))!;
  expect(sheet!.installed.map((h) => [h.installedAt, h.removedAt])[0]).toEqual([MORNING, later(60)]);
  expect(await perform(reinstallDevices, by(later(65)), { deviceIds: half.map((d) => d.id) })).toMatchObject({
    ok: true,
  });
  expect((await installedNow(viewer)).some((h) => h.planId === planId)).toBe(true);
  // Pulled again with half in, the other half is what is hung another day; with all of it in, nothing is.
  await pull(half, later(66));
  expect(await installed(planId, {}, later(90))).toMatchObject({ ok: true });
  const rest = (await installedDevicesOf(viewer, planId)).filter((d) => !d.removedAt);
  expect(rest.map((d) => d.putMl)).toEqual(devices.map((d) => expect.closeTo(d.putMl / 2, 6)));
  await pull(
    rest.map((d) => ({ id: d.id, leftMl: 0 })),
    later(120),
  );
  expect(await installed(planId, {}, later(121))).toMatchObject({ ok: false, issues: [{ path: 'planId' }] });
});

it('nothing hangs through the night unless somebody says why', async () => {
  const planId = await planned('N1');
  await installed(planId);
  const at = async (now: Date) => (await boardAt(viewer, now)).groups.find((g) => g.planId === planId)!;
  const dusk = new Date(Date.parse((await at(later(1))).dark!) - 20 * 60_000);
  expect((await at(dusk)).turn.why).toBe('dark');
  // Past midnight it is still the night that nobody spoke for.
  expect((await at(later(18 * 60))).turn.why).toBe('dark');
  const deviceIds = await ids(planId);
  const night = (because: string) => perform(leaveDevicesOvernight, by(dusk), { deviceIds, because });
  expect(await night('')).toMatchObject({ ok: false, issues: [{ path: 'because' }] });
  expect(await night('A slow one; the yard is locked.')).toMatchObject({ ok: true });
  expect(await at(dusk)).toMatchObject({ overnight: 'A slow one; the yard is locked.' });
  expect((await at(dusk)).turn.why).not.toBe('dark');
});

it('a plan whose devices hang is neither dropped nor written up; one that is done hangs nothing', async () => {
  const planId = await planned('D1');
  await installed(planId);
  const drop = () => perform(cancelPlan, by(later(5)), { id: planId, drop: true });
  expect(await drop()).toMatchObject({ ok: false, issues: [{ message: expect.stringMatching(/still hangs/) }] });
  await pull(
    (await installedDevicesOf(viewer, planId)).map((d) => ({ id: d.id, leftMl: d.putMl })),
    later(10),
  );
  expect(await drop()).toMatchObject({ ok: true });
  expect(await installed(planId)).toMatchObject({ ok: false, issues: [{ path: 'planId' }] });
});

it.each([
  ['a moment that has not come', { at: later(45).toISOString() }, 'at'],
  ['more than a fortnight ago', { at: later(-15 * 1440).toISOString() }, 'at'],
  ['nobody said what keeps people off', { guarded: 'luck' }, 'guarded'],
  ['no plan of ours', { planId: v7() }, 'planId'],
])('%s hangs nothing', async (_, more, path) => {
  const before = await installedNow(viewer);
  const planId = await planned(`X${v7().slice(-8)}`);
  expect(await installed(planId, more)).toMatchObject({ ok: false, issues: [{ path }] });
  expect((await installedNow(viewer)).length).toBe(before.length);
});

it('a stop stops a hang like any other start: nothing hangs without its reason, and the reason is kept', async () => {
  const planId = await planned('X1');
  const [plan] = [(await getPlan(viewer, planId))!];
  const use = plan.label.uses.find((u) => u.key === plan.useKey)!;
  const weather = { ...fair({ lat: null, lon: null }).at(MORNING), temperatureC: use.conditions!.maxC! + 5 };
  expect(await installed(planId, { weather })).toMatchObject({
    ok: false,
    issues: [{ path: 'deviation', message: expect.stringMatching(/Too hot.*Say why/) }],
  });
  expect(await installedDevicesOf(viewer, planId)).toEqual([]);
  const deviation = 'Shaded side, agreed with the label’s maker by telephone.';
  expect(await installed(planId, { weather, deviation })).toMatchObject({ ok: true });
  const [kept] = await made.owner<
    { why: string }[]
  >`select because as why from device_installation where plan_id = ${planId} limit 1`;
  expect(kept!.why).toContain(deviation);
});
