import { may } from '@/core/people/rights';
import type { Viewer } from './auth';
import { asList, within } from './db';
import { arrivalOf, type Arrival } from './grounds';
import { devicesOf, type HungRow } from './hanging';
import { handsOf, type Hand } from './people';

/** What sheets of one place need beside their plans. */
export interface BesideSheets {
  /** How the place is reached; null where it is not in this company. */
  arrival: Arrival | null;
  hands: Hand[];
  /** Devices of any of the plans, whatever became of them. */
  hung: HungRow[];
}

/** Reads it in one statement; the code of the gate for those whose role needs it. */
export const besideSheets = (viewer: Viewer, placeId: string, planIds: readonly string[]): Promise<BesideSheets> =>
  within(viewer, async (tx) => {
    const [row] = await tx<BesideSheets[]>`
      select (select row_to_json(a) from (${arrivalOf(tx, viewer, placeId, may(viewer.role, 'see gate codes'))}) a) as arrival,
        ${asList(tx, handsOf(tx, viewer))} as hands,
        ${asList(tx, devicesOf(tx, viewer, planIds))} as hung`;
    // In JSON an instant is text.
    const hung = row!.hung.map((h) => ({
      ...h,
      hungAt: new Date(h.hungAt),
      pulledAt: h.pulledAt && new Date(h.pulledAt),
    }));
    return { ...row!, hung };
  });
