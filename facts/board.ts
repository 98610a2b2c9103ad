import {
  byTurn,
  habitOf,
  turnOf,
  type Emptied,
  type Guard,
  type Installed,
  type Sight,
  type Turn,
  type TurnOf,
} from '@/core/devices/devices';
import type { Device } from '@/core/label/methods';
import { onPlan } from '@/core/site-map/site-map';
import type { Point } from '@/core/rootzone/probe-grid';
import { dayIn, zonedInstant, type Instant } from '@/lib/calendar/zone';
import { sunOn } from '@/core/season/sun';
import { groupBy } from '@/core/work/load-out';
import type { InstallationRow } from '@/store/devices';
export type { InstallationRow };

/** One device of a group. */
export interface BoardDevice {
  id: string;
  site: number;
  putMl: number;
  last: Sight | null;
  why: Turn;
}
/** What one plan hangs on one trunk: gone to together. */
export interface BoardGroup {
  planId: string;
  treeId: string;
  tag: string;
  siteId: string;
  siteName: string;
  timeZone: string;
  labelName: string;
  device: Device;
  guarded: Guard;
  overnight: string | null;
  installedAt: Instant;
  byName: string;
  /** When it gets dark there; null where nobody can tell. */
  dark: string | null;
  devices: BoardDevice[];
  /** Whose turn it is among them, and when the last of them is expected to be empty. */
  turn: TurnOf;
  /** Where its tree stands, m on the plan of its place; null where nobody has said. */
  at: Point | null;
}
export interface Board {
  /** When it was worked out. */
  at: Instant;
  groups: BoardGroup[];
  /** Pulled, and still to be written. */
  unwritten: { planId: string; treeId: string; tag: string; siteName: string; labelName: string; devices: string[] }[];
}

/** What the board is worked out from: on the server, and on a phone without signal as time goes by. */
export interface BoardFacts {
  hanging: InstallationRow[];
  /** Pulled, and still to be written. */
  removed: InstallationRow[];
  /** What this company's own devices took before. */
  log: Emptied[];
}

/** When it gets dark on the day on which something was hung; what hangs after that hangs in the night. */
function darkAt(h: InstallationRow): string | null {
  if (h.lat === null || h.lon === null) return null;
  const day = dayIn(h.installedAt, h.timeZone);
  const sun = sunOn(day, { lat: h.lat, lon: h.lon }, h.timeZone);
  if (!sun || sun.set < 0 || sun.set >= 1440) return null;
  const clock = `${String(Math.floor(sun.set / 60)).padStart(2, '0')}:${String(sun.set % 60).padStart(2, '0')}`;
  return zonedInstant(`${day}T${clock}`, h.timeZone);
}

export const installationsOf = (h: InstallationRow, dark: string | null): Installed => ({
  id: h.id,
  device: h.device,
  putMl: h.putMl,
  installedAt: h.installedAt.toISOString(),
  expectedMinutes: h.expectedMinutes,
  // What somebody saw before it was hung, by a clock that was wrong, says nothing.
  seen: h.seen.map((s) => ({ ...s, at: new Date(s.at).toISOString() })),
  overnight: h.overnight !== null,
  dark,
});

/** Where a tree stands among those of its place: on its plan, or where it has none from the first that has a position. */
function standsAt({ siteId, spot }: InstallationRow, all: readonly InstallationRow[]): Point | null {
  const first = all.find((h) => h.siteId === siteId && h.spot?.lat !== null && h.spot?.lon !== null)?.spot;
  const origin = spot?.origin ?? (first ? { lat: first.lat!, lon: first.lon! } : null);
  // What a phone has held since the release before says nothing of it.
  return spot ? onPlan(origin && { origin }, spot) : null;
}

/** The board of what hangs: by whose turn it is, trunk by trunk, and what was pulled and is still to be written. */
export function boardOf({ hanging, removed, log }: BoardFacts, now: Date): Board {
  const at = now.toISOString();
  const groups = [...groupBy(hanging, (h) => h.planId).values()].map((of): BoardGroup => {
    const [first] = of as [InstallationRow, ...InstallationRow[]];
    const dark = darkAt(first);
    const habit = habitOf(first.device, log);
    const each = of
      .toSorted((a, b) => a.site - b.site)
      .map((h) => ({ h, turn: turnOf(installationsOf(h, dark), habit, at) }));
    const turns = each.map((e) => e.turn).sort(byTurn);
    const [turn] = turns as [TurnOf, ...TurnOf[]];
    // What was seen to be empty is over; the trunk is done when the last of the others is.
    const runs = turns.filter((t) => t.empty.earliest < t.empty.latest);
    const last = (runs.length ? runs : turns).map((t) => t.empty).sort((a, b) => b.at.localeCompare(a.at))[0]!;
    const { planId, treeId, tag, siteId, siteName, timeZone, labelName, device, guarded, byName } = first;
    return {
      planId,
      treeId,
      tag,
      siteId,
      siteName,
      timeZone,
      labelName,
      device,
      guarded,
      overnight: first.overnight,
      installedAt: first.installedAt.toISOString(),
      byName,
      dark,
      devices: each.map((e) => ({
        id: e.h.id,
        site: e.h.site,
        putMl: e.h.putMl,
        last: e.h.seen.at(-1) ?? null,
        why: e.turn.why,
      })),
      turn: { ...turn, empty: last },
      at: standsAt(first, hanging),
    };
  });
  return {
    at,
    groups: groups.sort((a, b) => byTurn(a.turn, b.turn)),
    // What hangs in part is not ready to be written.
    unwritten: [
      ...groupBy(
        removed.filter((h) => !hanging.some((o) => o.planId === h.planId)),
        (h) => h.planId,
      ).values(),
    ].map((of) => {
      const { planId, treeId, tag, siteName, labelName } = of[0]!;
      return { planId, treeId, tag, siteName, labelName, devices: of.map((h) => h.id) };
    }),
  };
}
