'use client';

import { useState } from 'react';
import { FormFaults, TextArea, TextField } from '@/ui/controls/controls';
import { useKeepOwn } from './keep.client';

/** A condition of one's own: a copy of one that ships, changed; the whole of an entry, as it is published. */
export function OwnCondition({
  begin,
  names,
  onBegin,
}: {
  /** The entry to begin from, as JSON. */
  begin: { id: string; text: string };
  names: readonly { value: string; name: string }[];
  onBegin: string;
}) {
  const [text, setText] = useState(begin.text);
  const [note, setNote] = useState('');
  const { busy, faults, keep } = useKeepOwn('condition');
  return (
    <>
      <form action={onBegin} className="flex flex-wrap items-end gap-3">
        <input type="hidden" name="what" value="condition" />
        <label className="flex-1 basis-56">
          <span className="mb-1 block font-semibold">Begin from</span>
          <select name="from" defaultValue={begin.id} className="box">
            {names.map((n) => (
              <option key={n.value} value={n.value}>
                {n.name}
              </option>
            ))}
          </select>
        </label>
        <button className="press">Take its entry</button>
      </form>
      <form
        noValidate
        className="mt-4"
        onSubmit={(e) => {
          e.preventDefault();
          keep(text, note, () => setNote(''));
        }}
      >
        <FormFaults faults={faults} known={['note']} />
        <TextArea
          label="The entry, as JSON"
          path="entry"
          hint="Its id begins with “own-”. Life through the year, enemies, winters and wrong treatments stand under “beside”."
          rows={18}
          value={text}
          onChange={setText}
        />
        <TextField
          label="What it rests on"
          path="note"
          faults={faults}
          value={note}
          onChange={setNote}
          maxLength={500}
        />
        <button className="press press-main" disabled={busy}>
          Check and keep it
        </button>
      </form>
    </>
  );
}
