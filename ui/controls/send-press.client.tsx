'use client';

import type { Issue } from '@/lib/result';
import { useRouter } from 'next/navigation';
import { FormIssues } from './controls';
import { useSend } from './use.client';
import { useNotify } from '@/ui/frame/undo.client';

/** A press that sends one thing and says what came of it; what is refused stands below it. */
export function SendPress<I>({
  action,
  input,
  said,
  children,
}: {
  action: (input: I) => Promise<{ ok: true; value: unknown } | { ok: false; issues: Issue[] }>;
  input: I;
  /** What is said once it is done. */
  said: string;
  children: React.ReactNode;
}) {
  const { busy, issues, send } = useSend(action);
  const router = useRouter();
  const say = useNotify();
  return (
    <>
      <button
        type="button"
        className="press"
        disabled={busy}
        onClick={() =>
          send(input, () => {
            say({ sentence: said });
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
