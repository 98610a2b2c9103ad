'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 } from 'uuid';
import { money, type Prices } from '@/core/cost/prices';
import { totalOf, type QuoteLine } from '@/core/quotes/property';
import { FormIssues } from '@/ui/controls/controls';
import { QuoteTermsForm } from '@/ui/controls/offer-terms.client';
import { useSend } from '@/ui/controls/use.client';
import { LineTicks } from '@/app/share/[token]/lines';
import { sendSiteQuote } from '../../../trees/actions';

/** What is planned on a property, ticked line by line, what it comes to, and an address for its client. */
export function QuoteForm({ siteId, lines, prices }: { siteId: string; lines: QuoteLine[]; prices: Prices }) {
  const router = useRouter();
  const [keys, setKeys] = useState(lines.map((l) => l.key));
  const { busy, issues, send } = useSend(sendSiteQuote);
  const sum = totalOf({ lines, comingOut: prices.visit }, keys);
  return (
    <div>
      <FormIssues issues={issues} known={['days', 'message']} />
      <LineTicks lines={lines} currency={prices.currency} keys={keys} onKeys={setKeys} />
      <p className="mt-4 figures" aria-live="polite">
        Work and material {money(sum.work, prices)}, coming out on {sum.days} {sum.days === 1 ? 'day' : 'days'}{' '}
        {money(sum.comingOut, prices)}: <b className="text-lead">{money(sum.total, prices)}</b>
        {sum.maybe > 0 && `; what waits for a look would be ${money(sum.maybe, prices)} more`}
      </p>
      <QuoteTermsForm
        issues={issues}
        busy={busy}
        ready={keys.length > 0}
        className="press press-main phone:w-full"
        onMake={(terms, made) =>
          send({ id: v7(), siteId, keys, ...terms }, ({ path }) => {
            made(path);
            router.refresh();
          })
        }
      />
    </div>
  );
}
