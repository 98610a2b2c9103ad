import { notFound } from 'next/navigation';
import { cache } from 'react';
import { getTree, type Tree } from '@/store/tree';
import type { Viewer } from '@/store/auth';
import { diagnosed } from '@/app/_server/diagnosed';
import type { Diagnosis } from '@/commands/facts/diagnosis';
import { idOr404, todayOf, viewer } from '@/app/_server/viewer';

/** The tree of an address and who looks at it; what is not there, or not theirs, is the same page that says so. */
export const loadTree = cache(async (id: string): Promise<{ v: Viewer; tree: Tree }> => {
  const v = await viewer();
  const tree = await getTree(v, idOr404(id), todayOf(v).slice(0, 4));
  return tree ? { v, tree } : notFound();
});

/** The tree with its ranking, and the condition that the address names if this host can have it. */
export async function loadDiagnosis(
  params: Promise<{ id: string }>,
  searchParams: Promise<{ name?: string }>,
): Promise<{ v: Viewer; tree: Tree; found: Diagnosis; named: string | undefined }> {
  const [{ id }, { name }] = await Promise.all([params, searchParams]);
  const { v, tree } = await loadTree(id);
  const found = (await diagnosed(v, tree)) ?? notFound();
  return { v, tree, found, named: found.candidates.some((c) => c.id === name) ? name : undefined };
}
