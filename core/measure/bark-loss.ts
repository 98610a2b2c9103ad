/** An arc of the girth in degrees clockwise from north; equal ends mean all round. */
export interface BareArc {
  from: number;
  to: number;
}

/**
 * Share of the girth that the arcs cover together, overlaps counted once; 0–1.
 * @example barkLossShare([{ from: 10, to: 60 }, { from: 45, to: 95 }, { from: 300, to: 330 }]) // 115° of 360°: 0.3194
 */
export function barkLossShare(arcs: readonly BareArc[]): number {
  const pieces = arcs
    .flatMap(({ from, to }): [number, number][] => {
      const a = from % 360;
      const width = from === to ? 360 : (to - from + 360) % 360 || 360;
      return a + width <= 360
        ? [[a, a + width]]
        : [
            [a, 360],
            [0, a + width - 360],
          ];
    })
    .sort((x, y) => x[0] - y[0]);
  let covered = 0;
  let end = 0;
  for (const [a, b] of pieces) {
    if (b <= end) continue;
    covered += b - Math.max(a, end);
    end = b;
  }
  return covered / 360;
}

/** What a loss of bark asks for: under a quarter clean and watch, to a half support, above that bridge or plan its end. */
export function barkLossAdvice(share: number): string | null {
  if (share <= 0) return null;
  if (share >= 0.995)
    return 'Bare all round: cut below the lowest damage if the graft union is lower still, or bridge it if the tree is worth that.';
  if (share > 0.5) return 'More than half the girth is bare: bridge graft, or plan its decline.';
  if (share >= 0.25)
    return 'A quarter to a half is bare: watch closely, support. On a limb, trouble begins at 20–30 % of its girth.';
  return 'Under a quarter is bare: clean the edge and watch.';
}
