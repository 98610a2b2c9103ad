'use client';

import { useRouter } from 'next/navigation';
import { Choices, FormIssues, TextArea, TextField } from '@/ui/controls/controls';
import { UndoPress } from '@/ui/controls/undo-press.client';
import { useDraft, useMadeId, useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { addTask, settleTask } from './trees/actions';

/** A task is done or left out in one press; Undo opens it again. */
export function SettleTask({ id, what, state }: { id: string; what: string; state: 'open' | 'done' | 'dropped' }) {
  const open = () => settleTask({ id, to: 'open' });
  return (
    <div className="flex flex-wrap gap-2">
      {state === 'open' ? (
        <>
          <UndoPress
            action={settleTask}
            input={{ id, to: 'done' }}
            sentence={`Done: ${what}.`}
            undo={open}
            label={`Done: ${what}`}
            className="press"
          >
            Done
          </UndoPress>
          <UndoPress
            action={settleTask}
            input={{ id, to: 'dropped' }}
            sentence={`Left out: ${what}.`}
            undo={open}
            label={`Leave out: ${what}`}
          >
            Leave out
          </UndoPress>
        </>
      ) : (
        <UndoPress
          action={settleTask}
          input={{ id, to: 'open' }}
          sentence={`Open again: ${what}.`}
          label={`Open again: ${what}`}
        >
          Open again
        </UndoPress>
      )}
    </div>
  );
}

const BLANK = { who: 'company' as 'company' | 'client', what: '', instructions: '', due: '', tag: '' };

/** Sets something to be done at a place: to come back for, or left to its client. */
export function TaskForm({ siteId, today }: { siteId: string; today: string }) {
  const router = useRouter();
  const said = useNotify();
  const made = useMadeId(`task:${siteId}`);
  const [form, setForm] = useDraft(`task:${siteId}`, BLANK);
  const { busy, issues, send } = useSend(addTask, made);
  const set = (more: Partial<typeof BLANK>) => setForm((f) => ({ ...f, ...more }));
  const keep = () =>
    send({ id: made.id, siteId, ...form }, () => {
      setForm(BLANK);
      said({
        sentence:
          form.who === 'client'
            ? `Left to the client: ${form.what}. It stands on their page.`
            : `It stands on Today and Season: ${form.what}.`,
      });
      router.refresh();
    });
  return (
    <details className="mt-2" open={issues.length > 0 || undefined}>
      <summary className="min-h-hand py-3 font-bold">Come back for something, or leave it to the client</summary>
      <FormIssues issues={issues} known={['who', 'what', 'instructions', 'due', 'tag']} />
      <Choices
        label="Who does it"
        options={[
          { value: 'company', name: 'we come back' },
          { value: 'client', name: 'the client does it' },
        ]}
        value={form.who}
        onChange={(who) => set({ who })}
        issues={issues}
        path="who"
      />
      <div className="grid gap-x-5 desk:grid-cols-[1fr_170px_120px]">
        <TextField
          label="What"
          path="what"
          issues={issues}
          maxLength={200}
          placeholder={form.who === 'client' ? 'Water the new lime' : 'Look at the ties'}
          value={form.what}
          onChange={(what) => set({ what })}
        />
        <TextField
          label="On"
          path="due"
          issues={issues}
          type="date"
          min={today}
          value={form.due}
          onChange={(due) => set({ due })}
        />
        <TextField
          label="Tag, if one tree"
          path="tag"
          issues={issues}
          maxLength={24}
          value={form.tag}
          onChange={(tag) => set({ tag })}
        />
      </div>
      <TextArea
        label={form.who === 'client' ? 'How it is done' : 'What to know (may stay empty)'}
        path="instructions"
        issues={issues}
        rows={2}
        value={form.instructions}
        onChange={(instructions) => set({ instructions })}
      />
      <button type="button" className="press" disabled={busy} onClick={keep}>
        Set it
      </button>
    </details>
  );
}
