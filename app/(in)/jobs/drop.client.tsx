'use client';

import { UndoPress } from '@/ui/controls/undo-press.client';
import { cancelPlans } from './actions';

/** Drops a row of plans that nobody wants any more; one press brings them back. */
export const DropPlans = ({ ids, words }: { ids: string[]; words?: string }) => (
  <UndoPress
    action={cancelPlans}
    input={{ ids, drop: true }}
    sentence={`${ids.length} ${ids.length === 1 ? 'plan is' : 'plans are'} dropped.`}
    undo={() => cancelPlans({ ids, drop: false })}
  >
    {words ?? (ids.length === 1 ? 'Drop it' : `Drop all ${ids.length}`)}
  </UndoPress>
);
