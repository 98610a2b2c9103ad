import { within, type Scope } from './db';

/** What is told to a client. */
export interface Message {
  id: string;
  clientId: string;
  clientName: string;
  contact: string;
  placeId: string;
  placeName: string;
  subject: string;
  body: string;
  at: Date;
  carriedAt: Date | null;
  receipt: string | null;
}
const messages = (scope: Scope, roundId: string | null): Promise<Message[]> =>
  within(scope, async (tx) => [
    ...(await tx<Message[]>`
      select m.id, m.client_id as "clientId", c.name as "clientName", c.contact, m.place_id as "placeId",
        p.name as "placeName", m.subject, m.body, m.at, m.carried_at as "carriedAt", m.receipt
      from message m
      join client c on c.company_id = m.company_id and c.id = m.client_id
      join place p on p.company_id = m.company_id and p.id = m.place_id
      where m.company_id = ${scope.companyId} and ${roundId ? tx`m.round_id = ${roundId}` : tx`m.carried_at is null`}
      order by m.at, m.id
      limit 200`),
  ]);
export const messagesOfRound = (scope: Scope, roundId: string) => messages(scope, roundId);
/** What no carrier has taken yet. */
export const messagesWaiting = (scope: Scope) => messages(scope, null);

export const addMessages = (
  scope: Scope,
  of: readonly { id: string; placeId: string; roundId: string | null; subject: string; body: string }[],
) =>
  within(scope, async (tx) => {
    for (const m of of)
      await tx`
        insert into message (id, company_id, client_id, place_id, round_id, subject, body, by_person)
        select ${m.id}, p.company_id, p.client_id, p.id, ${m.roundId}, ${m.subject}, ${m.body}, ${scope.personId}
        from place p
        where p.company_id = ${scope.companyId} and p.id = ${m.placeId}
        on conflict (id) do nothing`;
  });
/** A carrier has taken it. */
export const messageCarried = (scope: Scope, id: string, receipt: string) =>
  within(
    scope,
    (tx) => tx`
      update message
      set carried_at = clock_now(), receipt = ${receipt}
      where company_id = ${scope.companyId} and id = ${id} and carried_at is null`,
  );
