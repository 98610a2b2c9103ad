import { may } from '@/core/people/rights';
import type { Viewer } from '@/store/auth';
import { together } from '@/store/db';
import { listPhones, needsLook, type NeedsLook, type PhoneRow } from '@/store/phones';

/** A phone's page: what came from phones and needs a look, and the phones that one may end. */
export interface PhonePage {
  looks: (NeedsLook & { mine: boolean })[];
  phones: PhoneRow[];
}
export const phoneView = (viewer: Viewer): Promise<PhonePage> =>
  together(viewer, async () => {
    const [looks, phones] = await Promise.all([
      needsLook(viewer),
      listPhones(viewer, may(viewer.role, 'manage people') ? null : viewer.personId),
    ]);
    const settles = may(viewer.role, 'correct');
    return { looks: looks.map((l) => ({ ...l, mine: settles || l.personId === viewer.personId })), phones };
  });
