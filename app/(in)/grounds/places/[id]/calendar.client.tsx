'use client';

import { FormFaults } from '@/ui/controls/controls';
import { MadeAddress } from '@/ui/controls/made-address.client';
import { useSend } from '@/ui/controls/use.client';
import { useSaid } from '@/ui/frame/undo.client';
import { makePlaceCalendar, stopPlaceCalendar } from '../../actions';

/** A calendar for the client of a place: when somebody comes and for what, by an address that can be ended. */
export function ClientCalendar({ placeId }: { placeId: string }) {
  const said = useSaid();
  const { send, busy, faults } = useSend(stopPlaceCalendar);
  return (
    <section>
      <h2 className="text-body">For the client</h2>
      <p className="mb-2 text-[0.9375rem]">
        A calendar of this place follows every move: what is planned, done and off. A new address ends the one before.
      </p>
      <MadeAddress
        label="The client subscribes to"
        press="Make a calendar address"
        input={{ placeId }}
        action={makePlaceCalendar}
      />
      <button
        className="press press-plain"
        disabled={busy}
        onClick={() => send({ placeId }, () => said({ sentence: 'The address has stopped working.' }))}
      >
        Stop the address
      </button>
      <FormFaults faults={faults} />
    </section>
  );
}
