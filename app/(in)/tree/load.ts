import { notFound } from 'next/navigation';
import { cache } from 'react';
import type { Viewer } from '@/store/auth';
import type { TreeInHand } from '@/views/tree';
import type { StationFor } from '@/core/weather/station';
import { stationFor } from '@/app/_server/station';
import { idOr404, viewer as signedIn } from '@/app/_server/viewer';

/**
 * What a page of a tree shows, read once a request, whoever on it asks; what is not there, or not theirs, is the same page
 * that says so.
 */
export const ofTree = <T extends TreeInHand, A extends unknown[]>(
  view: (v: Viewer, id: string, now: Date, station: StationFor, ...more: A) => Promise<T | null>,
) =>
  cache(async (id: string, ...more: A): Promise<T & { viewer: Viewer; now: Date }> => {
    const viewer = await signedIn();
    const now = new Date();
    const seen = await view(viewer, idOr404(id), now, stationFor, ...more);
    return seen ? { viewer, now, ...seen } : notFound();
  });

/** The title of a step: which tree, and what is done there. */
export const titled =
  (step: string, load: (id: string) => Promise<TreeInHand>) =>
  async ({ params }: { params: Promise<{ id: string }> }) => {
    const { tree } = await load((await params).id);
    return { title: `${tree.tag} ${step}, ${tree.placeName}` };
  };

/** The condition that an address names, if this host can have it. */
export const namedIn = ({ found }: TreeInHand, name: string | undefined): string | undefined =>
  found?.candidates.some((c) => c.id === name) ? name : undefined;
