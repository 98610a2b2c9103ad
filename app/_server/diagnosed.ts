import { cache } from 'react';
import { diagnose, knowledgeOf } from '@/commands/facts/diagnosis';
import type { Viewer } from '@/store/auth';
import type { Tree } from '@/store/tree';

/** What ships with the outfit's own entries over it; read and laid together once a request. */
export const knowledgeFor = cache((viewer: Viewer) => knowledgeOf(viewer));

/** Ranking and decision for a tree as it was last seen; worked out once for a page, whoever on it asks. */
export const diagnosed = cache(async (viewer: Viewer, tree: Tree) =>
  diagnose(viewer, tree, (await knowledgeFor(viewer)).knowledge, new Date()),
);
