import { asList, within, type Scope } from './db';
import { arrivalOf, type Arrival } from './grounds';
import { hungBy, type HungRow } from './hanging';
import { handsOf, type Hand } from './people';

/** What sheets of one place need beside their plans. */
export interface BesideSheets {
  /** How the place is reached; null where it is not in this outfit. */
  arrival: Arrival | null;
  hands: Hand[];
  /** Devices of any of the plans, whatever became of them. */
  hung: HungRow[];
}

/** Reads it in one statement. */
export const besideSheets = (
  scope: Scope,
  placeId: string,
  planIds: readonly string[],
  withCode: boolean,
): Promise<BesideSheets> =>
  within(scope, async (tx) => {
    const [row] = await tx<BesideSheets[]>`
      select (select row_to_json(a) from (${arrivalOf(tx, scope, placeId, withCode)}) a) as arrival,
        ${asList(tx, handsOf(tx, scope))} as hands,
        ${asList(tx, hungBy(tx, scope, planIds))} as hung`;
    // In JSON an instant is text.
    const hung = row!.hung.map((h) => ({
      ...h,
      hungAt: new Date(h.hungAt),
      pulledAt: h.pulledAt && new Date(h.pulledAt),
    }));
    return { ...row!, hung };
  });
