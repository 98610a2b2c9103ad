import { spotOf } from '@/facts/diagnosis';
import { stationFor } from '@/app/_server/station';
import { prescribeView } from '@/views/tree';
import { ofTree, titled } from '../../_frame/load';
import { PrescribeStep } from './step';

const load = ofTree(prescribeView);
export const generateMetadata = titled('Prescribe', load);

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ for?: string }>;
}) {
  const seen = await load((await params).id);
  const forecast = stationFor(spotOf(seen.tree)).forecast(seen.now);
  return <PrescribeStep seen={{ ...seen, forecast }} problem={(await searchParams).for ?? null} />;
}
