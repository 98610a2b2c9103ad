import { may } from '@/core/people/rights';
import type { Viewer } from './auth';
import { asList, within } from './db';
import { arrivalOf, type Arrival } from './sites';
import { devicesOf, type InstallationRow } from './devices';
import { handsOf, type Hand } from './people';

/** What sheets of one place need beside their plans. */
export interface BesideSheets {
  /** How the place is reached; null where it is not in this company. */
  arrival: Arrival | null;
  hands: Hand[];
  /** Devices of any of the plans, whatever became of them. */
  installed: InstallationRow[];
}

/** Reads it in one statement; the code of the gate for those whose role needs it. */
export const besideSheets = (viewer: Viewer, siteId: string, planIds: readonly string[]): Promise<BesideSheets> =>
  within(viewer, async (tx) => {
    const [row] = await tx<BesideSheets[]>`
      select (select row_to_json(a) from (${arrivalOf(tx, viewer, siteId, may(viewer.role, 'see gate codes'))}) a) as arrival,
        ${asList(tx, handsOf(tx, viewer))} as hands,
        ${asList(tx, devicesOf(tx, viewer, planIds))} as installed`;
    // In JSON an instant is text.
    const installed = row!.installed.map((h) => ({
      ...h,
      installedAt: new Date(h.installedAt),
      removedAt: h.removedAt && new Date(h.removedAt),
    }));
    return { ...row!, installed };
  });
