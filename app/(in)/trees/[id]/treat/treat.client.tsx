'use client';

import Link from 'next/link';
import { useRouter, useSearchParams } from 'next/navigation';
import { v7 } from 'uuid';
import { deviations } from '@/core/records/deviations';
import { eatFrom, reEntryUntil } from '@/core/records/eat';
import { dayIn } from '@/lib/calendar/zone';
import { readOff } from '@/core/devices/devices';
import { doseChange, type DoseBasis } from '@/core/dose/dose-change';
import { prescribe } from '@/core/prescribe/prescribe';
import type { TreatmentContext } from '@/core/gates/context';
import { usualSource, type Source } from '@/core/mix/sources';
import { toInstall } from '@/core/devices/hang-on';
import { readNumber } from '@/lib/units/numbers';
import { smallUnit, type UnitSystem } from '@/lib/units/units';
import type { Weather } from '@/core/weather/air';
import { FormIssues, TextArea } from '@/ui/controls/controls';
import { useDraft, useSend } from '@/ui/controls/use.client';
import { Frame } from '@/ui/frame/frame';
import { countGates } from '@/ui/frame/gates';
import { stillSaid, type Said } from '@/core/gates/said';
import { methodWords } from '@/core/label/method-words';
import { soilState } from '@/core/weather/air';
import { useNotify } from '@/ui/frame/undo.client';
import type { TakenShown } from '@/facts/queued';
import { recordTreatment } from '../../../offline-commands.client';
import { phoneNow } from '@/ui/phone/clock.client';
import { restSentence } from './rest-words';
import { BeforeStart } from './before.client';
import { During } from './during.client';
import { MainPress, Protect, StageStrip } from './stages.client';
import { againstSource, firstWord, perUnit, readAir, sentSource, typedAir } from './typed';
import type { InstallationRow } from '@/facts/board';
import type { InstalledDevices } from './install.client';
import { AsDone } from './as-done.client';
import { AtThisTree, Beside, type Arrival } from './details.client';
import { DoseQuestion } from './dose-question.client';
import { Hands } from './applicators.client';
import { MeasuredOut } from './measured-out.client';
import { sheetPath } from './path';
import type { SheetPlan } from './sheet-plan';
import { useOfSite } from './of-place.client';
import { PhotoField } from '../inspect/photo-field.client';
import { givesReason } from '@/lib/reason';

interface Props {
  units: UnitSystem;
  timeZone: string;
  treatmentContext: TreatmentContext;
  plan: SheetPlan;
  sources: Source[];
  /** Who may have a hand in it beside whoever writes it. */
  hands: readonly { id: string; name: string }[];
  station: Weather;
  place: Arrival;
  /** What hangs or hung by this plan; null where nothing ever did. */
  hanging: InstalledDevices | null;
  /** What it would hang now, as the board has it; the ids are not those that it will have. */
  rows: readonly InstallationRow[];
  refused: string | null;
  tag: React.ReactNode;
  head: React.ReactNode;
  strip: React.ReactNode;
  /** What is planned for the tree with a product, this sheet among it, in its order. */
  others: { id: string; name: string; here: boolean }[];
  /** What else is done at it, without a product; the last part of the page. */
  works: readonly string[];
  after: React.ReactNode;
}
/**
 * Where a crew goes from what it has just written: to what else is done at the tree, then on with its round; null for whoever came
 * alone for this one thing.
 */
function afterRecording(x: { treeId: string; next: string | undefined; works: boolean; round: string | null }) {
  if (x.next || x.works) return sheetPath(x.treeId, x.next ?? null, x.round);
  return x.round ? `/jobs/day/${x.round}` : null;
}

/** Devices of a plan whose dose follows the newest facts: as many, and as much in each, as those ask. */
function installedAgain(
  rows: readonly InstallationRow[],
  plan: SheetPlan,
  station: Weather,
): readonly InstallationRow[] {
  const [first] = rows;
  const hangs = toInstall({ ...plan, useKey: plan.use.key }, [], station);
  if (!first || !hangs.ok) return rows;
  const { count, ...each } = hangs.value;
  return Array.from({ length: count }, (_, i) => ({ ...first, ...each, site: i + 1 }));
}

export function ApplyBench({
  units,
  timeZone,
  treatmentContext,
  plan,
  sources,
  hands,
  station,
  place,
  hanging,
  rows,
  refused,
  tag,
  head,
  strip,
  others,
  works,
  after,
}: Props) {
  const router = useRouter();
  const asked = useSearchParams();
  const round = asked.get('round');
  const said = useNotify();
  const { use, label } = plan;
  const unit = smallUnit(plan.dose.dimension, units);
  const us = units === 'us';
  const words = methodWords(use.method, use.sites?.device, use.carrier.kind !== 'none');
  const ofSite = useOfSite(plan.siteId, treatmentContext.on);
  const [form, setForm, forget] = useDraft(
    `apply:${plan.id}`,
    {
      day: treatmentContext.on,
      id: v7(),
      stage: hanging ? 2 : 0,
      worn: [] as string[],
      startedAt: hanging?.from ?? '',
      endedAt: '',
      // Null: as much as the dose that is followed.
      amount: null as string | null,
      basis: null as DoseBasis | null,
      lotId: usualSource(sources, plan.dose.product, treatmentContext.on),
      ...typedAir(station, units),
      soil: plan.plannedFor ? soilState(station) : plan.choices.soil,
      // What the leaves did when it was planned for a later day says nothing today.
      leaf: plan.plannedFor ? null : plan.choices.leaf,
      intakeMmH: plan.choices.intakeMmH ?? null,
      said: {} as Said,
      released: {} as Record<string, string>,
      deviation: hanging?.because ?? '',
      mark: '',
      note: '',
      photoIds: [] as string[],
    },
    // Work that has begun is never forgotten, not even past midnight.
    (kept) => kept.day === treatmentContext.on || Boolean(kept.startedAt),
  );
  const { busy, issues, setIssues, send } = useSend(recordTreatment);
  const set = <K extends keyof typeof form>(k: K, value: (typeof form)[K]) => setForm((f) => ({ ...f, [k]: value }));

  const { temperatureC: celsius, windMs: ms, humidity, issues: airIssues } = readAir(form, units);
  const readAmount = (typed: string) => readNumber(typed, { name: 'The amount used', above: 0, max: 100_000, unit });
  const saidNow = { ...stillSaid(plan.choices.said), ...ofSite.said, ...form.said };
  const now = prescribe(treatmentContext, label, use, {
    ...plan.choices,
    said: saidNow,
    phase: 'apply',
    soil: form.soil,
    leaf: form.leaf,
    intakeMmH: form.intakeMmH,
    temperatureC: celsius,
    windMs: ms,
    rainNext24Mm: station.rainNext24Mm,
    rainByHour: station.rainByHour ?? null,
    humidity,
    windFromDeg: station.windFromDeg,
    system: units,
  });
  const change = doseChange(plan.dose, now.dose);
  // What hangs already was decided before it was hung.
  const basis = hanging && change ? (form.basis ?? 'planned') : form.basis;
  const newest = change && basis === 'newest' && now.dose.ok;
  const acting: SheetPlan = newest ? { ...plan, dose: now.dose as SheetPlan['dose'], ring: now.ring } : plan;
  const { dose } = acting;
  const planned = Number((dose.product / perUnit(unit)).toPrecision(6));
  const typedAmount = form.amount ?? String(planned);
  const amount = readAmount(typedAmount);
  // Making the plan counts as the release of its holds; here only what changed since speaks again.
  const gates = now.gates.map((g) =>
    g.strength === 'hold' && plan.released[g.id]
      ? { ...g, strength: 'note' as const, satisfy: `Released: ${plan.released[g.id]}` }
      : g,
  );
  const stops = gates.filter((g) => g.strength === 'stop' && g.state === 'tripped');
  const questions = gates.filter((g) => g.asks && g.state === 'asked' && g.strength !== 'note');
  const unreasoned = gates.filter(
    (g) => g.strength === 'hold' && g.state === 'tripped' && !givesReason(form.released[g.id]),
  );
  const wantsReason = (stops.length > 0 || (change && basis === 'planned')) === true && !givesReason(form.deviation);
  const onSay = (answers: Said) => {
    ofSite.say(answers);
    setForm((f) => ({ ...f, said: { ...f.said, ...answers } }));
  };
  const source = sources.find((x) => x.id === form.lotId) ?? null;
  const base = amount.ok ? amount.value * perUnit(unit) : 0;
  // A typed figure that only repeats the plan books the plan's exact amount, not its rounding.
  const exact = amount.ok && amount.value === planned ? dose.product : base;
  const against = amount.ok
    ? deviations(
        {
          dose,
          use,
          gates: now.gates,
          released: { ...plan.released, ...form.released },
          change: change && basis ? { was: change, followed: basis } : null,
          ...againstSource(source),
        },
        { amount: exact, protection: form.worn, startedAt: form.startedAt || station.at, doneOn: treatmentContext.on },
      )
    : [];
  // Down, not up: more than went in is not booked.
  const wentIn = (entered: number) =>
    entered >= dose.product * 0.9999 ? String(planned) : String(readOff(entered / perUnit(unit)));
  const go = (stage: number) => {
    set('stage', stage);
    window.scrollTo({ top: 0 });
  };

  const submit = () => {
    const bad = [
      ...(amount.ok ? [] : [{ path: 'amount', message: amount.sentence }]),
      ...airIssues,
      ...(source
        ? []
        : [{ path: 'lotId', message: 'No lot of this product is on the shelf; book the delivery first.' }]),
    ];
    if (bad.length || !source || celsius === null || ms === null) return setIssues(bad);
    const endedAt = form.endedAt || phoneNow().toISOString();
    send(
      {
        id: form.id,
        planId: plan.id,
        startedAt: form.startedAt || phoneNow().toISOString(),
        endedAt,
        amount: exact,
        ...(change && basis ? { basis } : {}),
        ...sentSource(source),
        weather: {
          ...station,
          at: form.startedAt || station.at,
          temperatureC: celsius,
          windMs: ms,
          humidity,
        },
        soil: form.soil,
        leaf: form.leaf,
        intakeMmH: form.intakeMmH,
        said: saidNow,
        released: form.released,
        protection: form.worn,
        withIds: ofSite.withIds,
        typed: `${typedAmount} ${unit}`,
        deviation: form.deviation,
        mark: form.mark,
        note: form.note,
        photoIds: form.photoIds,
      },
      ({ recordId, rest }, kept) => {
        forget();
        const next = others.find((o) => !o.here);
        const more = next?.name ?? works[0];
        said({
          sentence: `${kept ? 'Kept on this phone; it is booked when there is signal.' : 'Booked.'}${rest ? restSentence(rest) : ''}${more ? ` Also at this tree: ${more}.` : ''}`,
        });
        const to = afterRecording({ treeId: plan.treeId, next: next?.id, works: works.length > 0, round });
        // What is not in the book yet has no page there.
        if (kept && !to) router.back();
        else if (kept) window.location.assign(to!);
        else router.push(to ?? `/records/${recordId}?fresh=1`);
      },
      {
        labelKey: label.key,
        product: exact,
        done: [
          {
            planId: plan.id,
            amount: exact,
            targetName: plan.target,
            reEntryUntil: reEntryUntil(use, endedAt),
            eatFrom: eatFrom(treatmentContext.host, use, dayIn(endedAt, timeZone)),
          },
        ],
      } satisfies TakenShown,
    );
  };

  const main = (name: string, onPress: () => void, plain = false) => (
    <MainPress onPress={onPress} plain={plain} disabled={busy || refused !== null}>
      {busy ? 'Booking …' : name}
    </MainPress>
  );

  return (
    <Frame
      tag={tag}
      head={head}
      margin={<Beside gates={gates} place={place} paper={`/trees/${plan.treeId}/paper?plan=${plan.id}`} />}
      count={countGates(gates)}
    >
      {strip}
      <AtThisTree {...{ treeId: plan.treeId, others, works, round }} />
      <StageStrip stage={form.stage} onGo={(stage) => go(stage)} />
      {refused && <p className="mb-4 border-l-4 border-sap pl-3 font-semibold text-sap">{refused}</p>}
      <FormIssues
        issues={issues}
        known={
          form.stage === 3
            ? ['amount', 'lotId', 'withIds', 'deviation', 'startedAt', 'endedAt']
            : form.stage === 1
              ? ['weather.temperatureC', 'weather.windMs', 'weather.humidity']
              : []
        }
      />

      {form.stage === 0 && (
        <>
          <h1 className="mb-2">Put on, before the can is opened</h1>
          <Protect use={use} label={label} words={words} worn={form.worn} onWorn={(worn) => set('worn', worn)} />
          {ofSite.worn.length > 0 && use.protection.every((p) => ofSite.worn.includes(p)) && form.worn.length === 0 && (
            <p className="mt-2">Worn on the last tree of this place today; say so again for this one.</p>
          )}
          {main('All on: go on', () => {
            ofSite.wear(use.protection);
            setForm((f) => ({ ...f, worn: use.protection, stage: 1 }));
            window.scrollTo({ top: 0 });
          })}
          <button type="button" className="press press-plain mt-2" onClick={() => go(1)}>
            Go on with what is ticked
          </button>
        </>
      )}

      {form.stage === 1 && (
        <>
          <h1 className="sr-only">Prepare</h1>
          <DoseQuestion
            changes={change ? [{ tag: '', change }] : []}
            basis={basis}
            reason={form.deviation}
            units={units}
            issues={issues}
            onBasis={(x) => setForm((f) => ({ ...f, basis: x, amount: null }))}
            onReason={(x) => set('deviation', x)}
          />
          {/* No amount is read off this page before somebody has said which one. */}
          {(!change || basis) && (
            <MeasuredOut plan={acting} treatmentContext={treatmentContext} now={now} stops={stops} units={units} />
          )}
          <ol className="mt-4 max-w-2xl list-decimal pl-6">
            {words.steps.map((x) => (
              <li key={x} className="py-0.5">
                {x}
              </li>
            ))}
          </ol>
          <BeforeStart
            use={use}
            us={us}
            gates={gates}
            said={saidNow}
            onSay={onSay}
            air={form}
            onAir={(change) => setForm((f) => ({ ...f, ...change }))}
            reasons={form.released}
            onReason={(gate, reason) => setForm((f) => ({ ...f, released: { ...f.released, [gate]: reason } }))}
            issues={issues}
          />
          {stops.length > 0 && basis !== 'planned' && (
            <TextArea
              label="Why it is done in spite of the stop"
              path="deviation"
              issues={issues}
              rows={2}
              value={form.deviation}
              onChange={(x) => set('deviation', x)}
            />
          )}
          {sources.length === 0 && (
            <p role="alert" className="mt-3 border-l-4 border-madder pl-3 font-semibold">
              No lot of {label.name} is on the shelf, and a record names its lot.{' '}
              <Link href="/stock" className="underline underline-offset-3">
                Book the delivery first.
              </Link>
            </p>
          )}
          {main(
            firstWord(
              {
                lots: sources.length,
                dose: change && !basis ? 1 : 0,
                stops: stops.length,
                reason: wantsReason,
                questions: questions.length,
                reasons: unreasoned.length,
              },
              words.start,
            ),
            () => {
              setIssues(airIssues);
              const asked = !stops.length && questions.length + unreasoned.length > 0;
              if (wantsReason) setIssues([...airIssues, { path: 'deviation', message: 'Give the reason first.' }]);
              if (!sources.length || airIssues.length || asked || wantsReason || (change && !basis)) {
                const open = change && !basis ? 'Dose changed' : 'Before you start';
                document.querySelector(`[aria-label="${open}"]`)?.scrollIntoView({ block: 'start' });
                return;
              }
              setForm((f) => ({ ...f, startedAt: phoneNow().toISOString(), stage: 2 }));
              window.scrollTo({ top: 0 });
            },
            stops.length > 0,
          )}
        </>
      )}

      {form.stage === 2 && (
        <During
          plan={acting}
          hang={{
            ...(change && basis ? { basis } : {}),
            deviation: form.deviation,
            released: form.released,
            said: saidNow,
            soil: form.soil,
            leaf: form.leaf,
            ...(celsius === null || ms === null
              ? {}
              : { weather: { ...station, temperatureC: celsius, windMs: ms, humidity } }),
          }}
          words={words}
          startedAt={form.startedAt}
          units={units}
          timeZone={timeZone}
          hanging={hanging}
          refused={refused !== null}
          rows={newest && !hanging ? installedAgain(rows, acting, station) : rows}
        >
          {main(hanging ? 'Write what went in' : 'Finished', () => {
            const installed = hanging && {
              startedAt: hanging.from,
              endedAt: hanging.to!,
              amount: wentIn(hanging.entered),
            };
            setForm((f) => ({ ...f, endedAt: phoneNow().toISOString(), ...installed, stage: 3 }));
            window.scrollTo({ top: 0 });
          })}
        </During>
      )}

      {form.stage === 3 && (
        <form
          noValidate
          onSubmit={(e) => {
            e.preventDefault();
            submit();
          }}
        >
          <h1 className="mb-3">As it was done</h1>
          <AsDone
            form={{ ...form, amount: typedAmount }}
            set={set}
            issues={issues}
            planned={planned}
            unit={unit}
            dimension={dose.dimension}
            units={units}
            sources={sources}
            timeZone={timeZone}
          />
          <Hands hands={hands} withIds={ofSite.withIds} issues={issues} onChange={ofSite.goWith} />
          {(against.length > 0 || form.deviation) && (
            <div className="border-l-4 border-sap pl-4">
              <p className="mb-2 font-semibold text-sap">It went otherwise than planned. {against.join(' ')}</p>
              <TextArea
                label="Why"
                path="deviation"
                issues={issues}
                rows={2}
                value={form.deviation}
                onChange={(x) => set('deviation', x)}
              />
            </div>
          )}
          <TextArea
            label="Note"
            path="note"
            issues={issues}
            rows={2}
            value={form.note}
            onChange={(x) => set('note', x)}
          />
          <PhotoField
            treeId={plan.treeId}
            onAdded={(id) => setForm((f) => ({ ...f, photoIds: [...f.photoIds, id] }))}
          />
          {main('Book it', () => submit())}
        </form>
      )}
      {after}
    </Frame>
  );
}
