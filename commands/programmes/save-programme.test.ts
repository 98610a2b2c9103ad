import { v7 } from 'uuid';
import { saveDegreeDayModel } from '@/commands/schedule/save-degree-day-model';
import { doneBy, ownCompany } from '@/commands/testing';
import type { YearProgramme } from '@/core/programmes/schema';
import { programmes } from '@/knowledge';
import { loadViewer } from '@/store/auth';
import { assignedVisits, ownProgrammes } from '@/store/assignments';
import { makeCompany } from '@/store/testing';
import { programmesView } from '@/views/programmes';
import { perform } from '@/commands/command';
import { saveProgramme } from './save-programme';
import { assignProgramme } from './assign-programme';
import { overrideHolds } from './override-holds';
import { settleSkippedVisits } from './settle-skipped-visits';
import { maritime, plantOrchard } from './testing';

const made = ownCompany();
const guards = programmes.find((p) => p.key === 'winter-guards')!;
const ours: YearProgramme = { ...guards, key: 'own-our-guards', name: 'Our guards' };
const keep = (programme: unknown, more: object = {}, viewer = made.viewer) =>
  doneBy(saveProgramme, viewer, { id: v7(), programme, ...more });
const mine = async () => (await ownProgrammes(made.viewer)).map((p) => [p.programme.key, p.version, p.programme.name]);

it('a copy stands beside what ships; the same key again is its next version, and it can be laid no more', async () => {
  expect(await keep(ours)).toEqual({ ok: true, value: { key: 'own-our-guards' } });
  await keep({ ...ours, name: 'Our guards, higher' });
  expect(await mine()).toEqual([['own-our-guards', 2, 'Our guards, higher']]);
  const view = await programmesView(made.viewer, null);
  expect(view.shipped.map((p) => p.key)).toContain('winter-guards');
  expect(view.own.map((p) => p.programme.key)).toEqual(['own-our-guards']);
  await keep(ours, { retired: true });
  expect(await mine()).toEqual([]);
});

it.each([
  ['the key of one that ships', { key: 'winter-guards' }, 'programme.key'],
  ['the name of one that ships', { name: programmes[0]!.name }, 'programme.name'],
  ['no steps', { steps: [] }, 'programme.steps'],
  ['a host that nobody knows', { groups: ['palm-of-nowhere'] }, 'programme.groups'],
  ['a step without a name', { steps: [{ ...guards.steps[0]!, name: '' }] }, 'programme.steps.0.name'],
  [
    'a work that nobody knows',
    { steps: [{ ...guards.steps[0]!, act: { kind: 'work', work: 'dance', answers: {} } }] },
    'programme.steps.0.act',
  ],
  [
    'a trouble that nobody knows',
    { steps: [{ ...guards.steps[1]!, act: { kind: 'look', of: ['gremlins'], how: 'look at it' } }] },
    'programme.steps.0.act',
  ],
  [
    'a sum of heat that nobody knows',
    { steps: [{ ...guards.steps[1]!, when: { by: 'heat', model: 'dragon-hatch', days: 5 } }] },
    'programme.steps.0.when',
  ],
  [
    'days that are no number',
    { steps: [{ ...guards.steps[1]!, again: { days: [7, NaN, 14], most: 3 } }] },
    'programme.steps.0.again.days.1',
  ],
])('%s is told with its place, in a sentence, and nothing is kept', async (_, more, path) => {
  const before = await mine();
  const answer = await keep({ ...ours, key: 'own-wrong', ...more });
  expect(answer).toMatchObject({ ok: false });
  const issue = answer.ok ? null : answer.issues.find((f) => f.path === path);
  expect([path, issue?.message ?? JSON.stringify(answer)]).toEqual([path, expect.stringMatching(/^[A-Z“].*[.”]$/)]);
  expect(await mine()).toEqual(before);
});

it('a step may wait for a sum of heat of the company’s own, once there is one', async () => {
  const byHeat = {
    ...ours,
    key: 'own-by-heat',
    name: 'By our heat',
    steps: [{ ...guards.steps[1]!, when: { by: 'heat', model: 'own-harbour-midge-flies', days: 5 } }],
  };
  expect(await keep(byHeat)).toMatchObject({ ok: false, issues: [{ path: 'programme.steps.0.when' }] });
  const sum = {
    id: v7(),
    what: 'harbour midge flies',
    hosts: ['apple'],
    baseC: '8',
    ceilingC: '',
    method: 'average',
    sum: '120',
    from: '',
    basis: 'three springs of our own traps',
  };
  expect(await doneBy(saveDegreeDayModel, made.viewer, sum)).toMatchObject({ ok: true });
  expect(await keep(byHeat)).toMatchObject({ ok: true });
});

it('belongs to whoever may edit the guide, and to their company', async () => {
  expect(await keep(ours, {}, { ...made.viewer, role: 'technician' })).toMatchObject({ ok: false });
  await keep(ours);
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await ownProgrammes(theirs)).toEqual([]);
});

it('what was left out stays listed until somebody has dealt with it', async () => {
  const orchard = await plantOrchard(made, ['training-07-scab-cover'], { early: 1, late: 0 });
  const id = v7();
  const assignment = await perform(
    assignProgramme,
    { viewer: orchard.viewer, receivedAt: new Date('2026-11-26T10:00:00Z'), station: maritime },
    {
      id,
      programme: 'orchard-apple',
      siteId: orchard.siteId,
      treeIds: orchard.early,
      from: '2026-11-26',
      until: '2027-11-25',
      // Without a reason, what holds is left out.
      reason: '',
    },
  );
  expect(assignment).toMatchObject({ ok: true });
  const left = async () => (await programmesView(orchard.viewer, orchard.siteId)).assignment[0]!.left;
  const stopped = (await assignedVisits(orchard.viewer, id, null)).filter((v) => v.state === 'stopped');
  expect(stopped.map((v) => v.stop)).toEqual(
    expect.arrayContaining([
      expect.objectContaining({ why: 'holds', gates: [expect.objectContaining({ id: 'not-at-risk' })] }),
    ]),
  );
  expect(await left()).toBe(stopped.length);
  const settle = (settled: boolean, visitIds = stopped.map((v) => v.id)) =>
    doneBy(settleSkippedVisits, orchard.viewer, { visitIds, settled });
  expect(await settle(true)).toMatchObject({ ok: true });
  expect(await left()).toBe(0);
  await settle(false);
  expect(await left()).toBe(stopped.length);
  expect(await settle(true, [v7()])).toMatchObject({ ok: false });
  // A reason that is given later plans what was only held, and nothing that is forbidden.
  const release = (reason: string, viewer = orchard.viewer) =>
    perform(overrideHolds, { viewer, receivedAt: new Date('2026-11-27T10:00:00Z'), station: maritime }, { id, reason });
  expect(await release('no')).toMatchObject({ ok: false, issues: [{ path: 'reason' }] });
  expect(await release('Scab every year.', { ...orchard.viewer, role: 'technician' })).toMatchObject({ ok: false });
  expect(await release('Scab every year.')).toMatchObject({ ok: true });
  const after = await assignedVisits(orchard.viewer, id, null);
  expect(after.filter((v) => v.stop?.why === 'holds')).toEqual([]);
  expect(after.filter((v) => v.step === 'scab-cover' && v.state === 'planned').length).toBeGreaterThan(2);
});
