import {
  byTurn,
  habitOf,
  turnOf,
  type Emptied,
  type Guard,
  type Hung,
  type Sight,
  type TurnOf,
} from '@/core/hanging/hanging';
import type { Device } from '@/core/label/methods';
import { dayIn, zonedInstant } from '@/core/season/zone';
import { sunOn } from '@/core/season/sun';
import { groupBy } from '@/core/work/load-out';
import type { HungRow } from '@/store/hanging';
export type { HungRow };

/** One device of a group. */
export interface BoardDevice {
  id: string;
  site: number;
  putMl: number;
  last: Sight | null;
}
/** What one plan hangs on one trunk: gone to together. */
export interface BoardGroup {
  planId: string;
  treeId: string;
  tag: string;
  placeName: string;
  timeZone: string;
  labelName: string;
  device: Device;
  guarded: Guard;
  overnight: string | null;
  hungAt: string;
  byName: string;
  /** When it gets dark there; null where nobody can tell. */
  dark: string | null;
  devices: BoardDevice[];
  /** Whose turn it is among them, and when the last of them is expected to be empty. */
  turn: TurnOf;
}
export interface Board {
  /** When it was worked out. */
  at: string;
  groups: BoardGroup[];
  /** Pulled, and still to be written. */
  unwritten: { planId: string; treeId: string; tag: string; placeName: string; labelName: string; devices: string[] }[];
}

/** What the board is worked out from: on the server, and on a phone without signal as time goes by. */
export interface BoardFacts {
  hanging: HungRow[];
  /** Pulled, and still to be written. */
  pulled: HungRow[];
  /** What this outfit's own devices took before. */
  log: Emptied[];
}

/** When it gets dark on the day on which something was hung; what hangs after that hangs in the night. */
function darkAt(h: HungRow): string | null {
  if (h.lat === null || h.lon === null) return null;
  const day = dayIn(h.hungAt, h.timeZone);
  const sun = sunOn(day, { lat: h.lat, lon: h.lon }, h.timeZone);
  if (!sun || sun.set < 0 || sun.set >= 1440) return null;
  const clock = `${String(Math.floor(sun.set / 60)).padStart(2, '0')}:${String(sun.set % 60).padStart(2, '0')}`;
  return zonedInstant(`${day}T${clock}`, h.timeZone);
}

export const hungOf = (h: HungRow, dark: string | null): Hung => ({
  id: h.id,
  device: h.device,
  putMl: h.putMl,
  hungAt: h.hungAt.toISOString(),
  expectedMinutes: h.expectedMinutes,
  // What somebody saw before it was hung, by a clock that was wrong, says nothing.
  seen: h.seen.map((s) => ({ ...s, at: new Date(s.at).toISOString() })),
  overnight: h.overnight !== null,
  dark,
});

/** The board of what hangs: by whose turn it is, trunk by trunk, and what was pulled and is still to be written. */
export function boardOf({ hanging, pulled, log }: BoardFacts, now: Date): Board {
  const at = now.toISOString();
  const groups = [...groupBy(hanging, (h) => h.planId).values()].map((of): BoardGroup => {
    const [first] = of as [HungRow, ...HungRow[]];
    const dark = darkAt(first);
    const habit = habitOf(first.device, log);
    const turns = of.map((h) => turnOf(hungOf(h, dark), habit, at)).sort(byTurn);
    const [turn] = turns as [TurnOf, ...TurnOf[]];
    const last = turns.map((t) => t.empty).sort((a, b) => b.at.localeCompare(a.at))[0]!;
    const { planId, treeId, tag, placeName, timeZone, labelName, device, guarded, byName } = first;
    return {
      planId,
      treeId,
      tag,
      placeName,
      timeZone,
      labelName,
      device,
      guarded,
      overnight: first.overnight,
      hungAt: first.hungAt.toISOString(),
      byName,
      dark,
      devices: of.map((h) => ({ id: h.id, site: h.site, putMl: h.putMl, last: h.seen.at(-1) ?? null })),
      turn: { ...turn, empty: last },
    };
  });
  return {
    at,
    groups: groups.sort((a, b) => byTurn(a.turn, b.turn)),
    // What hangs in part is not ready to be written.
    unwritten: [
      ...groupBy(
        pulled.filter((h) => !hanging.some((o) => o.planId === h.planId)),
        (h) => h.planId,
      ).values(),
    ].map((of) => {
      const { planId, treeId, tag, placeName, labelName } = of[0]!;
      return { planId, treeId, tag, placeName, labelName, devices: of.map((h) => h.id) };
    }),
  };
}
