import { inMajor } from '@/core/cost/prices';
import { ROLES, rightsTable } from '@/core/people/rights';
import { listPeople } from '@/store/people';
import { shortDay } from '@/ui/words';
import { Frame } from '@/ui/frame/frame';
import { Section } from '@/ui/frame/pieces';
import { allows, viewer } from '../../../_server/viewer';
import { AddPerson, ChangePerson, ChooseSchools, PricesForm } from './team.client';

export const metadata = { title: 'People' };

export default async function People() {
  const v = await viewer();
  const people = await listPeople(v);
  const manage = allows(v, 'manage people');
  /** Prices that nobody entered are asked, not shown as if they were the company's. */
  const typed = (x: number) => (v.prices.unentered ? '' : String(x));
  const margin = (
    <p className="text-[0.9375rem]">
      {manage
        ? 'A licence that has run out stops what needs one. Somebody who leaves is closed out, never erased: the book keeps their name.'
        : 'Only an owner changes who works here.'}
    </p>
  );
  return (
    <Frame
      tag={<p className="text-head leading-tight font-extrabold">People</p>}
      margin={margin}
      handle="About licences"
    >
      <h1>Who works here</h1>
      <ul className="mt-4">
        {people.map((person) => (
          <li key={person.id} className="row py-3">
            <p>
              <b>{person.name}</b>, {person.role}
              {!person.active && <b className="text-madder"> (closed)</b>}
            </p>
            <p className="text-[0.9375rem] text-ink-2">
              {person.email}.{' '}
              {person.licenceNumber
                ? `Licence ${person.licenceNumber} (${person.licenceCategories.join(', ')})${person.licenceExpires ? `, until ${shortDay(person.licenceExpires)}` : ''}.`
                : 'No licence entered.'}
            </p>
            {manage && <ChangePerson person={person} />}
          </li>
        ))}
      </ul>
      {manage && (
        <Section title="Somebody new">
          <AddPerson />
        </Section>
      )}
      {manage && (
        <Section title="Prices" aside="for the estimates that are shown and offered">
          <PricesForm
            prices={{
              currency: v.prices.currency,
              visit: typed(inMajor(v.prices.visit, v.prices)),
              hour: typed(inMajor(v.prices.hour, v.prices)),
              device: typed(inMajor(v.prices.device, v.prices)),
              removeAndReplant: typed(inMajor(v.prices.removeAndReplant, v.prices)),
              discount: typed(100 * v.prices.discount),
            }}
          />
        </Section>
      )}
      {manage && (
        <Section title="Schools" aside="where practitioners disagree">
          <ChooseSchools
            chosen={{ ...v.schools, crownLoss: String(v.schools.crownLoss) as '30' | '50' | 'knowledge' }}
          />
        </Section>
      )}
      <Section title="Who may do what">
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Who may what">
          <table className="dense max-w-3xl">
            <thead>
              <tr>
                <th>To</th>
                {ROLES.map((r) => (
                  <th key={r}>{r}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rightsTable().map((row) => (
                <tr key={row.right}>
                  <td>{row.right}</td>
                  {ROLES.map((r) => (
                    <td key={r}>{row.roles.includes(r) ? <b>yes</b> : 'no'}</td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </Section>
    </Frame>
  );
}
