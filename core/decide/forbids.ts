import type { TreatmentOption } from '../diagnose/knowledge';
import type { Duty } from './duties';

/** Kinds of act that a duty may forbid. */
export type ActKind = 'dig' | 'cut' | 'burn' | 'move';

/** What each duty forbids until whoever is to be told has answered. */
const FORBIDS: Partial<Record<Duty['id'], readonly ActKind[]>> = {
  gas: ['dig', 'burn'],
  'no-cut': ['cut', 'move'],
  report: ['move'],
};

/** What a method needs done. */
const NEEDS: Partial<Record<TreatmentOption['method'], ActKind>> = {
  excavation: 'dig',
  drainage: 'dig',
  'root barrier': 'dig',
  'soil injection': 'dig',
  'soil drench': 'dig',
  feeding: 'dig',
  replanting: 'dig',
  pruning: 'cut',
  removal: 'cut',
};
/** Looks and tests that open the ground, or the wood. */
const TEST_NEEDS: Readonly<Record<string, ActKind>> = {
  'dig-collar': 'dig',
  'soil-probe': 'dig',
  'pull-roots': 'dig',
  percolation: 'dig',
  'soil-ph': 'dig',
  'salt-kit': 'dig',
  'lift-litter': 'dig',
};

/** Kinds of act that the words of a way name, whatever its method. */
const WORDS: readonly (readonly [ActKind, RegExp])[] = [
  ['burn', /\bburn(t|ed|ing)?\b/i],
  // Wood and leaves that leave the place where they lie; what is burnt, barked or covered there stays.
  ['move', /\b(chip(ped)?|compost|haul(ed)?|cart(ed)?|carry|carried|taken? (it |them )?(away|off))\b/i],
];
/** Every kind of act that a way needs: by its method, and by what its words say is done. */
const actsOf = (o: Pick<TreatmentOption, 'method' | 'what'>): ActKind[] => [
  ...(NEEDS[o.method] ? [NEEDS[o.method]!] : []),
  ...WORDS.filter(([, words]) => words.test(o.what)).map(([kind]) => kind),
];
/** The first duty that forbids one of the acts of a way; null where none does. */
export const dutyAgainst = (
  duties: readonly Pick<Duty, 'id'>[],
  o: Pick<TreatmentOption, 'method' | 'what'>,
): { duty: Duty['id']; kind: ActKind } | null => {
  for (const d of duties) {
    const kind = actsOf(o).find((k) => FORBIDS[d.id]?.includes(k));
    if (kind) return { duty: d.id, kind };
  }
  return null;
};

const forbidden = (duties: readonly Pick<Duty, 'id'>[], kind: ActKind | undefined): boolean =>
  kind !== undefined && duties.some((d) => FORBIDS[d.id]?.includes(kind));

/** Whether a duty forbids a look or a test, by its id. */
export const inspectionForbidden = (duties: readonly Pick<Duty, 'id'>[], test: string): boolean =>
  forbidden(duties, TEST_NEEDS[test]);
