import { notFound } from 'next/navigation';
import { stationFor } from '@/app/_server/station';
import { idOr404, viewer } from '@/app/_server/viewer';
import { dayView } from '@/views/day';
import type { SeenDay } from './day';
import { clockNow } from '@/store/clock';

/** A crew's day as the server reads it; what is not there, or not theirs, is the page that says so. */
export async function loadDay(id: string): Promise<SeenDay> {
  const v = await viewer();
  const now = clockNow();
  const day = (await dayView(v, idOr404(id), now, stationFor)) ?? notFound();
  return { viewer: v, now, day };
}
