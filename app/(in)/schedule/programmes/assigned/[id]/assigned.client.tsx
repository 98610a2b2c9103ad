'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FormIssues, TextField, CheckboxTag } from '@/ui/controls/controls';
import { UndoPress } from '@/ui/controls/undo-press.client';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import {
  answerInspection,
  endAssignment,
  followSeason,
  skipVisits,
  moveVisits,
  overrideHolds,
  settleSkippedVisits,
} from '../../actions';

/** Moves the visits to where the season now has them. */
export function FollowSeason({ assignmentId, seen, visits }: { assignmentId: string; seen: string; visits: number }) {
  const router = useRouter();
  const said = useNotify();
  const { busy, issues, send } = useSend(followSeason);
  return (
    <div className="mt-3">
      <FormIssues issues={issues} known={[]} />
      <button
        type="button"
        className="press press-main phone:w-full"
        disabled={busy}
        onClick={() =>
          send({ assignmentId, seen }, ({ changed }) => {
            said({ sentence: `${changed} ${changed === 1 ? 'visit follows' : 'visits follow'} the season.` });
            router.refresh();
          })
        }
      >
        {visits === 1 ? 'Follow it with this visit' : `Follow it with these ${visits} visits`}
      </button>
    </div>
  );
}

/** What a look found: on all of its trees in one press, or on those that are ticked. */
export function AnswerInspection({
  decides,
  found,
  looks,
}: {
  decides: boolean;
  found: string;
  looks: { id: string; tag: string }[];
}) {
  const router = useRouter();
  const said = useNotify();
  const [some, setSome] = useState<string[] | null>(null);
  const { busy, issues, send } = useSend(answerInspection);
  const ids = some ?? looks.map((l) => l.id);
  const answer = (yes: boolean) =>
    send({ visitIds: ids, found: yes }, () => {
      said({
        sentence: decides ? `Noted on ${ids.length}: ${yes ? found : `not so: ${found}`}.` : `Done on ${ids.length}.`,
        undo: () => answerInspection({ visitIds: ids, found: null }),
      });
      setSome(null);
      router.refresh();
    });
  const on = some ? `on ${ids.length} ticked` : looks.length === 1 ? '' : `on all ${looks.length}`;
  return (
    <div className="mt-2">
      <FormIssues issues={issues} known={[]} />
      {some && (
        <div className="mb-2 flex flex-wrap gap-2" role="group" aria-label="Trees of this look">
          {looks.map((l) => (
            <CheckboxTag
              key={l.id}
              checked={some.includes(l.id)}
              onChange={(v) => setSome(v ? [...some, l.id] : some.filter((x) => x !== l.id))}
            >
              {l.tag}
            </CheckboxTag>
          ))}
        </div>
      )}
      <div className="flex flex-wrap gap-2">
        {decides ? (
          <>
            <button type="button" className="press" disabled={busy || !ids.length} onClick={() => answer(true)}>
              Yes {on}: {found}
            </button>
            <button type="button" className="press" disabled={busy || !ids.length} onClick={() => answer(false)}>
              No {on}
            </button>
          </>
        ) : (
          <button type="button" className="press" disabled={busy || !ids.length} onClick={() => answer(false)}>
            Done {on}
          </button>
        )}
        {looks.length > 1 && (
          <button type="button" className="press press-plain" onClick={() => setSome(some ? null : [])}>
            {some ? 'All of them' : 'Only on some'}
          </button>
        )}
      </div>
    </div>
  );
}

/** What was missed is left out, with why; the series goes on from its day. */
export function LeaveOut({ visitIds }: { visitIds: string[] }) {
  const router = useRouter();
  const said = useNotify();
  const [because, setBecause] = useState('');
  const { busy, issues, send } = useSend(skipVisits);
  const leave = () =>
    send({ visitIds, because }, () => {
      setBecause('');
      said({ sentence: `Left out on ${visitIds.length} ${visitIds.length === 1 ? 'tree' : 'trees'}.` });
      router.refresh();
    });
  return (
    <div className="mt-1 flex flex-wrap items-end gap-3">
      <div className="min-w-56 flex-1">
        <TextField label="Why it is left out" path="because" issues={issues} value={because} onChange={setBecause} />
        <FormIssues issues={issues} known={['because']} />
      </div>
      <button type="button" className="press mb-4" disabled={busy} onClick={leave}>
        Leave {visitIds.length === 1 ? 'it' : `these ${visitIds.length}`} out
      </button>
    </div>
  );
}

/** Moves a visit to another day on all its trees; what that breaks is told before anything is written. */
export function MoveVisits({ visitIds, day, today }: { visitIds: string[]; day: string; today: string }) {
  const router = useRouter();
  const said = useNotify();
  const [to, setTo] = useState(day);
  const [because, setBecause] = useState('');
  const { busy, issues, send } = useSend(moveVisits);
  const move = () =>
    send({ visitIds, day: to, because }, ({ followed }) => {
      setBecause('');
      said({ sentence: `Moved${followed ? `; ${followed} later visits follow` : ''}.` });
      router.refresh();
    });
  return (
    <div className="mt-2 w-64 whitespace-normal">
      <TextField label="Move to" path="day" issues={issues} type="date" min={today} value={to} onChange={setTo} />
      <TextField label="Why" path="because" issues={issues} value={because} onChange={setBecause} />
      <FormIssues issues={issues} known={['day', 'because']} />
      <button type="button" className="press" disabled={busy || to === day} onClick={move}>
        Move {visitIds.length === 1 ? 'it' : `these ${visitIds.length}`}
      </button>
    </div>
  );
}

/** What was left out has been dealt with, and stands in the list no longer. */
export const DealtWith = ({ visitIds }: { visitIds: string[] }) => (
  <div className="mt-1">
    <UndoPress
      action={settleSkippedVisits}
      input={{ visitIds, settled: true }}
      sentence="It stands in the list no longer."
      undo={() => settleSkippedVisits({ visitIds, settled: false })}
    >
      Dealt with
    </UndoPress>
  </div>
);

/** Goes on in spite of what only holds, on all trees, with one reason. */
export function ReleaseHolds({ id }: { id: string }) {
  const router = useRouter();
  const said = useNotify();
  const [reason, setReason] = useState('');
  const { busy, issues, send } = useSend(overrideHolds);
  const go = () =>
    send({ id, reason }, () => {
      setReason('');
      said({ sentence: 'What was only held is planned now.' });
      router.refresh();
    });
  return (
    <div className="mt-3">
      <TextField
        label="Why to go on in spite of what only holds"
        path="reason"
        issues={issues}
        value={reason}
        onChange={setReason}
      />
      <FormIssues issues={issues} known={['reason']} />
      <button type="button" className="press" disabled={busy} onClick={go}>
        Go on with this reason
      </button>
    </div>
  );
}

/** Ends the programme: what is still to come is dropped. */
export function EndIt({ id }: { id: string }) {
  const router = useRouter();
  const said = useNotify();
  const [because, setBecause] = useState('');
  const { busy, issues, send } = useSend(endAssignment);
  return (
    <details>
      <summary className="min-h-hand font-semibold">End it early</summary>
      <FormIssues issues={issues} known={['because']} />
      <TextField label="Why it ends" path="because" issues={issues} value={because} onChange={setBecause} />
      <button
        type="button"
        className="press w-full"
        disabled={busy}
        onClick={() =>
          send({ id, because }, () => {
            said({ sentence: 'Ended. What was still to come is dropped; what was done stays in the book.' });
            router.refresh();
          })
        }
      >
        End it
      </button>
    </details>
  );
}
