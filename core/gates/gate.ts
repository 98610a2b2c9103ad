import type { LocalMonth } from '../../lib/calendar/months';
import type { HostYear } from '../season/year';
import type { Schools } from '../decide/schools';
import type { Condition, Host } from '../diagnose/knowledge';
import type { Certainty, Decision, Vigour } from '../diagnose/words';
import type { LeafState } from '../season/leaf-state';
import type { Dose, DoseIssue } from '../dose/dose';
import type { Label, LabelUse } from '../label/schema';
import type { Doubt } from '../measure/plausible';
import type { Ring } from '../ring/ring';
import type { UnitSystem } from '../../lib/units/units';
import { SAID, type FactKey, type Said } from './said';
import type { Region } from './region';
import type { Method } from '../label/methods';
import { AIRBORNE, IN_SOIL } from '../label/methods';
import { localMonth } from '../../lib/calendar/hemisphere';
import type { SoilState } from '../weather/air';

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

/** Water a drench or a spray could reach, as somebody found it on the spot. */
export type WaterDistance = number | 'none within 100 m';

export interface Facts {
  today: string;
  label: Label;
  use: LabelUse;
  host: Host;
  hostConfirmed: boolean;
  condition: Condition | null;
  certainty: Certainty | null;
  decision: Decision | null;
  /** The school of the company on crown loss; it never loosens a label. */
  crownSchool: Schools['crownLoss'];
  /** Share of the girth without living bark, and main trunk in cm. */
  barkLoss: number | null;
  /** The condition is a state of risk here: a find near by, its own past. */
  atRisk: boolean;
  /** South of the equator: the months of a label are turned by half a year. */
  south: boolean;
  /** Names of the drivers behind the condition that the decision found alive. */
  liveDrivers: string[];
  /** Products that a proper check found without effect on a condition of this tree. */
  withoutEffect: { condition: string; labelKey: string }[];
  crownLoss: number | null;
  vigour: Vigour | null;
  reading: { day: string; doubts: Doubt[] } | null;
  severalStems: boolean;
  stemRuleChosen: boolean;
  soil: SoilState | null;
  leaf: LeafState | null;
  water: WaterDistance | null;
  temperatureC: number | null;
  windMs: number | null;
  rainNext24Mm: number | null;
  /** Rain of the coming hours, mm an hour, the next hour first; null where only the day's sum is known. */
  rainByHour: readonly number[] | null;
  gustMs: number | null;
  /** Other applications to this tree, newest last, by anyone. */
  earlier: Earlier[];
  /** Open plans for this tree, by other products. */
  alsoPlanned: AlsoPlanned[];
  /** What somebody at the tree has said. */
  said: Said;
  /** What the seasons bring to the host at its place. */
  year: HostYear;
  /** A look answered the host key with a "no". */
  hostContradicted: boolean;
  /** Worst grade of the condition's own signs, 0 to 4; null when nobody graded one. */
  severity: number | null;
  /** Nearest find of the condition, km; null when none is known. */
  findKm: number | null;
  /** Nearest things on the plan of the grounds, metres from the trunk. */
  near: { kind: string; name: string; metres: number }[];
  /** Whom the wind carries a spray to, by the plan of the grounds. */
  driftsOver: string[];
  crownRadiusM: number | null;
  heightM: number | null;
  /** Honeydew was found on it at the last look. */
  sticky: boolean;
  humidity: number | null;
  soilTexture: 'sandy' | 'loam' | 'clay';
  /** Passes a drench must be split into. */
  passes: number;
  /** Expected cost of keeping and of removing the tree, minor units. */
  costs: { keep: number; remove: number } | null;
  programme: 'conventional' | 'organic' | 'threshold';
  /** Prescribing, or at the tree with the product in hand. */
  phase: 'plan' | 'apply';
  /** The instant at the tree; null while it is only planned. */
  now: string | null;
  /** The vessel that the dose is poured from is not kept for pesticides alone. */
  vesselUnreserved: string | null;
  /** The person who applies holds a licence and may supervise. */
  supervised: boolean;
  /** A site was moved by hand to where it may not be. */
  illegalSite: string | null;
  dose: Dose | DoseIssue | null;
  ring: Ring | null;
  /** Who prescribes or applies. */
  licence: { number: string; categories: string[]; expires: string } | null;
  labelChecked: string | null;
  /** Version of this label that stands on the shelf now; null where none does. */
  labelNewest: number | null;
  /** What is put in is the rest of a treatment of an earlier day. */
  rest?: { since: string; part: number };
  /** The trees are a client's, and not those of the demo. */
  clientTrees: boolean;
  /** First and last picking of an edible crop on this tree; the last is null where nobody has said. */
  harvest: { from: string; to: string | null } | null;
  /** Height of the reading above soil, cm, and the girth at injection height where it was measured. */
  readingHeightCm: number | null;
  region: Region;
  /** The units in which a gate is told; metric when nobody says. */
  system: UnitSystem;
}

/** An earlier application to this tree, by anyone. */
export interface Earlier {
  day: string;
  labelKey: string;
  actives: string[];
  families?: string[];
  /** Resistance groups such as IRAC 4A. */
  groups?: string[];
  reEntryUntil?: string;
  /** What its label must not meet, by family or active, with the days. */
  notWith?: readonly { what: string; days: number }[];
  /** Put on by the client or by others. */
  byOthers?: boolean;
  /** Its record; none where others put it on. */
  rootId?: string;
  /** The plan that it carried out, where it was done and its record waits to be settled. */
  unsettledPlan?: string;
}

/** A product that is planned on this tree and not yet put on. */
export interface AlsoPlanned {
  /** The day it is planned for; today where it may be done at once. */
  on: string;
  /** A visit of a programme that is laid over the tree: another plan of its product does not take its place. */
  assignment: boolean;
  labelKey: string;
  labelName: string;
  method: Method;
  families: string[];
  actives: string[];
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
