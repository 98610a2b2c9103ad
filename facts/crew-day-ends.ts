import { openEnds, type DayItem, type OpenEnd } from '@/core/crew-day/day';
import type { BatchRow } from '@/store/batches';
import type { LeftRow } from '@/store/day';
import type { NamedInspection } from '@/store/follow-ups';
import type { OpenPlan } from '@/store/plans';
import type { OpenWork } from '@/store/works';

/** Something that stands or stood on a round, with what became of it. */
export type CrewDayItem = DayItem & { begins: number } & (
    { kind: 'plan'; plan: OpenPlan } | { kind: 'work'; work: OpenWork } | { kind: 'look'; look: NamedInspection }
  );
export interface CrewDayItems {
  things: CrewDayItem[];
  lefts: LeftRow[];
  batches: BatchRow[];
}

/** What keeps a day open: its things, and the rests of its mixes that nobody keeps while they are good. */
export const endsOf = ({ things, batches }: Pick<CrewDayItems, 'things' | 'batches'>, now: Date): OpenEnd[] =>
  openEnds(
    things,
    batches
      .filter((b) => b.leftMl > 0 && !(b.kept && b.goodUntil > now))
      .map((b) => ({ id: b.id, name: b.code, leftMl: b.leftMl })),
  );
