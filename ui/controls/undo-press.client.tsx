'use client';

import type { Issue } from '@/lib/result';
import { useRouter } from 'next/navigation';
import type { ReactNode } from 'react';
import { useNotify } from '@/ui/frame/undo.client';
import { FormIssues } from './controls';
import { useSend } from './use.client';

type Answered = { ok: true; value: unknown } | { ok: false; issues: Issue[] };

/** A press that does one thing, says so, offers to undo it, and shows the page as it is then. */
export function UndoPress<I>({
  action,
  input,
  sentence,
  undo,
  label,
  className = 'press press-plain',
  children,
}: {
  action: (input: I) => Promise<Answered>;
  input: I;
  /** What was done. */
  sentence: string;
  undo?: (() => Promise<unknown>) | undefined;
  /** For whoever does not see what it stands beside. */
  label?: string;
  className?: string;
  children: ReactNode;
}) {
  const router = useRouter();
  const said = useNotify();
  const { busy, issues, send } = useSend(action);
  return (
    <>
      <button
        type="button"
        className={className}
        aria-label={label}
        disabled={busy}
        onClick={() =>
          send(input, () => {
            said({ sentence, ...(undo ? { undo } : {}) });
            router.refresh();
          })
        }
      >
        {children}
      </button>
      <FormIssues issues={issues} />
    </>
  );
}
