import { METHOD_NAMES } from '@/core/label/methods';
import { showFill, type UnitSystem } from '@/lib/units/units';
import { findWork } from '@/knowledge/works';
import { findHost } from '@/knowledge';
import type { OpenPlan } from '@/store/plans';
import type { OpenWork } from '@/store/works';
import { Ribbon } from '@/ui/figures/ribbon';
import { MoreTrees, Accepted, TagRow } from '@/ui/frame/pieces';
import { shortDay } from '@/ui/words';

/** A plan that waits for a crew; the trees of a programme that have it on one day are one row, and what it missed leads there. */
export function PlanRow({ same, today, units }: { same: readonly OpenPlan[]; today: string; units: UnitSystem }) {
  const p = same[0]!;
  const missed = p.latest !== null && p.latest < today;
  const sheet = (x: OpenPlan) => `/trees/${x.treeId}/treat?plan=${x.id}`;
  const mix = same.reduce((sum, x) => sum + (x.mixMl ?? 0), 0);
  return (
    <>
      <TagRow
        href={missed && p.assignmentId ? `/schedule/programmes/assigned/${p.assignmentId}` : sheet(p)}
        tag={p.tag}
        title={`${same.length > 1 ? `${same.length} trees` : (findHost(p.hostId)?.name ?? p.hostId)}, ${p.siteName}`}
        right={
          missed ? (
            <span className="text-[0.9375rem] font-semibold text-madder">missed: until {shortDay(p.latest!)}</span>
          ) : (
            <span className="figures font-bold">{mix ? showFill(mix, units).text : `${p.sites ?? ''} sites`}</span>
          )
        }
      >
        {METHOD_NAMES[p.method]}, {p.labelName}
        {p.latest && !missed && `, until ${shortDay(p.latest)}`}
        <Accepted accepted={p.accepted} />
      </TagRow>
      {!missed && <MoreTrees trees={same.slice(1).map((x) => ({ id: x.id, tag: x.tag, href: sheet(x) }))} />}
    </>
  );
}

/** A work without a product that waits for a crew, with the trees of the place that have the same. */
export function WaitingWork({ same }: { same: readonly OpenWork[] }) {
  const w = same[0]!;
  const trees = same.map((x) => ({ id: x.id, tag: x.tag, href: `/trees/${x.treeId}#works` }));
  return (
    <>
      <TagRow
        href={trees[0]!.href}
        tag={w.tag}
        title={`${same.length > 1 ? `${same.length} trees` : (findHost(w.hostId)?.name ?? w.hostId)}, ${w.siteName}`}
        right={<span className="figures font-bold">{w.plannedFor ? shortDay(w.plannedFor) : 'any day'}</span>}
      >
        {findWork(w.workId)?.name ?? w.workId}
        <Accepted accepted={w.accepted} />
      </TagRow>
      <MoreTrees trees={trees.slice(1)} />
    </>
  );
}

/** A visit of the weeks ahead, with the trees that have the same on the same day. */
export function Coming({
  trees,
  span,
  children,
}: {
  trees: readonly { id: string; href: string; tag: string; hostId: string; siteName: string }[];
  span: { from: string; to: string; earliest: string; latest: string; due: string };
  children: React.ReactNode;
}) {
  const first = trees[0]!;
  const what = trees.length > 1 ? `${trees.length} trees` : (findHost(first.hostId)?.name ?? first.hostId);
  return (
    <>
      <TagRow
        href={first.href}
        tag={first.tag}
        title={`${what}, ${first.siteName}`}
        right={<Ribbon {...span} today={span.from} />}
      >
        {children}
      </TagRow>
      <MoreTrees trees={trees.slice(1)} />
    </>
  );
}

/** What is planned for later, told beside what waits now. */
export const Ahead = ({ plans }: { plans: { earliest: string | null }[] }) => (
  <a href="/schedule">
    {plans.length} more {plans.length === 1 ? 'is' : 'are'} planned, from {shortDay(plans[0]!.earliest!)}
  </a>
);
