import { applyView } from '@/views/tree';
import { ofTree } from '../../_frame/load';

const load = ofTree(applyView);

/** Address of a sheet: the tree, and which of its plans; the first open one where none is named. */
export interface SheetAddress {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ plan?: string }>;
}
export const loadSheet = async ({ params, searchParams }: SheetAddress) =>
  load((await params).id, (await searchParams).plan ?? null);

/** The title of a sheet on the screen or on paper. */
export const titledSheet = (step: string) => async (address: SheetAddress) => {
  const { tree } = await loadSheet(address);
  return { title: `${tree.tag} ${step}, ${tree.siteName}` };
};
