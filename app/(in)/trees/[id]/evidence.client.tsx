'use client';

import { useState } from 'react';
import { v7 } from 'uuid';
import { FormIssues, SelectField, TextArea, TextField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { Section } from '@/ui/frame/pieces';
import { useNotify } from '@/ui/frame/undo.client';
import { answerSample, recordOthersOnTree, sendSample as sendAbsence, voidInspection } from './inspect/actions';

interface SampleRow {
  id: string;
  what: string;
  sentTo: string;
  sentOn: string;
  answer: string | null;
  answeredOn: string | null;
  testId: string | null;
  outcomes: { id: string; words: string }[];
}
interface Props {
  treeId: string;
  looks: { id: string; day: string; by: string; seen: number; tests: number }[];
  withdrawn: { id: string; day: string; by: string; reason: string }[];
  samples: SampleRow[];
  laboratories: { id: string; name: string }[];
  byOthers: { onDay: string; active: string; who: string; for: string | null; effect: string | null }[];
  conditions: { id: string; name: string }[];
  today: string;
  refused: boolean;
}

/** What the diagnosis of this tree rests on beside the newest visit: looks, samples, and what others put on it. */
export function Evidence(p: Props) {
  return (
    <Section title="What it rests on" aside="looks, samples, and what others put on it">
      <ul>
        {p.looks.map((l) => (
          <Inspection key={l.id} treeId={p.treeId} look={l} refused={p.refused} />
        ))}
        {p.withdrawn.map((w) => (
          <li key={w.id} className="row py-2 text-[0.9375rem] text-ink-2">
            <s>Look of {w.day}</s>, taken back by {w.by}: {w.reason}
          </li>
        ))}
        {p.samples.map((s) => (
          <SampleLine key={s.id} treeId={p.treeId} sample={s} today={p.today} refused={p.refused} />
        ))}
        {p.byOthers.map((o, i) => (
          <li key={i} className="row py-2 text-[0.9375rem]">
            {o.onDay}: {o.active}, by {o.who}
            {o.for && ` against ${o.for.toLowerCase()}`}
            {o.effect && `; effect: ${o.effect}`}
          </li>
        ))}
      </ul>
      {!p.refused && (
        <div className="flex flex-wrap gap-x-6">
          <SendSample {...p} />
          <AddByOthers {...p} />
        </div>
      )}
    </Section>
  );
}

function Inspection({ treeId, look, refused }: { treeId: string; look: Props['looks'][number]; refused: boolean }) {
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState('');
  const said = useNotify();
  const { busy, issues, send } = useSend(voidInspection);
  return (
    <li className="row flex flex-wrap items-center gap-x-4 gap-y-1 py-2 text-[0.9375rem]">
      <span className="flex-1 basis-60">
        Look of {look.day} by {look.by}: {look.seen} signs seen, {look.tests} tests
      </span>
      {!refused && !open && (
        <button type="button" className="press press-plain min-h-dense text-small" onClick={() => setOpen(true)}>
          Take it back
        </button>
      )}
      {open && (
        <form
          noValidate
          className="flex flex-1 basis-full items-end gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            send({ treeId, inspectionId: look.id, reason }, () =>
              said({ sentence: 'Look taken back; it stays with its reason.' }),
            );
          }}
        >
          <TextField
            label="Why is it taken back?"
            path="reason"
            issues={issues}
            value={reason}
            onChange={setReason}
            maxLength={400}
          />
          <button className="press mb-4" disabled={busy}>
            Take it back
          </button>
        </form>
      )}
    </li>
  );
}

function SampleLine({
  treeId,
  sample,
  today,
  refused,
}: {
  treeId: string;
  sample: SampleRow;
  today: string;
  refused: boolean;
}) {
  const [form, setForm] = useState({ outcome: '', answer: '', onDay: today });
  const [inspectionId] = useState(() => v7());
  const said = useNotify();
  const { busy, issues, send } = useSend(answerSample);
  return (
    <li className="row py-2 text-[0.9375rem]">
      <b>Sent {sample.sentOn}:</b> {sample.what}, to {sample.sentTo}.{' '}
      {sample.answer !== null ? (
        <>
          <b>Answer {sample.answeredOn}:</b> {sample.answer}
        </>
      ) : (
        <b className="text-sap">No answer yet.</b>
      )}
      {sample.answer === null && !refused && (
        <details>
          <summary className="min-h-dense py-2 font-semibold">The answer is here</summary>
          <form
            noValidate
            onSubmit={(e) => {
              e.preventDefault();
              send(
                {
                  treeId,
                  sampleId: sample.id,
                  inspectionId,
                  outcome: form.outcome || null,
                  answer: form.answer,
                  onDay: form.onDay,
                },
                () => said({ sentence: 'Answer kept; it counts as evidence.' }),
              );
            }}
          >
            <FormIssues issues={issues} known={['outcome', 'answer', 'onDay']} />
            {sample.outcomes.length > 0 && (
              <SelectField
                label="What was found"
                path="outcome"
                issues={issues}
                value={form.outcome}
                onChange={(outcome) => setForm((f) => ({ ...f, outcome }))}
                options={[
                  { value: '', name: 'choose …' },
                  ...sample.outcomes.map((o) => ({ value: o.id, name: o.words })),
                ]}
              />
            )}
            <TextArea
              label="In its own words"
              path="answer"
              issues={issues}
              rows={2}
              value={form.answer}
              onChange={(x) => setForm((f) => ({ ...f, answer: x }))}
            />
            <TextField
              label="Day of the answer"
              path="onDay"
              type="date"
              issues={issues}
              value={form.onDay}
              onChange={(onDay) => setForm((f) => ({ ...f, onDay }))}
            />
            <button className="press" disabled={busy}>
              Keep the answer
            </button>
          </form>
        </details>
      )}
    </li>
  );
}

function SendSample({ treeId, laboratories, today }: Props) {
  const empty = { what: '', sentTo: '', testId: '', sentOn: today };
  const [id, setId] = useState(() => v7());
  const [form, setForm] = useState(empty);
  const said = useNotify();
  const { busy, issues, send } = useSend(sendAbsence);
  const set = (k: keyof typeof empty) => (x: string) => setForm((f) => ({ ...f, [k]: x }));
  const word = (k: keyof typeof empty, label: string, more: object = {}) => (
    <TextField label={label} path={k} issues={issues} value={form[k]} onChange={set(k)} {...more} />
  );
  return (
    <details className="flex-1 basis-80">
      <summary className="min-h-hand py-3 font-bold">A sample or photo was sent</summary>
      <form
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          send({ id, treeId, ...form, testId: form.testId || null }, () => {
            setForm(empty);
            setId(v7());
            said({ sentence: 'Noted; it stands here until its answer comes.' });
          });
        }}
      >
        <FormIssues issues={issues} known={['what', 'sentTo', 'testId', 'sentOn']} />
        {word('what', 'What was sent', { maxLength: 400 })}
        {word('sentTo', 'To whom', { maxLength: 200 })}
        <SelectField
          label="For which test"
          path="testId"
          issues={issues}
          value={form.testId}
          onChange={set('testId')}
          options={[
            { value: '', name: 'a colleague’s word, no test' },
            ...laboratories.map((t) => ({ value: t.id, name: t.name })),
          ]}
        />
        {word('sentOn', 'Day', { type: 'date' })}
        <button className="press" disabled={busy}>
          Note it
        </button>
      </form>
    </details>
  );
}

function AddByOthers({ treeId, conditions, today }: Props) {
  const empty = {
    active: '',
    family: '',
    resistance: '',
    grams: '',
    onDay: today,
    who: '',
    conditionId: '',
    effect: '',
  };
  const [id, setId] = useState(() => v7());
  const [form, setForm] = useState(empty);
  const said = useNotify();
  const { busy, issues, send } = useSend(recordOthersOnTree);
  const set = (k: keyof typeof empty) => (x: string) => setForm((f) => ({ ...f, [k]: x }));
  const word = (k: keyof typeof empty, label: string, more: object = {}) => (
    <TextField label={label} path={k} issues={issues} value={form[k]} onChange={set(k)} {...more} />
  );
  return (
    <details className="flex-1 basis-80">
      <summary className="min-h-hand py-3 font-bold">Somebody else put something on it</summary>
      <form
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          send(
            {
              id,
              treeId,
              ...form,
              conditionId: form.conditionId || null,
              effect: (form.effect || null) as 'none' | 'some' | 'good' | null,
            },
            () => {
              setForm(empty);
              setId(v7());
              said({ sentence: 'Noted: it counts towards limits, and as evidence.' });
            },
          );
        }}
      >
        <FormIssues issues={issues} known={Object.keys(empty)} />
        <div className="grid grid-cols-2 gap-x-4">
          {word('active', 'Active', { maxLength: 80 })}
          {word('grams', 'Grams of it', { inputMode: 'decimal', maxLength: 20 })}
          {word('family', 'Family', { hint: 'neonicotinoid, oil, sulphur …', maxLength: 60 })}
          {word('resistance', 'Group', { hint: 'IRAC 4A', maxLength: 40 })}
          {word('onDay', 'Day', { type: 'date' })}
          {word('who', 'By whom', { maxLength: 120 })}
        </div>
        <SelectField
          label="Against what"
          path="conditionId"
          issues={issues}
          value={form.conditionId}
          onChange={set('conditionId')}
          options={[{ value: '', name: 'not known' }, ...conditions.map((c) => ({ value: c.id, name: c.name }))]}
        />
        <SelectField
          label="How it went"
          path="effect"
          issues={issues}
          value={form.effect}
          onChange={set('effect')}
          options={[
            { value: '', name: 'nobody looked' },
            { value: 'none', name: 'it did nothing' },
            { value: 'some', name: 'some effect' },
            { value: 'good', name: 'it worked' },
          ]}
        />
        <button className="press" disabled={busy}>
          Note it
        </button>
      </form>
    </details>
  );
}
