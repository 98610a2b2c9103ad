'use client';

import { useRouter } from 'next/navigation';
import { useDeferredValue, useMemo, useState } from 'react';
import { v5 } from 'uuid';
import { soilAsTest } from '@/core/diagnose/effect';
import { fromWire, type WireModel } from '@/core/diagnose/wire';
import type { NextInspection } from '@/core/diagnose/next-look';
import { memoize } from '@/lib/memoize';
import type { Vigour } from '@/core/diagnose/words';
import { Choices, FormIssues, TextArea } from '@/ui/controls/controls';
import { useDraft, useMadeId, useSend } from '@/ui/controls/use.client';
import { BalanceFigure } from '@/ui/figures/balance';
import { useNotify } from '@/ui/frame/undo.client';
import { saveInspection } from '../../../offline-commands.client';
import { answerTo, type BenchAnswer } from './answer';
import { AlikeTrees } from './row.client';
import { BarkAndRoots } from './bark.client';
import { CheckOfTreatment, CrownAndSoil, FoundWhileDigging } from './beside.client';
import {
  findingsOf,
  listed,
  testsOf,
  toFinding,
  without,
  type BenchSign,
  type ExamineForm,
  type SentSigns,
  type Update,
} from './form';
import { NextInspectionCard } from './next-inspection.client';
import { OtherTest } from './other-test.client';
import { PhotoField } from './photo-field.client';
import { grading, SignList } from './signs.client';
import { SignWalk } from './walk.client';

interface Props {
  treeId: string;
  host: { name: string; rootstock: string | null; key: { ask: string; ifNot: string[] }[] };
  confirmed: boolean;
  signs: SentSigns;
  model: WireModel;
  /** The answer to an empty form. */
  first: BenchAnswer;
  last: { crownLoss: number | null; vigour: Vigour | null };
  records: { id: string; name: string }[];
  alike: { id: string; tag: string }[];
  refused: string | null;
}

const modelOf = (sent: WireModel, signs: BenchSign[]) => built(sent)(signs);
const built = memoize((sent: WireModel) => memoize((signs: BenchSign[]) => fromWire(sent, signs)));

export function ExamineBench({
  treeId,
  host,
  confirmed,
  signs: sentSigns,
  model: sent,
  first,
  last,
  records,
  alike,
  refused,
}: Props) {
  const router = useRouter();
  const said = useNotify();
  const made = useMadeId(`look:${treeId}`);
  const { id } = made;
  const signs = useMemo(() => listed(sentSigns), [sentSigns]);
  const [form, setForm, forget] = useDraft<ExamineForm>(`look:${treeId}`, {
    key: host.key.map(() => null as boolean | null),
    grades: {},
    more: {},
    tests: {},
    // What nobody judged today stays unanswered; how it stood last stands beside the field.
    crownLoss: '',
    vigour: null,
    soilMoisture: null,
    barkLoss: [],
    anchors: [],
    peopleBelow: null,
    targets: [],
    windFromDeg: null,
    check: null,
    note: '',
    change: '',
    changePrice: '',
    alike: {},
  });
  const update: Update = (change) => setForm((f) => (typeof change === 'function' ? change(f) : { ...f, ...change }));
  const { busy, issues, send } = useSend(saveInspection, made);
  const [skipped, setSkipped] = useState<string[]>([]);
  const [everything, setEverything] = useState(false);
  const shown = everything ? signs : signs.filter((s) => !s.outOfSeason || form.grades[s.id]);

  const inSeasonNow = useMemo(() => new Set(signs.filter((s) => !s.outOfSeason).map((s) => s.id)), [signs]);
  // The figure may lag a frame behind the finger, never the finger behind the figure.
  const grades = useDeferredValue(form.grades);
  const more = useDeferredValue(form.more);
  const tests = useDeferredValue(form.tests);
  const moisture = useDeferredValue(form.soilMoisture);
  const { beams, looks } = useMemo(() => {
    // The answer to an empty form came with the page; the model is put together once there is something to ask it.
    if (![grades, tests].some((of) => Object.keys(of).length) && !moisture && !skipped.length && !everything)
      return first;
    return answerTo(
      modelOf(sent, signs),
      { findings: findingsOf({ grades, more }), tests: soilAsTest(moisture, testsOf({ tests })) },
      (o) => !skipped.includes(o.kind + o.id) && (o.kind === 'test' || everything || inSeasonNow.has(o.id)),
    );
  }, [first, sent, signs, grades, more, tests, moisture, skipped, everything, inSeasonNow]);
  const nameOf = (c: string) => sent.conditions.find(([id]) => id === c)?.[1] ?? c;
  const answer = (look: NextInspection, outcome: string) =>
    update(
      look.kind === 'sign'
        ? grading(look.id, outcome === 'seen' ? '3' : '0')
        : (f) => ({ ...f, tests: { ...f.tests, [look.id]: outcome } }),
    );
  const denied = form.key.flatMap((k, i) => (k === false ? [host.key[i]!] : []));
  const done = Object.entries(form.tests);

  return (
    <form
      noValidate
      onKeyDown={(e) => {
        // Alt and a figure answer the next look from anywhere in the form.
        // By its place on the board: with Alt some keyboards type another sign.
        const figure = /^(?:Digit|Numpad)([1-9])$/.exec(e.code)?.[1];
        if (!e.altKey || !figure) return;
        const button = e.currentTarget.querySelector<HTMLButtonElement>(`[data-answer="${figure}"]`);
        if (button) {
          e.preventDefault();
          button.click();
        }
      }}
      onSubmit={(e) => {
        e.preventDefault();
        send(
          {
            id,
            treeId,
            hostKey: form.key,
            crownLoss: form.crownLoss,
            vigour: form.vigour,
            findings: findingsOf(form),
            tests: testsOf(form),
            detail: {
              soilMoisture: form.soilMoisture,
              barkLoss: form.barkLoss,
              anchors: form.anchors,
              peopleBelow: form.peopleBelow,
              targets: form.targets,
              windFromDeg: form.windFromDeg,
              check: form.check,
            },
            note: form.note,
            change: form.change,
            changePrice: form.changePrice,
            alike: Object.entries(form.alike).map(([tree, except]) => ({
              // The same row sent again is the same looks.
              id: v5(tree, id),
              treeId: tree,
              except: Object.entries(except).map(([s, g]) => toFinding(s, g)),
            })),
          },
          () => {
            forget();
            said({ sentence: form.alike && Object.keys(form.alike).length ? 'Looks kept for the row.' : 'Look kept.' });
            router.push(`/trees/${treeId}/diagnose`);
          },
        );
      }}
    >
      <div className="mb-2 flex flex-wrap items-baseline justify-between gap-x-4">
        <h1>What do you see?</h1>
        <p className="text-small text-ink-2 phone:hidden">
          What you did not look at stays “not looked”: that is not absent.
        </p>
      </div>
      {refused && <p className="mb-4 border-l-4 border-sap pl-3 font-semibold text-sap">{refused}</p>}
      <FormIssues issues={issues} known={['crownLoss', 'note', 'change', 'changePrice']} />

      {!confirmed && !form.key.every((k) => k === true) && (
        <button
          type="button"
          className="press float-right ml-3 min-h-dense"
          onClick={() => update((f) => ({ ...f, key: host.key.map(() => true) }))}
        >
          All of the key fits
        </button>
      )}
      <details className="mb-1 border-t border-line" open={denied.length > 0 || undefined}>
        <summary className="min-h-dense py-2.5 font-bold">
          Is it {host.name}?{' '}
          <span className="font-normal text-ink-2">
            {form.key.every((k) => k === true)
              ? 'Yes, by the key.'
              : confirmed
                ? 'Confirmed before.'
                : 'Open the key, question by question.'}
          </span>
        </summary>
        {host.key.map((k, i) => (
          <div key={k.ask} className="row flex flex-wrap items-center justify-between gap-x-6 pt-2">
            <p className="flex-1 basis-72 pb-2">{k.ask}</p>
            <Choices
              small
              hideLabel
              label={k.ask}
              value={(form.key[i] ?? null) === null ? null : form.key[i] ? 'yes' : 'no'}
              onChange={(x) => update((f) => ({ ...f, key: f.key.map((y, j) => (j === i ? x === 'yes' : y)) }))}
              options={[
                { value: 'yes', name: 'yes' },
                { value: 'no', name: 'no' },
              ]}
            />
          </div>
        ))}
        {host.rootstock && <p className="py-2 text-[0.9375rem]">{host.rootstock}</p>}
        {denied.map((k) => (
          <p key={k.ask} className="mt-2 border-l-[3px] border-sap pl-3 font-semibold text-sap">
            Then look at {k.ifNot.join(' or ')}. The host stays unconfirmed, and treatment is held.
          </p>
        ))}
      </details>

      <SignList signs={shown} form={form} update={update} />
      <SignWalk signs={shown} form={form} update={update} />
      {shown.length < signs.length && (
        <button type="button" className="press press-plain text-small" onClick={() => setEverything(true)}>
          {signs.length - shown.length} signs of leaf, flower and fruit are out of season: show them
        </button>
      )}

      <div className="mt-2 grid grid-cols-1 gap-x-8 gap-y-3 desk:grid-cols-2">
        <section aria-label="The balance" className="phone:order-2">
          <h2 className="sr-only">The balance</h2>
          <BalanceFigure beams={beams} most={2} />
        </section>
        <NextInspectionCard
          look={looks[0]}
          others={looks.slice(1)}
          nameOf={nameOf}
          onAnswer={answer}
          onSkip={(l) => setSkipped((s) => [...s, l.kind + l.id])}
        />
        {done.length > 0 && (
          <ul className="flex flex-wrap gap-2" aria-label="Tests done">
            {done.map(([t, o]) => {
              const test = sent.tests.find((x) => x.id === t);
              return (
                <li key={t}>
                  <button
                    type="button"
                    className="press min-h-dense text-small"
                    onClick={() => update((f) => ({ ...f, tests: without(f.tests, t) }))}
                  >
                    {test?.outcomes.find(([id]) => id === o)?.[1] ?? o} <span aria-hidden>×</span>
                    <span className="sr-only">, take this test back</span>
                  </button>
                </li>
              );
            })}
          </ul>
        )}
      </div>

      <OtherTest
        tests={sent.tests}
        done={done.map(([t]) => t)}
        onAnswer={(test, outcome) => update((f) => ({ ...f, tests: { ...f.tests, [test]: outcome } }))}
      />
      <CrownAndSoil form={form} update={update} issues={issues} last={last} />
      <FoundWhileDigging form={form} update={update} issues={issues} signs={signs} />
      <BarkAndRoots form={form} update={update} />
      <CheckOfTreatment form={form} update={update} records={records} />
      <AlikeTrees form={form} update={update} trees={alike} signs={signs} />
      <div className="border-t border-line pt-4">
        <TextArea
          label="Anything else"
          path="note"
          issues={issues}
          value={form.note}
          onChange={(note) => update({ note })}
        />
        <PhotoField
          treeId={treeId}
          pins={signs.filter((s) => Number(form.grades[s.id] ?? 0) > 0).map((s) => ({ id: s.id, words: s.words }))}
        />
      </div>
      <div className="mt-5 phone:fixed phone:inset-x-0 phone:bottom-0 phone:z-10 phone:mt-0 phone:border-t-2 phone:border-bark phone:bg-sheet phone:p-3">
        <button data-confirm className="press press-main min-w-64 phone:w-full" disabled={busy || refused !== null}>
          {busy ? 'Keeping …' : 'Keep this look'}
        </button>
      </div>
    </form>
  );
}
