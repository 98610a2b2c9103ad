import { idsIn } from '@/core/phone/named';
import { may } from '@/core/people/rights';
import type { Viewer } from '@/store/auth';
import { together } from '@/store/db';
import {
  listPhones,
  syncConflicts,
  treesNamedBy,
  type NamedTree,
  type SyncConflict,
  type PhoneRow,
} from '@/store/phones';

/** A phone's page: what came from phones and needs a look, and the phones that one may end. */
export interface PhonePage {
  looks: (SyncConflict & { mine: boolean; trees: Omit<NamedTree, 'of'>[] })[];
  phones: PhoneRow[];
}
export const phoneView = (viewer: Viewer): Promise<PhonePage> =>
  together(viewer, async () => {
    const [looks, phones] = await Promise.all([
      syncConflicts(viewer),
      listPhones(viewer, may(viewer.role, 'manage people') ? null : viewer.personId),
    ]);
    const settles = may(viewer.role, 'correct');
    const ids = looks.map((l) => idsIn(l.input));
    const named = looks.length ? await treesNamedBy(viewer, [...new Set(ids.flat())]) : [];
    return {
      looks: looks.map((l, i) => ({
        ...l,
        mine: settles || l.personId === viewer.personId,
        trees: [...new Map(named.filter((n) => ids[i]!.includes(n.of)).map((n) => [n.id, n])).values()],
      })),
      phones,
    };
  });
