'use client';

import { useRouter } from 'next/navigation';
import { useMemo } from 'react';
import { v7 } from 'uuid';
import { newestOf, rowGatesOf, type AtTheTree, type RowGate } from '@/facts/at-the-tree';
import { methodWords } from '@/core/label/method-words';
import type { Said } from '@/core/gates/said';
import { eatFrom, reEntryUntil } from '@/core/records/eat';
import { itemsLeftBy, plansDoneBy, stockWith, type TakenShown, type Written } from '@/facts/queued';
import { dayIn } from '@/lib/calendar/zone';
import { isServed } from '@/core/mix/recipe';
import { doseChange, type DoseBasis } from '@/core/dose/dose-change';
import { sourcesOf, usualSource, type Source } from '@/core/mix/sources';
import { readNumber } from '@/lib/units/numbers';
import { showAmount, showFill, smallUnit, type UnitSystem } from '@/lib/units/units';
import { soilState, type SoilState, type Weather } from '@/core/weather/air';
import type { LeafState } from '@/core/season/leaf-state';
import { FormIssues } from '@/ui/controls/controls';
import { useDraft, useSend } from '@/ui/controls/use.client';
import { Frame } from '@/ui/frame/frame';
import { Fact, Pour } from '@/ui/frame/pieces';
import { useNotify } from '@/ui/frame/undo.client';
import { clock } from '@/ui/words';
import type { Row, RowTree } from '@/views/row';
import { Hands } from '../../trees/[id]/treat/applicators.client';
import { useOfSite } from '../../trees/[id]/treat/of-place.client';
import { DoseQuestion } from '../../trees/[id]/treat/dose-question.client';
import { BeforeStart } from '../../trees/[id]/treat/before.client';
import { MainPress, Protect, StageStrip } from '../../trees/[id]/treat/stages.client';
import { firstWord, perUnit, readAir, sentSource, typedAir } from '../../trees/[id]/treat/typed';
import { recordTreatments } from '../../offline-commands.client';
import { phoneNow } from '@/ui/phone/clock.client';
import { useQueued } from '@/ui/phone/phone.client';
import { Strip } from './strip.client';
import { WriteRow } from './write.client';
import { givesReason } from '@/lib/reason';

interface Props {
  row: Row;
  units: UnitSystem;
  station: Weather;
  refused: string | null;
  tag: React.ReactNode;
  margin: React.ReactNode;
}

/** What the great figure of a row says: the mix that is made, or the one that is to be made. */
const doseTitle = (trees: number, mixed: boolean, source: Source | null): string => {
  const count = `${trees} ${trees === 1 ? 'tree' : 'trees'}`;
  if (!mixed) return `For ${count}`;
  return source?.batchIds ? `From mix ${source.name} for ${count}` : `Mix for ${count}`;
};

const sum = (trees: readonly RowTree[], of: (t: RowTree) => number) => trees.reduce((a, t) => a + of(t), 0);

/** Commands that change what this sheet shows while they are queued on the phone. */
const QUEUED_HERE = [
  'make-batch',
  'finish-batch',
  'record-treatment',
  'record-treatments',
  'mark-not-done',
  'measure-tree',
] as const;

function useRowForm({ row, units, station }: Props) {
  const { use, today, trees } = row;
  return useDraft(
    `row:${row.siteId}:${row.label.key}:${use.key}`,
    {
      day: today,
      id: v7(),
      // A record each: the same ids however often they are sent.
      records: Object.fromEntries(trees.map((t) => [t.planId, v7()])) as Record<string, string>,
      stage: 0,
      worn: [] as string[],
      out: [] as string[],
      done: [] as string[],
      startedAt: '',
      endedAt: '',
      amount: null as string | null,
      // Which dose is followed where the newest facts give another than the plan.
      basis: null as DoseBasis | null,
      // Empty: what was mixed for them first, else the lot that is used first.
      lotId: '',
      ...typedAir(station, units),
      soil: soilState(station) as SoilState | null,
      leaf: null as LeafState | null,
      intakeMmH: null as number | null,
      said: {} as Said,
      released: {} as Record<string, string>,
      deviation: '',
      mark: '',
      note: '',
    },
    // Work that has begun is never forgotten, not even past midnight.
    (kept) => kept.day === today || Boolean(kept.startedAt),
  );
}

/** What stands at the trees of a row, in the air and ground that were said; nothing while those cannot be read. */
const useGates = (trees: readonly RowTree[], at: string | null, timeZone: string): RowGate[] =>
  useMemo(() => {
    if (at === null) return [];
    // The day is that of whoever stands there: this page may be held since yesterday.
    const today = dayIn(phoneNow(), timeZone);
    return rowGatesOf(
      trees.map((t) => ({ ...t.facts, treatmentContext: { ...t.facts.treatmentContext, on: today } })),
      JSON.parse(at) as AtTheTree,
    );
  }, [trees, at, timeZone]);

/** The trees of a row with the dose that each is given: by the newest facts, or as planned; and where the two differ. */
function useDoses(planned: readonly RowTree[], waits: readonly Written[], basis: DoseBasis | null) {
  // Measured on this phone since: its own sheet knows, and works the dose out; this page does not.
  const remeasured = waits.flatMap((w) => (w.verb === 'measure-tree' ? [(w.input as { treeId: string }).treeId] : []));
  const newest = useMemo(() => planned.map((t) => ({ t, now: newestOf(t.facts).dose })), [planned]);
  const changes = newest.flatMap(({ t, now }) => {
    const change = doseChange(t.dose, now);
    return change ? [{ planId: t.planId, tag: t.tag, change }] : [];
  });
  const changed = new Set(changes.map((c) => c.planId));
  const trees = newest.map(({ t, now }) =>
    changed.has(t.planId) && basis === 'newest' && now.ok ? { ...t, dose: now } : t,
  );
  return { trees, changes, changed, remeasured };
}

/** What pages of this phone show of the records until they are sent. */
function takenOf(
  { label, use, timeZone }: Row,
  written: readonly RowTree[],
  used: number,
  endedAt: string,
): TakenShown {
  const product = sum(written, (t) => t.dose.product);
  return {
    labelKey: label.key,
    product: used,
    done: written.map((t) => ({
      planId: t.planId,
      amount: (used * t.dose.product) / product,
      targetName: t.target,
      reEntryUntil: reEntryUntil(use, endedAt),
      eatFrom: eatFrom(t.facts.treatmentContext.host, use, dayIn(endedAt, timeZone)),
    })),
  };
}

/** What is written for each tree: its share of what was used, by its own dose. @param changed plans whose dose is another by now */
const rowsOf = (
  trees: readonly RowTree[],
  form: ReturnType<typeof useRowForm>[0],
  { used, planned, changed }: { used: number; planned: number; changed: ReadonlySet<string> },
) =>
  trees.map((t) => ({
    planId: t.planId,
    recordId: form.records[t.planId] ?? v7(),
    amount: (used * t.dose.product) / planned,
    ...(changed.has(t.planId) && form.basis ? { basis: form.basis } : {}),
  }));

/** A row of like trees from one mix: asked once, ticked off tree by tree, written in one go. */
export function RowSheet(props: Props) {
  const { row, units, station, refused, tag, margin } = props;
  const { use, label } = row;
  const waits = useQueued<unknown>(...QUEUED_HERE);
  // What was written or left on this phone is done, though the server has not heard of it.
  const planned = useMemo(() => {
    const gone = waits.flatMap((w) => [...plansDoneBy(w), ...itemsLeftBy(w)]);
    return row.trees.filter((t) => !gone.includes(t.planId));
  }, [row.trees, waits]);
  const [form, setForm, forget] = useRowForm(props);
  const { trees, changes, changed, remeasured } = useDoses(planned, waits, form.basis);
  const sources = useMemo(() => {
    const { lots, mixes } = stockWith({ lots: row.lots, mixes: row.made }, label.key, waits);
    const [first] = row.trees;
    const planIds = row.trees.map((t) => t.planId);
    return sourcesOf(
      lots,
      mixes.filter((m) => isServed(m, label, first!.dose, planIds)),
      planIds,
    );
  }, [row, label, waits]);
  const router = useRouter();
  const tell = useNotify();
  const ofSite = useOfSite(row.siteId, row.today);
  const { busy, issues, setIssues, send } = useSend(recordTreatments);
  const change = (more: Partial<typeof form>) => setForm((f) => ({ ...f, ...more }));
  const go = (stage: number, more: Partial<typeof form> = {}) => {
    change({ ...more, stage });
    window.scrollTo({ top: 0 });
  };
  const air = readAir(form, units);
  const saidNow = { ...ofSite.said, ...form.said };
  const { temperatureC, windMs, humidity } = air;
  const readable = temperatureC !== null && windMs !== null;
  const at: AtTheTree | null = readable
    ? {
        weather: { ...station, temperatureC, windMs, humidity },
        soil: form.soil,
        leaf: form.leaf,
        intakeMmH: form.intakeMmH,
        said: saidNow,
        startedAt: form.startedAt || station.at,
      }
    : null;
  const told = useGates(planned, at ? JSON.stringify(at) : null, row.timeZone);
  const stopped = new Set(
    told.flatMap((g) => (g.gate.strength === 'stop' && g.gate.state === 'tripped' ? g.planIds : [])),
  );
  // What is stopped is left out before the start: done all the same, it is written tree by tree with its reason.
  // Once it has begun the row is what it was then: a stop that comes later takes nothing away that was done.
  const begun = Boolean(form.startedAt);
  const mine = trees.filter(
    (t) => !form.out.includes(t.planId) && (begun || (!stopped.has(t.planId) && !remeasured.includes(t.treeId))),
  );
  const asked = changes.filter((c) => mine.some((t) => t.planId === c.planId));
  const unchosen = asked.length > 0 && !form.basis;
  const wantsReason = asked.length > 0 && form.basis === 'planned' && !givesReason(form.deviation);
  const open = told.filter((g) => g.planIds.some((id) => mine.some((t) => t.planId === id)));
  const questions = open.filter((g) => g.gate.asks && g.gate.state === 'asked');
  const unreasoned = open.filter(
    ({ gate }) => gate.strength === 'hold' && gate.state === 'tripped' && !givesReason(form.released[gate.id]),
  );
  const onSay = (answers: Said) => {
    ofSite.say(answers);
    setForm((f) => ({ ...f, said: { ...f.said, ...answers } }));
  };
  const words = methodWords(use.method, use.sites?.device, use.carrier.kind !== 'none');
  const written = form.stage === 3 ? mine.filter((t) => form.done.includes(t.planId)) : mine;
  const product = sum(written, (t) => t.dose.product);
  const mixMl = sum(written, (t) => t.dose.carrier?.totalMl ?? 0);
  const { dimension } = row.trees[0]!.dose;
  const unit = smallUnit(dimension, units);
  const plannedHere = Number((product / perUnit(unit)).toPrecision(6));
  const typed = form.amount ?? String(plannedHere);
  const amount = readNumber(typed, { name: 'The amount used', above: 0, max: 1_000_000, unit });

  const lotId = form.lotId || usualSource(sources, product, row.today);
  const source = sources.find((x) => x.id === lotId) ?? null;

  const submit = () => {
    const bad = [
      ...(amount.ok ? [] : [{ path: 'total', message: amount.sentence }]),
      ...air.issues,
      ...(source ? [] : [{ path: 'lotId', message: 'No lot of this product is on the shelf.' }]),
      ...(written.length ? [] : [{ path: '', message: 'No tree is ticked as done.' }]),
    ];
    if (bad.length || !amount.ok || !at || !source) return setIssues(bad);
    const endedAt = form.endedAt || phoneNow().toISOString();
    const used = amount.value === plannedHere ? product : amount.value * perUnit(unit);
    send(
      {
        id: form.id,
        rows: rowsOf(written, form, { used, planned: product, changed }),
        total: amount.value === plannedHere ? null : amount.value * perUnit(unit),
        startedAt: form.startedAt || phoneNow().toISOString(),
        endedAt,
        ...sentSource(source),
        weather: { ...at.weather, at: form.startedAt || station.at },
        soil: form.soil,
        leaf: form.leaf,
        intakeMmH: form.intakeMmH,
        said: saidNow,
        released: form.released,
        protection: form.worn,
        withIds: ofSite.withIds,
        deviation: form.deviation,
        mark: form.mark,
        note: form.note,
      },
      ({ recordIds }, kept) => {
        forget();
        const n = `${recordIds.length} ${recordIds.length === 1 ? 'record' : 'records'}`;
        tell({
          sentence: kept ? `Kept on this phone: ${n}.` : `${n} ${recordIds.length === 1 ? 'is' : 'are'} written.`,
        });
        if (kept) return router.back();
        router.push(`/jobs?place=${row.siteId}`);
        router.refresh();
      },
      takenOf(row, written, used, endedAt),
    );
  };

  const main = (name: string, onPress: () => void, plain = false) => (
    <MainPress onPress={onPress} plain={plain} disabled={busy || refused !== null}>
      {busy ? 'Writing …' : name}
    </MainPress>
  );
  const strip = (
    <Strip
      trees={trees}
      units={units}
      stage={form.stage}
      out={form.out}
      done={form.done}
      stops={told.filter((g) => g.gate.strength === 'stop' && g.gate.state === 'tripped')}
      remeasured={remeasured}
      onOut={(out) => change({ out })}
      onDone={(done) => change({ done })}
    />
  );
  return (
    <Frame tag={tag} margin={margin}>
      <h1>
        {trees.length} trees in one go: {label.name}
      </h1>
      <StageStrip stage={form.stage} onGo={(stage) => go(stage)} />
      {refused && <p className="mb-4 border-l-4 border-sap pl-3 font-semibold text-sap">{refused}</p>}
      <FormIssues issues={issues} known={form.stage === 3 ? ['total', 'lotId', 'withIds', 'deviation'] : []} />

      {form.stage === 0 && (
        <>
          <h2 className="mb-2">Put on, before the can is opened</h2>
          <Protect use={use} label={label} words={words} worn={form.worn} onWorn={(worn) => change({ worn })} />
          {main('All on: go on', () => go(1, { worn: use.protection }))}
        </>
      )}

      {form.stage === 1 && (
        <>
          <DoseQuestion
            changes={asked}
            basis={form.basis}
            reason={form.deviation}
            units={units}
            issues={issues}
            onBasis={(basis) => change({ basis, amount: null })}
            onReason={(deviation) => change({ deviation })}
          />
          {!unchosen && (
            <>
              <Pour
                big
                label={doseTitle(mine.length, mixMl > 0, source)}
                value={mixMl ? showFill(mixMl, units).value : showAmount(product, dimension, units).value}
                unit={mixMl ? showFill(mixMl, units).unit : showAmount(product, dimension, units).unit}
              />
              {mixMl > 0 && (
                <dl className="max-w-lg">
                  <Fact name="Of it product">{showAmount(product, dimension, units).text}</Fact>
                  <Fact name="Order">half the water, the product, then the rest</Fact>
                </dl>
              )}
            </>
          )}
          {strip}
          <BeforeStart
            use={use}
            us={units === 'us'}
            gates={open.map((g) => g.gate)}
            said={saidNow}
            onSay={onSay}
            air={form}
            onAir={change}
            reasons={form.released}
            onReason={(gate, reason) => setForm((f) => ({ ...f, released: { ...f.released, [gate]: reason } }))}
            issues={air.issues}
          />
          {main(
            firstWord(
              {
                lots: sources.length,
                dose: unchosen ? 1 : 0,
                reason: wantsReason,
                stops: mine.length ? 0 : 1,
                questions: questions.length,
                reasons: unreasoned.length,
              },
              words.start,
            ),
            () => {
              setIssues(air.issues);
              const dose = unchosen || wantsReason;
              if (wantsReason) setIssues([...air.issues, { path: 'deviation', message: 'Give the reason first.' }]);
              if (!at || !sources.length || !mine.length || dose || questions.length + unreasoned.length) {
                const open = dose ? 'Dose changed' : 'Before you start';
                document.querySelector(`[aria-label="${open}"]`)?.scrollIntoView({ block: 'start' });
                return;
              }
              go(2, { startedAt: phoneNow().toISOString(), out: [...new Set([...form.out, ...stopped])] });
            },
            !mine.length,
          )}
        </>
      )}

      {form.stage === 2 && (
        <>
          <p className="figures">
            Started <b>{form.startedAt ? clock(form.startedAt, row.timeZone) : '–'}</b>; tick each as it is done.
          </p>
          {strip}
          <p className="mt-3 max-w-lg text-[0.9375rem] text-ink-2">{words.mind}</p>
          {main('Finished', () =>
            go(3, {
              endedAt: phoneNow().toISOString(),
              // Where nobody ticked on the way, all of them are meant; what is not done is taken out.
              done: form.done.length ? form.done : mine.map((t) => t.planId),
            }),
          )}
        </>
      )}

      {form.stage === 3 && (
        <WriteRow
          title={`${written.length} of ${trees.length} as it was done`}
          strip={strip}
          unit={unit}
          planned={plannedHere}
          typed={typed}
          dimension={dimension}
          sources={sources}
          units={units}
          form={{ ...form, lotId }}
          issues={issues}
          onChange={change}
          onWrite={submit}
        >
          <Hands hands={row.hands} withIds={ofSite.withIds} issues={issues} onChange={ofSite.goWith} />
          {main(`Write ${written.length} ${written.length === 1 ? 'record' : 'records'}`, submit)}
        </WriteRow>
      )}
    </Frame>
  );
}
