export const LEAF_STATES = ['leafless', 'unfolding', 'full', 'falling'] as const;
export type LeafState = (typeof LEAF_STATES)[number];
