import type { SoilTexture } from '../basin/basin';
import { dose, type Dose, type DoseFault } from '../dose/dose';
import type { Condition, Host } from '../diagnose/knowledge';
import type { Certainty, Decision, LeafState, Vigour } from '../diagnose/words';
import type { Facts, Gate, Region, WaterDistance } from '../gates/gate';
import { blocked, gatesInForce } from '../gates/rules';
import type { Label, LabelUse } from '../label/schema';
import type { Doubt } from '../measure/plausible';
import type { StemRule } from '../measure/trunk';
import type { Vessel } from '../mix/vessels';
import { placeRing, type Arc, type OldSite, type Ring } from '../ring/ring';
import type { Day } from '../season/follow-ups';
import type { Cm, Grams, SquareM, UnitSystem } from '../units/units';
import type { SoilState } from '../weather/air';

/** All that is known about a tree, its place and the people when something is prescribed for it. */
export interface Situation {
  today: Day;
  host: Host;
  hostConfirmed: boolean;
  condition: Condition | null;
  certainty: Certainty | null;
  decision: Decision | null;
  liveDrivers?: Facts['liveDrivers'];
  withoutEffect?: Facts['withoutEffect'];
  crownLoss: number | null;
  vigour: Vigour | null;
  reading: { day: Day; diameters: Cm[]; heightCm: Cm; doubts: Doubt[]; arcs: Arc[] } | null;
  /** Earlier applications to this tree, newest last. */
  earlier: Facts['earlier'];
  /** Product (mL or g) put on this tree this year, by label key. */
  treeYearProduct: Record<string, number>;
  siteAreaM2: SquareM | null;
  /** Grams of each active put on the whole place this year. */
  siteYearActive: Record<string, Grams>;
  water: WaterDistance | null;
  harvest: Day | null;
  soilTexture: SoilTexture;
  oldSites: OldSite[];
  vessels: Vessel[];
  region: Region;
  licence: Facts['licence'];
  /** Day of the last check against the label in hand, by label key. */
  checked: Record<string, Day | null>;
}

/** What the person at the bench can set. */
export interface Choices {
  soil: SoilState | null;
  leaf: LeafState | null;
  temperatureC: number | null;
  windMs: number | null;
  rainNext24Mm: number | null;
  stemRule?: StemRule;
  /** Place in a rate range: 0 low end, 1 high end. */
  rangePoint?: number;
  rangeReason?: string;
  system?: UnitSystem;
}

export interface Prescription {
  dose: Dose | DoseFault;
  ring: Ring | null;
  gates: Gate[];
}

/**
 * One label's use on one tree: the dose, where to drill, and every gate in force.
 * The browser runs it for the instant answer; the server runs it again before anything is written.
 */
export function prescribe(s: Situation, label: Label, use: LabelUse, c: Choices): Prescription {
  return workOut(s, label, use, c, true);
}

function workOut(s: Situation, label: Label, use: LabelUse, c: Choices, withRing: boolean): Prescription {
  const worked = dose({
    label,
    useKey: use.key,
    diameters: s.reading?.diameters ?? [],
    stemRule: c.stemRule,
    rangePoint: c.rangePoint,
    rangeReason: c.rangeReason,
    vessels: s.vessels,
    treeYearProduct: s.treeYearProduct[label.key] ?? 0,
    siteAreaM2: s.siteAreaM2 ?? undefined,
    siteYearActive: s.siteYearActive,
    system: c.system,
  });
  const ring =
    withRing && worked.ok && worked.sites && use.sites
      ? placeRing({
          girthCm: worked.girthCm,
          count: worked.sites.count,
          heightCm: use.sites.heightCm,
          year: Number(s.today.slice(0, 4)),
          minSpacingCm: use.sites.minSpacingCm,
          arcClearanceCm: use.sites.oldSiteClearanceCm,
          oldSiteClearanceCm: use.sites.oldSiteClearanceCm,
          oldSiteVerticalCm: use.sites.oldSiteVerticalCm,
          oldSiteYears: use.sites.oldSiteYears,
          arcs: s.reading?.arcs ?? [],
          oldSites: s.oldSites,
        })
      : null;
  const gates = gatesInForce({
    ...s,
    ...c,
    label,
    use,
    severalStems: (s.reading?.diameters.length ?? 0) > 1,
    stemRuleChosen: c.stemRule !== undefined,
    dose: worked,
    ring,
    labelChecked: s.checked[label.key] ?? null,
  });
  return { dose: worked, ring, gates };
}

export interface Option {
  label: Label;
  use: LabelUse;
  stops: number;
  holds: number;
}

/** Every use on the shelf that can be worked out here, the freest first; what a label never allows on this host is left to the end. */
export function options(s: Situation, labels: readonly Label[], c: Choices): Option[] {
  const offered = labels.flatMap((label) =>
    label.uses
      .filter((u) => u.method === 'soil-drench' || u.method === 'trunk-injection')
      .map((use) => {
        // Whether the sites fit is looked at once a use is chosen; here it would cost a ring for every product.
        const { gates } = workOut(s, label, use, c, false);
        return {
          label,
          use,
          stops: gates.filter((g) => g.strength === 'stop').length,
          holds: blocked(gates, {}).length,
        };
      }),
  );
  return offered.sort((a, b) => a.stops - b.stops || a.holds - b.holds || a.label.key.localeCompare(b.label.key));
}
