import type { Tree } from '@/store/tree';
import { nextStep } from './next-step';

const TODAY = '2026-06-01';
const reading = (day: string) => ({ at: new Date(`${day}T09:00:00Z`) });
const tree = (of: object): Tree =>
  ({ id: 't', timeZone: 'Europe/London', readings: [], looks: [], savedDiagnoses: [], ...of }) as unknown as Tree;
const measured = { readings: [reading('2026-05-20')] };
const plan = (of: object) =>
  ({ labelName: 'Label 1', earliest: null, plannedFor: null, ...of }) as Tree['plans'][number];

it.each([
  ['nobody has measured it', tree({}), null, 'Measure', '/measure', /Nobody has put a tape/],
  [
    'its measurement is older than a month',
    tree({ readings: [reading('2026-05-01')] }),
    null,
    'Measure',
    '/measure',
    /1 May 2026/,
  ],
  ['nobody has inspected it', tree(measured), null, 'Inspect', '/inspect', /Nobody has looked/],
  ['nothing is named', tree({ ...measured, looks: [{}] }), null, 'Diagnose', '/diagnose', /nothing named/],
  [
    'a diagnosis is saved',
    tree({ ...measured, looks: [{}], savedDiagnoses: [{ decision: 'treat now' }] }),
    null,
    'Prescribe',
    '/prescribe',
    /treat now/,
  ],
  ['a plan may be carried out', tree(measured), plan({}), 'Start the sheet', '/treat', /Label 1/],
  [
    'a plan may be carried out from today',
    tree(measured),
    plan({ earliest: TODAY }),
    'Start the sheet',
    '/treat',
    /Label 1/,
  ],
  [
    'a plan waits for its window',
    tree(measured),
    plan({ earliest: '2026-06-02', plannedFor: '2026-06-09' }),
    'See the plan',
    '/prescribe',
    /9 Jun 2026/,
  ],
] as const)('the next act where %s', (_, of, planned, name, step, why) => {
  const next = nextStep(of, planned, TODAY);
  expect(next).toMatchObject({ name, href: `/trees/t${step}` });
  expect(next.why).toMatch(why);
});

it('an open plan goes before a missing measurement: the sheet asks for it', () =>
  expect(nextStep(tree({}), plan({}), TODAY).name).toBe('Start the sheet'));

it('a day of measurement is that of the place: late in the evening of 1 May is 2 May in Auckland', () => {
  const late = { readings: [{ at: new Date('2026-05-01T20:00:00Z') }], looks: [{}] };
  expect(nextStep(tree({ ...late, timeZone: 'Europe/London' }), null, TODAY).name).toBe('Measure');
  expect(nextStep(tree({ ...late, timeZone: 'Pacific/Auckland' }), null, TODAY).name).toBe('Diagnose');
});
