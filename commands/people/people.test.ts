import { v7 } from 'uuid';
import { doneBy, ownCompany, pathsOf } from '@/commands/testing';
import { floorOf, hashPassword, loadViewer, openSessions, signIn, type Viewer } from '@/store/auth';
import { money } from '@/core/cost/prices';
import { sendQuote } from '@/commands/trees/send-quote';
import { listPeople } from '@/store/people';
import { makeCompany } from '@/store/testing';
import { addPerson } from './add-person';
import { changePassword } from './change-password';
import { savePracticePolicies } from './save-practice-policies';
import { editPerson } from './edit-person';
import { endSession } from './end-session';
import { saveCompany } from './save-company';
import { savePrices } from './save-prices';
import { addCalendarAddress } from './add-calendar-address';
import { makeResetLink } from './make-reset-link';
import { savePreferences } from './save-preferences';

const made = ownCompany();
const now = async (who: { personId: string; companyId: string } = made.viewer): Promise<Viewer> =>
  (await loadViewer(who))!;
const PASSWORD = 'seven wet herons asleep';
const somebody = (more: object = {}) => ({
  id: v7(),
  name: 'Una Brack',
  email: `${v7()}@test.example`,
  role: 'technician',
  password: PASSWORD,
  ...more,
});

describe('somebody who joins', () => {
  it('signs in under one address; sent twice it is one person', async () => {
    const una = somebody();
    expect(await doneBy(addPerson, made.viewer, una)).toMatchObject({ ok: true });
    expect(await doneBy(addPerson, made.viewer, una)).toMatchObject({ ok: true });
    expect((await listPeople(made.viewer)).filter((p) => p.name === 'Una Brack')).toHaveLength(1);
    const other = somebody({ email: una.email.toUpperCase() });
    expect(pathsOf(await doneBy(addPerson, made.viewer, other))).toEqual(['email']);
  });
  it.each([
    ['no name', { name: ' ' }, 'name'],
    ['no address', { email: 'una at the quay' }, 'email'],
    ['a password of the name', { password: 'unabrackunabrack' }, 'password'],
    ['a role that is not there', { role: 'captain' }, 'role'],
  ])('with %s is refused beside its field', async (_, more, path) =>
    expect(pathsOf(await doneBy(addPerson, made.viewer, somebody(more)))).toEqual([path]),
  );
  it('is let in by nobody but who manages people', async () => {
    const una = somebody();
    await doneBy(addPerson, made.viewer, una);
    const hers = await now({ personId: una.id, companyId: made.viewer.companyId });
    expect(await doneBy(addPerson, hers, somebody())).toMatchObject({ ok: false });
    expect(await doneBy(editPerson, hers, { ...licensed(una.id), role: 'owner' })).toMatchObject({ ok: false });
    expect(await doneBy(savePrices, hers, PRICES)).toMatchObject({ ok: false });
  });
});

const licensed = (id: string, more: object = {}) => ({
  id,
  role: 'technician',
  licenceNumber: 'EST-204',
  licenceCategories: ' 3A , , 7B ',
  licenceExpires: '2027-03-31',
  active: true,
  basedOn: 1,
  ...more,
});
describe('what stands of a person', () => {
  it('is changed once; who changes an older state is told what stands now, and nothing is written', async () => {
    const una = somebody();
    await doneBy(addPerson, made.viewer, una);
    expect(await doneBy(editPerson, made.viewer, licensed(una.id))).toMatchObject({ ok: true });
    const stands = async () => (await listPeople(made.viewer)).find((p) => p.id === una.id)!;
    expect(await stands()).toMatchObject({ licenceNumber: 'EST-204', licenceCategories: ['3A', '7B'] });
    const late = await doneBy(editPerson, made.viewer, licensed(una.id, { licenceNumber: 'EST-999' }));
    expect(late).toMatchObject({ ok: false, issues: [{ path: 'version' }, { path: 'licenceNumber' }] });
    expect((late as { issues: { message: string }[] }).issues[1]!.message).toBe('The licence is now: EST-204.');
    expect(await stands()).toMatchObject({ licenceNumber: 'EST-204' });
  });
  it('needs a day for a licence, and an owner who can sign in', async () => {
    const me = made.viewer.personId;
    expect(pathsOf(await doneBy(editPerson, made.viewer, licensed(me, { licenceExpires: '' })))).toEqual([
      'licenceExpires',
    ]);
    expect(pathsOf(await doneBy(editPerson, made.viewer, licensed(me, { licenceExpires: '2027-02-30' })))).toEqual([
      'licenceExpires',
    ]);
    for (const more of [{ role: 'office' }, { role: 'owner', active: false }])
      expect(await doneBy(editPerson, made.viewer, licensed(me, more))).toMatchObject({
        ok: false,
        issues: [{ message: 'A company needs at least one owner who can sign in.' }],
      });
  });
  it('is nobody’s business in another company', async () => {
    const other = await makeCompany(made.owner);
    expect(await doneBy(editPerson, made.viewer, licensed(other.personId))).toMatchObject({ ok: false });
    expect(await doneBy(makeResetLink, made.viewer, { personId: other.personId })).toMatchObject({ ok: false });
  });
});

it('a password is changed by whoever knows the old one, and by nothing easy', async () => {
  const una = somebody();
  await doneBy(addPerson, made.viewer, una);
  const hers = await now({ personId: una.id, companyId: made.viewer.companyId });
  const to = (was: string, next: string) => doneBy(changePassword, hers, { was, next });
  expect(pathsOf(await to('not this one', 'nine dry herons awake'))).toEqual(['was']);
  expect(pathsOf(await to(PASSWORD, 'password1234'))).toEqual(['next']);
  expect(await to(PASSWORD, 'nine dry herons awake')).toMatchObject({ ok: true });
  expect(pathsOf(await to(PASSWORD, 'ten grey herons fishing'))).toEqual(['was']);
  expect((await hashPassword(PASSWORD)).startsWith('$argon2id$')).toBe(true);
});

it('a link for a lost password is made anew each time, and a calendar has one address', async () => {
  const link = async () => {
    const answer = await doneBy(makeResetLink, made.viewer, { personId: made.viewer.personId });
    return answer.ok ? answer.value.path : '';
  };
  const [first, second] = [await link(), await link()];
  expect(first).toMatch(/^\/reset\/.{20,}$/);
  expect(second).not.toBe(first);
  const calendar = await doneBy(addCalendarAddress, made.viewer, {});
  expect(calendar).toMatchObject({
    ok: true,
    value: { path: expect.stringMatching(/^\/api\/calendar\/.{20,}\.ics$/) },
  });
});

it('a person signs another device out, and nobody else’s', async () => {
  const una = somebody();
  await doneBy(addPerson, made.viewer, una);
  await made.owner`update person set password_hash = ${await hashPassword(PASSWORD)} where id = ${una.id}`;
  const hers = await now({ personId: una.id, companyId: made.viewer.companyId });
  const opened = await signIn(hers.email, PASSWORD, 'office', 'computer');
  const token = 'token' in opened ? opened.token : '';
  const [session] = await openSessions(hers, token);
  expect(await doneBy(endSession, made.viewer, { id: session!.id })).toMatchObject({ ok: false });
  expect(await doneBy(endSession, hers, { id: session!.id })).toMatchObject({ ok: true });
  expect(await floorOf(token, new Date())).toBeNull();
});

const PRICES = {
  currency: 'EUR',
  visit: '45',
  hour: '62,50',
  device: '3.2',
  removeAndReplant: '1800',
  discount: '4',
};
it('what nobody priced is told as no money, in no offer, and weighs against no tree', async () => {
  const other = await makeCompany(made.owner);
  await made.owner`update company set prices = '{}' where id = ${other.companyId}`;
  const viewer = (await loadViewer(other))!;
  expect(viewer.prices.unentered).toBe(true);
  expect(money(6500, viewer.prices)).toBe('no price entered');
  const offered = await doneBy(sendQuote, viewer, {
    id: v7(),
    treeId: other.treeId,
    keys: ['training-01-drench/drench'],
    message: '',
    days: '30',
  });
  expect(offered).toMatchObject({ ok: false, issues: [{ message: expect.stringMatching(/prices/) }] });
  expect(await doneBy(savePrices, viewer, PRICES)).toMatchObject({ ok: true });
  expect((await loadViewer(other))!.prices.unentered).toBeUndefined();
});

it('prices are kept in the money’s own small coin, and a field that cannot be read keeps all of them', async () => {
  expect(await doneBy(savePrices, made.viewer, PRICES)).toMatchObject({ ok: true });
  expect((await now()).prices).toMatchObject({ currency: 'EUR', visit: 4500, hour: 6250, device: 320, discount: 0.04 });
  // A money without small coins is counted whole.
  expect(await doneBy(savePrices, made.viewer, { ...PRICES, currency: 'JPY', visit: '4500' })).toMatchObject({
    ok: true,
  });
  expect((await now()).prices).toMatchObject({ currency: 'JPY', visit: 4500 });
  const bad = await doneBy(savePrices, made.viewer, { ...PRICES, hour: 'a lot', discount: '90' });
  expect(pathsOf(bad).sort()).toEqual(['discount', 'hour']);
  expect((await now()).prices.currency).toBe('JPY');
});

it('the company, its schools and one’s own preferences stand as they were chosen', async () => {
  const company = { name: 'Quay Trees', region: made.viewer.region, breastHeight: '54', unit: 'in', paper: 'Letter' };
  expect(await doneBy(saveCompany, made.viewer, company)).toMatchObject({ ok: true });
  expect(await now()).toMatchObject({ companyName: 'Quay Trees', breastHeightCm: 137.16, paper: 'Letter' });
  for (const [more, path] of [
    [{ breastHeight: '20' }, 'breastHeight'],
    [{ breastHeight: 'NaN' }, 'breastHeight'],
    [{ region: 'atlantis' }, 'region'],
    [{ name: '' }, 'name'],
  ] as const)
    expect(pathsOf(await doneBy(saveCompany, made.viewer, { ...company, ...more }))).toEqual([path]);
  const schools = {
    crownLoss: '30',
    programme: 'organic',
    stems: 'each',
    route: 'injection first',
    frequency: 'yearly, small',
    rootZone: '18',
    woundDressing: 'none',
    sticky: 'never',
    mesh: 'plastic',
  };
  expect(await doneBy(savePracticePolicies, made.viewer, schools)).toMatchObject({ ok: true });
  expect((await now()).schools).toMatchObject({ ...schools, crownLoss: 30 });
  expect(await doneBy(savePracticePolicies, made.viewer, { ...schools, mesh: 'silk' })).toMatchObject({ ok: false });
  expect(await doneBy(savePreferences, made.viewer, { units: 'us', theme: 'night' })).toMatchObject({ ok: true });
  expect(await now()).toMatchObject({ units: 'us', theme: 'night' });
});
