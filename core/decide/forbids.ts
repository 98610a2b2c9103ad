import type { TreatmentOption } from '../diagnose/knowledge';
import type { Duty } from './duties';

/** Kinds of act that a duty may forbid. */
export type ActKind = 'dig' | 'cut' | 'burn';

/** What each duty forbids until whoever is to be told has answered. Reporting alone forbids moving, and says so itself. */
const FORBIDS: Partial<Record<Duty['id'], readonly ActKind[]>> = { gas: ['dig', 'burn'], 'no-cut': ['cut'] };

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

const forbidden = (duties: readonly Pick<Duty, 'id'>[], kind: ActKind | undefined): boolean =>
  kind !== undefined && duties.some((d) => FORBIDS[d.id]?.includes(kind));

/** Whether a duty forbids a method. */
export const methodForbidden = (duties: readonly Pick<Duty, 'id'>[], method: TreatmentOption['method']): boolean =>
  forbidden(duties, NEEDS[method]);
/** Whether a duty forbids a look or a test, by its id. */
export const lookForbidden = (duties: readonly Pick<Duty, 'id'>[], test: string): boolean =>
  forbidden(duties, TEST_NEEDS[test]);
