'use client';

import { FormFaults } from '@/ui/controls/controls';
import { FilePress } from '@/ui/controls/file.client';
import { useSend } from '@/ui/controls/use.client';
import { useSaid } from '@/ui/frame/undo.client';
import { bringLabel, putLabelBack, signLabel, takeLabelOff } from './actions';

export function CheckLabel({ labelId, name }: { labelId: string; name: string }) {
  const { busy, faults, send } = useSend(signLabel);
  const said = useSaid();
  return (
    <>
      <button
        type="button"
        className="press"
        disabled={busy}
        onClick={() =>
          send({ labelId }, () => said({ sentence: `${name}: signed as read against the label in hand.` }))
        }
      >
        I have read it against the label in hand
      </button>
      <FormFaults faults={faults} />
    </>
  );
}

/** A label goes off the shelf, or comes back on it. */
export function LabelOff({ labelKey, name, off }: { labelKey: string; name: string; off: boolean }) {
  const { busy, faults, send } = useSend(off ? putLabelBack : takeLabelOff);
  const said = useSaid();
  return (
    <>
      <button
        type="button"
        className="press"
        disabled={busy}
        onClick={() =>
          send({ labelKey }, () =>
            said({
              sentence: off
                ? `${name} stands on the shelf again.`
                : `${name} is off the shelf; what was done by it stays in the book.`,
            }),
          )
        }
      >
        {off ? `Put ${name} back` : 'Take it off the shelf'}
      </button>
      <FormFaults faults={faults} />
    </>
  );
}

export function LabelFile() {
  const { busy, faults, setFaults, send } = useSend(bringLabel);
  const said = useSaid();
  const open = async (file: File) => {
    if (file.size > 400_000)
      return setFaults([{ path: 'label', sentence: `${file.name} is too large for a label (400 kB at most).` }]);
    send({ text: await file.text() }, ({ name, version }) =>
      said({ sentence: `${name} stands on the shelf as version ${version}. Check it against the label in hand.` }),
    );
  };
  return (
    <div className="mt-2">
      <FilePress
        label={busy ? 'Reading …' : 'Bring a label in'}
        accept="application/json,.json"
        className="w-full"
        onFile={(file) => void open(file)}
      />
      <FormFaults faults={faults} />
    </div>
  );
}
