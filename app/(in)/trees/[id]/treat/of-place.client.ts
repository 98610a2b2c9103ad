'use client';

import { OF_THE_SITE, type Said } from '@/core/gates/said';
import { useDraft } from '@/ui/controls/use.client';

/** Of what was said at a tree, what is the same for every tree of its place. */
const shared = (answers: Said) =>
  Object.fromEntries(Object.entries(answers).filter(([k]) => OF_THE_SITE.some((x) => x === k))) as Said;

/** What is the same for every tree of a place on one day is asked once: answers, what is worn, who works together. */
export function useOfSite(siteId: string, today: string) {
  const [{ said, worn, withIds }, set] = useDraft(
    `place-said:${siteId}`,
    { day: today, said: {} as Said, worn: [] as string[], withIds: [] as string[] },
    (kept) => kept.day === today,
  );
  return {
    said,
    worn,
    withIds,
    /** Keeps what of some answers is of the place. */
    say: (answers: Said) => {
      const of = shared(answers);
      if (Object.keys(of).length) set((p) => ({ ...p, said: { ...p.said, ...of } }));
    },
    wear: (more: readonly string[]) => set((p) => ({ ...p, worn: [...new Set([...p.worn, ...more])] })),
    goWith: (ids: string[]) => set((p) => ({ ...p, withIds: ids })),
  };
}
