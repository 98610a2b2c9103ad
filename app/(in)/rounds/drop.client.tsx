'use client';

import { UndoPress } from '@/ui/controls/undo-press.client';
import { dropPlans } from './actions';

/** Drops a row of plans that nobody wants any more; one press brings them back. */
export const DropPlans = ({ ids, words }: { ids: string[]; words?: string }) => (
  <UndoPress
    action={dropPlans}
    input={{ ids, drop: true }}
    sentence={`${ids.length} ${ids.length === 1 ? 'plan is' : 'plans are'} dropped.`}
    undo={() => dropPlans({ ids, drop: false })}
  >
    {words ?? (ids.length === 1 ? 'Drop it' : `Drop all ${ids.length}`)}
  </UndoPress>
);
