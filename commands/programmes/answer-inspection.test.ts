import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { ownCompany } from '@/commands/testing';
import { cancelPlan } from '@/commands/trees/cancel-plan';
import { saveInspection } from '@/commands/trees/save-inspection';
import { trainingLabels } from '@/knowledge';
import { loadViewer } from '@/store/auth';
import { assignedVisits, type VisitRow } from '@/store/assignments';
import { openPlans } from '@/store/plans';
import { makeCompany } from '@/store/testing';
import { answerInspection } from './answer-inspection';
import { causeIn } from './by-inspection';
import { assignProgramme } from './assign-programme';
import { carryOut, maritime, plantOrchard, type Orchard } from './testing';

const made = ownCompany();
const bacillus = trainingLabels.find((l) => l.key === 'training-18-bacillus')!;
let orchard: Orchard;
let assignmentId: string;
beforeAll(async () => {
  orchard = await plantOrchard(made, [bacillus.key], { early: 3, late: 0 }, 'pedunculate-oak');
  assignmentId = v7();
  const answer = await perform(
    assignProgramme,
    { viewer: orchard.viewer, receivedAt: new Date('2026-11-26T10:00:00Z'), station: maritime },
    {
      id: assignmentId,
      programme: 'caterpillars',
      siteId: orchard.siteId,
      treeIds: orchard.early,
      from: '2026-11-26',
      until: '2027-11-25',
      reason: 'Stripped bare last spring.',
    },
  );
  expect(answer).toMatchObject({ ok: true, value: { planned: 3 } });
});

const rows = async (tree: string) => {
  const all = await assignedVisits(orchard.viewer, assignmentId, [tree]);
  return (step: string): VisitRow => all.find((v) => v.step === step)!;
};
const say = (visitIds: string[], found: boolean | null, day: string, viewer = orchard.viewer) =>
  perform(
    answerInspection,
    { viewer, receivedAt: new Date(`${day}T10:00:00Z`), station: maritime },
    { visitIds, found },
  );

describe('caterpillars, again in a week or two only if they return', () => {
  it('nothing is sprayed before a look finds them; then it is planned, done, looked at, and again only on a yes', async () => {
    const [tree] = orchard.early as [string];
    let at = await rows(tree);
    expect(at('spray').stop).toBeNull();
    expect([at('hatch').state, at('spray').state, at('again').state]).toEqual(['planned', 'expected', 'expected']);
    expect((await openPlans(orchard.viewer)).filter((p) => p.treeId === tree)).toEqual([]);
    expect(await say([at('hatch').id], true, at('hatch').day)).toMatchObject({ ok: true });
    at = await rows(tree);
    expect(at('spray')).toMatchObject({ state: 'planned', labelKey: bacillus.key });
    const first = at('spray').day;
    const booked = await carryOut(made, orchard.viewer, at('spray').planId!, first);
    expect(booked.ok ? [] : booked.issues).toEqual([]);
    at = await rows(tree);
    // A week after what was done, and the second round waits for that look.
    expect((Date.parse(at('look-again').day) - Date.parse(first)) / 864e5).toBe(7);
    expect([at('look-again').state, at('again').state]).toEqual(['planned', 'expected']);
    await say([at('look-again').id], false, at('look-again').day);
    at = await rows(tree);
    expect(at('again')).toMatchObject({ state: 'off', planId: null });
    expect((await openPlans(orchard.viewer)).filter((p) => p.treeId === tree)).toEqual([]);
    // Said by mistake: taken back, it waits again; a yes plans it, at the label’s distance from the first.
    await say([at('look-again').id], null, at('look-again').day);
    expect((await rows(tree))('again').state).toBe('expected');
    await say([at('look-again').id], true, at('look-again').day);
    at = await rows(tree);
    expect(at('again').state).toBe('planned');
    const days = (Date.parse(at('again').day) - Date.parse(first)) / 864e5;
    expect(days).toBeGreaterThanOrEqual(bacillus.uses[0]!.intervals.minDays!);
    expect(days).toBeLessThanOrEqual(14);
  });

  it('a yes that is taken back drops what it planned', async () => {
    const tree = orchard.early[1]!;
    const { id, day } = (await rows(tree))('hatch');
    await say([id], true, day);
    expect((await rows(tree))('spray').state).toBe('planned');
    await say([id], null, day);
    const at = await rows(tree);
    expect([at('hatch').state, at('spray').state]).toEqual(['planned', 'expected']);
    expect((await openPlans(orchard.viewer)).filter((p) => p.treeId === tree)).toEqual([]);
  });

  it('what is dropped by hand stays off, whatever is settled after it', async () => {
    const tree = orchard.early[1]!;
    const { id, day } = (await rows(tree))('hatch');
    await say([id], true, day);
    const { planId } = (await rows(tree))('spray');
    await perform(
      cancelPlan,
      { viewer: orchard.viewer, receivedAt: new Date(`${day}T10:00:00Z`), station: maritime },
      { id: planId, drop: true },
    );
    await say([id], true, day);
    expect((await rows(tree))('spray').state).toBe('off');
  });

  it('a look at the tree settles it: the worst of its signs seen is a yes, looked for and absent a no', async () => {
    const tree = orchard.early[2]!;
    const hatch = (await rows(tree))('hatch');
    const inspectionAt = (sign: string, state: 'seen' | 'absent', grade?: number) =>
      perform(
        saveInspection,
        { viewer: orchard.viewer, receivedAt: new Date(`${hatch.day}T10:00:00Z`), station: maritime },
        {
          id: v7(),
          treeId: tree,
          crownLoss: '',
          vigour: null,
          hostKey: [],
          note: '',
          findings: [{ sign, state, ...(grade ? { grade } : {}) }],
          tests: [],
          detail: {},
          change: '',
          changePrice: '',
          alike: [],
        },
      );
    // What says nothing of caterpillars, or too little, leaves the question open.
    expect(await inspectionAt('sticky-below', 'absent')).toMatchObject({ ok: true });
    expect(await inspectionAt('holes-chewed', 'seen', 1)).toMatchObject({ ok: true });
    expect((await rows(tree))('hatch')).toMatchObject({ found: null, state: 'planned' });
    expect(await inspectionAt('caterpillars-live', 'seen', 3)).toMatchObject({ ok: true });
    const at = await rows(tree);
    expect(at('hatch')).toMatchObject({ found: true, state: 'done' });
    expect(at('spray').state).toBe('planned');
  });
  it.each([
    ['its own signs absent', ['caterpillars-live', 'holes-chewed'], 'absent', null, false],
    ['its own signs seen badly', ['caterpillars-live'], 'seen', 3, true],
    ['a trace of them', ['caterpillars-live'], 'seen', 1, null],
    ['what many troubles show', ['droppings-pepper'], 'seen', 4, null],
    ['nothing of it', ['honeydew'], 'absent', null, null],
  ] as const)('%s says so', (_, signs, state, grade, cause) => {
    const act = { kind: 'look' as const, of: ['winter-moth'], how: 'look' };
    expect(
      causeIn(
        act,
        signs.map((sign) => ({ sign, state, ...(grade ? { grade } : {}) })),
      ),
    ).toBe(cause);
  });
});

it.each([
  ['no look', [], 'visitIds'],
  ['one of nobody', [v7()], 'visitIds'],
])('%s is refused', async (_, ids, path) => {
  expect(await say(ids, true, '2027-04-01')).toMatchObject({ ok: false, issues: [{ path }] });
});
it('work is not answered, and another company’s looks are not there', async () => {
  const at = await rows(orchard.early[0]!);
  expect(await say([at('spray').id], true, '2027-05-01')).toMatchObject({ ok: false });
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await say([at('hatch').id], false, '2027-05-01', theirs)).toMatchObject({ ok: false });
});
