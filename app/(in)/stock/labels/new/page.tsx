import { uuid } from '@/lib/ids';
import { conditionsNow, hostsNow } from '@/knowledge';
import { getLabel } from '@/store/stock';
import { refusal } from '@/core/people/rights';
import { Frame } from '@/ui/frame/frame';
import { allows, viewer } from '@/app/_server/viewer';
import { LabelEditor } from './editor.client';

export const metadata = { title: 'Enter a label' };

export default async function NewLabel({ searchParams }: { searchParams: Promise<{ from?: string }> }) {
  const v = await viewer();
  const from = (await searchParams).from;
  const held = uuid.safeParse(from).success ? await getLabel(v, from!) : null;
  if (!allows(v, 'keep the shelf'))
    return (
      <Frame tag={<p className="text-lead font-extrabold">Stock</p>} margin={null}>
        <h1>{refusal(v.role, 'keep the shelf')}</h1>
      </Frame>
    );
  const hosts = hostsNow();
  const groups = [...new Set(hosts.flatMap((h) => h.groups))].map((g) => ({ id: g, name: `every ${g}` }));
  return (
    <LabelEditor
      from={held?.label ?? null}
      prices={{ currency: v.prices.currency }}
      hosts={[...groups, ...hosts.map((h) => ({ id: h.id, name: h.name }))]}
      targets={conditionsNow().map((c) => ({ id: c.id, name: c.name }))}
      units={v.units}
    />
  );
}
