import { waterDepth, type Passes } from '@/core/basin/basin';
import { treatedGround } from '@/core/prescribe/treated-ground';
import type { Dose } from '@/core/dose/dose';
import type { Gate } from '@/core/gates/gate';
import { EMPTY_SITE_MAP } from '@/core/site-map/site-map';
import type { Label, LabelUse } from '@/core/label/schema';
import { type Prescription } from '@/core/prescribe/prescribe';
import { type TreatmentContext } from '@/core/gates/context';
import type { Weights } from '@/core/ring/ring';
import { mixingOrder, sprayMinutes } from '@/core/spray/loads';
import type { WorkSheet } from '@/core/work/work';
import { figure, showAmount, showFill, showFine, showTrunk, type UnitSystem } from '@/lib/units/units';
import { BasinFigure } from '@/ui/figures/basin';
import { PlanFigure } from '@/ui/figures/plan';
import { StrengthMark } from '@/ui/frame/gates';
import { Fact, Pour } from '@/ui/frame/pieces';
import { RingBench } from './ring-bench.client';

/** The numbers that are poured or drilled. */
export function Amounts({
  dose,
  use,
  units,
  stop,
}: {
  dose: Dose;
  use: LabelUse;
  units: UnitSystem;
  stop: Gate | null;
}) {
  const pour = showAmount(dose.pour.amount, dose.pour.what === 'stock' ? 'volume' : dose.dimension, units);
  const total = showAmount(dose.product, dose.dimension, units);
  // A vessel's marks are in its own unit, whatever the reader's.
  const markUnit = dose.pour.vessel?.dimension === 'mass' ? 'g' : 'mL';
  return (
    <div aria-live="polite">
      {stop && (
        // A forbidden dose must not be the largest thing on the screen.
        <div className="mb-4 flex gap-3">
          <StrengthMark strength="stop" />
          <p className="text-head leading-tight font-bold text-madder">
            Do not treat: <span className="block text-lead">{stop.title}</span>
          </p>
        </div>
      )}
      <Pour
        big={!stop}
        label={
          use.sites?.device === 'capsule'
            ? 'One capsule, each site, of'
            : dose.pour.per === 'site'
              ? `${dose.pour.what === 'stock' ? 'Stock solution' : 'Product'}, each site`
              : dose.pour.what === 'stock'
                ? 'Stock solution for this tree'
                : 'Product for this tree'
        }
        value={pour.value}
        unit={pour.unit}
      >
        {dose.pour.vessel && (
          <p>
            {dose.pour.vessel.name}
            {dose.pour.fullFills > 0
              ? `, ${dose.pour.fullFills} full${dose.pour.lastMark ? ` and once to ${figure(dose.pour.lastMark)} ${markUnit}` : ''}`
              : `, to ${figure(dose.pour.lastMark)} ${markUnit}`}
          </p>
        )}
        {dose.pour.advice && <p className="font-semibold text-sap">{dose.pour.advice}</p>}
      </Pour>
      {dose.carrier && (
        <Pour
          label="Fill with water to"
          value={showFill(dose.carrier.totalMl, units).value}
          unit={showFill(dose.carrier.totalMl, units).unit}
        />
      )}
      {dose.sites && (
        <Pour label="Sites" value={String(dose.sites.count)} unit="">
          {use.sites && (
            <p>
              {showFine(use.sites.drillMm, units).text} bit, {showFine(use.sites.depthMm, units).text} past the bark,{' '}
              {showTrunk(use.sites.heightCm, units).text} above soil
            </p>
          )}
        </Pour>
      )}
      <dl className="mb-3">
        {(dose.pour.per === 'site' || dose.stockMl !== null) && <Fact name="Product in all">{total.text}</Fact>}
        {dose.actives.map((a) => (
          <Fact key={a.name} name={a.name}>
            {showAmount(a.grams, 'mass', units).text}
          </Fact>
        ))}
        {dose.binding && <Fact name="Held by">{dose.binding.limit.replace(/-/g, ' ')} limit</Fact>}
      </dl>
    </div>
  );
}

export function Picture({
  result,
  label,
  use,
  treatmentContext,
  units,
  movedByHand,
  onMove,
  weights,
  onWeights,
}: {
  result: Prescription;
  label: Label;
  use: LabelUse;
  treatmentContext: TreatmentContext;
  units: UnitSystem;
  movedByHand: boolean;
  onMove: (bearings: number[] | null) => void;
  weights: Weights;
  onWeights: (w: Weights) => void;
}) {
  const { dose, ring, treated } = result;
  const onGround = treated.grid || treated.drift || use.method === 'root-zone-feeding';
  if (dose.ok && ring)
    return (
      <RingBench
        result={result}
        dose={dose}
        label={label}
        use={use}
        treatmentContext={treatmentContext}
        units={units}
        movedByHand={movedByHand}
        onMove={onMove}
        weights={weights}
        onWeights={onWeights}
      />
    );
  return (
    <>
      {dose.ok && use.method === 'soil-drench' && treated.areaM2 && (
        <Basin dose={dose} use={use} passes={result.passes} treatmentContext={treatmentContext} units={units} />
      )}
      {onGround && (
        <Ground
          treated={treated}
          treatmentContext={treatmentContext}
          units={units}
          bufferM={Math.max(use.conditions?.waterDistanceM ?? 0, treatmentContext.region.minWaterDistanceM)}
        />
      )}
      {treated.words && <p className="mt-1 max-w-[420px] text-center text-[0.9375rem] text-ink-2">{treated.words}</p>}
    </>
  );
}

function Basin({
  dose,
  use,
  passes,
  treatmentContext,
  units,
}: {
  dose: Dose;
  use: LabelUse;
  passes: Passes | null;
  treatmentContext: TreatmentContext;
  units: UnitSystem;
}) {
  const ground = treatedGround(use, dose.diameterCm);
  if (ground.m2 === null) return null;
  const mm = dose.carrier ? waterDepth(dose.carrier.totalMl, ground.m2) : 0;
  return (
    <>
      <BasinFigure
        diameterCm={dose.diameterCm}
        inner={ground.inner}
        outer={ground.outer}
        m2={ground.m2}
        units={units}
      />
      {dose.carrier && (
        <p className="max-w-[420px] text-center">
          {showFine(mm, units).text} of water on the basin
          {passes && passes.passes > 1
            ? `: pour in ${passes.passes} passes, ${passes.waitMinutes} minutes apart on ${treatmentContext.soilTexture} soil`
            : ': one pass'}
        </p>
      )}
    </>
  );
}

/** What counts on the ground for the method in hand: the ring, the holes, the water to keep away from, the wind. */
export function Ground({
  treated,
  trenches,
  treatmentContext,
  units,
  bufferM,
}: {
  treated?: Prescription['treated'];
  trenches?: WorkSheet['trenches'];
  treatmentContext: TreatmentContext;
  units: UnitSystem;
  bufferM: number;
}) {
  const at = treatmentContext.siteMap?.at ?? { x: 0, y: 0 };
  const reach = Math.max(
    8,
    (treated?.ring?.outerM ?? 0) + 3,
    (trenches?.endM ?? 0) + 2,
    treatmentContext.crown ? treatmentContext.crown.widthM : 0,
    treated?.near?.[0] ? Math.min(40, treated.near[0].metres + 3) : 0,
  );
  return (
    <PlanFigure
      plan={treatmentContext.siteMap?.plan ?? EMPTY_SITE_MAP}
      trees={[
        { id: 'here', tag: '', at, crownM: treatmentContext.crown?.widthM ?? null, here: true },
        ...(treatmentContext.siteMap?.others ?? []).map((p, i) => ({ id: String(i), tag: '', at: p, crownM: null })),
      ]}
      overlay={{
        ring: treated?.ring ?? null,
        holes: treated?.grid?.holes ?? [],
        trenches: trenches ?? null,
        bufferM: treated?.ring ? bufferM : 0,
        drift: treated?.drift ?? null,
      }}
      units={units}
      view={{ x: at.x - reach, y: at.y - reach, w: 2 * reach, h: 2 * reach }}
    />
  );
}

/** Tank by tank: spray, product and half the water first. */
export function Loads({
  result,
  dose,
  treatmentContext,
  units,
  formulation,
  tankId,
}: {
  result: Prescription;
  dose: Dose;
  treatmentContext: TreatmentContext;
  /** The sprayer that was chosen; the first one, where none was. */
  tankId: string;
  units: UnitSystem;
  formulation: string;
}) {
  const tank = treatmentContext.tanks?.find((t) => t.id === tankId) ?? treatmentContext.tanks?.[0];
  const total = result.loads.reduce((a, l) => a + l.spray, 0);
  return (
    <section className="mt-6">
      <h2>Load by load{tank && `, ${tank.name}`}</h2>
      <table className="dense figures">
        <thead>
          <tr>
            <th>Load</th>
            <th>Water first</th>
            <th>Product</th>
            <th>Fill up to</th>
          </tr>
        </thead>
        <tbody>
          {result.loads.map((l) => (
            <tr key={l.number}>
              <td className="font-bold">{l.number}</td>
              <td>{showFill(l.waterFirst, units).text}</td>
              <td className="text-lead font-bold">{showAmount(l.product, dose.dimension, units).text}</td>
              <td className="font-bold">{showFill(l.spray, units).text}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-[0.9375rem]">
        {result.treated.spray?.sum}.
        {tank?.flowMlMin
          ? ` About ${Math.round(sprayMinutes(total, tank.flowMlMin))} minutes at the nozzle.`
          : ' Calibrate the sprayer to know the time.'}{' '}
        Half the water, then the product ({mixingOrder([{ formulation }])[0]!.step}), then the rest. Rinse water goes
        onto this crop; leftovers onto a labelled site, never into a drain.
      </p>
    </section>
  );
}

/** Every step of the sum, with the label's words where a number came from them. */
export function Sum({ dose }: { dose: Dose }) {
  return (
    <section className="mt-7">
      <h2>The sum</h2>
      <table className="dense figures">
        <thead>
          <tr>
            <th>Step</th>
            <th>How</th>
            <th>Result</th>
          </tr>
        </thead>
        <tbody>
          {dose.steps.map((s, i) => (
            <tr key={i}>
              <td>{s.what}</td>
              <td>
                {s.sum}
                {s.text && <span className="block text-small text-ink-2">“{s.text}”</span>}
              </td>
              <td className="font-bold whitespace-nowrap">{s.result}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {dose.notes.map((n) => (
        <p key={n} className="mt-2 text-[0.9375rem]">
          {n}
        </p>
      ))}
    </section>
  );
}
