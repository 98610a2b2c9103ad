'use client';

import type { Issue } from '@/lib/result';
import { useEffect, useState } from 'react';
import { clockWords, isWrong } from '@/core/phone/clock';
import { FormIssues } from '@/ui/controls/controls';
import { FilePress } from '@/ui/controls/file.client';
import { Section } from '@/ui/frame/pieces';
import { useNotify } from '@/ui/frame/undo.client';
import { offlinePages } from '@/ui/phone/offline-copy.client';
import { handOver } from '@/ui/phone/outbox.client';
import { usePhone } from '@/ui/phone/phone.client';
import type { OfflinePage } from '@/ui/phone/store.client';

const MB = 1_048_576;
const size = (bytes: number) => (bytes < MB ? `${Math.ceil(bytes / 1024)} kB` : `${(bytes / MB).toFixed(1)} MB`);
/** A phone with less room than this may lose what it holds. */
const LOW_MB = 50;

interface Room {
  freeMb: number | null;
  kept: boolean;
}
async function room(): Promise<Room> {
  const { quota, usage } = (await navigator.storage?.estimate?.()) ?? {};
  return {
    freeMb: quota === undefined || usage === undefined ? null : (quota - usage) / MB,
    kept: (await navigator.storage?.persisted?.()) ?? false,
  };
}

/** What waits on this phone and what it holds; all of it works without signal. */
export function ThisPhone() {
  const phone = usePhone();
  const said = useNotify();
  const { waiting, sealed, signal, holding } = phone;
  const [held, setHeld] = useState<OfflinePage[] | null>(null);
  const [space, setSpace] = useState<Room | null>(null);
  const [issues, setIssues] = useState<Issue[]>([]);
  useEffect(() => {
    void offlinePages().then(setHeld);
    void room().then(setSpace);
  }, [holding]);
  const others = sealed - waiting.length;
  const take = async () => {
    for (const { name, file } of await handOver()) {
      const link = document.createElement('a');
      link.href = URL.createObjectURL(file);
      link.download = name;
      link.click();
      setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
    }
    said({ sentence: 'Carry the file to a phone or desk with signal; only the server can open it.' });
  };
  const bring = async (file: File) => {
    setIssues([]);
    try {
      const answer = await fetch('/api/phone/transfer', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: await file.text(),
      });
      const got = (await answer.json()) as {
        ok?: boolean;
        value?: { synced: number; refused: number; by: string };
        issues?: Issue[];
      };
      if (got.ok && got.value)
        said({
          sentence: `${got.value.synced} of ${got.value.by} landed${got.value.refused ? `, ${got.value.refused} need a look` : ''}.`,
        });
      else setIssues(got.issues ?? []);
    } catch {
      setIssues([{ path: '', message: 'No answer from the server; the file is still where it was.' }]);
    }
  };
  const rounds = (held ?? []).filter((h) => h.crewDayId !== null);
  const oldest = rounds.length ? Math.min(...rounds.map((h) => h.at)) : null;
  return (
    <>
      <h1>
        {waiting.length
          ? `${waiting.length} ${waiting.length === 1 ? 'thing waits' : 'things wait'} to be sent`
          : 'Nothing waits on this phone'}
      </h1>
      <p className="mt-1 text-ink-2" role="status">
        {holding
          ? `Holding the rounds: ${holding.done} of ${holding.of} …`
          : signal === null
            ? 'Looking for the server …'
            : signal
              ? 'In touch with the server.'
              : 'No signal. What you write is kept here and sent in its order when there is some.'}
      </p>
      {isWrong(phone.aheadS) && (
        <p className="mt-2 border-l-4 border-sap pl-3 font-semibold text-sap">{clockWords(phone.aheadS)}</p>
      )}
      {space?.freeMb !== null && space !== null && space.freeMb < LOW_MB && (
        <p className="mt-2 border-l-4 border-madder pl-3 font-semibold text-madder">
          This phone is nearly full: {Math.round(space.freeMb)} MB are left. Make room before going out.
        </p>
      )}
      {waiting.length > 0 && (
        <ol className="mt-3">
          {waiting.map((w) => (
            <li key={w.id} className="row flex items-baseline justify-between gap-4 py-2">
              <span className="font-semibold">{w.what}</span>
              <span className="figures text-[0.9375rem] text-ink-2">
                {new Date(w.at).toLocaleString('en-GB', {
                  day: 'numeric',
                  month: 'short',
                  hour: '2-digit',
                  minute: '2-digit',
                })}
              </span>
            </li>
          ))}
        </ol>
      )}
      {others > 0 && (
        <p className="mt-2">
          {others === 1 ? 'One thing' : `${others} things`} of somebody else {others === 1 ? 'waits' : 'wait'} here,
          sealed: sent when they sign in on this phone, or handed over.
        </p>
      )}
      <div className="no-print mt-4 flex flex-wrap gap-3">
        <button type="button" className="press press-main min-h-14" disabled={holding !== null} onClick={phone.now}>
          {waiting.length ? 'Send now' : 'Fetch anew'}
        </button>
        {sealed > 0 && (
          <button type="button" className="press min-h-14" onClick={() => void take()}>
            Hand over in a file
          </button>
        )}
        <FilePress
          label="Take what another phone handed over"
          accept="application/json,.json"
          className="min-h-14"
          onFile={(file) => void bring(file)}
        />
      </div>
      <FormIssues issues={issues} />
      <Section title="Held on this phone" aside={held ? size(held.reduce((a, h) => a + h.bytes, 0)) : ''}>
        {held === null ? null : rounds.length === 0 ? (
          <p className="text-ink-2">
            No round of yours in the coming days. Whoever goes out with a crew stands in it: Rounds, Crews.
          </p>
        ) : (
          <p>
            {rounds.length} pages of {new Set(rounds.map((h) => h.crewDayId)).size === 1 ? 'a round' : 'rounds'}; the
            oldest is of{' '}
            {new Date(oldest!).toLocaleString('en-GB', {
              day: 'numeric',
              month: 'short',
              hour: '2-digit',
              minute: '2-digit',
            })}
            . It may be shown for seven days after this phone last met the server.
          </p>
        )}
        <p className="text-[0.9375rem] text-ink-2">
          {space?.kept
            ? 'The browser has promised to keep it.'
            : 'The browser has not promised to keep it: put Elmhorn on the first page of this phone.'}
        </p>
      </Section>
    </>
  );
}
