import Link from 'next/link';
import { METHOD_NAMES } from '@/core/label/methods';
import { showAmount, showFill, showFine, showVolume } from '@/core/units/units';
import { findHost } from '@/knowledge';
import { openPlans, openWorks, type OpenPlan } from '@/store/plans';
import { findWork } from '@/core/work/works';
import { Frame } from '@/ui/frame/frame';
import { Fact, Section, TagLine, TagRow } from '@/ui/frame/pieces';
import { viewer } from '../../_server/viewer';
import { PrintButton } from '@/ui/controls/print.client';

export const metadata = { title: 'Rounds' };

const sum = (plans: OpenPlan[], f: (p: OpenPlan) => number) => plans.reduce((a, p) => a + f(p), 0);
const group = <K,>(plans: OpenPlan[], by: (p: OpenPlan) => K) => {
  const out = new Map<K, OpenPlan[]>();
  for (const p of plans) out.set(by(p), [...(out.get(by(p)) ?? []), p]);
  return out;
};

export default async function Rounds() {
  const v = await viewer();
  const [plans, works] = await Promise.all([openPlans(v), openWorks(v)]);
  const workPlaces = [...new Map(works.map((w) => [w.placeId, works.filter((x) => x.placeId === w.placeId)])).values()];
  const places = group(plans, (p) => p.placeId);
  const products = group(plans, (p) => p.labelKey);
  const bits = [...new Set(plans.flatMap((p) => (p.drillMm ? [p.drillMm] : [])))];
  const protection = [...new Set(plans.flatMap((p) => p.protection))];
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">Rounds</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Places">{places.size}</TagLine>
        <TagLine name="Sheets">{plans.length}</TagLine>
        <TagLine name="Works">{works.length}</TagLine>
        <TagLine name="Mix">
          {
            showVolume(
              sum(plans, (p) => p.mixMl ?? 0),
              v.units,
            ).text
          }
        </TagLine>
      </dl>
    </>
  );
  const load = (
    <section>
      <h2 className="text-body">Load</h2>
      {plans.length + works.length === 0 ? (
        <p className="text-ink-2">Nothing to load.</p>
      ) : (
        <>
          <dl className="text-[0.9375rem]">
            {[...products.values()].map((of) => (
              <Fact key={of[0]!.labelKey} name={of[0]!.labelName}>
                {
                  showAmount(
                    sum(of, (p) => p.product),
                    of[0]!.unit,
                    v.units,
                  ).text
                }
              </Fact>
            ))}
            <Fact name="Water">
              {
                showVolume(
                  sum(plans, (p) => p.mixMl ?? 0),
                  v.units,
                ).text
              }
            </Fact>
            {bits.length > 0 && <Fact name="Bits">{bits.map((b) => showFine(b, v.units).text).join(', ')}</Fact>}
            {sum(plans, (p) => p.sites ?? 0) > 0 && <Fact name="Devices">{sum(plans, (p) => p.sites ?? 0)}</Fact>}
          </dl>
          {works.length > 0 && (
            <>
              <h3 className="mt-4">For the works</h3>
              <ul className="text-[0.9375rem]">
                {works.flatMap((w) =>
                  w.sheet.take.map((t, i) => (
                    <li key={`${w.id}${i}`}>
                      {t.what}: <b>{t.amount}</b> ({w.tag})
                    </li>
                  )),
                )}
              </ul>
            </>
          )}
          <h3 className="mt-4">To wear</h3>
          <ul className="text-[0.9375rem]">
            {protection.map((p) => (
              <li key={p}>{p}</li>
            ))}
          </ul>
          <h3 className="mt-4">Always</h3>
          <p className="text-[0.9375rem]">
            Labels in hand, measuring vessels, 70 % alcohol for bits and blades, eye wash, spill kit, barrier tape, tape
            and chalk.
          </p>
        </>
      )}
    </section>
  );
  return (
    <Frame
      tag={tag}
      handle="Load sheet"
      margin={
        <>
          {load}
          <PrintButton />
        </>
      }
    >
      <h1>{plans.length + works.length ? 'What waits, place by place' : 'Nothing waits for a crew'}</h1>
      {plans.length + works.length === 0 && (
        <p className="mt-3">
          Prescribe on a tree, and its plan waits here with what to load. <Link href="/grounds">Find a tree</Link>
        </p>
      )}
      {[...places.values()].map((of) => (
        <Section
          key={of[0]!.placeId}
          title={of[0]!.placeName}
          aside={`${of.length} ${of.length === 1 ? 'tree' : 'trees'}, in walking order`}
        >
          <ul>
            {of.map((p) => (
              <TagRow
                key={p.id}
                href={`/tree/${p.treeId}/apply?plan=${p.id}`}
                tag={p.tag}
                title={findHost(p.hostId)?.name ?? p.hostId}
                right={
                  <span className="figures text-right font-bold">
                    {p.mixMl ? `${showFill(p.mixMl, v.units).text} mix` : `${p.sites} sites`}
                  </span>
                }
              >
                {METHOD_NAMES[p.method]}: {showAmount(p.product, p.unit, v.units).text} {p.labelName}
              </TagRow>
            ))}
          </ul>
        </Section>
      ))}
      {workPlaces.map((of) => (
        <Section key={`w${of[0]!.placeId}`} title={of[0]!.placeName} aside="works without a product">
          <ul>
            {of.map((w) => (
              <TagRow
                key={w.id}
                href={`/tree/${w.treeId}#works`}
                tag={w.tag}
                title={findHost(w.hostId)?.name ?? w.hostId}
                right={
                  <span className="figures text-right font-bold">
                    {w.sheet.figures[0]!.value} {w.sheet.figures[0]!.unit}
                  </span>
                }
              >
                {findWork(w.workId)?.name ?? w.workId}
              </TagRow>
            ))}
          </ul>
        </Section>
      ))}
      <div className="hidden print:block">{load}</div>
    </Frame>
  );
}
