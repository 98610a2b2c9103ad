import type { Finding } from './knowledge';
import { newestVisit, type SavedInspection } from './visit';

const look = (at: string, more: Partial<SavedInspection>): SavedInspection => ({
  id: at,
  at: new Date(at),
  crownLoss: null,
  vigour: null,
  findings: [],
  tests: [],
  detail: {},
  ...more,
});
const seen = (sign: string, grade = 2): Finding => ({ sign, state: 'seen', grade });

it('a later look adds to the earlier one of the same visit, and the later word on a sign holds', () => {
  const v = newestVisit(
    [
      look('2026-06-03T11:00:00Z', { findings: [seen('white-fans', 3), { sign: 'crown-thin', state: 'absent' }] }),
      look('2026-06-03T09:00:00Z', {
        findings: [seen('crown-thin'), seen('base-brackets')],
        crownLoss: 30,
        vigour: 'poor',
        detail: { barkLoss: [{ from: 0, to: 90, kind: 'bare' }] },
      }),
      look('2026-04-01T09:00:00Z', { findings: [seen('bleeding'), seen('base-brackets')] }),
    ],
    'Europe/London',
  )!;
  expect(v.findings.map((f) => [f.sign, f.state])).toEqual([
    ['white-fans', 'seen'],
    ['crown-thin', 'absent'],
    ['base-brackets', 'seen'],
  ]);
  expect([v.crownLoss, v.vigour, v.detail.barkLoss?.length]).toEqual([30, 'poor', 1]);
  // What was seen in April and not looked at again is not forgotten, and is no evidence of today.
  expect(v.earlier.map((f) => f.sign)).toEqual(['bleeding']);
});

it('tests hold for a season, and the newest word on one counts', () => {
  const v = newestVisit(
    [
      look('2026-08-01T09:00:00Z', { tests: [{ test: 'soil-probe', outcome: 'dry' }] }),
      look('2026-06-01T09:00:00Z', {
        tests: [
          { test: 'soil-probe', outcome: 'wet-sour' },
          { test: 'lab-wilt', outcome: 'none' },
        ],
      }),
      look('2026-01-01T09:00:00Z', { tests: [{ test: 'dig-collar', outcome: 'buried' }] }),
    ],
    'Europe/London',
  )!;
  expect(v.tests).toEqual([
    { test: 'soil-probe', outcome: 'dry' },
    { test: 'lab-wilt', outcome: 'none' },
  ]);
  expect(newestVisit([], 'Europe/London')).toBeNull();
});
