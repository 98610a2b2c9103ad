import type { TreatmentOption } from '../diagnose/knowledge';
import { bandWork } from './works/band';
import { guardWork } from './works/guard';
import { deerFenceWork } from './works/deer-fence';
import { deviceWork } from './works/hanging';
import { washWork } from './works/wash';
import { disinfectWork } from './works/disinfect';
import { collarWork } from './works/collar';
import { girdlingWork } from './works/girdling';
import { trenchesWork } from './works/trenches';
import { mulchWork } from './works/mulch';
import { waterWork } from './works/water';
import { replantWork } from './works/replant';
import { pruneDiseasedWork } from './works/prune-diseased';
import { rootstockWork } from './works/rootstock';
import { waterShootsWork } from './works/water-shoots';
import { openCrownWork } from './works/open-crown';
import { waterJetWork } from './works/water-jet';
import { releaseWork } from './works/release';
import { baggingWork } from './works/bagging';
import { sanitationWork } from './works/sanitation';
import { limbReliefWork } from './works/limb-relief';
import { removalWork } from './works/removal';
import { drainageWork } from './works/drainage';
import { rootBarrierWork } from './works/root-barrier';
import { nestRemovalWork } from './works/nest-removal';
import { rainCoverWork } from './works/rain-cover';
import { whiteningWork } from './works/whitening';
import { beaverMeshWork } from './works/beaver-mesh';
import { livestockFenceWork } from './works/livestock-fence';
import { mistletoeCutWork } from './works/mistletoe-cut';
import { ivyWindowWork } from './works/ivy-window';
import { compostWork } from './works/compost';
import { bugVacuumWork } from './works/bug-vacuum';
import { barHolesWork } from './works/bar-holes';
import { bridgeGraftWork } from './works/bridge-graft';
import { leachWork } from './works/leach';
import { shadeClothWork } from './works/shade-cloth';
import { tieReleaseWork } from './works/tie-release';
import { woodCoverWork } from './works/wood-cover';
import { protectionFenceWork } from './works/protection-fence';
import { fitsForm, fitted } from './fits';
import { workOf } from './own-work';
import type { CustomWork } from './own-work-schema';
import type { Work, WorkFacts } from './work';

/** Every method that needs no label. */
export const WORKS: readonly Work[] = [
  bandWork,
  guardWork,
  deerFenceWork,
  deviceWork,
  washWork,
  disinfectWork,
  collarWork,
  girdlingWork,
  trenchesWork,
  mulchWork,
  leachWork,
  waterWork,
  replantWork,
  pruneDiseasedWork,
  rootstockWork,
  waterShootsWork,
  openCrownWork,
  waterJetWork,
  releaseWork,
  baggingWork,
  sanitationWork,
  limbReliefWork,
  removalWork,
  drainageWork,
  rootBarrierWork,
  nestRemovalWork,
  rainCoverWork,
  whiteningWork,
  beaverMeshWork,
  livestockFenceWork,
  mistletoeCutWork,
  ivyWindowWork,
  compostWork,
  bugVacuumWork,
  barHolesWork,
  bridgeGraftWork,
  shadeClothWork,
  tieReleaseWork,
  woodCoverWork,
  protectionFenceWork,
].map(fitted);
/** Every work: those that ship, and a company's own after them. */
export const worksWith = (own: readonly CustomWork[]): readonly Work[] =>
  own.length ? [...WORKS, ...own.map(workOf)] : WORKS;
/** A work by its id. */
export const findWork = (id: string, own: readonly CustomWork[]): Work | null =>
  worksWith(own).find((w) => w.id === id) ?? null;

/** Those of some works that may serve against a condition. */
export const worksOn = (facts: Pick<WorkFacts, 'condition'>, works: readonly Work[]): Work[] =>
  works.filter((w) => w.when?.(facts) ?? true);

/** The works that carry out what the knowledge base offers for a condition, in its order; the others after them. */
export function worksFor(
  facts: WorkFacts,
  options: readonly Pick<TreatmentOption, 'method'>[],
): { fit: Work[]; other: Work[] } {
  const wanted = options.map((o) => o.method);
  const works = worksWith(facts.customWorks);
  const fit = worksOn(facts, works)
    .filter((w) => wanted.includes(w.method) && fitsForm(w, facts.host))
    .sort((a, b) => wanted.indexOf(a.method) - wanted.indexOf(b.method));
  return { fit, other: works.filter((w) => !fit.includes(w) && fitsForm(w, facts.host)) };
}
