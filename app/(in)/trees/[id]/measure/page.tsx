import { treeView } from '@/views/tree';
import { ofTree, titled } from '../../_frame/load';
import { MeasureStep } from './step';

const load = ofTree(treeView);
export const generateMetadata = titled('Measure', load);

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  return <MeasureStep seen={await load((await params).id)} />;
}
