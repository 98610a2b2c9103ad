'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { AddedKind } from '@/core/custom/overlay';
import { FormIssues, TextField } from '@/ui/controls/controls';
import { FilePress } from '@/ui/controls/file.client';
import { useMadeId, useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { importCustomEntries, voidCustomEntry } from '../actions';

/** A file of entries from another company. */
export function BringEntries() {
  const router = useRouter();
  const said = useNotify();
  const made = useMadeId('import-custom-entries');
  const { busy, issues, send } = useSend(importCustomEntries, made);
  return (
    <div className="no-print">
      <FilePress
        label={busy ? 'Reading …' : 'Bring in a file'}
        accept=".json,application/json"
        disabled={busy}
        onFile={(file) =>
          void file.text().then((text) =>
            send({ id: made.id, text }, ({ added, newer, same }) => {
              made.renew();
              said({ sentence: `${added} new, ${newer} newer, ${same} as they were.` });
              router.refresh();
            }),
          )
        }
      />
      <FormIssues issues={issues} />
    </div>
  );
}

/** Takes an own entry back, with a word why. */
export function TakeBack({ kind, name, entry }: { kind: AddedKind; name: string; entry: string }) {
  const router = useRouter();
  const said = useNotify();
  const [open, setOpen] = useState(false);
  const [note, setNote] = useState('');
  const made = useMadeId(`take-back-${entry}`);
  const { busy, issues, send } = useSend(voidCustomEntry, made);
  if (!open)
    return (
      <button type="button" className="press" onClick={() => setOpen(true)}>
        Take it back
      </button>
    );
  return (
    <form
      noValidate
      className="basis-full"
      onSubmit={(e) => {
        e.preventDefault();
        send({ id: made.id, kind, key: entry, note }, () => {
          made.renew();
          said({ sentence: `${name} is told no more.` });
          router.refresh();
        });
      }}
    >
      <FormIssues issues={issues} known={['note']} />
      <TextField label="Why it is taken back" path="note" issues={issues} value={note} onChange={setNote} />
      <button className="press" disabled={busy}>
        Take it back
      </button>
    </form>
  );
}
