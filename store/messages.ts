import { within, type Scope } from './db';

/** What is told to a client. */
export interface Message {
  id: string;
  clientId: string;
  clientName: string;
  contact: string;
  siteId: string;
  siteName: string;
  subject: string;
  body: string;
  at: Date;
  carriedAt: Date | null;
  receipt: string | null;
}
const messages = (scope: Scope, crewDayId: string | null): Promise<Message[]> =>
  within(scope, async (tx) => [
    ...(await tx<Message[]>`
      select m.id, m.client_id as "clientId", c.name as "clientName", c.contact, m.site_id as "siteId",
        p.name as "siteName", m.subject, m.body, m.at, m.carried_at as "carriedAt", m.receipt
      from message m
      join client c on c.company_id = m.company_id and c.id = m.client_id
      join site p on p.company_id = m.company_id and p.id = m.site_id
      where m.company_id = ${scope.companyId} and ${crewDayId ? tx`m.crew_day_id = ${crewDayId}` : tx`m.carried_at is null`}
      order by m.at, m.id
      limit 200`),
  ]);
export const messagesOfCrewDay = (scope: Scope, crewDayId: string) => messages(scope, crewDayId);
/** What no carrier has taken yet. */
export const messagesWaiting = (scope: Scope) => messages(scope, null);

export const addMessages = (
  scope: Scope,
  of: readonly { id: string; siteId: string; crewDayId: string | null; subject: string; body: string }[],
) =>
  within(scope, async (tx) => {
    for (const m of of)
      await tx`
        insert into message (id, company_id, client_id, site_id, crew_day_id, subject, body, by_person)
        select ${m.id}, p.company_id, p.client_id, p.id, ${m.crewDayId}, ${m.subject}, ${m.body}, ${scope.personId}
        from site p
        where p.company_id = ${scope.companyId} and p.id = ${m.siteId}
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
