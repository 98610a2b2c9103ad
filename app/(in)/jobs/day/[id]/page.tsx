import { loadDay } from './load';
import { DayPage } from './day';

export const metadata = { title: 'A round' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  return <DayPage seen={await loadDay((await params).id)} />;
}
