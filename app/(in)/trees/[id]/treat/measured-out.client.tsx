import type { Gate } from '@/core/gates/gate';
import type { Prescription } from '@/core/prescribe/prescribe';
import type { TreatmentContext } from '@/core/gates/context';
import { treatedGround } from '@/core/prescribe/treated-ground';
import { showAmount, showFill, showFine, showTrunk, type UnitSystem } from '@/lib/units/units';
import { BasinFigure } from '@/ui/figures/basin';
import { RingFigure, ringWords } from '@/ui/figures/ring';
import { Fact, Pour } from '@/ui/frame/pieces';
import type { SheetPlan } from './sheet-plan';

/** What is measured out and where it goes, as large as the hand that does it needs it, with its figure. */
export function MeasuredOut({
  plan,
  treatmentContext,
  now,
  stops,
  units,
}: {
  plan: SheetPlan;
  treatmentContext: TreatmentContext;
  /** The plan as it would be worked out at this hour. */
  now: Prescription;
  stops: readonly Gate[];
  units: UnitSystem;
}) {
  const { dose, use, label, ring } = plan;
  const pour = showAmount(dose.pour.amount, dose.pour.what === 'stock' ? 'volume' : dose.dimension, units);
  const ground = treatedGround(use, dose.diameterCm);
  const { passes } = now;
  return (
    <div className="grid gap-x-8 desk:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <div>
        {dose.carrier ? (
          <Pour
            big
            label="Fill with water to"
            value={showFill(dose.carrier.totalMl, units).value}
            unit={showFill(dose.carrier.totalMl, units).unit}
          />
        ) : (
          <Pour
            big
            label={
              use.sites?.device === 'capsule'
                ? 'One capsule into each site, of'
                : dose.pour.per === 'site'
                  ? 'Into each site'
                  : 'Measure out'
            }
            value={pour.value}
            unit={pour.unit}
          />
        )}
        <dl>
          {dose.carrier && (
            <Fact name="Half the water, then">
              {pour.text} product{dose.pour.vessel ? `, ${dose.pour.vessel.name}` : ''}, then the rest
            </Fact>
          )}
          {!dose.carrier && dose.pour.vessel && <Fact name="With">{dose.pour.vessel.name}</Fact>}
          {label.stock && (
            <Fact name="Stock">{`${label.stock.concentrate.value} ${label.stock.concentrate.unit} made up to ${label.stock.madeUpTo.value} ${label.stock.madeUpTo.unit}`}</Fact>
          )}
          {dose.sites && use.sites && (
            <>
              <Fact name="Drill">{`${dose.sites.count} sites, ${showFine(use.sites.drillMm, units).text} bit, ${showFine(use.sites.depthMm, units).text} deep`}</Fact>
              <Fact name="Height">{`${showTrunk(use.sites.heightCm, units).text} above soil`}</Fact>
              <Fact name="Start at">site 1, clockwise from north</Fact>
            </>
          )}
          {use.method === 'soil-drench' && ground.m2 && (
            <Fact name="Pour">{`${showTrunk(ground.inner, units).value}–${showTrunk(ground.outer, units).text} from the bark, evenly`}</Fact>
          )}
          {passes && passes.passes > 1 && (
            <Fact name="Passes">{`${passes.passes}, ${passes.waitMinutes} min apart`}</Fact>
          )}
          <Fact name="For">{plan.target}</Fact>
          <Fact name="Product">{label.actives.map((a) => a.name).join(' + ')}</Fact>
        </dl>
        {stops.map((g) => (
          <p key={g.id} className="mt-3 border-l-4 border-madder pl-3 font-semibold text-madder">
            Stop. {g.sentence}
          </p>
        ))}
      </div>
      {use.method === 'soil-drench' && ground.m2 !== null && (
        <div className="phone:mt-4">
          <BasinFigure
            diameterCm={dose.diameterCm}
            inner={ground.inner}
            outer={ground.outer}
            m2={ground.m2}
            units={units}
          />
        </div>
      )}
      {ring && (
        <div className="phone:mt-4">
          <RingFigure
            units={units}
            picture={{
              girthCm: dose.girthCm,
              heightCm: use.sites?.heightCm ?? 0,
              sites: ring.sites,
              arcs: treatmentContext.reading?.arcs ?? [],
              oldSites: treatmentContext.oldSites,
            }}
            size={340}
          />
          <p className="text-small text-ink-2">
            {ringWords(
              {
                girthCm: dose.girthCm,
                heightCm: use.sites?.heightCm ?? 0,
                sites: ring.sites,
                arcs: [],
                oldSites: [],
              },
              units,
            )}
          </p>
        </div>
      )}
    </div>
  );
}
