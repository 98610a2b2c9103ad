'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 } from 'uuid';
import { CERTAINTIES, DECISIONS, ODDS, type Certainty, type Decision } from '@/core/diagnose/words';
import { Choices, FormFaults, TextArea } from '@/ui/controls/controls';
import { useDraft, useSend } from '@/ui/controls/use.client';
import { useSaid } from '@/ui/frame/undo.client';
import { decide } from '../actions';

interface Props {
  treeId: string;
  list: {
    id: string;
    name: string;
    kind: string;
    about: string;
    test: string;
    needs: string;
    seen: number;
    of: number;
  }[];
  looked: boolean;
  was: { conditionId: string; certainty: Certainty; decision: Decision } | null;
  refused: string | null;
}

export function DecideBench({ treeId, list, looked, was, refused }: Props) {
  const router = useRouter();
  const said = useSaid();
  const [id] = useState(() => v7());
  const [form, setForm, forget] = useDraft(`decide:${treeId}`, {
    conditionId: was?.conditionId ?? '',
    certainty: was?.certainty ?? null,
    decision: was?.decision ?? null,
    reason: '',
  });
  const { busy, faults, send } = useSend(decide);
  const chosen = list.find((c) => c.id === form.conditionId);
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send(
          {
            id,
            treeId,
            conditionId: form.conditionId,
            certainty: form.certainty as Certainty,
            decision: form.decision as Decision,
            reason: form.reason,
          },
          ({ next }) => {
            forget();
            said({ sentence: 'Decision kept.' });
            router.push(next);
          },
        );
      }}
    >
      <h1 className="mb-1">What is it, and what is to be done?</h1>
      <p className="mb-5 text-ink-2">
        {looked
          ? 'What fits the signs you saw stands first. You name it; the ranking engine is not here yet.'
          : 'Nobody has looked this tree over: examine it first, or name it as a guess.'}
      </p>
      {refused && <p className="mb-4 border-l-4 border-sap pl-3 font-semibold text-sap">{refused}</p>}
      <FormFaults faults={faults} known={['conditionId', 'certainty', 'decision', 'reason']} />

      <fieldset className="mb-6">
        <legend className="mb-1 text-lead font-bold">Condition</legend>
        {list.map((c) => (
          <label
            key={c.id}
            className="row flex min-h-14 cursor-pointer items-center gap-4 py-2 has-checked:bg-paper has-focus-visible:outline-3 has-focus-visible:outline-slate"
          >
            <input
              type="radio"
              name="condition"
              className="size-6 flex-none accent-[var(--cambium-deep)]"
              checked={form.conditionId === c.id}
              onChange={() => setForm((f) => ({ ...f, conditionId: c.id }))}
            />
            <span className="flex-1">
              <b>{c.name}</b> <span className="text-ink-2">{c.kind}</span>
            </span>
            {c.seen > 0 && (
              <span className="figures text-[0.9375rem]">
                {c.seen} of {c.of} signs seen
              </span>
            )}
          </label>
        ))}
        {faults.some((f) => f.path === 'conditionId') && (
          <p role="alert" className="mt-1 font-semibold text-madder">
            {faults.find((f) => f.path === 'conditionId')!.sentence}
          </p>
        )}
      </fieldset>
      {chosen && (
        <div className="quote mb-6">
          <p>{chosen.about}</p>
          <p className="mt-1">
            <b>Deciding test:</b> {chosen.test}. To cure it, it should be “{chosen.needs}”.
          </p>
        </div>
      )}
      <Choices
        label="How sure"
        path="certainty"
        faults={faults}
        value={form.certainty}
        onChange={(certainty) => setForm((f) => ({ ...f, certainty }))}
        options={CERTAINTIES.map((c) => ({ value: c, name: `${c} (${ODDS[c]})` }))}
      />
      <Choices
        label="Decision"
        path="decision"
        faults={faults}
        value={form.decision}
        onChange={(decision) => setForm((f) => ({ ...f, decision }))}
        options={DECISIONS.map((d) => ({ value: d, name: d }))}
      />
      <TextArea
        label="Why, in a sentence the client could read"
        path="reason"
        faults={faults}
        value={form.reason}
        onChange={(reason) => setForm((f) => ({ ...f, reason }))}
      />
      <div className="phone:fixed phone:inset-x-0 phone:bottom-0 phone:z-10 phone:border-t-2 phone:border-bark phone:bg-sheet phone:p-3">
        <button data-confirm className="press press-main min-w-64 phone:w-full" disabled={busy || refused !== null}>
          {busy ? 'Keeping …' : 'Keep this decision'}
        </button>
      </div>
    </form>
  );
}
