import { hashOf, newToken } from './token';
import type { Proposal, ProposalAnswer } from '@/core/proposal/proposal';
import { isProperty } from '@/core/proposal/property';
import type { PropertyProposal } from '@/core/proposal/property-schema';
import { dayIn } from '@/core/season/zone';
import { clockNow } from './clock';
import { declineItems } from './declined';
import { db, json, within, type Scope, type Tx } from './db';

/** An offer as somebody finds it again: of a tree its ways, of a property its lines. */
export interface ProposalHead<D = Proposal> {
  id: string;
  at: Date;
  byName: string;
  data: D;
  expiresAt: Date;
  revokedAt: Date | null;
  answer: { options: string[]; who: string; word: string; at: Date } | null;
}

/** Writes a proposal; the token of its address is given once, only its hash is kept. */
export async function addProposal(
  scope: Scope,
  p: { id: string; days: number } & ({ treeId: string; data: Proposal } | { placeId: string; data: PropertyProposal }),
) {
  const token = newToken(24);
  const [treeId, placeId] = 'treeId' in p ? [p.treeId, null] : [null, p.placeId];
  await within(
    scope,
    (tx) => tx`
      insert into proposal (id, company_id, tree_id, place_id, token_hash, data, expires_at, by_person)
      values (${p.id}, ${scope.companyId}, ${treeId}, ${placeId}, ${hashOf(token)}, ${json(tx, p.data)},
        clock_now() + make_interval(days => ${p.days}), ${scope.personId})`,
  );
  return token;
}

const heads = (tx: Tx, scope: Scope, of: ReturnType<Tx>) => tx`
  select p.id, p.at, n.name as "byName", p.data, p.expires_at as "expiresAt", p.revoked_at as "revokedAt",
    case when a.proposal_id is not null
      then jsonb_build_object('options', a.option_keys, 'who', a.who, 'word', a.word, 'at', a.at) end as answer
  from proposal p
  join person n on n.id = p.by_person
  left join proposal_answer a on a.company_id = p.company_id and a.proposal_id = p.id
  where p.company_id = ${scope.companyId} and ${of}
  order by p.at desc
  limit 20`;
export const treeProposals = (scope: Scope, treeId: string): Promise<ProposalHead[]> =>
  within(scope, async (tx) => [...(await heads(tx, scope, tx`p.tree_id = ${treeId}`))] as unknown as ProposalHead[]);
export const propertyProposals = (scope: Scope, placeId: string): Promise<ProposalHead<PropertyProposal>[]> =>
  within(
    scope,
    async (tx) =>
      [...(await heads(tx, scope, tx`p.place_id = ${placeId}`))] as unknown as ProposalHead<PropertyProposal>[],
  );

/**
 * What clients have taken of the offers for their properties: plans, works, looks and visits of programmes, by their id.
 * @param places ids of places, as an array of the database
 */
export const soldAt = (tx: Tx, companyId: string, places: ReturnType<Tx>) => tx`
  select jsonb_array_elements_text(o->'covers')::uuid as id
  from proposal p
  join proposal_answer a on a.company_id = p.company_id and a.proposal_id = p.id
  cross join lateral jsonb_array_elements(p.data->'lines') o
  where p.company_id = ${companyId} and p.place_id = any(${places}) and p.revoked_at is null
    and o->>'key' = any(a.option_keys)`;

export const revokeProposal = (scope: Scope, id: string) =>
  within(scope, (tx) => tx`update proposal set revoked_at = clock_now() where id = ${id} and revoked_at is null`);

export interface SharedProposal<D = Proposal | PropertyProposal> {
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
  >`select * from proposal_lookup(${hashOf(token)})`;
  return found ? { id: found.id, companyId: found.company_id, personId: found.person_id } : null;
};

/** What an address opens; null when it never existed, has run out or was revoked: all three look alike from outside. */
export async function sharedProposal(token: string): Promise<SharedProposal | null> {
  const scope = await scopeOf(token);
  if (!scope) return null;
  return within(scope, async (tx) => {
    const [p] = await tx<SharedProposal[]>`
      select p.id, p.data, p.expires_at as "expiresAt", o.paper,
        case when a.proposal_id is not null then jsonb_build_object('options', a.option_keys, 'changes', a.changes, 'who', a.who, 'at', a.at) end as answer
      from proposal p
      join company o on o.id = p.company_id
      left join proposal_answer a on a.company_id = p.company_id and a.proposal_id = p.id
      where p.id = ${scope.id}`;
    return p ?? null;
  });
}

/** Keeps the client's answer, the first one only; what was found while digging is settled by the same word. */
export async function answerProposal(
  token: string,
  a: ProposalAnswer,
): Promise<'kept' | 'gone' | 'answered' | 'unknown option'> {
  const scope = await scopeOf(token);
  if (!scope) return 'gone';
  return within(scope, async (tx) => {
    const [p] = await tx<{ data: Proposal | PropertyProposal }[]>`select data from proposal where id = ${scope.id}`;
    if (!p) return 'gone';
    const offered = isProperty(p.data) ? p.data.lines : p.data.options;
    if (a.options.some((k) => !offered.some((o) => o.key === k))) return 'unknown option';
    const changes = isProperty(p.data) ? [] : p.data.changes;
    const agreed = changes.filter((c) => a.changes.includes(c.id)).map((c) => c.id);
    const made = await tx`insert into proposal_answer (proposal_id, company_id, option_keys, changes, who, word)
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
