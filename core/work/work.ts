import { localMonth, northernMonth } from '../../lib/calendar/hemisphere';
import type { Issue } from '../../lib/result';
import type { SoilTexture } from '../basin/basin';
import type { TreatmentOption } from '../diagnose/knowledge';
import type { Gate } from '../gates/gate';
import type { MainRoot, RootZoneSchool } from '../rootzone/zone';
import { monthName, monthOf, type NorthernMonth } from '../../lib/calendar/months';
import type { Life } from '../season/programme';
import type { FollowUpRule } from '../season/rules';
import type { LocalDate } from '../../lib/calendar/zone';
import type { Cm, UnitSystem } from '../../lib/units/units';
import { readNumber } from '../../lib/units/numbers';
import type { CustomWork } from './own-work-schema';

/** What a work without a label rests on: the tree, the day, the region's closed seasons and the schools of the company. */
export interface WorkFacts {
  on: LocalDate;
  system: UnitSystem;
  tag: string;
  host: { id: string; name: string; groups: string[]; growthCmPerYear: number; edible: boolean };
  diameterCm: Cm;
  heightM: number | null;
  crownWidthM: number | null;
  texture: SoilTexture;
  condition: {
    id: string;
    name: string;
    /** It travels on saws, and the authority has the first word. */
    noCut?: boolean;
    /** A disease that a cut can take out: such a cut is not held by a closed season where the region lets it pass. */
    disease?: boolean;
  } | null;
  /** South of the equator, where the months of a work come half a year later. */
  south: boolean;
  /** Oak wilt is about here: every fresh cut on oak is painted at once. */
  wiltRegion?: boolean;
  /** Main roots as last sounded. */
  mainRoots: readonly MainRoot[];
  /** Length and width of the ground on which this tree and its near neighbours stand, m; null without a plan. */
  group: { lengthM: number; widthM: number } | null;
  zoneSchool: RootZoneSchool;
  woundSchool: 'none' | 'wilt region' | 'always on oak';
  meshSchool: 'metal' | 'plastic';
  /** Works of the company's own, beside those that ship. */
  customWorks: readonly CustomWork[];
  /** Closed seasons for cutting, from the region profile. */
  closedSeasons: readonly { hosts: string[]; from: string; to: string; why: string; diseaseCuts?: boolean }[];
  region: string;
}

/** The month of the northern year in which the tree stands. */
export const northernMonthOf = (f: Pick<WorkFacts, 'on' | 'south'>): NorthernMonth =>
  northernMonth(monthOf(f.on), f.south);

/** A span of months of the northern year, in words for where the tree stands. @example monthsThere(f, 5, 8) // 'May to August' */
export function monthsThere(f: Pick<WorkFacts, 'south'>, from: NorthernMonth, to: NorthernMonth): string {
  const there = (m: NorthernMonth) => monthName(localMonth(m, f.south));
  return `${there(from)} to ${there(to)}`;
}

/** The facts as they may be expected on a day to come; a day that has passed is today. */
export function factsOn(facts: WorkFacts, day: LocalDate): WorkFacts {
  if (day <= facts.on) return facts;
  return { ...facts, on: day };
}

export type Answer = number | string | boolean;
export type Answers = Readonly<Record<string, Answer>>;

interface AskBase<A> {
  key: string;
  name: string;
  /** What stands in the field before anybody says otherwise. */
  usual: (f: WorkFacts) => A;
}
export type Ask =
  | (AskBase<number> & { kind: 'number'; unit: string; min: number; max: number; whole?: boolean })
  | (AskBase<string> & { kind: 'choice'; options: readonly string[] })
  /** A fact that must be answered before the work may be planned; null until somebody says. */
  | (AskBase<boolean> & { kind: 'yes' });

export interface Shown {
  name: string;
  value: string;
  unit: string;
}
export interface WorkSheet {
  /** The numbers that are cut, poured, hung or dug; the first is the largest thing on the sheet. */
  figures: Shown[];
  /** How each number came about. */
  sum: string[];
  /** What a crew does, in order. */
  steps: string[];
  /** What goes onto the truck. */
  take: {
    what: string;
    amount: string;
    /** Stands on the cutting list of the day, so that a load sheet names it there. */
    cut?: true;
  }[];
  /** A piece of mesh to be cut for it, cm. */
  cut?: { length: Cm; height: Cm };
  /** Trenches to be drawn on the plan of the grounds, m from the middle of the trunk. */
  trenches?: { count: number; startM: number; endM: number };
  gates: Gate[];
  minutes: number;
  followUps: FollowUpRule[];
}

/** A figure that a work goes by on every tree: the guide tells it, and the sheet is worked out with the same. */
export interface Measure {
  what: string;
  from: number;
  /** Where it is a span. */
  to?: number;
  unit: 'mm' | 'cm' | 'm' | '°C' | 'days' | 'weeks';
}

/** One method that needs no label: what it asks, and what it makes of the answers. */
export interface Work {
  id: string;
  name: string;
  /** The option of the knowledge base that it carries out. */
  method: TreatmentOption['method'];
  /** Names of conditions it is for, when the option alone does not tell. */
  when?: (f: Pick<WorkFacts, 'condition'>) => boolean;
  /** What it goes by against a condition, by its id. */
  goesBy?: (condition: string | null) => readonly Measure[];
  /** How long it lasts and how often it comes again, for what it costs over the years. */
  life: Life;
  asks: readonly Ask[];
  workOut: (f: WorkFacts, a: Answers) => WorkSheet;
}

/** Answers with the usual one where nothing was said. */
export const usualAnswers = (work: Work, f: WorkFacts): Record<string, Answer> =>
  Object.fromEntries(work.asks.map((ask) => [ask.key, ask.usual(f)]));

/**
 * Typed answers, checked against what the work asks.
 * @returns the fault of every field that cannot be read, by its key
 */
export function readAnswers(
  work: Work,
  facts: WorkFacts,
  typed: Readonly<Record<string, unknown>>,
): { ok: true; answers: Record<string, Answer> } | { ok: false; issues: Issue[] } {
  const issues: Issue[] = [];
  const answers: Record<string, Answer> = {};
  for (const ask of work.asks) {
    const given = typed[ask.key];
    if (given === undefined || given === '') {
      answers[ask.key] = ask.usual(facts);
      continue;
    }
    if (ask.kind === 'number') {
      const read = readNumber(String(given), {
        name: ask.name,
        min: ask.min,
        max: ask.max,
        unit: ask.unit,
        ...(ask.whole ? { whole: true } : {}),
      });
      if (read.ok) answers[ask.key] = read.value;
      else issues.push({ path: ask.key, message: read.sentence });
    } else if (ask.kind === 'choice') {
      if (ask.options.includes(String(given))) answers[ask.key] = String(given);
      else issues.push({ path: ask.key, message: `${ask.name}: choose one of ${ask.options.join(', ')}.` });
    } else answers[ask.key] = given === true || given === 'true';
  }
  return issues.length ? { ok: false, issues } : { ok: true, answers };
}

/** A number among the answers. */
export const num = (a: Answers, key: string): number => Number(a[key]);

export const rule = ({
  id,
  kind,
  what,
  count,
  unit,
  why,
  more = {},
}: {
  id: string;
  kind: FollowUpRule['kind'];
  what: string;
  count: number;
  unit: FollowUpRule['after']['unit'];
  why: string;
  more?: Partial<FollowUpRule>;
}): FollowUpRule => ({ id, kind, what, after: { count, unit }, why, ...more });
