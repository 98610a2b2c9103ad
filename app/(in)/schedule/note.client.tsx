'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 } from 'uuid';
import { STAGE_NAMES, type Bbch } from '@/core/season/bbch';
import { FormIssues, TextField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { noteStage, voidStageNote } from './actions';

interface Where {
  siteId: string;
  treeId: string | null;
  today: string;
}

/** Notes one thing that is seen today, or on another day, and takes it back by Undo. */
function useNote({ siteId, treeId }: Where) {
  const router = useRouter();
  const said = useNotify();
  const { busy, issues, send } = useSend(noteStage);
  const note = (what: Parameters<typeof noteStage>[0]['what'], on: string, words: string, after: () => void) => {
    const id = v7();
    return send({ id, siteId, treeId, what, on }, () => {
      after();
      said({ sentence: `Noted: ${words}.`, undo: () => voidStageNote({ id }) });
      router.refresh();
    });
  };
  return { busy, issues, note };
}

/** What stage a host has reached: one touch opens the stages that may be seen now, the next one notes it. */
export function NoteStage({
  hostId,
  hostName,
  likely,
  others,
  ...where
}: Where & { hostId: string; hostName: string; likely: Bbch[]; others: Bbch[] }) {
  const [open, setOpen] = useState(false);
  const [all, setAll] = useState(false);
  const [on, setOn] = useState(where.today);
  const { busy, issues, note } = useNote(where);
  if (!open)
    return (
      <button type="button" className="press" aria-label={`Say the stage: ${hostName}`} onClick={() => setOpen(true)}>
        Say the stage
      </button>
    );
  return (
    <div role="group" aria-label={`Stage of ${hostName}`} className="w-full">
      <FormIssues issues={issues} known={['on']} />
      <div className="flex flex-wrap gap-2">
        {[...likely, ...(all ? others : [])].map((code) => (
          <button
            key={code}
            type="button"
            className="press"
            disabled={busy}
            onClick={() =>
              note({ kind: 'stage', hostId, code }, on, `${hostName}, ${STAGE_NAMES[code]}`, () => setOpen(false))
            }
          >
            {STAGE_NAMES[code]}
          </button>
        ))}
        {!all && others.length > 0 && (
          <button type="button" className="press press-plain" onClick={() => setAll(true)}>
            another
          </button>
        )}
        <button type="button" className="press press-plain" onClick={() => setOpen(false)}>
          Close
        </button>
      </div>
      <div className="mt-2 max-w-60">
        <TextField label="Seen on" path="on" issues={issues} type="date" value={on} onChange={setOn} />
      </div>
    </div>
  );
}

/** What a sum of heat is counted from, seen today. */
export function NoteBiofix({ modelId, words, ...where }: Where & { modelId: string; words: string }) {
  const { busy, issues, note } = useNote(where);
  return (
    <div>
      <button
        type="button"
        className="press"
        disabled={busy}
        onClick={() => note({ kind: 'biofix', modelId }, where.today, words, () => undefined)}
      >
        Seen today: {words}
      </button>
      <FormIssues issues={issues} known={[]} />
    </div>
  );
}
