'use client';

import type { Issue } from '@/lib/result';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { reasonFor } from '@/core/phone/reason';
import { FormIssues, TextField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { UndoPress } from '@/ui/controls/undo-press.client';
import { useNotify } from '@/ui/frame/undo.client';
import { endPhone, settleConflict } from './actions';

export interface InspectionAt {
  id: string;
  what: string;
  by: string;
  phone: string;
  seen: string;
  clock: string | null;
  issues: Issue[];
  mine: boolean;
  /** Trees of which it speaks. */
  trees: { id: string; name: string }[];
}

/** One write that was refused: what stands in its way, and what can be done about it. */
export function Inspection({ look: l }: { look: InspectionAt }) {
  const router = useRouter();
  const said = useNotify();
  const { busy, issues, send } = useSend(settleConflict);
  const [reasons, setReasons] = useState<Record<string, string>>({});
  const [aside, setAside] = useState<string | null>(null);
  const wanted = [...new Set(l.issues.flatMap((f) => reasonFor(f.path) ?? []))];
  return (
    <li className="row border-l-8 border-l-sap py-3 pl-3">
      <p className="text-lead font-bold">{l.what}</p>
      <p className="text-[0.9375rem] text-ink-2">
        {l.by}, {l.seen}, on {l.phone}
        {l.clock && `; the clock of the phone showed ${l.clock}`}
      </p>
      <ul className="mt-2">
        {l.issues.map((f) => (
          <li key={f.path + f.message} className="font-semibold text-madder">
            {f.message}
          </li>
        ))}
      </ul>
      {l.trees.length > 0 && (
        <p className="mt-1 flex flex-wrap gap-x-4">
          {l.trees.map((t) => (
            <Link key={t.id} href={`/trees/${t.id}`} className="inline-flex min-h-hand items-center">
              {t.name}
            </Link>
          ))}
        </p>
      )}
      {l.mine ? (
        <div className="mt-2 max-w-xl">
          {wanted.map((path) => (
            <TextField
              key={path}
              label="It was done; why all the same"
              path={`reasons.${path}`}
              issues={issues}
              maxLength={600}
              value={reasons[path] ?? ''}
              onChange={(x) => setReasons((r) => ({ ...r, [path]: x }))}
            />
          ))}
          <div className="flex flex-wrap gap-3">
            <button
              type="button"
              className="press press-main min-h-14"
              disabled={busy}
              onClick={() =>
                send({ how: 'send again', id: l.id, reasons }, () => {
                  said({ sentence: 'It is written now.' });
                  router.refresh();
                })
              }
            >
              {wanted.length ? 'Write it with the reason' : 'Try again'}
            </button>
            <button
              type="button"
              className="press press-plain min-h-14"
              aria-expanded={aside !== null}
              onClick={() => setAside(aside === null ? '' : null)}
            >
              Set it aside
            </button>
          </div>
          {aside !== null && (
            <div className="mt-2">
              <TextField
                label="Why it is not written"
                path="words"
                issues={issues}
                maxLength={600}
                value={aside}
                onChange={setAside}
              />
              <button
                type="button"
                className="press min-h-14"
                disabled={busy}
                onClick={() =>
                  send({ how: 'set aside', id: l.id, words: aside }, () => {
                    said({ sentence: 'Set aside; it stays kept with its reason.' });
                    router.refresh();
                  })
                }
              >
                Set aside
              </button>
            </div>
          )}
          <FormIssues issues={issues} known={['words', ...wanted.map((w) => `reasons.${w}`)]} />
        </div>
      ) : (
        <p className="mt-2 text-[0.9375rem]">{l.by} settles it, or somebody who may correct the book.</p>
      )}
    </li>
  );
}

/** A phone that was lost is given nothing any more; one that was found is let in again. */
export const EndPhone = ({ id, ended, name }: { id: string; ended: boolean; name: string }) => (
  <UndoPress
    action={endPhone}
    input={{ phoneId: id, ended: !ended }}
    label={`${ended ? 'Let it in again' : 'It was lost: end it'}: ${name}`}
    sentence={ended ? 'It is let in again.' : 'This phone is given nothing any more.'}
    undo={() => endPhone({ phoneId: id, ended })}
  >
    {ended ? 'Let it in again' : 'It was lost: end it'}
  </UndoPress>
);
