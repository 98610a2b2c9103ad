import { notFound } from 'next/navigation';
import { treeView } from '@/views/tree';
import { ofTree, titled } from '../../_frame/load';
import { DiagnoseStep, type Asked } from './step';

const load = ofTree(treeView);
export const generateMetadata = titled('Diagnose', load);

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<Asked>;
}) {
  const seen = await load((await params).id);
  const { found } = seen;
  return found ? <DiagnoseStep seen={{ ...seen, found }} asked={await searchParams} /> : notFound();
}
