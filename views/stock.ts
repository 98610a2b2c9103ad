import type { Viewer } from '@/store/auth';
import { together } from '@/store/db';
import { openPlans } from '@/store/plans';
import {
  getLabel,
  labelVersions,
  lastMoves,
  listEquipment,
  listLots,
  listSprayers,
  listVessels,
  allLabels,
  shelfLabels,
  stockBalances,
  stockLevels,
} from '@/store/stock';

/** Everything on the shelf, and what open plans will take of it. */
export const stockView = (viewer: Viewer) =>
  together(viewer, async () => {
    const [all, lots, vessels, moves, sprayers, plans, balances, levels, equipment] = await Promise.all([
      allLabels(viewer),
      listLots(viewer),
      listVessels(viewer),
      lastMoves(viewer),
      listSprayers(viewer),
      openPlans(viewer),
      stockBalances(viewer),
      stockLevels(viewer),
      listEquipment(viewer),
    ]);
    const [labels, labelsOff] = [all.filter((l) => !l.off), all.filter((l) => l.off)];
    return { labels, labelsOff, lots, vessels, moves, sprayers, plans, balances, levels, equipment };
  });

/** One version of a label, and all versions of it. */
export const labelView = (v: Viewer, id: string) =>
  together(v, async () => {
    const held = await getLabel(v, id);
    return held && { ...held, versions: await labelVersions(v, held.label.key) };
  });

/** What the tools of the bench are tried with. */
export const toolsView = (v: Viewer) =>
  together(v, async () => {
    const [labels, vessels] = await Promise.all([shelfLabels(v), listVessels(v)]);
    return { labels, vessels };
  });
