import type { Programme } from '@/core/season/programme';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { Schools } from '@/core/decide/schools';
import type { Dose } from '@/core/dose/dose';
import type { Label, LabelUse } from '@/core/label/schema';
import { ringInput, type Prescription } from '@/core/prescribe/prescribe';
import { type TreatmentContext } from '@/core/gates/context';
import { woundBudget, yearsToClose } from '@/core/ring/budget';
import { USUAL_WEIGHTS, whyNotAt, type Weights } from '@/core/ring/ring';
import type { UnitSystem } from '@/lib/units/units';
import { Choices } from '@/ui/controls/controls';
import { bearingAt, compass } from '@/ui/figures/polar';
import { RingFigure } from '@/ui/figures/ring';

/**
 * The ring of the trunk: sites placed, each of them to be dragged or stepped; its rules are checked as it moves, and a
 * move that breaks one is refused with the reason.
 */
export function RingBench({
  result,
  dose,
  label,
  use,
  treatmentContext,
  units,
  onMove,
  movedByHand,
  weights,
  onWeights,
}: {
  result: Prescription;
  dose: Dose;
  label: Label;
  use: LabelUse;
  treatmentContext: TreatmentContext;
  units: UnitSystem;
  onMove: (bearings: number[] | null) => void;
  movedByHand: boolean;
  weights: Weights;
  onWeights: (w: Weights) => void;
}) {
  const ring = result.ring!;
  const input = ringInput({ context: treatmentContext, label, use, worked: dose })!;
  const [site, setSite] = useState(0);
  const [why, setWhy] = useState<string | null>(null);
  const [dragging, setDragging] = useState(false);
  const chosen = Math.min(site, ring.sites.length - 1);
  const tryAt = (i: number, bearing: number) => {
    const b = ((bearing % 360) + 360) % 360;
    const no = whyNotAt(ring, i, b, input);
    setWhy(no && `Site ${i + 1} cannot go to ${b}°: ${no}.`);
    if (!no) onMove(ring.sites.map((x, j) => (j === i ? b : x)));
  };
  const nearestSite = (bearing: number) =>
    ring.sites
      .map((b, i) => ({ i, off: Math.min((b - bearing + 360) % 360, (bearing - b + 360) % 360) }))
      .sort((a, b) => a.off - b.off)[0];
  return (
    <div>
      <div
        className="touch-none"
        onPointerDown={(e) => {
          const svg = e.currentTarget.querySelector('svg');
          const near = svg && nearestSite(bearingAt(svg, e.clientX, e.clientY));
          if (!near || near.off > 12) return;
          setSite(near.i);
          setDragging(true);
          e.currentTarget.setPointerCapture(e.pointerId);
        }}
        onPointerMove={(e) => {
          const svg = e.currentTarget.querySelector('svg');
          if (dragging && svg) tryAt(chosen, bearingAt(svg, e.clientX, e.clientY));
        }}
        onPointerUp={() => setDragging(false)}
      >
        <RingFigure
          units={units}
          picture={{
            girthCm: dose.girthCm,
            heightCm: use.sites?.heightCm ?? 0,
            sites: ring.sites,
            heights: ring.heights,
            arcs: treatmentContext.reading?.arcs ?? [],
            oldSites: treatmentContext.oldSites,
            flares: treatmentContext.flares,
            sectors: treatmentContext.sectors,
          }}
        />
      </div>
      {ring.sites.length > 0 && (
        <div
          className="no-print mt-1 flex flex-wrap items-center justify-center gap-2"
          role="group"
          aria-label="Move a site"
        >
          <button type="button" className="press" onClick={() => setSite((chosen + 1) % ring.sites.length)}>
            Site <b className="figures">{chosen + 1}</b>
          </button>
          <button
            type="button"
            className="press"
            aria-label={`Move site ${chosen + 1} anticlockwise`}
            onClick={() => tryAt(chosen, ring.sites[chosen]! - 1)}
          >
            <ChevronLeft size={18} aria-hidden />
          </button>
          <output className="figures min-w-20 text-center font-bold">
            {ring.sites[chosen]}° {compass(ring.sites[chosen]!)}
          </output>
          <button
            type="button"
            className="press"
            aria-label={`Move site ${chosen + 1} clockwise`}
            onClick={() => tryAt(chosen, ring.sites[chosen]! + 1)}
          >
            <ChevronRight size={18} aria-hidden />
          </button>
          {movedByHand && (
            <button type="button" className="press press-plain" onClick={() => onMove(null)}>
              As placed
            </button>
          )}
        </div>
      )}
      <p role="status" className={`mt-2 text-center ${why ? 'font-semibold text-madder' : 'text-ink-2'}`}>
        {why ?? ring.sentence}
      </p>
      {ring.sites.length < ring.wanted && (
        <ul className="mt-2 border-l-[3px] border-sap pl-3">
          <li>Another height with sound bark: measure and enter it again.</li>
          <li>Fewer and larger doses, where the label allows it.</li>
          <li>Another method: see the list below.</li>
        </ul>
      )}
      <details className="no-print mt-2">
        <summary className="min-h-hand py-3 font-semibold">What counts in placing</summary>
        <p className="mb-2 text-[0.9375rem] text-ink-2">
          An even spread always counts. What the rules forbid is never traded for anything.
        </p>
        {(['flare', 'sector'] as const).map((k) => (
          <Choices
            key={k}
            small
            label={k === 'flare' ? 'Sites on the flares' : 'Sites below the side that suffers'}
            value={String(weights[k] / USUAL_WEIGHTS[k])}
            onChange={(x) => {
              onMove(null);
              onWeights({ ...weights, [k]: Number(x) * USUAL_WEIGHTS[k] });
            }}
            options={[
              { value: '0', name: 'do not count' },
              { value: '1', name: 'as usual' },
              { value: '4', name: 'count much' },
            ]}
          />
        ))}
      </details>
    </div>
  );
}

interface Budgeted {
  dose: Dose;
  label: Label;
  use: LabelUse;
  treatmentContext: TreatmentContext;
  practice: Schools['frequency'];
  programme: Programme;
}

/** The ring carried through the years of a programme with one interval between its visits. */
function budgetOf({ dose, label, use, treatmentContext, programme }: Omit<Budgeted, 'practice'>, everyYears: number) {
  return woundBudget(ringInput({ context: treatmentContext, label, use, worked: dose })!, {
    everyYears,
    years: programme.years,
    growthCm: treatmentContext.host.growthCmPerYear,
    drillMm: use.sites!.drillMm,
    sitesPerCm: dose.sites!.count / dose.girthCm,
  });
}

/**
 * Whether the trunk has room for the holes of the coming years. What the programme comes to is told once the page stands, since
 * its holes are placed visit by visit; the other intervals are placed for who opens it.
 */
export function WoundBudgets(props: Budgeted) {
  const [open, setOpen] = useState(false);
  const [told, setTold] = useState('');
  const { dose, label, use, treatmentContext, practice, programme } = props;
  const everyYears = programme.everyYears ?? (practice === 'yearly, small' ? 1 : 2);
  useEffect(() => {
    const later = setTimeout(() =>
      setTold(budgetOf({ dose, label, use, treatmentContext, programme }, everyYears).sentence),
    );
    return () => clearTimeout(later);
  }, [dose, label, use, treatmentContext, programme, everyYears]);
  return (
    <details className="mt-7 border-t border-line" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-hand py-2">
        <b>Holes over the years</b>
        <span className="block text-[0.9375rem]">{told}</span>
      </summary>
      {open && <WoundBudgetTable {...props} />}
    </details>
  );
}

/** Yearly, every second and every third year, side by side. */
function WoundBudgetTable(props: Budgeted) {
  const { use, treatmentContext, practice, programme } = props;
  const { years, everyYears } = programme;
  const intervals = [...new Set([1, 2, 3, ...(everyYears ? [everyYears] : [])])].sort();
  const rows = intervals.map((every) => budgetOf(props, every));
  const closes = yearsToClose(use.sites!.drillMm, treatmentContext.host.growthCmPerYear);
  const least = (use.intervals.minDays ?? 0) / 365;
  return (
    <>
      <table className="dense figures">
        <thead>
          <tr>
            <th>Programme</th>
            <th>Holes in {years} years</th>
            <th>Bark still barred then</th>
            <th>Room</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.everyYears}>
              <td>
                every {r.everyYears === 1 ? 'year' : `${r.everyYears} years`}
                {r.everyYears === programme.everyYears && (
                  <b className="block text-small">the programme of this plan</b>
                )}
                {(r.everyYears === 1) === (practice === 'yearly, small') && (
                  <span className="block text-small text-ink-2">our usual practice</span>
                )}
                {r.everyYears < least - 0.05 && (
                  <span className="block text-small text-ink-2">sooner than the label allows</span>
                )}
              </td>
              <td className="font-bold">{r.holes}</td>
              <td>{Math.round(100 * r.barred)} %</td>
              <td className={r.runsOut ? 'font-bold text-madder' : ''}>
                {r.runsOut ? `runs out in ${r.runsOut}` : 'to the end'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-small text-ink-2">
        A hole of {use.sites!.drillMm} mm closes in about {closes === 1 ? 'a year' : `${closes} years`} on this host;
        the label bars its bark for {use.sites!.oldSiteYears}.
      </p>
    </>
  );
}
