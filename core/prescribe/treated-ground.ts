import { bandArea, USUAL_BAND } from '../basin/basin';
import type { LabelUse } from '../label/schema';

/** The basin of a drench, as area and in words; any other method has none, and treats what its prescription worked out. */
export function treatedGround(
  use: LabelUse,
  diameterCm: number,
  treated?: { areaM2: number | null; words: string },
): { m2: number | null; inner: number; outer: number; words: string } {
  if (use.method !== 'soil-drench')
    return {
      m2: treated?.areaM2 ?? null,
      inner: 0,
      outer: 0,
      words: treated?.words || 'trunk only, no ground treated',
    };
  const { inner, outer } =
    use.carrier.kind === 'wet-basin' ? { inner: use.carrier.innerCm, outer: use.carrier.outerCm } : USUAL_BAND;
  return { m2: bandArea(diameterCm, inner, outer), inner, outer, words: `basin ${inner}–${outer} cm from the bark` };
}
