'use client';

import { useRouter } from 'next/navigation';
import { FormFaults } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useSaid } from '@/ui/frame/undo.client';
import { settleLeftOut } from './actions';

/** What was left out has been dealt with; Undo lists it again. */
export function SettleLeftOut({ ids }: { ids: string[] }) {
  const router = useRouter();
  const said = useSaid();
  const { busy, faults, send } = useSend(settleLeftOut);
  return (
    <div>
      <FormFaults faults={faults} known={[]} />
      <button
        type="button"
        className="press press-plain"
        disabled={busy}
        onClick={() =>
          send({ ids, settled: true }, () => {
            said({
              sentence: 'They stand in the list no longer.',
              undo: () => settleLeftOut({ ids, settled: false }),
            });
            router.refresh();
          })
        }
      >
        Dealt with
      </button>
    </div>
  );
}
