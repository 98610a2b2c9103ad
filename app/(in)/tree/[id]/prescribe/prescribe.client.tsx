'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { v7 } from 'uuid';
import { INTAKE, splitPasses } from '@/core/basin/basin';
import { treatedGround } from '@/core/book/ground';
import { LEAF_STATES } from '@/core/diagnose/words';
import type { Dose } from '@/core/dose/dose';
import type { Gate } from '@/core/gates/gate';
import { blocked } from '@/core/gates/rules';
import { METHOD_NAMES } from '@/core/label/methods';
import type { Label, LabelUse } from '@/core/label/schema';
import {
  options,
  prescribe,
  type Choices as Choosable,
  type Prescription,
  type Situation,
} from '@/core/prescribe/prescribe';
import { figure, showAmount, showFill, showFine, showTrunk, type UnitSystem } from '@/core/units/units';
import { SOIL_WORDS } from '@/core/weather/air';
import { Choices, FormFaults } from '@/ui/controls/controls';
import { useDraft, useSend } from '@/ui/controls/use.client';
import { BasinFigure } from '@/ui/figures/basin';
import { RingFigure } from '@/ui/figures/ring';
import { Frame } from '@/ui/frame/frame';
import { countGates, GateList, StrengthMark } from '@/ui/frame/gates';
import { Fact, Pour } from '@/ui/frame/pieces';
import { useSaid } from '@/ui/frame/undo.client';
import { dropPlan, makePlan } from '../actions';

interface Props {
  treeId: string;
  units: UnitSystem;
  situation: Situation;
  usual: Choosable;
  shelf: { id: string; label: Label }[];
  open: { id: string; labelKey: string; useKey: string; product: number | null } | null;
  refused: string | null;
  tag: React.ReactNode;
  head: React.ReactNode;
  strip: React.ReactNode;
  why: React.ReactNode;
}

export function PrescribeBench({
  treeId,
  units,
  situation,
  usual,
  shelf,
  open,
  refused,
  tag,
  head,
  strip,
  why,
}: Props) {
  const router = useRouter();
  const said = useSaid();
  const [id] = useState(() => v7());
  const [form, setForm, forget] = useDraft(
    `prescribe:${treeId}`,
    {
      day: situation.today,
      pick: '',
      soil: usual.soil,
      leaf: usual.leaf,
      stemRule: null as Choosable['stemRule'] | null,
      rangePoint: null as number | null,
      released: {} as Record<string, string>,
    },
    (kept) => kept.day === situation.today,
  );
  const { busy, faults, send } = useSend(makePlan);
  const drop = useSend(dropPlan);
  const choices: Choosable = useMemo(
    () => ({
      ...usual,
      soil: form.soil,
      leaf: form.leaf,
      system: units,
      ...(form.stemRule ? { stemRule: form.stemRule } : {}),
      ...(form.rangePoint === null
        ? {}
        : {
            rangePoint: form.rangePoint,
            rangeReason:
              form.rangePoint === 1
                ? 'heavy attack or large trunk'
                : form.rangePoint === 0
                  ? 'light attack or small trunk'
                  : 'between',
          }),
    }),
    [usual, form.soil, form.leaf, form.stemRule, form.rangePoint, units],
  );
  const offered = useMemo(
    () =>
      options(
        situation,
        shelf.map((s) => s.label),
        choices,
      ),
    [situation, shelf, choices],
  );
  const nameOf = (o: { label: Label; use: LabelUse }) => `${o.label.key}/${o.use.key}`;
  const chosen =
    offered.find((o) => nameOf(o) === (form.pick || (open ? `${open.labelKey}/${open.useKey}` : ''))) ?? offered[0];
  const result = useMemo(
    () => (chosen ? prescribe(situation, chosen.label, chosen.use, choices) : null),
    [situation, chosen, choices],
  );

  if (!chosen || !result)
    return (
      <Frame tag={tag} head={head} margin={why}>
        {strip}
        <h1>The shelf is empty</h1>
        <p className="mt-3">
          Enter a label first, under <Link href="/shelf">Shelf</Link>.
        </p>
      </Frame>
    );
  const { dose, gates } = result;
  const inTheWay = blocked(gates, form.released);
  const mine = open !== null && open.labelKey === chosen.label.key && open.useKey === chosen.use.key;
  // A plan made before the trunk was measured again no longer says what to pour.
  const outdated =
    mine && dose.ok && open.product !== null && Math.abs(dose.product - open.product) > 0.005 * open.product;
  const planned = mine && !outdated;
  const point =
    chosen.use.rate.dose.form === 'flat' ? chosen.use.rate.dose.point : chosen.use.rate.dose.classes.bands[0]!.entry;

  const release = (gateId: string) => (
    <input
      aria-label={`Reason to go on in spite of this hold`}
      className="box mt-2"
      placeholder="Go on because …"
      maxLength={600}
      value={form.released[gateId] ?? ''}
      onChange={(e) => setForm((f) => ({ ...f, released: { ...f.released, [gateId]: e.target.value } }))}
    />
  );
  const margin = (
    <>
      <GateList gates={gates} extra={(g) => (g.strength === 'hold' && !refused ? release(g.id) : null)} />
      <section>
        <h2 className="text-body">The label’s sentence</h2>
        <p className="quote">“{chosen.use.rate.text}”</p>
        <p className="mt-1 text-small text-ink-2">
          {chosen.label.name}, version {chosen.label.version},{' '}
          {situation.checked[chosen.label.key]
            ? `checked ${situation.checked[chosen.label.key]}`
            : 'not checked against the label in hand'}
        </p>
      </section>
      {why}
    </>
  );
  return (
    <Frame tag={tag} head={head} margin={margin} count={countGates(gates)}>
      {strip}
      <div className="mb-4">
        <h1>
          {chosen.use.method === 'trunk-injection' ? 'Where to drill, and how much' : 'How much, and where to pour'}
        </h1>
        <p className="text-ink-2">
          {METHOD_NAMES[chosen.use.method]}: {chosen.use.title}, {chosen.label.name}
        </p>
      </div>
      {refused && <p className="mb-4 border-l-4 border-sap pl-3 font-semibold text-sap">{refused}</p>}
      <FormFaults faults={faults} />

      <div className="grid gap-x-8 desk:grid-cols-[minmax(0,1fr)_250px]">
        <div className="order-2 desk:order-1">
          <Picture result={result} use={chosen.use} situation={situation} units={units} />
        </div>
        <div className="order-1 desk:order-2">
          {dose.ok ? (
            <Amounts
              dose={dose}
              use={chosen.use}
              units={units}
              stop={gates.find((g) => g.strength === 'stop') ?? null}
            />
          ) : (
            <div className="mb-4">
              <p className="text-head font-bold text-madder">No dose</p>
              {dose.faults.map((f) => (
                <p key={f.path}>{f.sentence}</p>
              ))}
              {dose.faults.some((f) => f.path === 'diameters') && (
                <Link href={`/tree/${treeId}/measure`} className="press mt-3">
                  Measure
                </Link>
              )}
            </div>
          )}
          <div className="mt-4 phone:fixed phone:inset-x-0 phone:bottom-0 phone:z-10 phone:mt-0 phone:border-t-2 phone:border-bark phone:bg-sheet phone:p-3">
            {planned ? (
              <div className="flex flex-col gap-2">
                <Link href={`/tree/${treeId}/apply`} className="press press-main w-full">
                  Planned: start the sheet
                </Link>
                {!refused && (
                  <button
                    type="button"
                    className="press press-plain phone:hidden"
                    disabled={drop.busy}
                    onClick={() =>
                      drop.send({ id: open.id, drop: true }, () =>
                        said({ sentence: 'Plan dropped.', undo: () => dropPlan({ id: open.id, drop: false }) }),
                      )
                    }
                  >
                    Drop this plan
                  </button>
                )}
              </div>
            ) : (
              <>
                <button
                  data-confirm
                  type="button"
                  className="press press-main w-full"
                  disabled={busy || refused !== null || inTheWay.length > 0 || !dose.ok}
                  onClick={() => {
                    const { rangePoint, rangeReason, stemRule } = choices;
                    const label = shelf.find((s) => s.label.key === chosen.label.key)!;
                    const released = Object.fromEntries(
                      Object.entries(form.released).filter(([g, why]) => why.trim() && gates.some((x) => x.id === g)),
                    );
                    send(
                      {
                        id,
                        treeId,
                        labelId: label.id,
                        useKey: chosen.use.key,
                        choices: { soil: form.soil, leaf: form.leaf, rangePoint, rangeReason, stemRule },
                        released,
                      },
                      () => {
                        forget();
                        said({ sentence: 'Plan made; it waits on Rounds.' });
                        router.push(`/tree/${treeId}/apply`);
                      },
                    );
                  }}
                >
                  {busy ? 'One moment …' : outdated ? 'Plan anew' : 'Make the plan'}
                </button>
                {outdated && dose.ok && (
                  <p className="mt-2 text-[0.9375rem] font-semibold text-sap">
                    The open plan says {showAmount(open.product!, dose.dimension, units).text}; the tree has been
                    measured or chosen otherwise since.
                  </p>
                )}
                {inTheWay.length > 0 && (
                  <p className="mt-2 text-[0.9375rem] font-semibold">
                    {inTheWay.some((g) => g.strength === 'stop')
                      ? `Stopped: ${inTheWay.find((g) => g.strength === 'stop')!.title}.`
                      : `Held: ${inTheWay[0]!.title}. Write a reason in the margin to go on.`}
                  </p>
                )}
              </>
            )}
          </div>
        </div>
      </div>

      {dose.ok && <Sum dose={dose} />}

      <section className="mt-7">
        <h2>From the shelf</h2>
        <fieldset className="mt-1">
          <legend className="sr-only">Product and use</legend>
          {offered.map((o) => (
            <label
              key={nameOf(o)}
              className="row flex min-h-14 cursor-pointer items-center gap-4 py-2 has-checked:bg-paper has-focus-visible:outline-3 has-focus-visible:outline-slate"
            >
              <input
                type="radio"
                name="option"
                className="size-6 flex-none accent-[var(--cambium-deep)]"
                checked={o === chosen}
                onChange={() => setForm((f) => ({ ...f, pick: nameOf(o), rangePoint: null }))}
              />
              <span className="min-w-0 flex-1">
                <b>{METHOD_NAMES[o.use.method]}</b>, {o.label.actives.map((a) => a.name).join(' + ')}
                <span className="block text-[0.9375rem] text-ink-2">
                  {o.label.name}: {o.use.title}
                </span>
              </span>
              <span className={`text-[0.9375rem] font-semibold ${o.stops ? 'text-madder' : o.holds ? 'text-sap' : ''}`}>
                {o.stops
                  ? `${o.stops} stop${o.stops > 1 ? 's' : ''}`
                  : o.holds
                    ? `${o.holds} hold${o.holds > 1 ? 's' : ''}`
                    : 'free'}
              </span>
            </label>
          ))}
        </fieldset>
      </section>

      <section className="mt-7">
        <h2 className="mb-2">As it is today</h2>
        <Choices
          label={`Soil (station: ${usual.soil ?? 'no word'})`}
          value={form.soil}
          onChange={(soil) => setForm((f) => ({ ...f, soil }))}
          options={SOIL_WORDS.map((s) => ({ value: s, name: s }))}
        />
        <Choices
          label="Leaves (first guess by the calendar)"
          value={form.leaf}
          onChange={(leaf) => setForm((f) => ({ ...f, leaf }))}
          options={LEAF_STATES.map((s) => ({ value: s, name: s }))}
        />
        {point.kind === 'range' && (
          <Choices
            label={`Within the label’s range, ${figure(point.low)} to ${figure(point.high)} ${point.unit}`}
            value={String(form.rangePoint ?? 0)}
            onChange={(x) => setForm((f) => ({ ...f, rangePoint: Number(x) }))}
            options={[
              { value: '0', name: `low: ${point.lowFor}` },
              { value: '0.5', name: 'between' },
              { value: '1', name: `high: ${point.highFor}` },
            ]}
          />
        )}
        {(situation.reading?.diameters.length ?? 0) > 1 && chosen.use.rate.stems === 'unanswered' && (
          <Choices
            label="Several stems count as"
            value={form.stemRule ?? null}
            onChange={(stemRule) => setForm((f) => ({ ...f, stemRule }))}
            options={[
              { value: 'sum', name: 'the sum of diameters' },
              { value: 'basal-area', name: 'basal-area equivalent' },
              { value: 'each', name: 'each stem a tree' },
            ]}
          />
        )}
      </section>
    </Frame>
  );
}

/** The numbers that are poured or drilled. */
function Amounts({ dose, use, units, stop }: { dose: Dose; use: LabelUse; units: UnitSystem; stop: Gate | null }) {
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
          dose.pour.per === 'site'
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

function Picture({
  result,
  use,
  situation,
  units,
}: {
  result: Prescription;
  use: LabelUse;
  situation: Situation;
  units: UnitSystem;
}) {
  const { dose, ring } = result;
  if (!dose.ok) return null;
  if (ring)
    return (
      <RingFigure
        units={units}
        picture={{
          girthCm: dose.girthCm,
          heightCm: use.sites?.heightCm ?? 0,
          sites: ring.sites,
          arcs: situation.reading?.arcs ?? [],
          oldSites: situation.oldSites,
        }}
      />
    );
  const ground = treatedGround(use, dose.diameterCm);
  if (ground.m2 === null) return null;
  const mm = dose.carrier ? dose.carrier.totalMl / 1000 / ground.m2 : 0;
  const passes = splitPasses(mm, INTAKE[situation.soilTexture]);
  return (
    <>
      <BasinFigure
        diameterCm={dose.diameterCm}
        inner={ground.inner}
        outer={ground.outer}
        m2={ground.m2}
        units={units}
      />
      <p className="max-w-[420px] text-center">
        {showFine(mm, units).text} of water on the basin
        {passes.passes > 1
          ? `: pour in ${passes.passes} passes, ${passes.waitMinutes} minutes apart on ${situation.soilTexture} soil`
          : ': one pass'}
      </p>
    </>
  );
}

/** Every step of the sum, with the label's words where a number came from them. */
function Sum({ dose }: { dose: Dose }) {
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
