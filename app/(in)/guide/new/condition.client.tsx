'use client';

import { useState } from 'react';
import { TextArea } from '@/ui/controls/controls';
import { useKeepOwn } from './keep.client';
import { OwnForm } from './own-form.client';

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
  const own = useKeepOwn('condition');
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
      <div className="mt-4">
        <OwnForm own={own} note={note} onNote={setNote} onKeep={() => own.keep(text, note, () => setNote(''))}>
          <TextArea
            label="The entry, as JSON"
            path="entry"
            hint="Its id begins with “own-”. Life through the year, enemies, winters and wrong treatments stand under “beside”."
            rows={18}
            value={text}
            onChange={setText}
          />
        </OwnForm>
      </div>
    </>
  );
}
