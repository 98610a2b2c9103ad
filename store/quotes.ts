import { hashOf, newToken } from './token';
import type { Quote, QuoteAnswer } from '@/core/quotes/quote';
import { isProperty } from '@/core/quotes/property';
import type { SiteQuote } from '@/core/quotes/property-schema';
import { dayIn } from '@/lib/calendar/zone';
import { clockNow } from './clock';
import { declineItems } from './declined';
import { db, json, within, type Scope, type Tx } from './db';

/** An offer as somebody finds it again: of a tree its ways, of a property its lines. */
export interface QuoteHead<D = Quote> {
  id: string;
  at: Date;
  byName: string;
  data: D;
  expiresAt: Date;
  revokedAt: Date | null;
  answer: { options: string[]; who: string; word: string; at: Date } | null;
}

/** Writes a proposal; the token of its address is given once, only its hash is kept. */
export async function insertQuote(
  scope: Scope,
  p: { id: string; days: number } & ({ treeId: string; data: Quote } | { siteId: string; data: SiteQuote }),
) {
  const token = newToken(24);
  const [treeId, siteId] = 'treeId' in p ? [p.treeId, null] : [null, p.siteId];
  await within(
    scope,
    (tx) => tx`
      insert into quote (id, company_id, tree_id, site_id, token_hash, data, expires_at, by_person)
      values (${p.id}, ${scope.companyId}, ${treeId}, ${siteId}, ${hashOf(token)}, ${json(tx, p.data)},
        clock_now() + make_interval(days => ${p.days}), ${scope.personId})`,
  );
  return token;
}

const heads = (tx: Tx, scope: Scope, of: ReturnType<Tx>) => tx`
  select p.id, p.at, n.name as "byName", p.data, p.expires_at as "expiresAt", p.cancelled_at as "revokedAt",
    case when a.quote_id is not null
      then jsonb_build_object('options', a.option_keys, 'who', a.who, 'word', a.word, 'at', a.at) end as answer
  from quote p
  join person n on n.id = p.by_person
  left join quote_answer a on a.company_id = p.company_id and a.quote_id = p.id
  where p.company_id = ${scope.companyId} and ${of}
  order by p.at desc
  limit 20`;
export const treeQuotes = (scope: Scope, treeId: string): Promise<QuoteHead[]> =>
  within(scope, async (tx) => [...(await heads(tx, scope, tx`p.tree_id = ${treeId}`))] as unknown as QuoteHead[]);
export const siteQuotes = (scope: Scope, siteId: string): Promise<QuoteHead<SiteQuote>[]> =>
  within(
    scope,
    async (tx) => [...(await heads(tx, scope, tx`p.site_id = ${siteId}`))] as unknown as QuoteHead<SiteQuote>[],
  );

/**
 * What clients have taken of the offers for their properties: plans, works, looks and visits of programmes, by their id.
 * @param places ids of places, as an array of the database
 */
export const acceptedAt = (tx: Tx, companyId: string, places: ReturnType<Tx>) => tx`
  select jsonb_array_elements_text(o->'covers')::uuid as id
  from quote p
  join quote_answer a on a.company_id = p.company_id and a.quote_id = p.id
  cross join lateral jsonb_array_elements(p.data->'lines') o
  where p.company_id = ${companyId} and p.site_id = any(${places}) and p.cancelled_at is null
    and o->>'key' = any(a.option_keys)`;

export const cancelQuoteRow = (scope: Scope, id: string) =>
  within(scope, (tx) => tx`update quote set cancelled_at = clock_now() where id = ${id} and cancelled_at is null`);

export interface SharedQuote<D = Quote | SiteQuote> {
  id: string;
  data: D;
  expiresAt: Date;
  /** What the company prints on. */
  paper: 'A4' | 'Letter';
  answer: { options: string[]; changes: string[]; who: string; at: Date } | null;
}
const scopeOf = async (token: string): Promise<(Scope & { id: string }) | null> => {
  const [found] = await db()<
    { id: string; company_id: string; person_id: string }[]
  >`select * from quote_lookup(${hashOf(token)})`;
  return found ? { id: found.id, companyId: found.company_id, personId: found.person_id } : null;
};

/** What an address opens; null when it never existed, has run out or was revoked: all three look alike from outside. */
export async function sharedQuote(token: string): Promise<SharedQuote | null> {
  const scope = await scopeOf(token);
  if (!scope) return null;
  return within(scope, async (tx) => {
    const [p] = await tx<SharedQuote[]>`
      select p.id, p.data, p.expires_at as "expiresAt", o.paper,
        case when a.quote_id is not null then jsonb_build_object('options', a.option_keys, 'changes', a.changes, 'who', a.who, 'at', a.at) end as answer
      from quote p
      join company o on o.id = p.company_id
      left join quote_answer a on a.company_id = p.company_id and a.quote_id = p.id
      where p.id = ${scope.id}`;
    return p ?? null;
  });
}

/** Keeps the client's answer, the first one only; what was found while digging is settled by the same word. */
export async function insertQuoteAnswer(
  token: string,
  a: QuoteAnswer,
): Promise<'kept' | 'gone' | 'answered' | 'unknown option'> {
  const scope = await scopeOf(token);
  if (!scope) return 'gone';
  return within(scope, async (tx) => {
    const [p] = await tx<{ data: Quote | SiteQuote }[]>`select data from quote where id = ${scope.id}`;
    if (!p) return 'gone';
    const offered = isProperty(p.data) ? p.data.lines : p.data.options;
    if (a.options.some((k) => !offered.some((o) => o.key === k))) return 'unknown option';
    const changes = isProperty(p.data) ? [] : p.data.changes;
    const agreed = changes.filter((c) => a.changes.includes(c.id)).map((c) => c.id);
    const made = await tx`insert into quote_answer (quote_id, company_id, option_keys, changes, who, word)
      values (${scope.id}, ${scope.companyId}, ${[...new Set(a.options)]}, ${agreed}, ${a.who}, ${a.word})
      on conflict do nothing`;
    if (!made.count) return 'answered';
    if (isProperty(p.data)) {
      const taken = p.data.lines.filter((l) => a.options.includes(l.key)).flatMap((l) => l.covers);
      const declined = p.data.lines.filter((l) => !a.options.includes(l.key)).flatMap((l) => l.covers);
      const day = dayIn(clockNow(), 'UTC');
      await declineItems(
        tx,
        scope,
        declined.filter((id) => !taken.includes(id)),
        `Declined by ${a.who}, ${day}.`,
      );
    }
    for (const c of changes)
      await tx`update plan_change set state = ${agreed.includes(c.id) ? 'approved' : 'declined'}, settled_at = clock_now(), settled_by = ${scope.personId},
        settled_how = ${`${a.who}, on the shared page`} where id = ${c.id} and state = 'open'`;
    return 'kept';
  });
}
