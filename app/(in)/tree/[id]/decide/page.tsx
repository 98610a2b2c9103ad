import { notFound } from 'next/navigation';
import { treeView } from '@/views/tree';
import { ofTree, titled } from '../../load';
import { DecideStep, type Asked } from './step';

const load = ofTree(treeView);
export const generateMetadata = titled('Decide', load);

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<Asked>;
}) {
  const seen = await load((await params).id);
  const { found } = seen;
  return found ? <DecideStep seen={{ ...seen, found }} asked={await searchParams} /> : notFound();
}
