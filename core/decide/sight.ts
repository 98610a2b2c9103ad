import type { Condition, Finding, TestResult } from '../diagnose/knowledge';
import { oftenOf } from '../diagnose/reading';
import { FLOOR_OF_INSPECTIONS, type PartOfTree, type Vigour } from '../diagnose/words';
import type { Base } from './base';

export type Seen = Pick<Finding, 'sign' | 'state' | 'grade' | 'counted' | 'sure' | 'lastSeason'>;

/** What is known of a tree beside the signs; null is not known. */
export interface Health {
  crownLoss: number | null;
  vigour: Vigour | null;
  barkLoss: number | null;
  roots: { decayed: number; doubtful: number; of: number } | null;
}
/** Crown loss that a sound tree may well have, %. */
export const USUAL_CROWN_LOSS = 25;
/** Share of the girth without bark that heals by itself. */
const USUAL_BARK_LOSS = 0.1;

/** What was looked at, what was seen, and what it means for people, before anything is named. */
export interface Sight {
  /** Anything at all was looked at or tested. */
  looked: boolean;
  /** Places of the floor of looks that nobody has looked at; and how the tree grows, where nobody said. */
  missing: ('collar' | 'trunk' | 'crown' | 'vigour')[];
  /** Signs of trouble that are there, today or last season; settings and health left out. */
  problem: Seen[];
  /** What speaks of ill health beside the signs, in words. */
  ailing: string[];
  /** What is a danger to whoever stands below, whatever the cause. */
  dangers: string[];
}

/** A sighting that counts: sure, or perhaps and more than a trace. */
export const counts = (f: Seen): boolean => f.state === 'seen' && (f.sure !== 'perhaps' || (f.grade ?? 1) >= 2);

export function sightOf(findings: readonly Seen[], tests: readonly TestResult[], h: Health, base: Base): Sight {
  const looked = findings.filter((f) => f.state !== 'not looked');
  const places = new Set<PartOfTree | undefined>(looked.map((f) => base.sign(f.sign)?.place));
  // Trunk and bark are one walk round the stem; a graded crown was looked at.
  if (places.has('bark')) places.add('trunk');
  if (h.crownLoss !== null) places.add('crown');
  if (tests.some((t) => t.test === 'dig-collar' || t.test === 'sound-roots' || t.test === 'sound-trunk'))
    places.add('collar');
  const missing: Sight['missing'] = FLOOR_OF_INSPECTIONS.filter((p) => !places.has(p));
  if (h.vigour === null) missing.push('vigour');
  const seen = findings.filter(counts);
  const ailing: string[] = [];
  if ((h.crownLoss ?? 0) > USUAL_CROWN_LOSS) ailing.push(`${h.crownLoss} % of the crown is lost`);
  if (h.vigour === 'poor' || h.vigour === 'failing') ailing.push(`vigour is ${h.vigour}`);
  if ((h.barkLoss ?? 0) > USUAL_BARK_LOSS)
    ailing.push(`${Math.round(h.barkLoss! * 100)} % of the girth has no living bark`);
  if (h.roots && h.roots.decayed + h.roots.doubtful > 0)
    ailing.push(`${h.roots.decayed + h.roots.doubtful} of ${h.roots.of} main roots are decayed or doubtful`);
  const dangers = [
    ...seen.flatMap((f) => base.sign(f.sign)?.danger ?? []),
    ...tests.flatMap((t) => base.test(t.test)?.outcomes.find((o) => o.id === t.outcome)?.danger ?? []),
  ];
  return {
    looked: looked.length > 0 || tests.length > 0,
    missing,
    problem: seen.filter((f) => base.sign(f.sign)?.setting === false),
    ailing,
    dangers: [...new Set(dangers)],
  };
}

/** Whether a condition is among the causes of a sign. */
export const makes = (c: Condition, sign: string): boolean => {
  const often = oftenOf(c, sign);
  return often !== undefined && often !== 'never';
};

/** Signs of trouble that none of these conditions makes. */
export const unexplained = (problem: readonly Seen[], by: readonly Condition[]): Seen[] =>
  problem.filter((f) => !by.some((c) => makes(c, f.sign)));
