'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import type { Label } from '@/core/label/schema';
import type { Far, HeldLabel } from '@/core/prescribe/shelf';

interface Shelf {
  /** What is here whole. */
  shelf: HeldLabel[];
  /** What is known by its name alone so far. */
  far: Far[];
  /** The label that is wanted and not here yet, or did not come. */
  wanted: { name: string; failed: boolean } | null;
  again: () => void;
}

/**
 * The shelf at this bench: whole labels where they are for this tree; one for others is fetched when its use is picked.
 * @param pick the key of a label and of its use, divided by a stroke
 */
export function useShelf(near: HeldLabel[], far: Far[], pick: string): Shelf {
  const [fetched, setFetched] = useState<HeldLabel[]>([]);
  const [failed, setFailed] = useState<string | null>(null);
  const wanted = far.find((f) => pick.startsWith(`${f.key}/`) && !fetched.some((h) => h.id === f.id));
  const id = wanted?.id;
  useEffect(() => {
    if (!id || failed === id) return;
    let here = true;
    fetch(`/api/labels/${id}`)
      .then(async (r) => (r.ok ? ((await r.json()) as Label) : Promise.reject(new Error(r.statusText))))
      .then(
        (label) => here && setFetched((was) => [...was, { id, label }]),
        () => here && setFailed(id),
      );
    return () => void (here = false);
  }, [id, failed]);
  return {
    shelf: useMemo(() => [...near, ...fetched], [near, fetched]),
    far: useMemo(() => far.filter((f) => !fetched.some((h) => h.id === f.id)), [far, fetched]),
    wanted: wanted ? { name: wanted.name, failed: failed === wanted.id } : null,
    again: useCallback(() => setFailed(null), []),
  };
}
