import { loadDay } from '../load';
import { ClosePage } from './finish';

export const metadata = { title: 'Close the day' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  return <ClosePage seen={await loadDay((await params).id)} />;
}
