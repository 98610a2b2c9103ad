/** How a leaf is built, as far as it tells one host from another; what a drawing is made from. */
export type LeafForm =
  | {
      kind: 'blade';
      /** Width against length. */
      wide: number;
      /** Where it is widest, from the base (0) to the tip (1). */
      widest: number;
      base: 'even' | 'uneven' | 'heart' | 'wedge';
      tip: 'point' | 'drawn' | 'round' | 'notch' | 'cut';
      margin: 'whole' | 'toothed' | 'doubly toothed' | 'coarse' | 'wavy' | 'spiny';
      /** Lobes on each side, how deep against the half width, and whether they end in bristles. */
      lobes?: { pairs: number; deep: number; bristled: boolean };
      /** The stalk has a small blade of its own. */
      winged?: true;
    }
  /** Fingers from one point: lobes of one blade, or leaflets of their own. */
  | { kind: 'hand'; fingers: 3 | 5 | 7; apart: boolean; margin: 'whole' | 'toothed' | 'coarse' }
  /** Leaflets along a stalk. */
  | { kind: 'feather'; pairs: number; end: boolean; margin: 'whole' | 'toothed'; twice?: true }
  | { kind: 'fan'; rays: number; split: boolean }
  | { kind: 'needles'; as: 'pegs' | 'suckers' | 'flat' | 'tufts' | 'scales' | 'sprays' }
  | { kind: 'bundle'; of: 2 | 3 | 5 };

/** A leaf with how it sits on the shoot, and what to look at. */
export interface LeafInspection {
  form: LeafForm;
  sits: 'in pairs' | 'one by one' | 'all round';
  look: string;
}
