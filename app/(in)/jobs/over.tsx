import Link from 'next/link';
import type { LocalDate } from '@/lib/calendar/zone';
import { groupBy } from '@/core/work/load-out';
import { MoreTrees, Section, TagRow } from '@/ui/frame/pieces';
import { shortDay } from '@/ui/words';
import { DropPlans } from './drop.client';

/** A plan whose time is over. */
export interface Over {
  id: string;
  treeId: string;
  tag: string;
  siteName: string;
  label: string;
  /** Null where it was planned for its own day, long ago. */
  latest: LocalDate | null;
  /** The programme that knows what becomes of it; null where it stands for itself. */
  assignmentId: string | null;
}

/** Plans whose time is over, a row for those that are alike: planned anew, or dropped together. */
export function OverPlans({ plans, may }: { plans: readonly Over[]; may: boolean }) {
  if (!plans.length) return null;
  const rows = groupBy(plans, (p) => [p.siteName, p.label, p.latest, p.assignmentId].join());
  return (
    <Section title="Their time is over" aside="nothing is done by these plans any more">
      <ul>
        {[...rows.values()].map((same) => (
          <Row key={same[0]!.id} same={same} may={may} />
        ))}
      </ul>
    </Section>
  );
}

function Row({ same, may }: { same: readonly Over[]; may: boolean }) {
  const first = same[0]!;
  const until = first.latest
    ? `could be done until ${shortDay(first.latest)}`
    : 'was planned for its own day, long ago';
  return (
    <>
      <TagRow
        href={`/trees/${first.treeId}/prescribe`}
        tag={first.tag}
        title={`${first.label}, ${first.siteName}`}
        right={may && !first.assignmentId && <DropPlans ids={same.map((p) => p.id)} />}
      >
        {until}; {first.assignmentId ? 'its programme says what becomes of it' : 'open the tree to plan it anew'}
      </TagRow>
      {first.assignmentId && (
        <p className="pb-2">
          <Link href={`/schedule/programmes/assigned/${first.assignmentId}`}>Its programme here</Link>
        </p>
      )}
      <MoreTrees trees={same.slice(1).map((p) => ({ id: p.id, href: `/trees/${p.treeId}/prescribe`, tag: p.tag }))} />
    </>
  );
}
