import type { Instant } from '../../lib/calendar/zone';
import type { LocalMonth } from '../../lib/calendar/months';
import type { LeafState } from '../season/leaf-state';
import type { Dose, DoseIssue } from '../dose/dose';
import type { Label, LabelUse } from '../label/schema';
import type { Ring } from '../ring/ring';
import type { UnitSystem } from '../../lib/units/units';
import { SAID, type FactKey, type Said } from './said';
import type { Region } from './region';
import { AIRBORNE, IN_SOIL } from '../label/methods';
import { localMonth } from '../../lib/calendar/hemisphere';
import type { SoilState } from '../weather/air';
import type { TreatmentContext } from './context';

export type Strength = 'stop' | 'hold' | 'note';

/** A rule in force: why something may not, or not yet, be done. */
export interface Gate {
  id: string;
  strength: Strength;
  /** `asked`: a fact nobody has given stands in the way. */
  state: 'tripped' | 'asked';
  title: string;
  sentence: string;
  source: string;
  /** The facts it was decided on, in words. */
  facts: string[];
  /** What would satisfy it. */
  satisfy: string;
  /** Settled on the day of the work alone: while a later day is planned it is a condition of the visit. */
  day?: true;
  /** The question that would settle it, when somebody at the tree can. */
  asks?: FactKey;
  /** Answers to choose from, where they come from the label. */
  answers?: readonly string[];
}

/**
 * What a check judges: all that is known of tree, site, company, day and season, with one use of one label, what was worked out
 * for it, and what the day at the tree is like.
 */
export interface Facts extends Omit<TreatmentContext, 'near'> {
  label: Label;
  use: LabelUse;
  severalStems: boolean;
  stemRuleChosen: boolean;
  soil: SoilState | null;
  leaf: LeafState | null;
  temperatureC: number | null;
  windMs: number | null;
  rainNext24Mm: number | null;
  /** Rain of the coming hours, mm an hour, the next hour first; null where only the day's sum is known. */
  rainByHour: readonly number[] | null;
  gustMs: number | null;
  humidity: number | null;
  /** What somebody at the tree has said. */
  said: Said;
  /** Nearest things on the map of the site, metres from the trunk. */
  near: { kind: string; name: string; metres: number }[];
  /** Whom the wind carries a spray to, by the map of the site. */
  driftsOver: string[];
  crownRadiusM: number | null;
  /** Passes a drench must be split into. */
  passes: number;
  /** Expected cost of keeping and of removing the tree, minor units. */
  costs: { keep: number; remove: number } | null;
  /** Prescribing, or at the tree with the product in hand. */
  phase: 'plan' | 'apply';
  /** The instant at the tree; null while it is only planned. */
  now: Instant | null;
  /** The vessel that the dose is poured from is not kept for pesticides alone. */
  vesselUnreserved: string | null;
  /** A site was moved by hand to where it may not be. */
  illegalSite: string | null;
  dose: Dose | DoseIssue | null;
  ring: Ring | null;
  labelChecked: string | null;
  /** Version of this label that stands on the shelf now; null where none does. */
  labelNewest: number | null;
  /** What is put in is the rest of a treatment of an earlier day. */
  rest?: { since: string; part: number };
  /** Height of the reading above soil, cm. */
  readingHeightCm: number | null;
  /** The units in which a check is told. */
  system: UnitSystem;
}

export type Check = (f: Facts) => Gate | null;

/** A rule of the house: what it is about, who sets it, and the check itself. */
export interface Rule {
  ids: readonly string[];
  strength: Strength | 'stop or hold' | 'hold or note';
  about: string;
  /** What it rests on changes from day to day: leaf, soil, air, people, what somebody wears. */
  day?: true;
  /** Where its facts come from. */
  facts: string;
  setBy: 'label' | 'region' | 'school' | 'knowledge' | 'practice';
  /** Whether this label or region brings it into force. */
  label?: (l: Label, u: LabelUse) => boolean;
  region?: (r: Region) => boolean;
  check: Check;
}

/** Puts a gate together; facts and state are left out where it rests on nothing more and has tripped. */
export const gate = ({
  facts = [],
  state = 'tripped',
  ...g
}: Omit<Gate, 'facts' | 'state' | 'asks' | 'answers'> & Partial<Pick<Gate, 'facts' | 'state'>>): Gate => ({
  ...g,
  facts,
  state,
});

/** A gate that stands until somebody has answered a question. */
export const asking = ({
  fact,
  answers = SAID[fact].answers,
  ...g
}: Pick<Gate, 'id' | 'strength' | 'title' | 'sentence' | 'source' | 'answers'> & { fact: FactKey }): Gate => ({
  ...gate({ ...g, satisfy: 'Look, and say.', state: 'asked' }),
  asks: fact,
  answers,
});

/** What goes through the air and may drift. */
export const flies = (f: Facts): boolean => AIRBORNE.includes(f.use.method);

/** Whether a label carries one of these actives. */
export const usesActive = (label: Pick<Label, 'actives'>, actives: readonly string[]): boolean =>
  label.actives.some((a) => actives.some((x) => x.toLowerCase() === a.name.toLowerCase()));
/** Actives that two applications share. */
export const sharesActive = (f: Facts, actives: readonly string[]) => usesActive(f.label, actives);
/** The label's months in the local year. */
export const labelMonths = (f: Facts): LocalMonth[] => f.use.months.map((m) => localMonth(m, f.south));

export const labelSource = (f: Facts, field: string) => `label ${f.label.name} v${f.label.version}, ${field}`;
export const hasFamily = (f: Facts, ...families: string[]) => f.label.actives.some((a) => families.includes(a.family));

export const isSoil = (u: LabelUse) => IN_SOIL.includes(u.method);
