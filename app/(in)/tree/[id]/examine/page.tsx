import { examineView } from '@/views/tree';
import { ofTree, titled } from '../../load';
import { ExamineStep } from './step';

const load = ofTree(examineView);
export const generateMetadata = titled('Examine', load);

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  return <ExamineStep seen={await load((await params).id)} />;
}
