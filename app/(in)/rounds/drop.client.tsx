'use client';

import { useRouter } from 'next/navigation';
import { FormFaults } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useSaid } from '@/ui/frame/undo.client';
import { dropPlans } from './actions';

/** Drops a row of plans that nobody wants any more; one press brings them back. */
export function DropPlans({ ids, words }: { ids: string[]; words?: string }) {
  const router = useRouter();
  const said = useSaid();
  const { send, busy, faults } = useSend(dropPlans);
  const drop = () =>
    send({ ids, drop: true }, () => {
      said({
        sentence: `${ids.length} ${ids.length === 1 ? 'plan is' : 'plans are'} dropped.`,
        undo: () => dropPlans({ ids, drop: false }),
      });
      router.refresh();
    });
  return (
    <>
      <button className="press press-plain" disabled={busy} onClick={drop}>
        {words ?? (ids.length === 1 ? 'Drop it' : `Drop all ${ids.length}`)}
      </button>
      <FormFaults faults={faults} />
    </>
  );
}
