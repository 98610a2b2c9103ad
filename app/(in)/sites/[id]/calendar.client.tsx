'use client';

import { FormIssues } from '@/ui/controls/controls';
import { MadeAddress } from '@/ui/controls/made-address.client';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { addSiteCalendar, deleteSiteCalendar } from '../../trees/actions';

/** A page and a calendar for the client of a place, by an address that can be ended. */
export function ClientCalendar({ siteId }: { siteId: string }) {
  const said = useNotify();
  const { send, busy, issues } = useSend(deleteSiteCalendar);
  return (
    <section>
      <h2 className="text-body">For the client</h2>
      <p className="mb-2 text-[0.9375rem]">
        A page of their own, and a calendar from it: when you come and for what, and what is left to them, with their
        own “done”. It follows every move. A new address ends the one before.
      </p>
      <MadeAddress label="The client opens" press="Make an address" input={{ siteId }} action={addSiteCalendar} />
      <button
        className="press press-plain"
        disabled={busy}
        onClick={() => send({ siteId }, () => said({ sentence: 'The address has stopped working.' }))}
      >
        Stop the address
      </button>
      <FormIssues issues={issues} />
    </section>
  );
}
