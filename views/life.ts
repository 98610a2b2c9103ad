import { regionFor } from '@/facts/region';
import { hostYear, taughtFrom } from '@/facts/season';
import type { Condition, Host } from '@/core/diagnose/knowledge';
import { concerns } from '@/core/diagnose/reading';
import { dayAfter } from '@/lib/calendar/days';
import { dayIn, type LocalDate } from '@/lib/calendar/zone';
import { southOf } from '@/lib/calendar/hemisphere';
import { lifeSpans, type LifeSpan } from '@/core/season/life';
import type { HeatModel } from '@/core/season/heat-schema';
import type { StationFor } from '@/core/weather/station';
import { findHost, growthOf, heatModels, hostsNow } from '@/knowledge';
import { besideOf } from '@/knowledge/beside';
import type { Viewer } from '@/store/auth';
import { together } from '@/store/db';
import { sitesToChoose, type SiteList } from '@/store/sites';
import { siteStand, siteYears } from '@/store/season';
import { startOfMonth } from '@/lib/calendar/months';

/** The year of a condition at a place of one's own. */
export interface LifeYear {
  places: SiteList;
  place: { id: string; name: string };
  /** The host whose stages tell it: of those that stand there the one with most trees, else any that it attacks. */
  host: Host;
  today: LocalDate;
  south: boolean;
  from: LocalDate;
  to: LocalDate;
  spans: LifeSpan[];
  /** Sums of heat that count from something that nobody has seen there this season. */
  waits: Pick<HeatModel, 'id' | 'what' | 'from'>[];
}

/** Twelve months of a condition's life from this month on; null where the company has no place, or nothing is known of it. */
export const lifeYear = ({
  viewer,
  condition,
  siteId,
  stationFor,
  now,
}: {
  viewer: Viewer;
  condition: Condition;
  siteId: string | null;
  stationFor: StationFor;
  now: Date;
}): Promise<LifeYear | null> =>
  together(viewer, async () => {
    const { life } = besideOf(condition);
    const [places, place] = await Promise.all([
      sitesToChoose(viewer, siteId),
      siteStand(viewer, siteId, dayIn(now, viewer.timeZone)),
    ]);
    if (!place || !life.length) return null;
    const standing = place.hosts.flatMap(({ hostId }) => findHost(hostId) ?? []);
    const attacked = [...standing, ...hostsNow()].filter((h) => concerns(condition.groups, h));
    const host = attacked.find((h) => growthOf(h)) ?? attacked[0];
    if (!host) return null;
    const [seen] = await siteYears(viewer, [place.id], taughtFrom(now));
    const year = hostYear(host, {
      spot: place,
      timeZone: place.timeZone,
      seen: seen ?? { stageNotes: [], brought: [], ownHeat: [] },
      stationFor,
      now,
      presence: regionFor(viewer, place.region).presence,
    });
    const today = dayIn(now, place.timeZone);
    const from = startOfMonth(today);
    const to = dayAfter(dayAfter(from, 12, 'months'), -1, 'days');
    const south = southOf(place);
    const told = new Set(year.heat.map((h) => h.modelId));
    return {
      places,
      place,
      host,
      today,
      south,
      from,
      to,
      spans: lifeSpans(life, year, south, { from, to }),
      waits: [...heatModels, ...(seen?.ownHeat ?? [])].filter(
        (m) => !told.has(m.id) && life.some(({ time }) => time.by === 'heat' && time.model === m.id),
      ),
    };
  });
