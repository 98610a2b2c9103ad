import type { Condition, Host } from '../diagnose/knowledge';
import type { Certainty, Decision, LeafState, Vigour } from '../diagnose/words';
import type { Dose, DoseFault } from '../dose/dose';
import type { Label, LabelUse } from '../label/schema';
import type { Doubt } from '../measure/plausible';
import type { Ring } from '../ring/ring';
import type { UnitSystem } from '../units/units';
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
  /** Names of the drivers behind the condition that the decision found alive. */
  liveDrivers?: string[];
  /** Products that a proper check found without effect on a condition of this tree. */
  withoutEffect?: { condition: string; labelKey: string }[];
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
  /** Other applications to this tree, newest last, by anyone. */
  earlier: { day: string; labelKey: string; actives: string[] }[];
  dose: Dose | DoseFault | null;
  ring: Ring | null;
  /** Who prescribes or applies. */
  licence: { number: string; categories: string[]; expires: string } | null;
  labelChecked: string | null;
  /** The first picking of an edible crop, if there is one. */
  harvest: string | null;
  region: Region;
  /** The units in which a gate is told; metric when nobody says. */
  system?: UnitSystem;
}

/** What a region adds to the label; never loosens it. */
export interface Region {
  name: string;
  soilSystemicForbiddenOn: string[];
  minWaterDistanceM: number;
  licenceNeeded: boolean;
  /** How present a condition is here: 0.03 absent, 0.3 rare, 2 spreading; 1 where nothing is said. */
  presence?: Readonly<Record<string, number>>;
}

export type Rule = (f: Facts) => Gate | null;

/** Puts a gate together; rules stay one sentence of code each. */
export const gate = (
  id: string,
  strength: Strength,
  title: string,
  sentence: string,
  source: string,
  facts: string[],
  satisfy: string,
  state: Gate['state'] = 'tripped',
): Gate => ({ id, strength, state, title, sentence, source, facts, satisfy });

export const isSoil = (u: LabelUse) => u.method === 'soil-drench' || u.method === 'soil-injection';
