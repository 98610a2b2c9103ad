'use client';

import Link from 'next/link';
import { FormIssues } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { startDay } from '../../../offline-commands.client';
import { phoneNow } from '@/ui/phone/clock.client';

/** The one thing to do next with the day as a whole: set out, or come home. */
export function Begin({
  crewDayId,
  begun,
  closed,
  may,
}: {
  crewDayId: string;
  begun: boolean;
  closed: boolean;
  may: boolean;
}) {
  const { busy, issues, send } = useSend(startDay);
  const said = useNotify();
  if (closed)
    return (
      <p className="mt-7">
        <Link className="press" href={`/jobs/day/${crewDayId}/finish`}>
          What was done, on one page
        </Link>
      </p>
    );
  return (
    <div className="mt-7">
      <FormIssues issues={issues} known={[]} />
      {begun ? (
        <Link className="press min-h-14 phone:w-full" href={`/jobs/day/${crewDayId}/finish`}>
          Home: close the day
        </Link>
      ) : (
        may && (
          <button
            type="button"
            data-confirm
            className="press press-main min-h-14 phone:w-full"
            disabled={busy}
            onClick={() =>
              send({ crewDayId, at: phoneNow().toISOString() }, () => {
                window.scrollTo({ top: 0 });
                said({
                  sentence: 'Set out. Nobody plans this day anew now.',
                  undo: () => startDay({ crewDayId, at: null }),
                });
              })
            }
          >
            Set out
          </button>
        )
      )}
    </div>
  );
}
