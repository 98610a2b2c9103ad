import { refuse, type Issue, type Result } from '@/lib/result';
import { heldBy } from '@/store/stock';
import { command } from '@/commands/command';
import { treatmentContextFor, usualChoices, weighingOf, workFactsOf } from '@/facts/treatment-context';
import { detectionsNear, treeOf } from '@/facts/tree';
import { noTree } from '@/commands/trees/no-tree';
import { numberAt, typed } from '@/lib/units/typed';
import { uuid } from '@/lib/ids';
import { scoreUse, scoreWork } from '@/core/prescribe/compare';
import { prescribe } from '@/core/prescribe/prescribe';
import { findUse, WORK } from '@/core/prescribe/shelf';
import type { Choices } from '@/core/gates/context';
import { NO_PRICES } from '@/core/cost/prices';
import { DAYS_OPEN, offer } from '@/core/quotes/quote';
import { USUAL_PROGRAMME } from '@/core/season/programme';
import { usualAnswers } from '@/core/work/work';
import { findWork } from '@/knowledge/works';
import { insertQuote } from '@/store/quotes';
import { spotOf } from '@/facts/diagnosis';
import { yearOf } from '@/facts/season';
import { z } from 'zod';

/** Offers ways to the client: each weighed again here, as the tree and the shelf stand now. */
export const sendQuote = command({
  name: 'send-quote',
  right: 'prescribe',
  schema: z.object({
    id: uuid,
    treeId: uuid,
    keys: z.array(z.string().max(200)).min(1, 'Offer one way at least.').max(12, 'At most twelve ways.'),
    message: z.string().trim().max(2000, 'At most 2000 characters.'),
    days: typed,
  }),
  run: async ({ viewer, receivedAt, station }, p): Promise<Result<{ path: string }>> => {
    const issues: Issue[] = [];
    const days = numberAt(issues, 'days', p.days, { name: 'The days', ...DAYS_OPEN, whole: true });
    if (issues.length) return { ok: false, issues };
    if (viewer.prices.unentered) return refuse('keys', NO_PRICES);
    const [tree, held] = await Promise.all([treeOf(viewer, p.treeId, receivedAt), heldBy(viewer)]);
    if (!tree) return noTree;
    const [detections, year] = await Promise.all([
      detectionsNear(viewer, tree),
      yearOf(viewer, tree, station, receivedAt),
    ]);
    const weather = station(spotOf(tree)).at(receivedAt);
    const treatmentContext = treatmentContextFor(viewer, tree, {
      held,
      detections,
      now: receivedAt,
      problem: null,
      year,
    });
    // What is offered is done when it can be done: a client decides in winter on what is done in June.
    const choices: Choices = { ...usualChoices(tree, weather, year), system: viewer.units, when: { kind: 'window' } };
    const facts = workFactsOf(viewer, tree, receivedAt);
    const by = weighingOf(viewer, tree, receivedAt);
    const weighed = p.keys.flatMap((key) => {
      const work = key.startsWith(WORK) ? findWork(key.slice(WORK.length)) : null;
      if (work)
        return facts
          ? scoreWork({ work, sheet: work.workOut(facts, usualAnswers(work, facts)), held: 0, weighing: by })
          : [];
      const found = findUse(held.labels, key);
      if (!found) return [];
      const { label, use } = found;
      return (
        scoreUse({ label, use, result: prescribe(treatmentContext, label, use, choices), held: 0, weighing: by }) ?? []
      );
    });
    const never = weighed.find((w) => w.forbidden);
    if (never)
      return refuse('keys', `${never.method}, ${never.name}: ${never.forbidden}. What is forbidden is not offered.`);
    if (!weighed.length) return refuse('keys', 'None of these ways can be worked out for this tree.');
    const token = await insertQuote(viewer, {
      id: p.id,
      treeId: tree.id,
      days: days!,
      data: {
        company: viewer.companyName,
        by: viewer.name,
        client: tree.clientName,
        place: tree.siteName,
        tag: tree.tag,
        host: treatmentContext.host.name,
        found: treatmentContext.condition
          ? `${treatmentContext.condition.name}. ${treatmentContext.condition.tell}`
          : 'Nothing has been named yet.',
        message: p.message,
        currency: viewer.prices.currency,
        years: (by.programme ?? USUAL_PROGRAMME).years,
        options: weighed.map(offer),
        changes: tree.changes
          .filter((c) => c.state === 'open')
          .map((c) => ({ id: c.id, what: c.what, price: c.priceMinor })),
      },
    });
    return { ok: true, value: { path: `/share/${token}` } };
  },
});
