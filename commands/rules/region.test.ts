import { doneBy, ownCompany } from '@/commands/testing';
import { regionFor } from '@/facts/region';
import { regions } from '@/knowledge';
import { loadViewer } from '@/store/auth';
import { saveRegion } from './save-region';
import { checkRegion } from './check-region';

const made = ownCompany();
const now = async () => (await loadViewer(made.viewer))!;
const FORM = {
  name: 'Estuary and hills',
  water: '15',
  boundary: '3',
  beeTrees: 'Lime, Maple',
  banned: 'testide: taken off the list in 2024',
  reserved: 'restricted one | 3A: only with the class',
  closed: 'oak, red-oak | 04-15 | 07-31: beetles fly\nelm | 05-01 | 08-01 | diseased wood too: by order',
  bannedUses: 'Foliar spray | lime: under car parks',
  presence: 'Oak wilt: spreading\nxylella: 0.1',
  reportable: 'Xylella\nOak wilt',
  licenceClasses: '3A, 7B',
  recordFields: 'wind, temperature',
  notifyMethods: ['foliar-spray'],
  notifyHours: '48',
  checkMonths: '12',
  recordYears: '3',
  licenceNeeded: true,
};
const keep = (more: object = {}) => doneBy(saveRegion, made.viewer, { ...FORM, ...more });

it('a profile is kept as it was typed, version after version, and holds for the company at once', async () => {
  expect(await keep()).toEqual({ ok: true, value: { version: 1 } });
  const r = regionFor(await now(), null);
  expect(r).toMatchObject({
    name: 'Estuary and hills',
    minWaterDistanceM: 15,
    soilSystemicForbiddenOn: ['lime', 'maple'],
    banned: [{ active: 'testide', why: 'taken off the list in 2024' }],
    reserved: [{ active: 'restricted one', category: '3A', why: 'only with the class' }],
    bannedUses: [{ method: 'foliar-spray', hosts: ['lime'], why: 'under car parks' }],
    reportable: ['xylella', 'oak-wilt'],
    notify: { methods: ['foliar-spray'], hours: 48 },
  });
  expect(r.presence).toMatchObject({ xylella: 0.1 });
  expect(r.presence['oak-wilt']).toBeGreaterThan(0.3);
  expect(r.closedSeasons.map((c) => [c.hosts, c.from, c.to, c.diseaseCuts])).toEqual([
    [['oak', 'red-oak'], '04-15', '07-31', true],
    [['elm'], '05-01', '08-01', false],
  ]);
  expect(await keep({ water: '20', notifyHours: '' })).toEqual({ ok: true, value: { version: 2 } });
  expect(regionFor(await now(), null)).toMatchObject({ minWaterDistanceM: 20, notify: null });
});

it.each([
  ['a distance in words', { water: 'far' }, 'water'],
  ['a distance below nothing', { boundary: '-3' }, 'boundary'],
  ['a ban without a reason', { banned: 'testide' }, 'banned'],
  ['a reserved active without its class', { reserved: 'testide: for some' }, 'reserved'],
  ['a closed season of no day', { closed: 'oak | 15.4. | 07-31: beetles' }, 'closed'],
  ['a closed season with a word too many', { closed: 'oak | 04-15 | 07-31 | maybe: beetles' }, 'closed'],
  ['a method that is not there', { bannedUses: 'Singing | lime: why not' }, 'bannedUses'],
  ['a presence of what nobody knows', { presence: 'Triffid: usual' }, 'presence'],
  ['a duty to report what nobody knows', { reportable: 'Xylella\nTriffid' }, 'reportable'],
  ['records kept for no time', { recordYears: '0' }, 'recordYears'],
])('%s is refused with its line, and the profile stays', async (_, more, path) => {
  const before = regionFor(await now(), null);
  const answer = await keep(more);
  expect(answer).toMatchObject({ ok: false });
  expect((answer as { issues: { path: string }[] }).issues.map((f) => f.path)).toContain(path);
  expect(regionFor(await now(), null)).toEqual(before);
});

it('every profile that ships says that nobody has compared it, until an owner signs; the others stay unsigned', async () => {
  for (const r of Object.values(regions)) expect(r.checked ?? null).toBeNull();
  const [own, other] = [made.viewer.region, Object.keys(regions).find((k) => k !== made.viewer.region)!];
  expect(await doneBy(checkRegion, await now(), {})).toMatchObject({ ok: false, issues: [{ path: 'against' }] });
  const against = 'Plant protection act of the district, 2026';
  expect(await doneBy(checkRegion, await now(), { against })).toMatchObject({ ok: true });
  expect(regionFor(await now(), own).checked).toEqual({ by: 'Tester', on: '2026-06-01', against });
  expect(regionFor(await now(), other).checked ?? null).toBeNull();
});
