import type { Finding, TestResult } from '@/core/diagnose/knowledge';
import type { InspectionDetail } from '@/core/diagnose/inspection';
import type { PartOfTree, Vigour } from '@/core/diagnose/words';

/** What stands on a sign: not looked, absent, or a grade. */
export type Grade = '-' | '0' | '1' | '2' | '3' | '4';
export const GRADES: Grade[] = ['-', '0', '1', '2', '3', '4'];
export const SPOKEN: Record<Grade, string> = {
  '-': 'not looked',
  '0': 'absent',
  '1': 'a trace',
  '2': 'some',
  '3': 'much',
  '4': 'everywhere',
};
export const BEARINGS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'] as const;

export interface BenchSign {
  id: string;
  place: PartOfTree;
  words: string;
  worst: string;
  figure?: string;
  dig?: boolean;
  /** Leaf, flower or fruit that cannot be looked at in this month. */
  outOfSeason?: boolean;
  sector?: boolean;
  count?: string;
  /** How it stood at the last look. */
  last?: Grade;
}
/** The signs on their way to the browser: each place named once, and no name before what every sign has. */
export type SentSigns = [
  place: PartOfTree,
  signs: [id: string, words: string, worst: string, more?: Omit<BenchSign, 'place' | 'id' | 'words' | 'worst'>][],
][];
export const listed = (sent: SentSigns): BenchSign[] =>
  sent.flatMap(([place, signs]) => signs.map(([id, words, worst, more]) => ({ id, place, words, worst, ...more })));

interface More {
  /** Perhaps it is this sign, perhaps another; sure where nothing is said. */
  perhaps?: boolean;
  /** Seen last season, not today. */
  lastSeason?: boolean;
  bearing?: number;
  had?: string;
  of?: string;
}
export interface ExamineForm {
  key: (boolean | null)[];
  grades: Record<string, Grade>;
  more: Record<string, More>;
  tests: Record<string, string>;
  crownLoss: string;
  vigour: Vigour | null;
  soilMoisture: InspectionDetail['soilMoisture'];
  barkLoss: InspectionDetail['barkLoss'];
  anchors: InspectionDetail['anchors'];
  peopleBelow: boolean | null;
  targets: InspectionDetail['targets'];
  windFromDeg: number | null;
  check: InspectionDetail['check'];
  note: string;
  change: string;
  changePrice: string;
  alike: Record<string, Record<string, Grade>>;
}
export type Update = (change: Partial<ExamineForm> | ((f: ExamineForm) => ExamineForm)) => void;

export const toFinding = (sign: string, g: Grade): Finding =>
  g === '-'
    ? { sign, state: 'not looked' }
    : g === '0'
      ? { sign, state: 'absent' }
      : { sign, state: 'seen', grade: Number(g) };

/** A count that is half typed is left out; the sentence for one that is wrong comes from the server. */
const counted = (m: More | undefined) => {
  const [had, of] = [Number(m?.had), Number(m?.of)];
  return m?.had?.trim() && m.of?.trim() && Number.isInteger(had) && Number.isInteger(of)
    ? { counted: { had, of } }
    : {};
};
export const findingsOf = (f: Pick<ExamineForm, 'grades' | 'more'>): Finding[] =>
  Object.entries(f.grades)
    .filter(([, g]) => g !== '-')
    .map(([sign, g]) => {
      const m = f.more[sign];
      const seen = g !== '0';
      return {
        ...toFinding(sign, g),
        ...(seen && m?.perhaps ? { sure: 'perhaps' as const } : {}),
        ...(seen && m?.lastSeason ? { lastSeason: true as const } : {}),
        ...(seen && m?.bearing !== undefined ? { bearing: m.bearing } : {}),
        ...(seen ? counted(m) : {}),
      };
    });
export const testsOf = (f: Pick<ExamineForm, 'tests'>): TestResult[] =>
  Object.entries(f.tests).map(([test, outcome]) => ({ test, outcome }));

/** A record without one of its keys. */
export const without = <T>(record: Record<string, T>, key: string): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([k]) => k !== key));
