import { cache } from 'react';
import { diagnose } from '@/commands/facts/diagnosis';

/** Ranking and decision for a tree as it was last seen; worked out once for a page, whoever on it asks. */
export const diagnosed = cache((...[viewer, tree]: [Parameters<typeof diagnose>[0], Parameters<typeof diagnose>[1]]) =>
  diagnose(viewer, tree, new Date()),
);
