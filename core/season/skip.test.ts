import fc from 'fast-check';
import { dayAfter } from '../../lib/calendar/days';
import { nextAfterSkip } from './skip';

const yearly = {
  ruleId: 'again',
  due: '2026-05-10',
  earliest: '2026-05-01',
  latest: '2026-05-31',
  doneOn: '2025-05-10',
};

it('comes as long after its date as that came after the work, with the same span', () => {
  expect(nextAfterSkip(yearly, '2026-05-12')).toEqual({
    ruleId: 'again+1',
    due: '2027-05-10',
    earliest: '2027-05-01',
    latest: '2027-05-31',
  });
  // Left out once before, it still comes every year, and not every second one.
  expect(nextAfterSkip({ ...yearly, ruleId: 'again+1', doneOn: '2024-05-10' }, '2026-05-12')).toMatchObject({
    ruleId: 'again+2',
    due: '2027-05-10',
  });
});
it('a series that nobody kept goes on from now', () => {
  const weekly = {
    ruleId: 'cover',
    due: '2026-05-08',
    earliest: '2026-05-08',
    latest: '2026-05-10',
    doneOn: '2026-05-01',
  };
  expect(nextAfterSkip(weekly, '2026-06-03')).toMatchObject({ due: '2026-06-05', latest: '2026-06-07' });
});
it('nothing comes where nothing says how often', () => {
  expect(nextAfterSkip({ ...yearly, doneOn: null }, '2026-05-12')).toBeNull();
  expect(nextAfterSkip({ ...yearly, doneOn: yearly.due }, '2026-05-12')).toBeNull();
});
it('property: ahead, in order, and whole intervals away', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 1500 }),
      fc.integer({ min: 0, max: 60 }),
      fc.integer({ min: 0, max: 60 }),
      fc.integer({ min: -200, max: 2000 }),
      (every, before, behind, late) => {
        const doneOn = '2024-02-29';
        const due = dayAfter(doneOn, every, 'days');
        const today = dayAfter(due, late, 'days');
        const next = nextAfterSkip(
          { ruleId: 'x', due, doneOn, earliest: dayAfter(due, -before, 'days'), latest: dayAfter(due, behind, 'days') },
          today,
        )!;
        expect(next.due > today && next.due > due).toBe(true);
        expect(next.earliest > today).toBe(true);
        expect(next.latest >= next.due).toBe(true);
        const n = (Date.parse(next.due) - Date.parse(due)) / 864e5;
        expect(n % every).toBe(0);
      },
    ),
  );
});
