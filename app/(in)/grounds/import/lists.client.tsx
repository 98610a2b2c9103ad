'use client';

import { useRouter } from 'next/navigation';
import { FormFaults } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useSaid } from '@/ui/frame/undo.client';
import { takeListBack } from '../actions';

/** The press that takes a list back whole. */
export function TakeBack({ id, name }: { id: string; name: string }) {
  const { busy, faults, send } = useSend(takeListBack);
  const router = useRouter();
  const said = useSaid();
  return (
    <>
      <button
        type="button"
        className="press"
        disabled={busy}
        onClick={() =>
          send({ id }, () => {
            said({ sentence: `${name} is taken back: its trees are archived, their tags are free.` });
            router.refresh();
          })
        }
      >
        Take it back
      </button>
      <FormFaults faults={faults} />
    </>
  );
}
