import { isLiquid } from '@/core/label/liquid';
import { stockView } from '@/views/stock';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine } from '@/ui/frame/pieces';
import { allows, todayOf, viewer } from '../../_server/viewer';
import { LabelOff } from './labels.client';
import {
  anchor,
  Equipment,
  LabelRow,
  LastMoves,
  OwnLabel,
  short,
  Sprayers,
  Vessels,
  WhereItWent,
  type Need,
} from './parts';
import { Receive } from './stock.client';

export const metadata = { title: 'Stock' };

export default async function Shelf() {
  const v = await viewer();
  const today = todayOf(v);
  const { labels, lots, vessels, moves, sprayers, plans, balances, levels, equipment, labelsOff } = await stockView(v);
  const keep = allows(v, 'keep the shelf');
  const reader = { units: v.units, timeZone: v.timeZone, today, keep };
  /** What open sheets will take of a product, against what is on hand and has not expired. */
  const needOf = (key: string): Need => {
    const wanted = plans.filter((p) => p.labelKey === key).reduce((a, p) => a + p.product, 0);
    const held = lots.filter((l) => l.labelKey === key && l.expiresOn >= today).reduce((a, l) => a + l.onHand, 0);
    return { wanted, held, level: levels[key] ?? null };
  };
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">Stock</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Labels">{labels.length}</TagLine>
        <TagLine name="Not checked">{labels.filter((l) => !l.checkedOn).length}</TagLine>
        <TagLine name="Lots">{lots.length}</TagLine>
        <TagLine name="Expired">{lots.filter((l) => l.expiresOn < today && l.onHand > 0).length}</TagLine>
        <TagLine name="To order">{labels.filter((l) => short(needOf(l.key))).length}</TagLine>
      </dl>
      <nav aria-label="On this page" className="mt-4">
        {['A delivery', 'Where it went', 'Bits, devices, tools', 'Vessels', 'Sprayers'].map((name) => (
          <a key={name} href={`#${anchor(name)}`} className="row block py-2 underline underline-offset-3">
            {name}
          </a>
        ))}
      </nav>
    </>
  );
  const margin = (
    <>
      <LastMoves moves={moves} reader={reader} />
      {keep && <OwnLabel />}
    </>
  );
  return (
    <Frame tag={tag} margin={margin} handle="Last moves, new label">
      <h1>Labels, lots, vessels</h1>
      <Section
        title="Labels"
        aside="fictional training labels until you enter your own"
        empty={labels.length === 0 && 'No label yet. Bring one in from its file, in the margin.'}
      >
        <ul>
          {labels.map((l) => (
            <LabelRow
              key={l.id}
              label={l}
              lots={lots.filter((x) => x.labelKey === l.key)}
              need={needOf(l.key)}
              reader={reader}
            />
          ))}
        </ul>
      </Section>
      {keep && labelsOff.length > 0 && (
        <Section title="Off the shelf" aside="nothing is prescribed by these">
          <ul className="flex flex-wrap gap-3">
            {labelsOff.map((l) => (
              <li key={l.key}>
                <LabelOff labelKey={l.key} name={l.label.name} off />
              </li>
            ))}
          </ul>
        </Section>
      )}
      {keep && (
        <Section title="A delivery" id={anchor('A delivery')}>
          <Receive
            labels={labels.map((l) => ({
              value: l.key,
              name: l.label.name,
              unit: isLiquid(l.label) ? ('mL' as const) : ('g' as const),
            }))}
            units={v.units}
          />
        </Section>
      )}
      <WhereItWent balances={balances} labels={labels} reader={reader} />
      <Equipment equipment={equipment} keep={keep} />
      <Vessels vessels={vessels} keep={keep} />
      <Sprayers sprayers={sprayers} keep={keep} />
    </Frame>
  );
}
