import { bandArea, USUAL_BAND } from '../basin/basin';
import { isSoil } from '../gates/gate';
import type { LabelUse } from '../label/schema';

/** The ground a method treats, as area and in words; none for an injection. */
export function treatedGround(
  use: LabelUse,
  diameterCm: number,
): { m2: number | null; inner: number; outer: number; words: string } {
  if (!isSoil(use)) return { m2: null, inner: 0, outer: 0, words: 'trunk only, no ground treated' };
  const { inner, outer } =
    use.carrier.kind === 'wet-basin' ? { inner: use.carrier.innerCm, outer: use.carrier.outerCm } : USUAL_BAND;
  return { m2: bandArea(diameterCm, inner, outer), inner, outer, words: `basin ${inner}–${outer} cm from the bark` };
}
