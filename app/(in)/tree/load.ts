import { notFound } from 'next/navigation';
import { cache } from 'react';
import { getTree, type Tree } from '@/store/tree';
import type { Viewer } from '@/store/auth';
import { idOr404, todayOf, viewer } from '@/app/_server/viewer';

/** The tree of an address and who looks at it; what is not there, or not theirs, is the same page that says so. */
export const loadTree = cache(async (id: string): Promise<{ v: Viewer; tree: Tree }> => {
  const v = await viewer();
  const tree = await getTree(v, idOr404(id), todayOf(v).slice(0, 4));
  return tree ? { v, tree } : notFound();
});
