import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { treeOf } from '@/facts/tree';
import { uuid } from '@/lib/ids';
import { STAGES, type Bbch } from '@/core/season/bbch';
import { dayAfter } from '@/lib/calendar/days';
import { dayIn, type LocalDate } from '@/lib/calendar/zone';
import { stagesOf } from '@/core/season/growth';
import { findHost, growthOf, heatModels } from '@/knowledge';
import type { Viewer } from '@/store/auth';
import { getSite } from '@/store/sites';
import { insertStageNote, siteYears, type StageNote } from '@/store/season';
import { z } from 'zod';

/** Older than a season, what is remembered is no sighting. */
const BACK_DAYS = 366;

type Seen = Pick<StageNote, 'kind' | 'hostId' | 'what'>;
type Refused = ReturnType<typeof refuse>;

function stageSeen({ hostId, code }: { hostId: string; code: Bbch }): Seen | Refused {
  const host = findHost(hostId);
  const growth = host && growthOf(host);
  return growth && stagesOf(growth).includes(code)
    ? { kind: 'stage', hostId, what: String(code) }
    : refuse('what.code', 'This stage is not known for this host.');
}

async function biofixSeen(viewer: Viewer, siteId: string, today: LocalDate, modelId: string): Promise<Seen | Refused> {
  const [year] = await siteYears(viewer, [siteId], today);
  const model = [...heatModels, ...(year?.ownHeat ?? [])].find((m) => m.id === modelId);
  return model && model.from !== 'new year'
    ? { kind: 'biofix', hostId: null, what: model.id }
    : refuse('what.modelId', 'No sum of heat is counted from a sighting like this.');
}

/** What somebody sees of the year: a stage of a host, or what a sum of heat is counted from. It moves what follows there. */
export const noteStage = command({
  name: 'note-stage',
  right: 'measure',
  schema: z.object({
    id: uuid,
    siteId: uuid,
    /** The tree at which it is seen; null where it is said of the place. */
    treeId: uuid.nullable(),
    what: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('stage'), hostId: z.string().max(60), code: z.literal(STAGES) }),
      z.strictObject({ kind: z.literal('biofix'), modelId: z.string().max(60) }),
    ]),
    on: z.iso.date('Give the day like 2026-05-14.'),
  }),
  once: (x) => x.id,
  run: async ({ viewer, receivedAt, occurredAt }, { id, siteId, treeId, what, on }): Promise<Result> => {
    const place = await getSite(viewer, siteId);
    if (!place) return refuse('siteId', 'This place is not in this company.');
    if (treeId) {
      const tree = await treeOf(viewer, treeId, receivedAt);
      if (tree?.siteId !== siteId) return refuse('treeId', 'This tree does not stand at this place.');
    }
    const today = dayIn(receivedAt, place.timeZone);
    if (on > today) return refuse('on', 'This day has not come yet; say what is seen.');
    if (on < dayAfter(today, -BACK_DAYS, 'days')) return refuse('on', 'At most a year back.');
    const seen = what.kind === 'stage' ? stageSeen(what) : await biofixSeen(viewer, siteId, today, what.modelId);
    if ('ok' in seen) return seen;
    await insertStageNote(viewer, { id, siteId, treeId, day: on, at: occurredAt, ...seen });
    return done;
  },
});
