'use client';

import { UndoPress } from '@/ui/controls/undo-press.client';
import { settleSkippedTrees } from './actions';

/** What was left out has been dealt with; Undo lists it again. */
export const SettleLeftOut = ({ ids }: { ids: string[] }) => (
  <div>
    <UndoPress
      action={settleSkippedTrees}
      input={{ ids, settled: true }}
      sentence="They stand in the list no longer."
      undo={() => settleSkippedTrees({ ids, settled: false })}
    >
      Dealt with
    </UndoPress>
  </div>
);
