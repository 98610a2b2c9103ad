import { DAY_MS } from '../../lib/calendar/days';
import { dayIn } from '../../lib/calendar/zone';
import type { Finding, TestResult } from './knowledge';
import type { InspectionDetail } from './inspection';
import type { Vigour } from './words';

/** One look as it is kept. */
export interface SavedInspection {
  id: string;
  at: Date;
  crownLoss: number | null;
  vigour: Vigour | null;
  findings: Finding[];
  tests: TestResult[];
  detail: Partial<InspectionDetail>;
}
/** All looks of the newest visit as one; what an earlier visit saw and nobody has looked at again stands apart. */
export interface Visit {
  at: Date;
  findings: Finding[];
  tests: TestResult[];
  detail: Partial<InspectionDetail>;
  crownLoss: number | null;
  vigour: Vigour | null;
  /** Signs seen on an earlier visit and not looked at again since. */
  earlier: Finding[];
}

/** Tests and their answers hold this long; a twig that was cut in spring says nothing about autumn. */
const TESTS_HOLD_DAYS = 120;

/**
 * The newest visit: looks of one day add to one another, the later word on a sign holds. A test of an earlier visit still
 * counts while it holds; a sign of an earlier visit does not, but is not forgotten.
 * @param looks newest first, withdrawn ones left out
 * @returns null where nobody has looked
 */
export function newestVisit(looks: readonly SavedInspection[], timeZone: string): Visit | null {
  const [newest] = looks;
  if (!newest) return null;
  const day = dayIn(newest.at, timeZone);
  const today = looks.filter((l) => dayIn(l.at, timeZone) === day);
  const before = looks.filter((l) => dayIn(l.at, timeZone) !== day);
  const findings = new Map<string, Finding>();
  for (const l of today)
    for (const f of l.findings) if (f.state !== 'not looked' && !findings.has(f.sign)) findings.set(f.sign, f);
  const earlier = new Map<string, Finding>();
  const settled = new Set(findings.keys());
  for (const l of before)
    for (const f of l.findings) {
      if (f.state === 'not looked' || settled.has(f.sign)) continue;
      settled.add(f.sign);
      if (f.state === 'seen') earlier.set(f.sign, f);
    }
  const tests = new Map<string, TestResult[]>();
  for (const l of looks) {
    if (newest.at.getTime() - l.at.getTime() >= TESTS_HOLD_DAYS * DAY_MS) continue;
    const own = l.tests.filter((t) => !tests.has(t.test));
    for (const t of own) tests.set(t.test, [...(tests.get(t.test) ?? []), t]);
  }
  const first = <T>(of: (l: SavedInspection) => T | null | undefined): T | null => {
    for (const l of looks) {
      const x = of(l);
      if (x !== null && x !== undefined) return x;
    }
    return null;
  };
  const detail = Object.assign({}, ...[...today].reverse().map((l) => filled(l.detail))) as Partial<InspectionDetail>;
  return {
    at: newest.at,
    findings: [...findings.values()],
    tests: [...tests.values()].flat(),
    detail,
    crownLoss: first((l) => l.crownLoss),
    vigour: first((l) => l.vigour),
    earlier: [...earlier.values()],
  };
}

/** What of a detail says anything: an empty list or a null of a later look does not take back what an earlier one drew. */
const filled = (d: Partial<InspectionDetail>): Partial<InspectionDetail> =>
  Object.fromEntries(
    Object.entries(d).filter(([, v]) => v !== null && v !== undefined && !(Array.isArray(v) && v.length === 0)),
  );
