'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 } from 'uuid';
import type { Said } from '@/core/gates/said';
import { FormIssues } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { assignProgramme } from '../actions';

/** The one press: what the preview shows is planned, all of it or nothing. */
export function AssignIt(asked: {
  programme: string;
  siteId: string;
  treeIds: string[];
  from: string;
  until: string;
  reason: string;
  said: Said;
  carriedFrom: string | null;
}) {
  const router = useRouter();
  const said = useNotify();
  const [id] = useState(() => v7());
  const { busy, issues, send } = useSend(assignProgramme);
  const n = asked.treeIds.length;
  return (
    <div className="mt-6">
      <FormIssues issues={issues} known={[]} />
      <button
        type="button"
        className="press press-main phone:w-full"
        disabled={busy}
        onClick={() =>
          send({ id, ...asked }, ({ planned, left }) => {
            said({ sentence: `Laid: ${planned} visits are planned${left ? `, ${left} are left out` : ''}.` });
            router.push(`/schedule/programmes/assigned/${id}`);
          })
        }
      >
        Lay it over {n === 1 ? 'this tree' : `these ${n} trees`}
      </button>
    </div>
  );
}
