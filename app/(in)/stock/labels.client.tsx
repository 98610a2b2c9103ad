'use client';

import { FormIssues } from '@/ui/controls/controls';
import { FilePress } from '@/ui/controls/file.client';
import { SendPress } from '@/ui/controls/send-press.client';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { importLabel, restoreLabel, checkLabel, retireLabel } from './actions';

export const CheckLabel = ({ labelId, name }: { labelId: string; name: string }) => (
  <SendPress action={checkLabel} input={{ labelId }} said={`${name}: signed as read against the label in hand.`}>
    I have read it against the label in hand
  </SendPress>
);

/** A label goes off the shelf, or comes back on it. */
export const LabelOff = ({ labelKey, name, off }: { labelKey: string; name: string; off: boolean }) =>
  off ? (
    <SendPress action={restoreLabel} input={{ labelKey }} said={`${name} stands on the shelf again.`}>
      Put {name} back
    </SendPress>
  ) : (
    <SendPress
      action={retireLabel}
      input={{ labelKey }}
      said={`${name} is off the shelf; what was done by it stays in the book.`}
    >
      Take it off the shelf
    </SendPress>
  );

export function LabelFile() {
  const { busy, issues, setIssues, send } = useSend(importLabel);
  const said = useNotify();
  const open = async (file: File) => {
    if (file.size > 400_000)
      return setIssues([{ path: 'label', message: `${file.name} is too large for a label (400 kB at most).` }]);
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
      <FormIssues issues={issues} />
    </div>
  );
}
