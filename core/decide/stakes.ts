import type { Condition, TreatmentOption } from '../diagnose/knowledge';
import { CERTAINTIES, type Certainty } from '../diagnose/words';

/** One row of the table of stakes: what a mistake costs, and how sure one must be before it is done. */
export interface Stake {
  id: string;
  /** What is done, in words. */
  action: string;
  methods: readonly TreatmentOption['method'][];
  /** Smallest certainty on which it may rest. */
  needs: Certainty;
  /** Whether the certainty that a condition itself asks for a cure is asked here too. */
  raisedByCondition: boolean;
  /** What is lost when it was wrong. */
  mistake: string;
}

/**
 * How sure one must be, action by action. A condition is not sure or unsure as a whole: cutting out a strike waits for
 * nobody, an injection for the bark window, an antibiotic for the laboratory. Reporting and keeping people away need only
 * suspicion and stand first; they are duties, see duties.ts.
 */
export const STAKES: readonly Stake[] = [
  {
    id: 'gentle',
    action: 'Wash, jet, gather, band, guard, bag, mulch, keep tools clean',
    methods: ['wash', 'water jet', 'sanitation', 'band', 'guard', 'fence', 'bagging', 'mulch', 'hygiene', 'repellent'],
    needs: 'possible',
    raisedByCondition: false,
    mistake: 'An hour of work.',
  },
  {
    id: 'water',
    action: 'Water, once the soil is known to be dry',
    methods: ['watering'],
    needs: 'a guess',
    raisedByCondition: false,
    mistake: 'The drowned look thirsty too: only a look into the soil tells.',
  },
  {
    id: 'cut',
    action: 'Cut out a strike, a nest or dead wood',
    methods: ['pruning'],
    needs: 'possible',
    raisedByCondition: false,
    mistake: 'A limb; where a cut spreads the disease, much more: see “do not cut”.',
  },
  {
    id: 'ground',
    action: 'Free the collar, drain, sever roots, release helpers',
    methods: ['excavation', 'drainage', 'root barrier', 'release'],
    needs: 'possible',
    raisedByCondition: false,
    mistake: 'Work and some roots.',
  },
  {
    id: 'contact',
    action: 'Spray, dust or bait',
    methods: ['foliar spray', 'dormant spray', 'dust', 'bait'],
    needs: 'likely',
    raisedByCondition: false,
    mistake: 'Helpers killed, a season lost, resistance bred.',
  },
  {
    id: 'feed',
    action: 'Feed',
    methods: ['feeding'],
    needs: 'likely',
    raisedByCondition: false,
    mistake: 'Soft growth, salt, run-off.',
  },
  {
    id: 'systemic',
    action: 'Drench, probe in, or spray bark with what goes in',
    methods: ['soil drench', 'soil injection', 'bark spray'],
    needs: 'likely',
    raisedByCondition: true,
    mistake: 'Residues for years, the true cause feeding on.',
  },
  {
    id: 'injection',
    action: 'Inject or infuse',
    methods: ['trunk injection', 'infusion'],
    needs: 'near certain',
    raisedByCondition: true,
    mistake: 'Holes that stay, a season lost, the true cause feeding on.',
  },
  {
    id: 'final',
    action: 'Fell, or replant with another kind',
    methods: ['removal', 'replanting'],
    needs: 'near certain',
    raisedByCondition: true,
    mistake: 'The tree.',
  },
];
/** An antibiotic of any kind. */
export const ANTIBIOTIC_NEEDS: Certainty = 'confirmed by test';

/** Actions whose certainty may be lent by every candidate that asks for the same: it does not matter which caterpillar it is. */
export const shared = (method: TreatmentOption['method']): boolean => !stakeOf(method).raisedByCondition;

export const atLeast = (have: Certainty, need: Certainty): boolean =>
  CERTAINTIES.indexOf(have) >= CERTAINTIES.indexOf(need);
const higher = (a: Certainty, b: Certainty): Certainty => (atLeast(a, b) ? a : b);

export const stakeOf = (method: TreatmentOption['method']): Stake => STAKES.find((s) => s.methods.includes(method))!;

/**
 * How sure one must be of a condition before one of its methods is used on it. What protects the sound rests on the state of
 * being at risk instead, and asks nothing here.
 */
export function needsOf(
  o: Pick<TreatmentOption, 'method' | 'use' | 'antibiotic'>,
  c: Pick<Condition, 'curativeNeeds'>,
): Certainty {
  if (o.antibiotic) return ANTIBIOTIC_NEEDS;
  const s = stakeOf(o.method);
  return s.raisedByCondition && o.use === 'cure' ? higher(s.needs, c.curativeNeeds) : s.needs;
}
