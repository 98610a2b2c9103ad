import { OFFLINE_COMMANDS } from '@/core/phone/command-names';
import { v5, v7 } from 'uuid';
import { commandNamed } from '@/commands';
import { perform } from '@/commands/command';
import { saveCrew } from '@/commands/jobs/save-crew';
import { addToDay } from '@/commands/jobs/add-to-day';
import { receiveLot } from '@/commands/stock/receive-lot';
import { doneBy, ownCompany } from '@/commands/testing';
import { AIR, drenchRow, elmAvenue, elmInfusion } from '@/commands/trees/testing';
import { planWork } from '@/commands/trees/plan-work';
import { toInstall } from '@/core/devices/hang-on';
import type { Send } from '@/core/phone/send';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer, type Viewer } from '@/store/auth';
import { getPlan, openPlans } from '@/store/plans';
import { crewDaysBetween } from '@/store/crew-days';
import { handshake } from './handshake';
import { receive } from './receive';

/**
 * A crew's whole day without signal, every write of which comes late: judged and kept by the moment of the doing, in the zone of
 * the site, whatever has ended, begun or been moved since.
 */
const MINUTE = 60_000;
interface Late {
  /** When the crew sets out. */
  begun: string;
  /** The day of that in the zone of the site. */
  day: string;
  received: string;
  licenceUntil: string;
}
const CASES: [string, Late][] = [
  [
    'three days',
    { begun: '2026-06-01T07:00:00Z', day: '2026-06-01', received: '2026-06-04T12:00:00Z', licenceUntil: '2031-01-01' },
  ],
  [
    'the end of a licence',
    { begun: '2026-06-08T07:00:00Z', day: '2026-06-08', received: '2026-06-11T12:00:00Z', licenceUntil: '2026-06-08' },
  ],
  [
    'a New Year',
    { begun: '2026-12-31T08:00:00Z', day: '2026-12-31', received: '2027-01-03T12:00:00Z', licenceUntil: '2031-01-01' },
  ],
  [
    // A quarter past midnight of the first day of summer time; the universal day is still the one before.
    'a change of the clocks',
    { begun: '2027-03-28T23:15:00Z', day: '2027-03-29', received: '2027-03-31T12:00:00Z', licenceUntil: '2031-01-01' },
  ],
];

const made = ownCompany();
const row = drenchRow(made);
let avenue: Awaited<ReturnType<typeof elmAvenue>>;
const crewId = v7();
const elmLot = v7();
beforeAll(async () => {
  const { owner, o } = made;
  avenue = await elmAvenue(made);
  await owner`update site set area_m2 = 60000 where id = ${o.siteId}`;
  await row.restock(2000);
  const lot = { labelKey: elmInfusion.key, lotNumber: 'E-1', expiresOn: '2031-01-01', amount: '100', unit: 'L' };
  expect(await doneBy(receiveLot, avenue.viewer, { moveId: v7(), lotId: elmLot, ...lot })).toMatchObject({ ok: true });
  const crew = { id: crewId, name: 'Shore crew', personIds: [o.personId], hours: 'Mon–Fri 08:00–16:00' };
  const rest = { yard: '50.33, −4.12', least: 1, active: true, basedOn: null };
  expect(await doneBy(saveCrew, avenue.viewer, { ...crew, ...rest })).toMatchObject({ ok: true });
});

/** What a phone may queue in this day; a photo is queued by the field that takes it, and has tests of its own. */
const OFFLINE = OFFLINE_COMMANDS.filter((name) => name !== 'save-photo');

/** A day of a crew as its phone keeps it: every command that it may write without signal, each at its minute. */
async function dayOf(viewer: Viewer, name: string, { begun, day }: Late) {
  const { o } = made;
  const at = (minutes: number) => new Date(Date.parse(begun) + minutes * MINUTE);
  const before = { viewer, receivedAt: at(-120), station: fair };
  const tag = (n: string) => `${n} ${name}`.slice(0, 20);
  const [mixed, alsoMixed, alone, left] = [
    await row.planned(tag('M1'), 20),
    await row.planned(tag('M2'), 30),
    await row.planned(tag('S'), 25),
    await row.planned(tag('L'), 25),
  ];
  const workId = v7();
  const workTree = await avenue.soundElm(tag('W'));
  const work = { id: workId, treeId: workTree, workId: 'mulch', answers: {}, on: day, released: {} };
  expect(await perform(planWork, before, work)).toMatchObject({ ok: true });
  const infusion = avenue.asked(await avenue.soundElm(tag('H')), { leaf: 'full' });
  expect(await avenue.planIt(infusion, before.receivedAt, viewer)).toMatchObject({ ok: true });
  const onCrewDay = { day, crewId, itemIds: [mixed, alsoMixed, alone, left, workId], anyway: true };
  expect(await perform(addToDay, before, onCrewDay)).toMatchObject({ ok: true });
  const crewDayId = (await crewDaysBetween(viewer, day, day)).find((r) => r.crewId === crewId)!.id;

  const sends: Send[] = [];
  const write = (verb: string, minutes: number, input: object) => {
    const when = at(minutes).toISOString();
    // What is taken back or finished bears the id of something that stands already.
    const id = 'id' in input && !['finish-work', 'reopen-not-done'].includes(verb) ? (input.id as string) : v7();
    sends.push({ id, verb, what: verb, input, at: when, clockAt: when });
    return id;
  };
  const air = (minutes: number) => ({
    startedAt: at(minutes).toISOString(),
    endedAt: at(minutes + 20).toISOString(),
    weather: { ...AIR, at: at(minutes).toISOString() },
  });
  write('start-day', 0, { crewDayId, at: at(0).toISOString() });
  write('order-stops', 1, { crewDayId, siteIds: [o.siteId] });
  write('check-load-item', 2, { crewDayId, ticks: [{ line: 'Goggles', amount: '2', on: true }] });
  const mix = await row.mixFor([mixed, alsoMixed], { crewDayId, madeAt: at(5).toISOString() }, 1.25);
  const slip = await row.mixFor([alone], { crewDayId, madeAt: at(6).toISOString() });
  write('make-batch', 5, mix);
  write('make-batch', 6, slip);
  const unmade = write('void-batch', 7, { id: v7(), batchId: slip.id });
  const sent = row.sent([mixed, alsoMixed], { batchIds: [mix.id], ...air(10) });
  // A phone knows its amounts as figures.
  const plans = await Promise.all([mixed, alsoMixed].map((id) => getPlan(viewer, id)));
  const product = plans.map((p) => (p!.result.dose.ok ? p!.result.dose.product : NaN));
  write('record-treatments', 50, { ...sent, rows: sent.rows.map((r, i) => ({ ...r, amount: product[i]! })) });
  const single = (await getPlan(viewer, alone))!.result.dose;
  const record = row.booked(alone, single.ok ? single.product : NaN, air(60));
  write('record-treatment', 85, record);
  const ended = write('finish-batch', 90, {
    id: v7(),
    batchId: mix.id,
    how: 'handed in',
    mixMl: null,
    words: 'To the county depot',
  });
  const slipLeft = write('mark-not-done', 95, { id: v7(), itemIds: [left], why: 'no way in', words: '' });
  write('reopen-not-done', 96, { id: slipLeft });
  const reallyLeft = write('mark-not-done', 97, { id: v7(), itemIds: [left], why: 'no way in', words: '' });
  write('finish-work', 100, { id: workId, done: true, note: '' });
  const installId = v7();
  const installed = (await getPlan(viewer, infusion.id))!;
  if (!installed.result.dose.ok) throw new Error('no dose');
  const hangs = toInstall({ ...installed, dose: installed.result.dose }, [], AIR);
  const count = hangs.ok ? hangs.value.count : NaN;
  const deviceIds = Array.from({ length: count }, (_, i) => v5(String(i + 1), installId));
  const said = { ...air(110), soil: 'moist', leaf: 'full', said: { collar: 'sound' } };
  const why = { deviation: 'What is asked on the day was answered by word of mouth.' };
  write('install-devices', 110, {
    id: installId,
    planId: infusion.id,
    at: at(110).toISOString(),
    guarded: 'signed',
    ...said,
    ...why,
  });
  const seen = write('read-devices', 130, { id: v7(), deviceIds, at: at(130).toISOString(), state: 'running' });
  write('leave-devices-overnight', 131, { deviceIds, because: 'It runs slowly, the yard is locked.' });
  const empty = deviceIds.map((id) => ({ id, leftMl: 0 }));
  write('remove-devices', 150, { id: v7(), at: at(150).toISOString(), devices: empty });
  write('reinstall-devices', 151, { deviceIds });
  write('remove-devices', 170, { id: v7(), at: at(170).toISOString(), devices: empty });
  const fresh = await avenue.soundElm(tag('F'));
  const girth = { stems: [{ kind: 'girth', value: '152', unit: 'cm' }], atHeight: '130', atHeightUnit: 'cm' };
  const open = { height: '15', heightUnit: 'm', crownWidth: '', crownBase: '', flares: [], grain: '', obstacles: '' };
  const reading = write('measure-tree', 180, { id: v7(), treeId: fresh, ...girth, ...open, arcs: [], method: 'tape' });
  const look = write('save-inspection', 185, {
    ...{ id: v7(), treeId: fresh, hostKey: [], crownLoss: '3', vigour: 'good', findings: [], tests: [] },
    ...{ detail: {}, note: 'Looks sound.', change: '', changePrice: '', alike: [] },
  });
  const savedDiagnosis = write('save-diagnosis', 190, {
    ...{ id: v7(), treeId: fresh, conditionId: 'dutch-elm-disease', certainty: 'possible' },
    ...{ decision: 'protect a sound tree', reason: 'Finds across the road.', overturns: [] },
  });
  const plan = write('plan-treatment', 195, avenue.asked(fresh, { leaf: 'full' }));
  const home = { homeAt: at(240).toISOString(), restMinutes: 30, toolsClean: true, bits: 2, stockCounted: true };
  write('finish-day', 240, {
    id: v7(),
    crewDayId,
    home: { ...home, rinse: 'on labelled trees', note: '' },
    tell: [],
  });
  const ids = {
    crewDayId,
    mix: mix.id,
    unmade,
    ended,
    reallyLeft,
    seen,
    reading,
    look,
    savedDiagnosis,
    plan,
    workId,
    installId,
  };
  return { sends, at, records: [...sent.rows.map((r) => r.recordId), record.id], deviceIds, slipLeft, ...ids };
}

it('every verb that a phone may write without signal is in the day below', async () => {
  const { sends } = await dayOf((await loadViewer(made.o))!, 'list', {
    ...CASES[0]![1],
    begun: '2026-06-03T07:00:00Z',
    day: '2026-06-03',
  });
  expect(OFFLINE.length).toBeGreaterThan(20);
  expect([...new Set(sends.map((s) => s.verb))].sort()).toEqual([...new Set(OFFLINE)].sort());
});

it.each(CASES)('late by %s: all of it lands, at the moment and on the day of its doing', async (name, late) => {
  const { owner, o } = made;
  await owner`update person set licence_expires = ${late.licenceUntil} where id = ${o.personId}`;
  const viewer = (await loadViewer(o))!;
  const d = await dayOf(viewer, name, late);
  const phoneId = v7();
  const now = new Date(late.received);
  await handshake(viewer, now, { phoneId, name: 'P', clockNow: late.received, waiting: d.sends.length });
  const message = { phoneId, clockNow: late.received, sends: d.sends };
  const got = (await receive({ viewer, receivedAt: now, station: fair }, commandNamed, message))!;
  const refused = got.synced.flatMap((l, i) => (l.ok ? [] : [`${d.sends[i]!.verb}: ${JSON.stringify(l.issues)}`]));
  expect(refused).toEqual([]);

  const moment = async (table: string, column: string, id: string) =>
    (await owner.unsafe<{ at: Date }[]>(`select ${column} as at from ${table} where id = $1`, [id]))[0]?.at;
  const kept: [string, string, string, number][] = [
    ['crew_day', 'begun_at', d.crewDayId, 0],
    ['crew_day', 'closed_at', d.crewDayId, 240],
    ['batch', 'made_at', d.mix, 5],
    ['batch_draw', 'at', d.unmade, 7],
    ['batch_draw', 'at', d.ended, 90],
    ['device_installation', 'installed_at', d.deviceIds[0]!, 110],
    ['device_installation', 'removed_at', d.deviceIds[0]!, 170],
    ['measurement', 'at', d.reading, 180],
    ['inspection', 'at', d.look, 185],
    ['diagnosis', 'at', d.savedDiagnosis, 190],
    ['treatment_plan', 'at', d.plan, 195],
    ...d.records.map((id, i): [string, string, string, number] => ['record', 'started_at', id, i === 2 ? 60 : 10]),
  ];
  const told = await Promise.all(kept.map(([table, column, id]) => moment(table, column, id)));
  const minutes = (t: Date | undefined) => (t ? (t.getTime() - d.at(0).getTime()) / MINUTE : null);
  // Trees of a row share its time: each starts within it.
  const wanted = kept.map(([table, column, , m]) => `${table}.${column} ${m}`);
  const shown = kept.map(([table, column, , m], i) => {
    const at = minutes(told[i]);
    const inRow = table === 'record' && m === 10 && at !== null && at >= 10 && at < 30;
    return `${table}.${column} ${inRow ? 10 : at}`;
  });
  expect(shown).toEqual(wanted);

  const days = await owner<{ day: string }[]>`
    select done_on::text as day from record where id = any(${d.records})
    union all select done_on::text from work_plan where id = ${d.workId}
    union all select on_day::text from not_done where item_id in (select item_id from not_done where id = ${d.slipLeft}) and not withdrawn`;
  expect(days.map((x) => x.day)).toEqual(days.map(() => late.day));
  expect(days).toHaveLength(5);
  const ticks = await owner<{ at: Date }[]>`select at from load_check where crew_day_id = ${d.crewDayId}`;
  expect(ticks.map((t) => minutes(t.at))).toEqual([2]);
  const stageNotes = await owner<
    { at: Date }[]
  >`select at from device_reading where installation_id = ${d.deviceIds[0]!} order by at`;
  expect(stageNotes.map((t) => minutes(t.at))).toContain(130);
});

it('a plan that comes late takes the place of none that was made after it, and says so', async () => {
  const { owner, o } = made;
  await owner`update person set licence_expires = '2031-01-01' where id = ${o.personId}`;
  const viewer = (await loadViewer(o))!;
  const treeId = await avenue.soundElm('Late');
  const [monday, wednesday, friday] = ['08', '10', '12'].map((d) => new Date(`2026-06-${d}T09:00:00Z`)) as [
    Date,
    Date,
    Date,
  ];
  const office = avenue.asked(treeId, { leaf: 'full' });
  expect(await avenue.planIt(office, wednesday, viewer)).toMatchObject({ ok: true });
  const late = { ...avenue.asked(treeId, { leaf: 'full' }), occurredAt: monday.toISOString() };
  expect(await avenue.planIt(late, friday, viewer)).toMatchObject({
    ok: false,
    issues: [{ message: expect.stringMatching(/planned the same product on Late after this was planned/) }],
  });
  expect((await getPlan(viewer, office.id))!.state).toBe('open');
});

it('a measurement that comes after a plan is asked about, though it was taken before', async () => {
  const viewer = (await loadViewer(made.o))!;
  const treeId = await avenue.soundElm('Again');
  const asked = avenue.asked(treeId, { leaf: 'full' });
  const [monday, tuesday, friday] = ['08', '09', '12'].map((d) => new Date(`2026-06-${d}T09:00:00Z`)) as [
    Date,
    Date,
    Date,
  ];
  expect(await avenue.planIt(asked, tuesday, viewer)).toMatchObject({ ok: true });
  const open = async () => (await openPlans(viewer)).find((p) => p.id === asked.id)!;
  expect((await open()).remeasured).toBe(false);
  const girth = { stems: [{ kind: 'girth', value: '190', unit: 'cm' }], atHeight: '130', atHeightUnit: 'cm' };
  const rest = { height: '15', heightUnit: 'm', crownWidth: '', crownBase: '', flares: [], grain: '', obstacles: '' };
  const reading = { id: v7(), treeId, ...girth, ...rest, arcs: [], method: 'tape', occurredAt: monday.toISOString() };
  expect(
    await perform(commandNamed('measure-tree')!, { viewer, receivedAt: friday, station: fair }, reading),
  ).toMatchObject({
    ok: true,
  });
  expect((await open()).remeasured).toBe(true);
});
