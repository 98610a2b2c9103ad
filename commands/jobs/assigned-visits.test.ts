import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { assignOver } from '@/facts/assigning';
import { fortnightOf } from '@/facts/fortnight';
import { assignProgramme } from '@/commands/programmes/assign-programme';
import { maritime, plantOrchard, type Orchard } from '@/commands/programmes/testing';
import { ownCompany } from '@/commands/testing';
import { WEEKDAYS, weekdayOf } from '@/core/schedule/hours';
import { solving } from '@/core/schedule/solve';
import { dayAfter, daysBetween } from '@/lib/calendar/days';
import { trainingLabels } from '@/knowledge';
import { together } from '@/store/db';
import { getAssignment, assignedVisits } from '@/store/assignments';
import { plannedBetween } from '@/store/plans';
import { saveCrew } from './save-crew';
import { saveSchedule } from './save-schedule';

const made = ownCompany();
const cover = trainingLabels.find((l) => l.key === 'training-07-scab-cover')!;
let orchard: Orchard;
const assignmentId = v7();
beforeAll(async () => {
  orchard = await plantOrchard(made, [cover.key], { early: 2, late: 2 });
  const assignment = await perform(
    assignProgramme,
    { viewer: orchard.viewer, receivedAt: new Date('2026-11-26T10:00:00Z'), station: maritime },
    {
      id: assignmentId,
      programme: 'orchard-apple',
      siteId: orchard.siteId,
      treeIds: [...orchard.early, ...orchard.late],
      from: '2026-11-26',
      until: '2027-11-25',
      reason: 'Scab here every year.',
    },
  );
  expect(assignment).toMatchObject({ ok: true });
});
const covers = async () =>
  (await assignedVisits(orchard.viewer, assignmentId, null)).filter(
    (v) => v.labelKey === cover.key && v.state === 'planned',
  );

it('an orchard’s covers go into rounds on days that its span, its interval and the crew leave; plan, programme and calendar follow', async () => {
  const first = (await covers())[0]!;
  // Three days before the first cover; the crew works on two days of the week, neither of them that of the cover.
  const now = new Date(`${dayAfter(first.day, -3, 'days')}T08:00:00Z`);
  const at = { viewer: orchard.viewer, receivedAt: now, station: maritime };
  const weekday = weekdayOf(first.day);
  const crew = await perform(saveCrew, at, {
    id: v7(),
    name: 'Orchard crew',
    personIds: [made.o.personId],
    hours: `${WEEKDAYS[weekday % 7]}, ${WEEKDAYS[(weekday + 3) % 7]} 06:00–18:00`,
    yard: '50.31, −4.1',
    least: 1,
    active: true,
    basedOn: null,
  });
  expect(crew).toMatchObject({ ok: true });
  const fortnight = await together(orchard.viewer, () => fortnightOf(orchard.viewer, maritime, now));
  const sprays = fortnight.problem.jobs.filter((j) => j.kit === 'spray');
  expect(sprays.length).toBeGreaterThan(0);
  expect(sprays.every((j) => j.licensed && j.chances !== null && j.reEntryHours > 0)).toBe(true);
  const search = solving(fortnight.problem);
  for (let i = 0; i < 150; i++) search.step(i / 150);
  const { rounds } = search.answer();
  const kept = await perform(saveSchedule, at, {
    rounds: rounds.map(({ day, crewId, stops }) => ({
      day,
      crewId,
      stops: stops.map(({ siteId, jobIds }) => ({
        siteId,
        itemIds: jobIds.flatMap((id) => fortnight.problem.jobs.find((j) => j.id === id)!.items.map((i) => i.id)),
      })),
    })),
    locked: [],
  });
  expect(kept.ok ? [] : kept.issues).toEqual([]);

  const placed = new Map(
    rounds.flatMap((r) =>
      r.stops.flatMap((s) =>
        s.jobIds.flatMap((id) =>
          fortnight.problem.jobs.find((j) => j.id === id)!.items.map((i) => [i.id, r.day] as const),
        ),
      ),
    ),
  );
  const visits = (await covers()).filter((v) => placed.has(v.planId!));
  expect(visits.length).toBeGreaterThan(0);
  for (const v of visits) {
    expect([(weekday % 7) + 1, ((weekday + 3) % 7) + 1]).toContain(weekdayOf(v.day));
    expect(v.day).toBe(placed.get(v.planId!));
    // Never sooner than its label and its interval had let it stand.
    expect(v.day >= first.day).toBe(true);
  }
  const moved = visits.filter((v) => v.moves.length > 0);
  expect(moved.length).toBeGreaterThan(0);
  // The calendar learns of each move.
  const calendar = await plannedBetween(orchard.viewer, '2027-01-01', '2027-12-31');
  for (const v of moved)
    expect(calendar.find((c) => c.id === v.planId)).toMatchObject({ plannedFor: v.day, moves: v.moves.length });

  // Of one tree, no two covers stand nearer than the label lets them, in these days and after them.
  const all = await covers();
  for (const treeId of [...orchard.early, ...orchard.late]) {
    const days = all
      .filter((v) => v.treeId === treeId)
      .map((v) => v.day)
      .sort();
    days
      .slice(1)
      .forEach((d, i) => expect(daysBetween(days[i]!, d)).toBeGreaterThanOrEqual(cover.uses[0]!.intervals.minDays!));
  }
  // Laid again, what the round has set stays where it is.
  const assignment = (await getAssignment(orchard.viewer, assignmentId))!;
  const again = await together(orchard.viewer, () =>
    assignOver({
      viewer: orchard.viewer,
      stationFor: maritime,
      now,
      assigning: assignment,
      assignmentId,
      treeIds: orchard.early,
    }),
  );
  const changed = again.trees.flatMap((t) => t.changes).filter((c) => visits.some((v) => v.id === c.was?.id));
  expect(changed).toEqual([]);
});
