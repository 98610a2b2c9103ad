import { oldSitesOf } from '@/facts/treatment-context';
import { certaintyWords } from '@/core/diagnose/words';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import Link from 'next/link';
import type { Duty } from '@/core/decide/duties';
import { openProblems } from '@/core/decide/problems';
import { girthFromDiameter } from '@/core/measure/trunk';
import { showDistance, showTrunk, type UnitSystem } from '@/lib/units/units';
import { findCondition, findHost } from '@/knowledge';
import type { Tree } from '@/store/tree';
import { RingFigure } from '@/ui/figures/ring';
import { TagLine } from '@/ui/frame/pieces';
import { Stepper, type StepperStep } from '@/ui/frame/stepper';
import { dayThere, shortDay } from '@/ui/words';
import { TreeWarnings } from './warnings';

export type StepName = 'measure' | 'inspect' | 'diagnose' | 'prescribe' | 'treat' | 'tree';

/** A plan in the chain: the day it was made on, or the one it was made for. */
const plannedWords = (plan: { at: Date; plannedFor: string | null }, timeZone: string): string =>
  plan.plannedFor ? `planned for ${shortDay(plan.plannedFor)}` : `planned ${dayThere(plan.at, timeZone)}`;

function steps(tree: Tree, here: StepName): StepperStep[] {
  const base = `/trees/${tree.id}`;
  const plan = tree.plans.find((p) => p.state === 'open');
  const record = tree.records.find((r) => !r.withdrawn);
  const next = tree.followUps.find((f) => f.state === 'open');
  const savedDiagnosis = tree.savedDiagnoses[0];
  return [
    {
      name: 'Measure',
      href: `${base}/measure`,
      here: here === 'measure',
      dataKey: 'm',
      done: tree.readings[0] ? dayThere(tree.readings[0].at, tree.timeZone) : null,
    },
    {
      name: 'Inspect',
      href: `${base}/inspect`,
      here: here === 'inspect',
      dataKey: 'i',
      done: tree.looks[0]
        ? `${dayThere(tree.looks[0].at, tree.timeZone)}${tree.hostConfirmedAt ? ', host confirmed' : ''}`
        : null,
    },
    {
      name: 'Diagnose',
      href: `${base}/diagnose`,
      here: here === 'diagnose',
      done: savedDiagnosis ? savedDiagnosis.decision : null,
    },
    {
      name: 'Prescribe',
      href: `${base}/prescribe`,
      here: here === 'prescribe',
      done: plan ? plannedWords(plan, tree.timeZone) : record ? `last ${shortDay(record.doneOn)}` : null,
    },
    {
      name: 'Treat',
      href: `${base}/treat`,
      here: here === 'treat',
      dataKey: 'r',
      done: plan ? null : record ? shortDay(record.doneOn) : null,
    },
    {
      name: 'Follow up',
      href: base,
      here: here === 'tree',
      done: next ? `due ${shortDay(next.due)}` : null,
    },
  ];
}

/** The tag of the tree in hand, with the twig. */
export function TreeTag({ tree, units, here }: { tree: Tree; units: UnitSystem; here: StepName }) {
  const host = findHost(tree.hostId);
  const reading = tree.readings[0];
  const crown = tree.looks.find((l) => l.crownLoss !== null);
  const next = tree.followUps.find((f) => f.state === 'open');
  const oldSites = oldSitesOf(tree);
  return (
    <div className="flex h-full flex-col">
      <Link href={`/trees/${tree.id}`} className="figures block text-tag leading-none font-extrabold break-all">
        {tree.tag}
      </Link>
      <p className="mt-2 text-lead leading-tight font-bold">{host?.name ?? tree.hostId}</p>
      <p className="text-[0.9375rem] text-ink-2 italic">{tree.species || host?.latin}</p>
      <p className="mt-1 text-[0.9375rem]">
        <Link href={`/sites/${tree.siteId}`} className="underline underline-offset-3">
          {tree.siteName}
        </Link>
      </p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Girth">{reading ? showTrunk(girthFromDiameter(reading.diameterCm), units).text : '–'}</TagLine>
        <TagLine name="Diameter">{reading ? showTrunk(reading.diameterCm, units).text : '–'}</TagLine>
        <TagLine name="Height">{reading?.treeHeightM ? showDistance(reading.treeHeightM, units).text : '–'}</TagLine>
        <TagLine name="Crown loss">{crown ? `${crown.crownLoss} %` : '–'}</TagLine>
        <TagLine name="Next">{next ? shortDay(next.due) : '–'}</TagLine>
      </dl>
      <Stepper steps={steps(tree, here)} />
      <div className="mt-auto pt-4">
        {(oldSites.length > 0 || (reading?.arcs.length ?? 0) > 0) && reading && (
          <RingFigure
            mini
            size={96}
            picture={{
              girthCm: girthFromDiameter(reading.diameterCm),
              heightCm: 0,
              sites: [],
              arcs: reading.arcs,
              oldSites,
            }}
          />
        )}
        <nav aria-label="Neighbours in walking order" className="mt-3 flex justify-between">
          <Walk to={tree.previousId} here={here} label="Previous tree" dataKey="p" icon={<ChevronLeft aria-hidden />} />
          <Walk to={tree.nextId} here={here} label="Next tree" dataKey="n" icon={<ChevronRight aria-hidden />} />
        </nav>
      </div>
    </div>
  );
}

function Walk({
  to,
  here,
  label,
  dataKey,
  icon,
}: {
  to: string | null;
  here: StepName;
  label: string;
  dataKey: string;
  icon: React.ReactNode;
}) {
  if (!to) return <span className="size-12" />;
  const step = here === 'tree' ? '' : `/${here}`;
  return (
    <Link
      href={`/trees/${to}${step}`}
      aria-label={label}
      data-key={dataKey}
      prefetch={false}
      className="flex size-12 items-center justify-center border border-ink-2"
    >
      {icon}
    </Link>
  );
}

/** The same tag as a phone's sticky head, with the steps as a strip. */
export function TreeHead({ tree, units, here }: { tree: Tree; units: UnitSystem; here: StepName }) {
  const reading = tree.readings[0];
  return (
    <div className="flex min-h-[66px] items-center gap-3 px-4">
      <Link href={`/trees/${tree.id}`} className="figures text-[2rem] font-extrabold">
        {tree.tag}
      </Link>
      <div className="min-w-0 flex-1 leading-tight">
        <p className="truncate font-bold">{findHost(tree.hostId)?.name}</p>
        <p className="figures truncate text-small">
          {reading
            ? `⌀ ${showTrunk(reading.diameterCm, units).text}, girth ${showTrunk(girthFromDiameter(reading.diameterCm), units).text}`
            : 'not measured'}
        </p>
      </div>
      <Walk to={tree.nextId} here={here} label="Next tree" dataKey="n" icon={<ChevronRight aria-hidden />} />
    </div>
  );
}

/** The steps as a strip, for a phone; and before everything else what saves lives and regions. */
export function StepStrip({ tree, duties, here }: { tree: Tree; duties: readonly Duty[]; here: StepName }) {
  return (
    <>
      <p className="figures mb-3 hidden border-b border-ink pb-1 font-bold print:block">
        {tree.tag} · {tree.species || findHost(tree.hostId)?.name} · {tree.siteName}, {tree.address}
      </p>
      <nav
        aria-label="Steps"
        className="no-print -mx-4 -mt-4 mb-4 hidden overflow-x-auto border-b border-line phone:flex"
      >
        {/* The number in the head leads to “Look again”, so the strip keeps to what is done at the trunk. */}
        {steps(tree, here)
          .slice(0, -1)
          .map((s) => (
            <Link
              key={s.name}
              href={s.href}
              aria-current={s.here ? 'step' : undefined}
              className={`flex min-h-hand flex-1 items-center justify-center px-2 text-[0.9375rem] whitespace-nowrap ${s.here ? 'bg-ink font-bold text-sheet' : 'underline underline-offset-3'}`}
            >
              {s.name}
            </Link>
          ))}
      </nav>
      <TreeWarnings duties={duties} />
    </>
  );
}

/** What is known and why, beside any step. */
export function TreeWhy({ tree }: { tree: Tree }) {
  const open = openProblems(tree.savedDiagnoses);
  const shown = open.length ? open : tree.savedDiagnoses.slice(0, 1);
  const condition = shown[0] && findCondition(shown[0].conditionId);
  return (
    <>
      <section>
        <h2 className="text-body">{open.length > 1 ? `${open.length} open troubles` : 'Named'}</h2>
        {shown.map((savedDiagnosis) => (
          <p key={savedDiagnosis.id} className="py-1">
            <b>{findCondition(savedDiagnosis.conditionId)?.name ?? savedDiagnosis.conditionId}</b>,{' '}
            {certaintyWords(savedDiagnosis.certainty)}. Decision: {savedDiagnosis.decision}.
            <span className="mt-1 block text-[0.9375rem]">{savedDiagnosis.reason}</span>
            <span className="block text-small text-ink-2">
              {savedDiagnosis.byName}, {dayThere(savedDiagnosis.at, tree.timeZone)}
            </span>
            {open.length > 1 && (
              <Link
                href={`/trees/${tree.id}/prescribe?for=${savedDiagnosis.conditionId}`}
                className="underline underline-offset-3"
              >
                Prescribe for it
              </Link>
            )}
          </p>
        ))}
        {shown.length === 0 && <p className="text-ink-2">Nothing yet. Examine, then decide.</p>}
      </section>
      {condition && (
        <section>
          <h2 className="text-body">What is known of it</h2>
          <p className="text-[0.9375rem]">{condition.about}</p>
          <p className="mt-1 text-[0.9375rem]">
            <b>Deciding test:</b> {condition.decidingTest}.
          </p>
          <p className="mt-1 text-small text-ink-2">{condition.basis}</p>
        </section>
      )}
      <section>
        <h2 className="text-body">Done before</h2>
        {tree.records.length === 0 && <p className="text-ink-2">Nothing in the book.</p>}
        <ul>
          {tree.records.slice(0, 5).map((r) => (
            <li key={r.id} className="py-1 text-[0.9375rem]">
              <Link href={`/records/${r.id}`} className="underline underline-offset-3">
                {shortDay(r.doneOn)}
              </Link>{' '}
              {r.actives.map((a) => a.name).join(', ')}
              {r.withdrawn && ' (withdrawn)'}
            </li>
          ))}
        </ul>
      </section>
    </>
  );
}
