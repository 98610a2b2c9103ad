import { examineView } from '@/views/tree';
import { ofTree, titled } from '../../_frame/load';
import { InspectStep } from './step';

const load = ofTree(examineView);
export const generateMetadata = titled('Inspect', load);

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  return <InspectStep seen={await load((await params).id)} />;
}
