/** What may be hit when a tree or a part of it falls. */
export const TARGETS = ['house', 'drive', 'play', 'path', 'road'] as const;
export type TargetKind = (typeof TARGETS)[number];
const NAMES: Record<TargetKind, string> = {
  house: 'a house',
  drive: 'a drive',
  play: 'a play or sitting place',
  path: 'a path',
  road: 'a road',
};
export interface Target {
  kind: TargetKind;
  /** Metres from the trunk. */
  metres: number;
  /** Bearing from the trunk, degrees clockwise from north; null where nobody said. */
  bearing: number | null;
}

/**
 * What stands within reach of a falling tree, in words; what lies downwind of the prevailing wind is said to.
 * @param heightM height of the tree; null where nobody measured it: then everything named counts
 * @param windFromDeg bearing from which the wind usually blows hardest; null where nobody said
 */
export function targetsWithin(
  targets: readonly Target[],
  heightM: number | null,
  windFromDeg: number | null,
): string[] {
  return targets
    .filter((t) => heightM === null || t.metres <= heightM)
    .sort((a, b) => a.metres - b.metres)
    .map((t) => {
      const down = (windFromDeg ?? 0) + 180;
      const off = t.bearing === null ? 180 : Math.abs(((t.bearing - down + 540) % 360) - 180);
      const downwind = windFromDeg !== null && off <= 60;
      return `${NAMES[t.kind]} ${Math.round(t.metres)} m away${downwind ? ', downwind of the usual storm' : ''}`;
    });
}
