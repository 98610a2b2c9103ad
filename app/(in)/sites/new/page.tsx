import { listClients } from '@/store/sites';
import { refusal } from '@/core/people/rights';
import { Frame } from '@/ui/frame/frame';
import { allows, viewer } from '@/app/_server/viewer';
import { regionChoices } from '../../trees/choices';
import { SiteForm } from '../site.client';

export const metadata = { title: 'New place' };

export default async function NewSite() {
  const v = await viewer();
  const clients = await listClients(v);
  return (
    <Frame
      tag={<p className="text-head leading-tight font-extrabold">New place</p>}
      margin={
        <p className="text-[0.9375rem]">
          What is entered here feeds the gates: the distance to water, the area that a yearly cap counts, the first
          picking. What nobody has said is asked, never assumed.
        </p>
      }
      handle="What this is for"
    >
      <h1 className="mb-4">New place</h1>
      {!allows(v, 'edit grounds') && <p>{refusal(v.role, 'edit grounds')}</p>}
      {allows(v, 'edit grounds') && !clients.length && <p>Enter the client first, in the margin of Trees.</p>}
      {allows(v, 'edit grounds') && clients.length > 0 && (
        <SiteForm
          place={null}
          clients={clients.map((c) => ({ value: c.id, name: c.name }))}
          regions={regionChoices(v)}
          units={v.units}
        />
      )}
    </Frame>
  );
}
