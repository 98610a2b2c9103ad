import { v7 } from 'uuid';
import { perform, type Command } from '@/commands/command';
import { makeBatch } from '@/commands/mixes/make-batch';
import { finishBatch } from '@/commands/mixes/finish-batch';
import { saveCrew } from '@/commands/jobs/save-crew';
import { saveSchedule } from '@/commands/jobs/save-schedule';
import { addAbsence } from '@/commands/jobs/add-absence';
import { NOW, ownCompany } from '@/commands/testing';
import { recordTreatments } from '@/commands/trees/record-treatments';
import { addReminder } from '@/commands/trees/add-reminder';
import { drenchRow } from '@/commands/trees/testing';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer } from '@/store/auth';
import { leftAtTree, leftOnCrewDay, crewDayEntries, crewDayHead, ticksOf } from '@/store/day';
import { messagesOfCrewDay, messagesWaiting } from '@/store/messages';
import { getPlans, openPlans } from '@/store/plans';
import { closedDays, crewDaysBetween } from '@/store/crew-days';
import { makeCompany } from '@/store/testing';
import { startDay } from './start-day';
import { finishDay } from './finish-day';
import { markNotDone } from './mark-not-done';
import { orderStops } from './order-stops';
import { addToDay } from './add-to-day';
import { reopenNotDone } from './reopen-not-done';
import { checkLoadItem } from './check-load-item';
import type { z } from 'zod';

const made = ownCompany();
const row = drenchRow(made);
const TODAY = '2026-06-01';
const send = <S extends z.ZodType, T>(verb: Command<S, T>, input: unknown, now = NOW, viewer = row.viewer) =>
  perform(verb, { viewer, receivedAt: now, station: fair }, input);
const sentences = (a: { ok: boolean; issues?: { path: string; message: string }[] }) =>
  (a.issues ?? []).map((f) => `${f.path}: ${f.message}`);

const crewId = v7();
const other = v7();
const places: string[] = [];
beforeAll(async () => {
  const { owner, o } = made;
  const crew = (id: string, name: string, hours: string, personIds: string[]) =>
    send(saveCrew, {
      id,
      name,
      personIds,
      hours,
      yard: '50.33, −4.12',
      least: personIds.length || 1,
      active: true,
      basedOn: null,
    });
  const second = v7();
  await owner`
    insert into person (id, company_id, name, email, password_hash, role)
    values (${second}, ${o.companyId}, 'Second', ${`${second}@test.example`}, 'x', 'technician')`;
  expect(await crew(crewId, 'Shore crew', 'Mon–Fri 08:00–16:00', [o.personId])).toMatchObject({ ok: true });
  expect(await crew(other, 'Hill crew', 'Mon–Fri 08:00–16:00', [second])).toMatchObject({ ok: true });
  const [{ client } = { client: '' }] = await owner<
    { client: string }[]
  >`select client_id as client from site where id = ${o.siteId}`;
  for (const name of ['Harbour', 'Hilltop']) {
    const id = v7();
    places.push(id);
    await owner`
      insert into site (id, company_id, client_id, name, time_zone, area_m2)
      values (${id}, ${o.companyId}, ${client}, ${name}, 'Europe/London', 60000)`;
  }
});
const put = (itemIds: string[], more: object = {}) =>
  send(addToDay, { day: TODAY, crewId, itemIds, anyway: true, ...more });
const crewDayOfItem = async (crew = crewId, day = TODAY) =>
  (await crewDaysBetween(row.viewer, day, day)).find((r) => r.crewId === crew)!;
const itemsOf = async (crewDayId: string) => (await crewDayEntries(row.viewer, crewDayId)).map((e) => e.itemId);

describe('a round by hand', () => {
  let ids: string[];
  beforeAll(async () => {
    ids = [
      await row.planned('A1', 20, places[0]),
      await row.planned('B1', 30, places[1]),
      await row.planned('A2', 25, places[0]),
    ];
  });

  it('takes what waits in the order of its places, joined and split by hand', async () => {
    const first = await put([ids[0]!, ids[1]!]);
    expect(first).toMatchObject({ ok: true });
    expect(await put([ids[2]!])).toMatchObject({ ok: true });
    const { id } = await crewDayOfItem();
    // A place is gone to once: what is put to it stands with what is there.
    expect(await itemsOf(id)).toEqual([ids[0], ids[2], ids[1]]);
    const begins = (await crewDayEntries(row.viewer, id)).map((e) => e.begins);
    expect(begins[0]).toBeGreaterThanOrEqual(480);
    expect(begins[0]).toBe(begins[1]);
    expect(begins[2]).toBeGreaterThan(begins[1]!);
    expect(await put([ids[1]!], { crewId: other })).toMatchObject({ ok: false });
    expect(await put([ids[1]!], { day: '2026-06-02' })).toMatchObject({ ok: true });
    expect(await itemsOf(id)).toEqual([ids[0], ids[2]]);
    expect(await itemsOf((await crewDayOfItem(crewId, '2026-06-02')).id)).toEqual([ids[1]]);
    expect(await put([ids[1]!])).toMatchObject({ ok: true });
  });

  it('keeps to law and label, and says what else speaks against it', async () => {
    // The other crew has nobody with a licence for a drench.
    expect(sentences(await put([ids[0]!], { crewId: other })).join(' ')).toMatch(/Nobody in Hill crew holds/);
    expect(sentences(await put([v7()]))).toEqual([
      expect.stringMatching(/^itemIds: Something among them does not wait/),
    ]);
    expect(sentences(await put([ids[0]!], { day: '2026-07-30' }))[0]).toMatch(/^day: This day lies outside/);
    expect(sentences(await put([ids[0]!], { crewId: v7() }))[0]).toMatch(/^crewId: /);
    expect(sentences(await put([ids[0]!], { day: '2026-06-06' })).join(' ')).toMatch(/Shore crew does not go out/);
    const away = { id: v7(), personId: made.o.personId, from: '2026-06-03', to: '2026-06-03', why: 'a course' };
    await send(addAbsence, away);
    expect(sentences(await put([ids[0]!], { day: '2026-06-03' })).join(' ')).toMatch(/does not go out/);
    const theirs = (await loadViewer(await makeCompany(made.owner)))!;
    expect(await send(addToDay, { day: TODAY, crewId, itemIds: ids }, NOW, theirs)).toMatchObject({ ok: false });
    expect(
      sentences(
        await send(addToDay, { day: TODAY, crewId, itemIds: ids }, NOW, { ...row.viewer, role: 'technician' }),
      )[0],
    ).toMatch(/^: To plan rounds takes/);
  });

  it('is put in another order by anybody who goes, and by nobody who looks at an old one', async () => {
    const { id } = await crewDayOfItem();
    const technician = { ...row.viewer, role: 'technician' as const };
    expect(await send(orderStops, { crewDayId: id, siteIds: [places[1], places[0]] }, NOW, technician)).toMatchObject({
      ok: true,
    });
    expect(await itemsOf(id)).toEqual([ids[1], ids[0], ids[2]]);
    const begins = (await crewDayEntries(row.viewer, id)).map((e) => e.begins);
    expect(begins).toEqual([...begins].sort((a, b) => a - b));
    expect(sentences(await send(orderStops, { crewDayId: id, siteIds: [places[0]] }))[0]).toMatch(
      /^siteIds: The round has changed/,
    );
  });

  it('what is left keeps its reason with the tree, goes off the round, and a slip puts it back where it stood', async () => {
    const { id } = await crewDayOfItem();
    const left = { id: v7(), itemIds: [ids[0]!], why: 'refused' };
    expect(await send(markNotDone, left)).toMatchObject({ ok: true });
    expect(await send(markNotDone, left)).toMatchObject({ ok: true });
    expect(await itemsOf(id)).toEqual([ids[1], ids[2]]);
    expect(await leftOnCrewDay(row.viewer, id)).toMatchObject([
      { itemId: ids[0], why: 'refused', tag: 'A1', day: TODAY },
    ]);
    const plan = (await openPlans(row.viewer)).find((p) => p.id === ids[0])!;
    expect(plan.left).toEqual({ why: 'refused', words: '', day: TODAY, crewDayId: id });
    expect(await leftAtTree(row.viewer, plan.treeId)).toHaveLength(1);
    // Somebody else of the crew left it too, for a reason of his own: both stand on the round, and it is back when both are taken back.
    const again = { id: v7(), itemIds: left.itemIds, why: 'rain' };
    expect(await send(markNotDone, again)).toMatchObject({ ok: true });
    expect((await leftOnCrewDay(row.viewer, id)).map((l) => l.why).sort()).toEqual(['rain', 'refused']);
    expect(await send(reopenNotDone, { id: left.id })).toMatchObject({ ok: true });
    expect(await itemsOf(id)).toEqual([ids[1], ids[2]]);
    expect(await send(reopenNotDone, { id: again.id })).toMatchObject({ ok: true });
    expect(await itemsOf(id)).toEqual([ids[1], ids[0], ids[2]]);
    expect(await leftOnCrewDay(row.viewer, id)).toEqual([]);
    expect(await send(reopenNotDone, { id: left.id })).toMatchObject({ ok: false });
    expect(sentences(await send(markNotDone, { id: v7(), itemIds: [ids[0]], why: 'other' }))[0]).toMatch(/^words: /);
    expect(sentences(await send(markNotDone, { id: v7(), itemIds: [ids[0]], why: 'bored' }))[0]).toMatch(/^why: /);
    expect(sentences(await send(markNotDone, { id: v7(), itemIds: [v7()], why: 'rain' }))[0]).toMatch(/^itemIds: /);
  });

  it('lines of the load are ticked with the amount that they said, and unticked', async () => {
    const { id } = await crewDayOfItem();
    const tick = (line: string, amount: string, on: boolean) =>
      send(checkLoadItem, { crewDayId: id, ticks: [{ line, amount, on }] });
    await tick('Products: Training label 1', '48 mL', true);
    await tick('Always: Spill kit', '', true);
    await tick('Products: Training label 1', '59 mL', true);
    await tick('Always: Spill kit', '', false);
    expect([...(await ticksOf(row.viewer, id))]).toEqual([['Products: Training label 1', '59 mL']]);
    const theirs = (await loadViewer(await makeCompany(made.owner)))!;
    expect(
      await send(checkLoadItem, { crewDayId: id, ticks: [{ line: 'x', amount: '', on: true }] }, NOW, theirs),
    ).toMatchObject({ ok: false });
  });
});

describe('a day', () => {
  const close = (crewDayId: string, more: object = {}, home: object = {}) =>
    send(
      finishDay,
      {
        id: v7(),
        crewDayId,
        home: {
          homeAt: '2026-06-01T15:30:00Z',
          restMinutes: 30,
          toolsClean: true,
          bits: null,
          stockCounted: true,
          note: '',
          ...home,
        },
        tell: [],
        ...more,
      },
      new Date('2026-06-01T15:35:00Z'),
    );

  it('begins on its day, and from then on nobody plans it anew behind the crew’s back', async () => {
    const { id, items } = await crewDayOfItem();
    const tomorrow = await put([await row.planned('C1', 20, places[0])], { day: '2026-06-02' });
    const next = tomorrow.ok ? tomorrow.value.crewDayId : '';
    expect(sentences(await send(startDay, { crewDayId: next, at: '2026-06-01T07:00:00Z' }))[0]).toMatch(
      /This round is for/,
    );
    expect(sentences(await close(id))[0]).toMatch(/has not set out/);
    expect(await send(startDay, { crewDayId: id, at: '2026-06-01T07:00:00Z' })).toMatchObject({ ok: true });
    expect((await crewDayHead(row.viewer, id))!.begunBy).toBe('Tester');
    expect(sentences(await put([items[0]!.itemId], { day: '2026-06-02' }))[0]).toMatch(/A crew has set out/);
    // Planned anew from an older look at the fortnight: what the crew has with it stays with it.
    const ids = items.map((i) => i.itemId);
    const stop = (itemIds: string[]) => [{ siteId: places[0], itemIds }];
    expect(await send(saveSchedule, { rounds: [], left: ids })).toMatchObject({ ok: true });
    const tomorrows = { rounds: [{ day: '2026-06-02', crewId, stops: stop([ids[0]!]) }], left: [] };
    expect(await send(saveSchedule, tomorrows)).toMatchObject({ ok: true });
    const waits = await row.planned('D1', 20, places[0]);
    const added = { rounds: [{ day: TODAY, crewId, stops: stop([waits]) }], left: [] };
    expect(sentences(await send(saveSchedule, added))[0]).toMatch(/Shore crew has set out/);
    expect(await itemsOf(id)).toEqual(items.map((i) => i.itemId));
  });

  it('is closed only when everything has an end, and then stays as it was', async () => {
    const { id, items } = await crewDayOfItem();
    const drenches = items.map((i) => i.itemId);
    expect(sentences(await close(id))).toEqual(['open: 3 things are neither done nor left with a reason.']);
    await row.restock(300);
    const plans = await getPlans(row.viewer, drenches);
    const mix = await row.mixFor(drenches, { crewDayId: id, vessel: 'Tank' }, 1.5);
    const batchId = mix.id;
    expect(await send(makeBatch, mix)).toMatchObject({ ok: true });
    const done = plans.filter((p) => p.tag.startsWith('A')).map((p) => p.id);
    expect(await send(recordTreatments, row.sent(done, { batchIds: [batchId] }))).toMatchObject({ ok: true });
    const rest = drenches.filter((i) => !done.includes(i));
    expect(await send(markNotDone, { id: v7(), itemIds: rest, why: 'rain' })).toMatchObject({ ok: true });
    expect(sentences(await close(id))[0]).toMatch(
      new RegExp(`^batches.${batchId}: Say what became of the rest of mix`),
    );
    expect(
      await send(finishBatch, { id: v7(), batchId, how: 'handed in', mixMl: null, words: 'into the yard’s drum' }),
    ).toMatchObject({ ok: true });
    expect(sentences(await close(id, {}, { toolsClean: false }))[0]).toMatch(/^home.note: Say why/);
    expect(sentences(await close(id, {}, { homeAt: '2026-06-01T06:00:00Z' }))[0]).toMatch(/before it set out/);
    const message = { id: v7(), siteId: places[0], subject: 'What we did today', body: 'Two elms were drenched.' };
    expect(sentences(await close(id, { tell: [{ ...message, siteId: made.o.siteId }] }))[0]).toMatch(/^tell: /);
    // Rinse water counts as mix; an older phone, which says nothing of it, is heard all the same.
    expect(sentences(await close(id, {}, { rinse: null }))[0]).toMatch(/^home.rinse: Say where the rinse water went/);
    expect(sentences(await close(id, {}, { rinse: 'down the drain' }))[0]).toMatch(/^home.rinse: /);
    expect(sentences(await close(id, {}, { rinse: 'not rinsed yet' }))[0]).toMatch(/^home.note: .* is not rinsed/);
    expect(await closedDays(row.viewer, '2026-05-01')).toEqual([]);
    expect(await close(id, { tell: [message] }, { rinse: 'on labelled trees' })).toEqual({
      ok: true,
      value: { told: 1 },
    });
    expect(await messagesOfCrewDay(row.viewer, id)).toMatchObject([
      { id: message.id, siteName: 'Harbour', carriedAt: null },
    ]);
    expect(await messagesWaiting(row.viewer)).toHaveLength(1);
    expect(await crewDayHead(row.viewer, id)).toMatchObject({ closedBy: 'Tester', home: { restMinutes: 30 } });
    // What it took teaches how long such a day takes.
    const [taught] = await closedDays(row.viewer, '2026-05-01');
    expect(taught).toMatchObject({ home: { restMinutes: 30, rinse: 'on labelled trees' } });
    expect(taught!.pieces.map((p) => [p.siteId, p.method])).toEqual(done.map(() => [places[0], 'soil-drench']));
    expect(sentences(await close(id))[0]).toMatch(/closed already/);
    expect(
      sentences(await send(checkLoadItem, { crewDayId: id, ticks: [{ line: 'x', amount: '', on: true }] }))[0],
    ).toMatch(/closed/);
    expect(sentences(await put([rest[0]!]))[0]).toMatch(/This day of the crew is closed/);
    await expect(made.owner`update crew_day set begun_at = now() where id = ${id}`).rejects.toMatchObject({
      code: '23001',
    });
    // What was left waits, and goes onto another day with its reason.
    expect(await put(rest, { day: '2026-06-02' })).toMatchObject({ ok: true });
    expect((await openPlans(row.viewer)).find((p) => p.id === rest[0])!.left).toMatchObject({ why: 'rain' });
  });

  it('a look on a round is done or left like everything else', async () => {
    await send(addReminder, { id: v7(), treeId: made.o.treeId, on: '2026-06-02', what: 'Look at the stakes' });
    const [look] = await made.owner<{ id: string }[]>`
      select id from follow_up where tree_id = ${made.o.treeId} and what = 'Look at the stakes'`;
    const answer = await put([look!.id], { crewId: other, day: '2026-06-02' });
    expect(answer).toMatchObject({ ok: true });
    expect(await send(markNotDone, { id: v7(), itemIds: [look!.id], why: 'no way in' })).toMatchObject({ ok: true });
  });
});
