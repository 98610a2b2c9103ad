'use client';

import type { OpenWorkStep } from './other-ways.client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback, useMemo, useState } from 'react';
import { v5 } from 'uuid';
import type { Schools } from '@/core/decide/schools';
import type { Gate } from '@/core/gates/gate';
import { blocked } from '@/core/gates/rules';
import { METHOD_NAMES } from '@/core/label/methods';
import type { CustomResults } from '@/core/prescribe/costs';
import { prescribe, type Prescription } from '@/core/prescribe/prescribe';
import { whilePlanning } from '@/core/prescribe/when';
import { findUse, nameOf, WORK, type Far, type HeldLabel } from '@/core/prescribe/shelf';
import { type Choices as Choosable, type TreatmentContext } from '@/core/gates/context';
import { AMENDMENTS } from '@/core/rootzone/feeding';
import { USUAL_PROGRAMME } from '@/core/season/programme';
import { figure, showAmount, type UnitSystem } from '@/lib/units/units';
import type { WorkFacts } from '@/core/work/work';
import { FormIssues } from '@/ui/controls/controls';
import { part } from '@/ui/controls/part.client';
import { useDraft, useMadeId, useSend } from '@/ui/controls/use.client';
import { WhenNear } from '@/ui/controls/settled.client';
import { Frame } from '@/ui/frame/frame';
import { countGates, GateList } from '@/ui/frame/gates';
import { useNotify } from '@/ui/frame/undo.client';
import { shortDay } from '@/ui/words';
import { planTreatment } from '../../../offline-commands.client';
import { cancelPlan } from './actions';
import { WoundBudgets } from './ring-bench.client';
import { methodWords } from '@/core/label/method-words';
import { HoldReasons } from '../hold-reasons';
import { choicesOf, emptyForm } from './form';
import { AsItIs, InTheWay, ToBeSaid } from './today.client';
import { Amounts, Picture, Ground, Loads, Sum } from './pictures.client';
import type { FitDay } from '@/core/weather/fitness';
import { Alike, type RowChoice } from './alike.client';
import { useShelf } from './shelf.client';
import { WhenToDo } from './when.client';

// Only when a work is chosen, and only when somebody comes down to them.
const WorkBench = part(
  () => import('./work-bench.client').then((m) => m.WorkBench),
  ({ frame }) => (
    <Frame tag={frame.tag} head={frame.head} margin={frame.why}>
      {frame.strip}
      <p className="py-6 font-semibold text-ink-2">One moment …</p>
    </Frame>
  ),
);
const OtherWays = part(() => import('./other-ways.client').then((m) => m.OtherWays));

interface OpenHere {
  id: string;
  labelKey: string;
  useKey: string;
  product: number | null;
  once: number | null;
  plannedFor: string | null;
}

interface Props {
  treeId: string;
  units: UnitSystem;
  treatmentContext: TreatmentContext;
  usual: Choosable;
  near: HeldLabel[];
  far: Far[];
  /** Days of the forecast that are likely to suit each use, by its name; null where it has no limits of air. */
  fits: Readonly<Record<string, FitDay[] | null>>;
  /** What is in hand before anybody touches anything, worked out with the page. */
  first: { pick: string; result: Prescription | null };
  open: OpenHere[];
  /** What may be done today while the first way waits for its window. */
  meanwhile: { key: string; name: string }[];
  workFacts: WorkFacts | null;
  works: OpenWorkStep[];
  /** Trees of the same host further along the row. */
  alike: RowChoice[];
  hostId: string;
  frequency: Schools['frequency'];
  own: Record<string, CustomResults>;
  refused: string | null;
  tag: React.ReactNode;
  head: React.ReactNode;
  strip: React.ReactNode;
  why: React.ReactNode;
}

export function PrescribeBench(props: Props) {
  const { treeId, units, treatmentContext, usual, first, open, workFacts, own, refused, tag, head, strip, why } = props;
  const { by } = treatmentContext.money!;
  const router = useRouter();
  const said = useNotify();
  const made = useMadeId(`prescribe:${treeId}`);
  const { id } = made;
  const [form, setForm, forget] = useDraft(
    `prescribe:${treeId}`,
    emptyForm(treatmentContext, usual),
    (kept) => kept.day === treatmentContext.on,
  );
  const { busy, issues, send } = useSend(planTreatment, made);
  const drop = useSend(cancelPlan);
  const [near, setNear] = useState(false);
  const onNear = useCallback(() => {
    setNear(true);
    // Whoever sees the works may pick one.
    WorkBench.prepare();
  }, []);
  const { when, soil, leaf, intakeMmH, said: told, density, tankId, stemRule, rangePoint, weights } = form;
  // Only what the sum rests on: a word typed into a reason must not work out every label again.
  const choices = useMemo(
    () =>
      choicesOf(
        { when, soil, leaf, intakeMmH, said: told, density, tankId, stemRule, rangePoint, weights },
        usual,
        units,
      ),
    [when, soil, leaf, intakeMmH, told, density, tankId, stemRule, rangePoint, weights, usual, units],
  );
  // As the page came: its own answer holds, and nothing is worked out again.
  const [untouched] = useState(choices);
  const pick = form.pick || first.pick;
  const { shelf, far, wanted, again } = useShelf(props.near, props.far, pick);
  const workId = pick.startsWith(WORK) ? pick.slice(WORK.length) : null;
  // A way that went from the shelf since it was picked gives way to the first one.
  const chosen = workId || wanted ? null : (findUse(shelf, pick) ?? findUse(shelf, first.pick));
  const bearings = form.bearings?.for === pick ? form.bearings.at : undefined;
  const result = useMemo(() => {
    if (!chosen) return null;
    if (choices === untouched && !bearings && nameOf(chosen) === first.pick) return first.result;
    return prescribe(treatmentContext, chosen.label, chosen.use, { ...choices, ...(bearings ? { bearings } : {}) });
  }, [treatmentContext, chosen, choices, untouched, first, bearings]);
  const choose = (next: string) => setForm((f) => ({ ...f, pick: next, rangePoint: null, typed: {} }));
  const alike = props.alike.filter((t) => form.alike.includes(t.id)).map((t) => ({ id: v5(t.id, id), treeId: t.id }));
  const onReason = (gate: string, reason: string) =>
    setForm((f) => ({ ...f, released: { ...f.released, [gate]: reason } }));
  const releasedOf = (gates: Gate[]) =>
    Object.fromEntries(Object.entries(form.released).filter(([g, why]) => why.trim() && gates.some((x) => x.id === g)));
  const list = (
    <WhenNear id="plan" label="The plan of this tree, and other ways" near={near} onNear={onNear}>
      <OtherWays
        treeId={treeId}
        treatmentContext={treatmentContext}
        shelf={shelf}
        far={far}
        choices={choices}
        open={open}
        workFacts={workFacts}
        works={props.works}
        own={own}
        refused={refused !== null}
        pick={pick}
        onPick={choose}
      />
    </WhenNear>
  );
  const row = (
    <Alike
      trees={props.alike}
      hostId={props.hostId}
      chosen={form.alike}
      onChoose={(next) => setForm((f) => ({ ...f, alike: next }))}
      reason={workId ? null : form.alikeReason}
      onReason={(alikeReason) => setForm((f) => ({ ...f, alikeReason }))}
    />
  );

  if (workId)
    return (
      <WorkBench
        workId={workId}
        facts={workFacts}
        treeId={treeId}
        made={made}
        form={form}
        onWhen={(next) => setForm((f) => ({ ...f, when: next }))}
        onType={(key, value) => setForm((f) => ({ ...f, typed: { ...f.typed, [key]: value } }))}
        alike={alike}
        treatmentContext={treatmentContext}
        units={units}
        refused={refused}
        frame={{ tag, head, strip, why }}
        onReason={onReason}
        releasedOf={releasedOf}
        onPlanned={forget}
        below={
          <>
            {row}
            {list}
          </>
        }
      />
    );

  if (wanted)
    return (
      <Frame tag={tag} head={head} margin={why}>
        {strip}
        <h1>{wanted.name}</h1>
        {wanted.failed ? (
          <div role="alert" className="my-3 border-l-4 border-sap bg-sheet p-3 text-ink">
            <p className="font-semibold">This label has not come yet, and the network does not answer.</p>
            <button type="button" className="press mt-2" onClick={again}>
              Try again
            </button>
          </div>
        ) : (
          <p className="py-6 font-semibold text-ink-2">One moment …</p>
        )}
        {list}
      </Frame>
    );
  if (!chosen || !result)
    return (
      <Frame tag={tag} head={head} margin={why}>
        {strip}
        {props.near.length + props.far.length > 0 && treatmentContext.condition ? (
          <>
            <h1>No label for this</h1>
            <p className="mt-3 mb-4 max-w-2xl">
              No label on the shelf covers {treatmentContext.condition.name.toLowerCase()} on{' '}
              {treatmentContext.host.name.toLowerCase()} today. Add one under <Link href="/stock">Stock</Link>, or
              choose another product or work below.
            </p>
            {list}
          </>
        ) : (
          <>
            <h1>The shelf is empty</h1>
            <p className="mt-3">
              Enter a label first, under <Link href="/stock">Stock</Link>.
            </p>
          </>
        )}
      </Frame>
    );
  const { dose } = result;
  const later = result.on > treatmentContext.on;
  // What only the day will tell does not stand in the way of planning for it.
  const gates = whilePlanning(result, treatmentContext.on);
  const inTheWay = blocked(gates, form.released);
  const mine = open.find((o) => `${o.labelKey}/${o.useKey}` === pick);
  // A plan made before the trunk was measured again no longer says what to pour.
  const outdated =
    mine &&
    ((dose.ok && mine.product !== null && Math.abs(dose.product - mine.product) > 0.005 * mine.product) ||
      (later ? result.on !== mine.plannedFor : mine.plannedFor !== null && mine.plannedFor > treatmentContext.on));
  const planned = mine && !outdated;

  const margin = (
    <>
      <GateList gates={gates} />
      <section>
        <h2 className="text-body">The label’s sentence</h2>
        <p className="quote">“{chosen.use.rate.text}”</p>
        <p className="mt-1 text-small text-ink-2">
          {chosen.label.name}, version {chosen.label.version},{' '}
          {treatmentContext.checked[chosen.label.key]
            ? `checked ${treatmentContext.checked[chosen.label.key]}`
            : 'not checked against the label in hand'}
        </p>
      </section>
      {why}
    </>
  );
  return (
    <Frame tag={tag} head={head} margin={margin} count={countGates(gates)}>
      {strip}
      <div className="mb-2">
        <h1>{methodWords(chosen.use.method, chosen.use.sites?.device, chosen.use.carrier.kind !== 'none').title}</h1>
        <p className="text-ink-2">
          {METHOD_NAMES[chosen.use.method]}: {chosen.use.title}, {chosen.label.name}
        </p>
      </div>
      {refused && <p className="mb-4 border-l-4 border-sap pl-3 font-semibold text-sap">{refused}</p>}
      <FormIssues issues={issues} known={['choices.when']} />
      <WhenToDo
        when={form.when}
        onWhen={(next) => setForm((f) => ({ ...f, when: next }))}
        result={result}
        today={treatmentContext.on}
        label={chosen.label}
        use={chosen.use}
        units={units}
        issues={issues}
        fits={props.fits[nameOf(chosen)] ?? null}
        meanwhile={nameOf(chosen) === first.pick ? props.meanwhile : []}
        onPick={choose}
      />

      <div className="grid gap-x-8 desk:grid-cols-[minmax(0,1fr)_250px]">
        {/* First in the page, so that on a phone nothing is pushed down while the rest arrives. */}
        <div className="desk:order-2">
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
              {dose.issues.map((f) => (
                <p key={f.path}>{f.message}</p>
              ))}
              {dose.issues.some((f) => ['diameters', 'sprayVolumeMl', 'areaM2', 'holes'].includes(f.path)) && (
                <Link href={`/trees/${treeId}/measure`} className="press mt-3">
                  Measure
                </Link>
              )}
            </div>
          )}
          <div className="mt-4 phone:fixed phone:inset-x-0 phone:bottom-0 phone:z-10 phone:mt-0 phone:border-t-2 phone:border-bark phone:bg-sheet phone:p-3">
            {planned ? (
              <div className="flex flex-col gap-2">
                <Link href={`/trees/${treeId}/treat?plan=${mine.id}`} className="press press-main w-full">
                  {mine.plannedFor && mine.plannedFor > treatmentContext.on
                    ? `Planned for ${shortDay(mine.plannedFor)}: see the sheet`
                    : 'Planned: start the sheet'}
                </Link>
                {!refused && (
                  <button
                    type="button"
                    className="press press-plain phone:hidden"
                    disabled={drop.busy}
                    onClick={() =>
                      drop.send({ id: mine.id, drop: true }, () =>
                        said({ sentence: 'Plan dropped.', undo: () => cancelPlan({ id: mine.id, drop: false }) }),
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
                    send(
                      {
                        id,
                        treeId,
                        labelId: chosen.id,
                        useKey: chosen.use.key,
                        choices: {
                          // Each of the row in its own window, where that is what was chosen.
                          when: later ? form.when : { kind: 'now' },
                          soil: form.soil,
                          leaf: form.leaf,
                          rangePoint,
                          rangeReason,
                          stemRule,
                          said: form.said,
                          density,
                          tankId,
                          bearings,
                          weights: form.weights,
                        },
                        released: releasedOf(gates),
                        alike,
                        alikeReason: form.alikeReason,
                      },
                      ({ left }) => {
                        forget();
                        said({
                          sentence: [
                            alike.length > left.length
                              ? `Planned on ${alike.length + 1 - left.length} trees; they wait on Jobs.`
                              : later
                                ? `Planned for ${shortDay(result.on)}; it waits on Schedule until then.`
                                : 'Plan made; it waits on Jobs.',
                            ...(left.length ? [`Left out: ${left.map((l) => `${l.tag} (${l.why})`).join(', ')}.`] : []),
                          ].join(' '),
                        });
                        if (later) router.refresh();
                        else router.push(`/trees/${treeId}/treat?plan=${id}`);
                      },
                    );
                  }}
                >
                  {busy
                    ? 'One moment …'
                    : `${outdated ? 'Plan anew' : later ? 'Plan it' : 'Make the plan'}${later ? ` for ${shortDay(result.on)}` : ''}`}
                </button>
                {outdated && dose.ok && (
                  <p className="mt-2 text-[0.9375rem] font-semibold text-sap">
                    The open plan says {showAmount(mine.product!, dose.dimension, units).text}
                    {mine.plannedFor && ` on ${shortDay(mine.plannedFor)}`}; the tree has been measured or chosen
                    otherwise since.
                  </p>
                )}
                <InTheWay gates={inTheWay} />
              </>
            )}
          </div>
        </div>
        <div className="desk:order-1">
          <Picture
            result={result}
            label={chosen.label}
            use={chosen.use}
            treatmentContext={treatmentContext}
            units={units}
            movedByHand={bearings !== undefined}
            onMove={(at) => setForm((f) => ({ ...f, bearings: at && { for: pick, at } }))}
            weights={form.weights}
            onWeights={(weights) => setForm((f) => ({ ...f, weights }))}
          />
        </div>
      </div>

      {!planned && (
        <ToBeSaid
          gates={gates}
          said={form.said}
          onSay={(answers) => setForm((f) => ({ ...f, said: { ...f.said, ...answers } }))}
        />
      )}
      {!planned && !refused && <HoldReasons gates={gates} reasons={form.released} onReason={onReason} />}
      {dose.ok && chosen.use.method === 'soil-drench' && treatmentContext.siteMap?.at && (
        <section className="mt-6">
          <h2 className="mb-2">On the ground</h2>
          <Ground
            treated={result.treated}
            treatmentContext={treatmentContext}
            units={units}
            bufferM={Math.max(chosen.use.conditions?.waterDistanceM ?? 0, treatmentContext.region.minWaterDistanceM)}
          />
        </section>
      )}
      {result.loads.length > 0 && dose.ok && (
        <Loads
          result={result}
          dose={dose}
          treatmentContext={treatmentContext}
          units={units}
          formulation={chosen.label.formulation}
          tankId={tankId}
        />
      )}
      {dose.ok && <Sum dose={dose} />}
      {dose.ok && result.ring && (
        <WoundBudgets
          dose={dose}
          label={chosen.label}
          use={chosen.use}
          treatmentContext={treatmentContext}
          practice={props.frequency}
          programme={by.programme ?? USUAL_PROGRAMME}
        />
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
      <AsItIs
        form={form}
        setForm={setForm}
        usual={usual}
        treatmentContext={treatmentContext}
        use={chosen.use}
        result={result}
      />
    </Frame>
  );
}
