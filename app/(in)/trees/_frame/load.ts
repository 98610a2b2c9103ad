import { notFound } from 'next/navigation';
import { cache } from 'react';
import type { Viewer } from '@/store/auth';
import { spotOf, type TreeInHand } from '@/facts/diagnosis';
import type { StationFor } from '@/core/weather/station';
import { stationFor } from '@/app/_server/station';
import type { Seen } from '../[id]/seen';
import { idOr404, viewer as signedIn } from '@/app/_server/viewer';
import { clockNow } from '@/store/clock';

/**
 * What a page of a tree shows, read once a request, whoever on it asks; what is not there, or not theirs, is the same page
 * that says so.
 */
export const ofTree = <T extends TreeInHand, A extends unknown[]>(
  view: (v: Viewer, id: string, now: Date, station: StationFor, ...more: A) => Promise<T | null>,
) =>
  cache(async (id: string, ...more: A): Promise<T & Seen> => {
    const viewer = await signedIn();
    const now = clockNow();
    const seen = await view(viewer, idOr404(id), now, stationFor, ...more);
    return seen ? { viewer, now, weather: stationFor(spotOf(seen.tree)).at(now), ...seen } : notFound();
  });

/** The title of a step: which tree, and what is done there. */
export const titled =
  (step: string, load: (id: string) => Promise<TreeInHand>) =>
  async ({ params }: { params: Promise<{ id: string }> }) => {
    const { tree } = await load((await params).id);
    return { title: `${tree.tag} ${step}, ${tree.siteName}` };
  };
