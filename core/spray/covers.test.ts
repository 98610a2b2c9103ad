import { trainingLabels } from '@/knowledge';
import { coverOf, covers } from './covers';

const use = trainingLabels.flatMap((l) => l.uses).find(covers)!;
const sprayed = { doneOn: '2026-05-01', endedAt: '2026-05-01T09:00:00Z', use };
const hour = (at: string, rainMm: number) => ({ at, temperatureC: 12, humidity: 70, rainMm });

it('what is left of a cover is told only where the rain was measured', () => {
  expect(coverOf(sprayed, [], 'Europe/London')).toBeNull();
  const dry = coverOf(sprayed, [hour('2026-05-03T09:00:00Z', 0)], 'Europe/London');
  const wet = coverOf(sprayed, [hour('2026-05-03T09:00:00Z', 60)], 'Europe/London');
  expect(dry).not.toBeNull();
  expect(wet!.renewOn < dry!.renewOn).toBe(true);
});
