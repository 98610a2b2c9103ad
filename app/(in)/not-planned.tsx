import { findCondition, findHost } from '@/knowledge';
import type { Today } from '@/views/today';
import { MoreTrees, Section, TagRow } from '@/ui/frame/pieces';
import { shortDay } from '@/ui/words';

const STATES = {
  open: 'open today',
  later: 'from',
  stopped: 'stopped',
  'no product': 'no product on the shelf',
} as const;

/** What was decided and has no plan yet: the first with what may be done about them today, and all the others by their tags. */
export const NotPlanned = ({ undecided, more }: { undecided: Today['undecided']; more: Today['moreUndecided'] }) => (
  <Section
    title="Decided, not planned"
    aside="to treat or to protect"
    empty={undecided.length === 0 && 'Everything that was decided has its plan.'}
  >
    <ul>
      {undecided.map((u) => (
        <TagRow
          key={`${u.treeId} ${u.conditionId}`}
          href={`/trees/${u.treeId}/prescribe`}
          tag={u.tag}
          title={`${findHost(u.hostId)?.name ?? u.hostId}, ${u.siteName}`}
          right={
            <span
              className={`text-[0.9375rem] font-semibold ${u.state === 'open' || u.state === 'later' ? '' : 'text-madder'}`}
            >
              {STATES[u.state]}
              {u.on && ` ${shortDay(u.on)}`}
            </span>
          }
        >
          {findCondition(u.conditionId)?.name}: {u.decision}
        </TagRow>
      ))}
      <MoreTrees
        trees={more.map((u) => ({
          id: `${u.treeId} ${u.conditionId}`,
          tag: u.tag,
          href: `/trees/${u.treeId}/prescribe`,
        }))}
      />
    </ul>
  </Section>
);
