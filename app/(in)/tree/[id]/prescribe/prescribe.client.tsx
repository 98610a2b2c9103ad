'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { v7 } from 'uuid';
import { INTAKE, splitPasses } from '@/core/basin/basin';
import { treatedGround } from '@/core/book/ground';
import { money, type Prices } from '@/core/cost/prices';
import type { Schools } from '@/core/decide/decide';
import { LEAF_STATES } from '@/core/diagnose/words';
import type { Dose } from '@/core/dose/dose';
import type { Gate } from '@/core/gates/gate';
import { blocked } from '@/core/gates/rules';
import type { FactKey, Said } from '@/core/gates/said';
import { EMPTY_PLAN } from '@/core/grounds/plan';
import { METHOD_NAMES, type Method } from '@/core/label/methods';
import type { Label, LabelUse } from '@/core/label/schema';
import { courses, weighUse, weighWork, YEARS, type OwnResults, type Weighed } from '@/core/prescribe/compare';
import {
  options,
  prescribe,
  type Choices as Choosable,
  type Option,
  type Prescription,
  type Situation,
} from '@/core/prescribe/prescribe';
import { AMENDMENTS } from '@/core/rootzone/feeding';
import { DENSITY, type Density } from '@/core/spray/crown';
import { mixingOrder, sprayMinutes } from '@/core/spray/loads';
import { figure, showAmount, showFill, showFine, showTrunk, type UnitSystem } from '@/core/units/units';
import { SOIL_WORDS } from '@/core/weather/air';
import type { Work, WorkFacts } from '@/core/work/work';
import { findWork, worksFor } from '@/core/work/works';
import { Choices, FormFaults, TickTag } from '@/ui/controls/controls';
import { useDraft, useSend } from '@/ui/controls/use.client';
import { BasinFigure } from '@/ui/figures/basin';
import { PlanFigure } from '@/ui/figures/plan';
import { Frame } from '@/ui/frame/frame';
import { countGates, GateList, StrengthMark } from '@/ui/frame/gates';
import { Fact, Pour } from '@/ui/frame/pieces';
import { useSaid } from '@/ui/frame/undo.client';
import { dropPlan, makePlan, planWork } from '../actions';
import { AskFacts } from '../asks';
import { Offer } from './offer.client';
import { RingBench, WoundBudgets } from './ring-bench.client';
import { sheetOf, WorkAsks, WorkFigures, WorkSteps, type Typed } from './work-bench.client';

interface Props {
  treeId: string;
  units: UnitSystem;
  situation: Situation;
  usual: Choosable;
  shelf: { id: string; label: Label }[];
  open: { id: string; labelKey: string; useKey: string; product: number | null }[];
  workFacts: WorkFacts | null;
  works: { id: string; workId: string; name: string }[];
  /** Trees of the same host further along the row. */
  alike: { id: string; tag: string }[];
  prices: Prices;
  frequency: Schools['frequency'];
  own: Record<string, OwnResults>;
  loss: number;
  refused: string | null;
  tag: React.ReactNode;
  head: React.ReactNode;
  strip: React.ReactNode;
  why: React.ReactNode;
}

const WORK = 'work:';

export function PrescribeBench(props: Props) {
  const { treeId, units, situation, usual, shelf, open, workFacts, prices, own, refused, tag, head, strip, why } =
    props;
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
      stemRule: (usual.stemRule ?? null) as Choosable['stemRule'] | null,
      rangePoint: null as number | null,
      said: {} as Said,
      density: 'middling' as Density,
      tankId: '',
      bearings: null as { for: string; at: number[] } | null,
      typed: {} as Typed,
      alike: [] as string[],
      released: {} as Record<string, string>,
    },
    (kept) => kept.day === situation.today,
  );
  const { busy, faults, send } = useSend(makePlan);
  const sendWork = useSend(planWork);
  const drop = useSend(dropPlan);
  const choices: Choosable = useMemo(
    () => ({
      ...usual,
      soil: form.soil,
      leaf: form.leaf,
      said: form.said,
      density: form.density,
      system: units,
      ...(form.tankId ? { tankId: form.tankId } : {}),
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
    [usual, form.soil, form.leaf, form.said, form.density, form.tankId, form.stemRule, form.rangePoint, units],
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
  const fitting = useMemo(
    () => (workFacts ? worksFor(workFacts, situation.condition?.options ?? []) : { fit: [], other: [] }),
    [workFacts, situation.condition],
  );
  const standing = open.map((o) => `${o.labelKey}/${o.useKey}`);
  const usable = offered.filter((o) => o.result);
  // What is forbidden is not offered first while something without a product may be done.
  const freest = usable[0];
  const first = freest && (freest.stops === 0 || !fitting.fit.length) ? nameOf(freest) : null;
  const pick =
    form.pick ||
    standing[0] ||
    (first ?? (fitting.fit[0] ? WORK + fitting.fit[0].id : offered[0] ? nameOf(offered[0]) : ''));
  const work = pick.startsWith(WORK) ? findWork(pick.slice(WORK.length)) : null;
  const chosen = work ? undefined : (offered.find((o) => nameOf(o) === pick) ?? offered[0]);
  const bearings = form.bearings?.for === pick ? form.bearings.at : undefined;
  const result = useMemo(
    () =>
      chosen ? prescribe(situation, chosen.label, chosen.use, { ...choices, ...(bearings ? { bearings } : {}) }) : null,
    [situation, chosen, choices, bearings],
  );
  const weighed = useMemo(
    () => [
      ...usable.flatMap((o) => weighUse(o.label, o.use, o.result!, o.holds, prices, units, own[o.use.method]) ?? []),
      ...(workFacts
        ? fitting.fit.map((w) => {
            const { sheet } = sheetOf(w, workFacts, {});
            return weighWork(w, sheet, blocked(sheet.gates, {}).length, prices, own[`work:${w.id}`]);
          })
        : []),
    ],
    [usable, fitting, workFacts, prices, units, own],
  );
  const choose = (next: string) => setForm((f) => ({ ...f, pick: next, rangePoint: null, typed: {} }));
  const alike = props.alike.filter((t) => form.alike.includes(t.id)).map((t) => ({ id: v7(), treeId: t.id }));
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
  const releasedOf = (gates: Gate[]) =>
    Object.fromEntries(Object.entries(form.released).filter(([g, why]) => why.trim() && gates.some((x) => x.id === g)));
  const inPlan = [
    ...open.map((o) => ({ key: `${o.labelKey}/${o.useKey}`, id: o.id })),
    ...props.works.map((w) => ({ key: WORK + w.workId, id: w.id })),
  ].flatMap((x) => {
    const w = weighed.find((y) => y.key === x.key);
    const named = w?.method ?? findWork(x.key.slice(WORK.length))?.name;
    return named ? [{ ...x, name: named, now: w?.now ?? null, overYears: w?.overYears ?? null }] : [];
  });
  const list = (
    <>
      <InPlan steps={inPlan} prices={prices} />
      <SideBySide weighed={weighed} pick={pick} onPick={choose} prices={prices} loss={props.loss} />
      {!refused && weighed.length > 0 && <Offer treeId={treeId} weighed={weighed} />}
      <Shelf offered={offered} fitting={fitting} pick={pick} nameOf={nameOf} onPick={choose} />
    </>
  );
  const row = (
    <Alike trees={props.alike} chosen={form.alike} onChoose={(next) => setForm((f) => ({ ...f, alike: next }))} />
  );

  if (work) {
    if (!workFacts)
      return (
        <Frame tag={tag} head={head} margin={why}>
          {strip}
          <h1>{work.name}</h1>
          <Link href={`/tree/${treeId}/measure`} className="press mt-3">
            Measure the trunk first
          </Link>
          {list}
        </Frame>
      );
    const { sheet, faults: typedFaults } = sheetOf(work, workFacts, form.typed);
    const inTheWay = blocked(sheet.gates, form.released);
    const stop = sheet.gates.find((g) => g.strength === 'stop') ?? null;
    return (
      <Frame
        tag={tag}
        head={head}
        count={countGates(sheet.gates)}
        margin={
          <>
            <GateList gates={sheet.gates} extra={(g) => (g.strength === 'hold' && !refused ? release(g.id) : null)} />
            {why}
          </>
        }
      >
        {strip}
        <h1 className="mb-4">{work.name}</h1>
        {refused && <p className="mb-4 border-l-4 border-sap pl-3 font-semibold text-sap">{refused}</p>}
        <FormFaults faults={sendWork.faults} />
        <div className="grid gap-x-8 desk:grid-cols-[minmax(0,1fr)_250px]">
          <div className="order-2 desk:order-1">
            <WorkAsks
              work={work}
              facts={workFacts}
              typed={form.typed}
              faults={typedFaults}
              onType={(key, value) => setForm((f) => ({ ...f, typed: { ...f.typed, [key]: value } }))}
            />
          </div>
          <div className="order-1 desk:order-2">
            <WorkFigures sheet={sheet} stopped={stop !== null} />
            <button
              data-confirm
              type="button"
              className="press press-main w-full"
              disabled={sendWork.busy || refused !== null || inTheWay.length > 0 || typedFaults.length > 0}
              onClick={() =>
                sendWork.send(
                  { id, treeId, workId: work.id, answers: form.typed, released: releasedOf(sheet.gates), alike },
                  () => {
                    forget();
                    said({
                      sentence: `${work.name}: planned${alike.length ? ` on ${alike.length + 1} trees` : ''}; it waits on Rounds.`,
                    });
                    router.push(`/tree/${treeId}`);
                  },
                )
              }
            >
              {sendWork.busy ? 'One moment …' : 'Plan this work'}
            </button>
            <InTheWay gates={inTheWay} />
          </div>
        </div>
        <WorkSteps sheet={sheet} />
        {row}
        {list}
      </Frame>
    );
  }

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
  const mine = open.find((o) => `${o.labelKey}/${o.useKey}` === pick);
  // A plan made before the trunk was measured again no longer says what to pour.
  const outdated =
    mine && dose.ok && mine.product !== null && Math.abs(dose.product - mine.product) > 0.005 * mine.product;
  const planned = mine && !outdated;
  const point =
    chosen.use.rate.dose.form === 'flat' ? chosen.use.rate.dose.point : chosen.use.rate.dose.classes.bands[0]!.entry;

  const margin = (
    <>
      <GateList gates={gates} extra={(g) => (g.strength === 'hold' && !g.asks && !refused ? release(g.id) : null)} />
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
        <h1>{TITLES[chosen.use.method] ?? 'How much, and where'}</h1>
        <p className="text-ink-2">
          {METHOD_NAMES[chosen.use.method]}: {chosen.use.title}, {chosen.label.name}
        </p>
      </div>
      {refused && <p className="mb-4 border-l-4 border-sap pl-3 font-semibold text-sap">{refused}</p>}
      <FormFaults faults={faults} />

      <div className="grid gap-x-8 desk:grid-cols-[minmax(0,1fr)_250px]">
        <div className="order-2 desk:order-1">
          <Picture
            result={result}
            use={chosen.use}
            situation={situation}
            units={units}
            movedByHand={bearings !== undefined}
            onMove={(at) => setForm((f) => ({ ...f, bearings: at && { for: pick, at } }))}
          />
        </div>
        <div className="order-1 desk:order-2">
          {dose.ok ? (
            <Amounts
              dose={dose}
              use={chosen.use}
              units={units}
              stop={gates.find((g) => g.strength === 'stop' && g.state === 'tripped') ?? null}
            />
          ) : (
            <div className="mb-4">
              <p className="text-head font-bold text-madder">No dose</p>
              {dose.faults.map((f) => (
                <p key={f.path}>{f.sentence}</p>
              ))}
              {dose.faults.some((f) => ['diameters', 'sprayVolumeMl', 'areaM2', 'holes'].includes(f.path)) && (
                <Link href={`/tree/${treeId}/measure`} className="press mt-3">
                  Measure
                </Link>
              )}
            </div>
          )}
          <div className="mt-4 phone:fixed phone:inset-x-0 phone:bottom-0 phone:z-10 phone:mt-0 phone:border-t-2 phone:border-bark phone:bg-sheet phone:p-3">
            {planned ? (
              <div className="flex flex-col gap-2">
                <Link href={`/tree/${treeId}/apply?plan=${mine.id}`} className="press press-main w-full">
                  Planned: start the sheet
                </Link>
                {!refused && (
                  <button
                    type="button"
                    className="press press-plain phone:hidden"
                    disabled={drop.busy}
                    onClick={() =>
                      drop.send({ id: mine.id, drop: true }, () =>
                        said({ sentence: 'Plan dropped.', undo: () => dropPlan({ id: mine.id, drop: false }) }),
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
                    const { rangePoint, rangeReason, stemRule, density, tankId } = choices;
                    const label = shelf.find((s) => s.label.key === chosen.label.key)!;
                    send(
                      {
                        id,
                        treeId,
                        labelId: label.id,
                        useKey: chosen.use.key,
                        choices: {
                          soil: form.soil,
                          leaf: form.leaf,
                          rangePoint,
                          rangeReason,
                          stemRule,
                          said: form.said,
                          density,
                          tankId,
                          bearings,
                        },
                        released: releasedOf(gates),
                        alike,
                      },
                      ({ left }) => {
                        forget();
                        said({
                          sentence: alike.length
                            ? `Planned on ${alike.length + 1 - left.length} trees; they wait on Rounds.${left.length ? ` Left out: ${left.map((l) => `${l.tag} (${l.why})`).join(', ')}.` : ''}`
                            : 'Plan made; it waits on Rounds.',
                        });
                        router.push(`/tree/${treeId}/apply?plan=${id}`);
                      },
                    );
                  }}
                >
                  {busy ? 'One moment …' : outdated ? 'Plan anew' : 'Make the plan'}
                </button>
                {outdated && dose.ok && (
                  <p className="mt-2 text-[0.9375rem] font-semibold text-sap">
                    The open plan says {showAmount(mine.product!, dose.dimension, units).text}; the tree has been
                    measured or chosen otherwise since.
                  </p>
                )}
                <InTheWay gates={inTheWay} />
              </>
            )}
          </div>
        </div>
      </div>

      {!planned && (
        <ToBeSaid
          gates={gates}
          said={form.said}
          onSay={(key, answer) => setForm((f) => ({ ...f, said: { ...f.said, [key]: answer } }))}
        />
      )}
      {dose.ok && chosen.use.method === 'soil-drench' && situation.grounds?.at && (
        <section className="mt-6">
          <h2 className="mb-2">On the ground</h2>
          <Ground
            result={result}
            situation={situation}
            units={units}
            bufferM={Math.max(chosen.use.conditions?.waterDistanceM ?? 0, situation.region.minWaterDistanceM)}
          />
        </section>
      )}
      {result.loads.length > 0 && dose.ok && (
        <Loads result={result} dose={dose} situation={situation} units={units} formulation={chosen.label.formulation} />
      )}
      {dose.ok && <Sum dose={dose} />}
      {dose.ok && result.ring && (
        <WoundBudgets dose={dose} use={chosen.use} situation={situation} school={props.frequency} />
      )}
      {result.uptake && (
        <section className="mt-7">
          <h2>How long it takes up</h2>
          <p>
            {result.uptake.sentence}{' '}
            <span className="text-ink-2">
              {result.uptake.parts
                .map((x) => `${x.what}${x.factor === 1 ? '' : ` ×${figure(x.factor, 2)}`}`)
                .join(' · ')}
            </span>
          </p>
        </section>
      )}
      {chosen.use.method === 'root-zone-feeding' && (
        <section className="mt-7">
          <h2>What is given beside it</h2>
          <ul className="text-[0.9375rem]">
            {AMENDMENTS.map((a) => (
              <li key={a.name} className="row py-1.5">
                <b>{a.name}</b>, evidence {a.evidence}: {a.why}
              </li>
            ))}
          </ul>
        </section>
      )}
      {row}
      {list}

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
        {result.treated.spray && chosen.use.method === 'foliar-spray' && (
          <Choices
            small
            label="How dense is the crown"
            value={form.density}
            onChange={(density) => setForm((f) => ({ ...f, density }))}
            options={(Object.keys(DENSITY) as Density[]).map((d) => ({ value: d, name: d }))}
          />
        )}
        {result.treated.spray && (situation.tanks?.length ?? 0) > 1 && (
          <Choices
            small
            label="Sprayer"
            value={form.tankId || situation.tanks![0]!.id}
            onChange={(tankId) => setForm((f) => ({ ...f, tankId }))}
            options={situation.tanks!.map((t) => ({ value: t.id, name: t.name }))}
          />
        )}
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

const TITLES: Partial<Record<Method, string>> = {
  'trunk-injection': 'Where to drill, and how much',
  'soil-drench': 'How much, and where to pour',
  'soil-injection': 'How many holes, and where',
  'root-zone-feeding': 'How much, on which ground',
  'foliar-spray': 'How much, in which loads',
  'bark-spray': 'How much, in which loads',
  'dormant-spray': 'How much, in which loads',
};

function InTheWay({ gates }: { gates: Gate[] }) {
  if (!gates.length) return null;
  const stop = gates.find((g) => g.strength === 'stop' && g.state === 'tripped');
  const asked = gates.filter((g) => g.asks).length;
  return (
    <p className="mt-2 text-[0.9375rem] font-semibold">
      {stop
        ? `Stopped: ${stop.title}.`
        : asked
          ? `${asked} ${asked === 1 ? 'question' : 'questions'} to be answered first.`
          : gates[0]!.strength === 'stop'
            ? `Stopped: ${gates[0]!.title}`
            : `Held: ${gates[0]!.title}. Write a reason in the margin to go on.`}
    </p>
  );
}

function ToBeSaid(p: { gates: Gate[]; said: Said; onSay: (key: FactKey, answer: string) => void }) {
  if (!p.gates.some((g) => g.asks) && !Object.keys(p.said).length) return null;
  return (
    <section className="mt-6">
      <h2 className="mb-2">To be said first</h2>
      <AskFacts {...p} />
    </section>
  );
}

/** What is planned for this tree so far: its steps, each with its price, and what they come to together. */
function InPlan({
  steps,
  prices,
}: {
  steps: { id: string; name: string; now: number | null; overYears: number | null }[];
  prices: Prices;
}) {
  if (!steps.length) return null;
  const sum = (f: (s: (typeof steps)[number]) => number | null) => steps.reduce((a, s) => a + (f(s) ?? 0), 0);
  return (
    <section className="mt-7">
      <h2>The plan of this tree</h2>
      <table className="dense figures">
        <thead>
          <tr>
            <th>Step</th>
            <th>Now</th>
            <th>{YEARS} years</th>
          </tr>
        </thead>
        <tbody>
          {steps.map((s, i) => (
            <tr key={s.id}>
              <td>
                {i + 1}. {s.name}
              </td>
              <td>{s.now === null ? '–' : money(s.now, prices)}</td>
              <td>{s.overYears === null ? '–' : money(s.overYears, prices)}</td>
            </tr>
          ))}
          {steps.length > 1 && (
            <tr>
              <td className="font-bold">Together</td>
              <td className="font-bold">
                {money(
                  sum((s) => s.now),
                  prices,
                )}
              </td>
              <td className="font-bold">
                {money(
                  sum((s) => s.overYears),
                  prices,
                )}
              </td>
            </tr>
          )}
        </tbody>
      </table>
      <p className="mt-2 text-small text-ink-2">
        Pick another way below and plan it too: driver, mould and ants in one plan.
      </p>
    </section>
  );
}

/** The like trees of the row: one plan, each dosed by its own trunk. */
function Alike({
  trees,
  chosen,
  onChoose,
}: {
  trees: Props['alike'];
  chosen: string[];
  onChoose: (next: string[]) => void;
}) {
  if (!trees.length) return null;
  return (
    <section className="mt-7">
      <h2>The same for the row</h2>
      <p className="text-[0.9375rem] text-ink-2">
        Each tree is dosed by its own trunk, and each passes its own gates; what does not pass is left out and named.
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="press"
          onClick={() => onChoose(chosen.length === trees.length ? [] : trees.map((t) => t.id))}
        >
          {chosen.length === trees.length ? 'None of them' : `All ${trees.length} like it`}
        </button>
        {trees.map((t) => (
          <TickTag
            key={t.id}
            checked={chosen.includes(t.id)}
            onChange={(on) => onChoose(on ? [...chosen, t.id] : chosen.filter((x) => x !== t.id))}
          >
            {t.tag}
          </TickTag>
        ))}
      </div>
    </section>
  );
}

/** Tank by tank: spray, product and half the water first. */
function Loads({
  result,
  dose,
  situation,
  units,
  formulation,
}: {
  result: Prescription;
  dose: Dose;
  situation: Situation;
  units: UnitSystem;
  formulation: string;
}) {
  const tank = situation.tanks?.find((t) => Math.abs(t.holdsMl - result.loads[0]!.spray) < 1) ?? situation.tanks?.[0];
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

/** What an arborist and a client weigh, in one table: the picked way is marked by its word as well. */
function SideBySide({
  weighed,
  pick,
  onPick,
  prices,
  loss,
}: {
  weighed: Weighed[];
  pick: string;
  onPick: (key: string) => void;
  prices: Prices;
  loss: number;
}) {
  if (!weighed.length) return null;
  const mine = weighed.find((w) => w.key === pick);
  const percent = (x: number) => Math.round(100 * x);
  return (
    <section className="mt-7">
      <h2>Side by side</h2>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Ways to act, side by side">
        <table className="dense figures">
          <thead>
            <tr>
              <th>Way</th>
              <th>Amount</th>
              <th>Now</th>
              <th>{YEARS} years</th>
              <th>Visits a year</th>
              <th>Holes</th>
              <th>Expected to go</th>
              <th>Bees, water, people</th>
              <th>Needs</th>
              <th>Gates</th>
            </tr>
          </thead>
          <tbody>
            {weighed.map((w) => (
              <tr key={w.key} className={w.key === pick ? 'bg-paper' : ''}>
                <td>
                  <button
                    type="button"
                    className="min-h-12 text-left font-bold underline"
                    aria-pressed={w.key === pick}
                    onClick={() => onPick(w.key)}
                  >
                    {w.method}
                  </button>
                  <span className="block text-small text-ink-2">
                    {w.name}
                    {w.key === pick && ', in hand'}
                  </span>
                </td>
                <td>{w.amount}</td>
                <td>{money(w.now, prices)}</td>
                <td className="font-bold">{money(w.overYears, prices)}</td>
                <td>{figure(w.visitsAYear, 2)}</td>
                <td>{w.wounds || '–'}</td>
                <td>
                  <b>{percent(w.control.likely)} %</b> ({percent(w.control.low)}–{percent(w.control.high)})
                  <span className="block text-small text-ink-2">{w.control.lasts}</span>
                </td>
                <td className="text-small">
                  bees {w.bees}; water: {w.water}; {w.people}
                </td>
                <td className="text-small">{w.needs.join(', ') || '–'}</td>
                <td className={w.stops ? 'font-bold text-madder' : w.holds ? 'font-bold text-sap' : ''}>
                  {w.stops ? `${w.stops} stop` : w.holds ? `${w.holds} hold` : 'free'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-2 text-small text-ink-2">
        Control is a practice estimate, corrected by your own checks where there are any; money in today’s, at{' '}
        {percent(prices.discount)} % a year.
      </p>
      {mine && (
        <p className="mt-2 text-[0.9375rem]">
          {courses(mine, prices, loss)
            .map(
              (c) => `${c.name}: ${money(c.expected, prices)} over ${YEARS} years, stands then: ${percent(c.stands)} %`,
            )
            .join(' · ')}
          , when {percent(loss)} in 100 such trees are lost each year untreated.
        </p>
      )}
    </section>
  );
}

function Shelf({
  offered,
  fitting,
  pick,
  nameOf,
  onPick,
}: {
  offered: Option[];
  fitting: { fit: Work[]; other: Work[] };
  pick: string;
  nameOf: (o: Option) => string;
  onPick: (key: string) => void;
}) {
  const usable = offered.filter((o) => o.result);
  const rest = offered.filter((o) => !o.result);
  const product = (o: Option) => (
    <Row
      key={nameOf(o)}
      checked={nameOf(o) === pick}
      onPick={() => onPick(nameOf(o))}
      title={METHOD_NAMES[o.use.method]}
      after={`, ${o.label.actives.map((a) => a.name).join(' + ')}`}
      below={`${o.label.name}: ${o.use.title}`}
      right={
        o.stops
          ? `${o.stops} stop${o.stops > 1 ? 's' : ''}`
          : o.holds
            ? `${o.holds} hold${o.holds > 1 ? 's' : ''}`
            : 'free'
      }
      tone={o.stops ? 'text-madder' : o.holds ? 'text-sap' : ''}
    />
  );
  const workRow = (w: Work) => (
    <Row
      key={w.id}
      checked={pick === WORK + w.id}
      onPick={() => onPick(WORK + w.id)}
      title={w.name}
      after=""
      below="without a product"
      right=""
      tone=""
    />
  );
  return (
    <section className="mt-7">
      <h2>From the shelf</h2>
      <fieldset className="mt-1">
        <legend className="sr-only">Product and use, or a work without product</legend>
        {usable.map(product)}
        {usable.length === 0 && (
          <p className="py-2 text-ink-2">No label on the shelf is for this host and this trouble.</p>
        )}
        {fitting.fit.map(workRow)}
        <details className="mt-2">
          <summary className="flex min-h-12 items-center font-semibold">Other works ({fitting.other.length})</summary>
          {fitting.other.map(workRow)}
        </details>
        <details>
          <summary className="flex min-h-12 items-center font-semibold">
            Labels for other hosts or troubles ({rest.length})
          </summary>
          {rest.map(product)}
        </details>
      </fieldset>
    </section>
  );
}

function Row(p: {
  checked: boolean;
  onPick: () => void;
  title: string;
  after: string;
  below: string;
  right: string;
  tone: string;
}) {
  return (
    <label className="row flex min-h-14 cursor-pointer items-center gap-4 py-2 has-checked:bg-paper has-focus-visible:outline-3 has-focus-visible:outline-slate">
      <input
        type="radio"
        name="option"
        className="size-6 flex-none accent-[var(--cambium-deep)]"
        checked={p.checked}
        onChange={p.onPick}
      />
      <span className="min-w-0 flex-1">
        <b>{p.title}</b>
        {p.after}
        <span className="block text-[0.9375rem] text-ink-2">{p.below}</span>
      </span>
      <span className={`text-[0.9375rem] font-semibold ${p.tone}`}>{p.right}</span>
    </label>
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
  movedByHand,
  onMove,
}: {
  result: Prescription;
  use: LabelUse;
  situation: Situation;
  units: UnitSystem;
  movedByHand: boolean;
  onMove: (bearings: number[] | null) => void;
}) {
  const { dose, ring, treated } = result;
  const onGround = treated.grid || treated.drift || use.method === 'root-zone-feeding';
  if (dose.ok && ring)
    return (
      <RingBench
        result={result}
        dose={dose}
        use={use}
        situation={situation}
        units={units}
        movedByHand={movedByHand}
        onMove={onMove}
      />
    );
  return (
    <>
      {dose.ok && use.method === 'soil-drench' && treated.areaM2 && (
        <Basin dose={dose} use={use} situation={situation} units={units} />
      )}
      {onGround && (
        <Ground
          result={result}
          situation={situation}
          units={units}
          bufferM={Math.max(use.conditions?.waterDistanceM ?? 0, situation.region.minWaterDistanceM)}
        />
      )}
      {treated.words && <p className="mt-1 max-w-[420px] text-center text-[0.9375rem] text-ink-2">{treated.words}</p>}
    </>
  );
}

function Basin({
  dose,
  use,
  situation,
  units,
}: {
  dose: Dose;
  use: LabelUse;
  situation: Situation;
  units: UnitSystem;
}) {
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
      {dose.carrier && (
        <p className="max-w-[420px] text-center">
          {showFine(mm, units).text} of water on the basin
          {passes.passes > 1
            ? `: pour in ${passes.passes} passes, ${passes.waitMinutes} minutes apart on ${situation.soilTexture} soil`
            : ': one pass'}
        </p>
      )}
    </>
  );
}

/** What counts on the ground for the method in hand: the ring, the holes, the water to keep away from, the wind. */
function Ground({
  result,
  situation,
  units,
  bufferM,
}: {
  result: Prescription;
  situation: Situation;
  units: UnitSystem;
  bufferM: number;
}) {
  const { treated } = result;
  const at = situation.grounds?.at ?? { x: 0, y: 0 };
  const reach = Math.max(
    8,
    (treated.ring?.outerM ?? 0) + 3,
    situation.crown ? situation.crown.widthM : 0,
    treated.near?.[0] ? Math.min(40, treated.near[0].metres + 3) : 0,
  );
  return (
    <PlanFigure
      plan={situation.grounds?.plan ?? EMPTY_PLAN}
      trees={[
        { id: 'here', tag: '', at, crownM: situation.crown?.widthM ?? null, here: true },
        ...(situation.grounds?.others ?? []).map((p, i) => ({ id: String(i), tag: '', at: p, crownM: null })),
      ]}
      overlay={{
        ring: treated.ring,
        holes: treated.grid?.holes ?? [],
        bufferM: treated.ring ? bufferM : 0,
        drift: treated.drift,
      }}
      units={units}
      view={{ x: at.x - reach, y: at.y - reach, w: 2 * reach, h: 2 * reach }}
    />
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
