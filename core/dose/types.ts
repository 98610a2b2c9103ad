import type { Issue } from '../../lib/result';
import type { Label, LabelUse } from '../label/schema';
import type { StemRule } from '../measure/trunk';
import type { Measured, Vessel } from './vessels';
import type { SiteCount } from '../ring/count';
import type { Cm, Grams, Ml, SquareM, UnitSystem } from '../../lib/units/units';

/** What is known about the tree and the job when a dose is worked out. */
export interface DoseInput {
  label: Label;
  useKey: string;
  /** Stem diameters, cm, at the height that the rate names. */
  diameters: Cm[];
  /** Chosen where the label leaves it open. */
  stemRule?: StemRule;
  /** Place in a rate range, 0 the low end, 1 the high end. */
  rangePoint?: number;
  rangeReason?: string;
  /** Girth at injection height, when it was measured there; else the stem's own. */
  girthAtInjection?: Cm;
  areaM2?: SquareM;
  holes?: number;
  sprayVolumeMl?: Ml;
  vessels: Vessel[];
  /** Already put on this tree in the label's own year, in product base units. */
  treeYearProduct?: number;
  /** Grams of each active put on this tree in that year, by any label and by anyone. */
  treeYearActive?: Record<string, Grams>;
  /** Already used in this application (the job) on other trees, in product base units. */
  applicationProduct?: number;
  /** Area of the site that a yearly cap counts, and grams of each active put on it this year, by anyone. */
  siteAreaM2?: SquareM;
  siteYearActive?: Record<string, Grams>;
  /** Part of the dose that is still to go in, where some of it is in the tree already; all of it where nothing is said. */
  part?: number;
  system?: UnitSystem;
}

export interface Step {
  what: string;
  sum: string;
  result: string;
  value: number;
  /** The label's own sentence, where a number came from it. */
  text?: string;
}

export interface Bound {
  limit: string;
  /** In product base units. */
  allows: number;
  bound: boolean;
  sentence: string;
  text: string;
}

export interface Dose {
  ok: true;
  dimension: 'volume' | 'mass';
  diameterCm: Cm;
  girthCm: Cm;
  stemRule: StemRule;
  /** Product for the tree: as computed, as limited, and as it will be measured out. */
  exact: number;
  limited: number;
  product: number;
  /** What is measured with a vessel: product or stock, for the tree or for one site. */
  pour: Measured & { what: 'product' | 'stock'; per: 'tree' | 'site' };
  stockMl: Ml | null;
  actives: { name: string; grams: Grams }[];
  carrier: { totalMl: Ml; waterMl: Ml; mm: number | null; text: string } | null;
  sites: SiteCount | null;
  perSite: { product: number; mixMl: Ml | null } | null;
  /** How often a device must be filled for its site; 1 where it holds enough or nothing is said. */
  fillsPerSite: number;
  /** The rate's own range in product base units, equal ends for a single value. */
  range: { low: number; high: number };
  bounds: Bound[];
  binding: Bound | null;
  steps: Step[];
  notes: string[];
}

export interface DoseIssue {
  ok: false;
  issues: Issue[];
}

/** There is no dose, with the place of the reason. */
export const noDose = (path: string, sentence: string): DoseIssue => ({
  ok: false,
  issues: [{ path, message: sentence }],
});
/** Whether a part of the sum could not be worked out. */
export const failed = <T extends object>(part: T | DoseIssue | null): part is DoseIssue =>
  part !== null && 'ok' in part && part.ok === false;

/** One label's use on one trunk, while its dose is worked out: every part of the sum writes its steps and notes here. */
export interface Job {
  input: DoseInput;
  label: Label;
  use: LabelUse;
  system: UnitSystem;
  /** Whether the product is measured by volume. */
  liquid: boolean;
  dimension: 'volume' | 'mass';
  diameter: Cm;
  girth: Cm;
  stemRule: StemRule;
  /** Product in a unit of stock solution; null where the label has none. */
  recipe: number | null;
  steps: Step[];
  notes: string[];
}
