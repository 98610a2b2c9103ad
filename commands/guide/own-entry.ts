import { issuesOf, refuse, type Result } from '@/lib/result';
import { issueSlices } from '@/core/diagnose/check';
import { inTurns } from '@/lib/slices';
import type { Knowledge } from '@/core/diagnose/knowledge';
import { groupsOf } from '@/core/diagnose/reading';
import type { HeatEntry } from '@/core/custom/custom-file';
import { overlay, type CustomEntry } from '@/core/custom/overlay';
import { WORKS } from '@/core/work/works';
import { shipped } from '@/knowledge';
import { z } from 'zod';

/** What an entry of one's own rests on. */
export const note = z.string().trim().min(3, 'Say what it rests on.').max(500, 'At most 500 characters.');

/**
 * What was sent as JSON, read by its schema; or its first issues, each with its place after `text.`.
 * @param whole what the whole of it is called, where a fault has no place within
 * @param most issues told at once
 */
export function readSent<S extends z.ZodType>(
  schema: S,
  text: string,
  whole: string,
  most: number,
): Result<z.output<S>> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return refuse('text', 'This is not JSON.');
  }
  const read = schema.safeParse(raw);
  if (read.success) return { ok: true, value: read.data };
  const told = issuesOf(read.error).slice(0, most);
  return {
    ok: false,
    issues: told.map((f) => ({ path: `text.${f.path}`, message: `${f.path || whole}: ${f.message}` })),
  };
}

const sameEntry = (a: CustomEntry, b: CustomEntry) => a.kind === b.kind && a.key === b.key;

/** What hosts, tests and works of a company's own name and is not there. */
function strangers(entries: readonly CustomEntry[], knowledge: Knowledge): string[] {
  const groups = groupsOf(shipped.hosts);
  const conditions = new Set(knowledge.conditions.map((c) => c.id));
  return entries.flatMap((e): string[] => {
    if (e.data === null) return [];
    if (e.kind === 'host') {
      const { id, growsLike, groups: own } = e.data;
      return [
        ...(own.some((g) => groups.has(g))
          ? []
          : [`host ${id}: none of its groups is known; “broadleaf” or “conifer” at least`]),
        ...(growsLike === undefined || shipped.hosts.some((h) => h.id === growsLike)
          ? []
          : [`host ${id}: no host ${growsLike}, as which it would grow`]),
      ];
    }
    if (e.kind === 'test')
      return Object.values(e.data.tells).flatMap((of) =>
        Object.keys(of).flatMap((c) => (conditions.has(c) ? [] : [`test ${e.key}: no condition ${c}`])),
      );
    if (e.kind !== 'work') return [];
    const { id, conditions: of } = e.data;
    return [
      ...of.filter((c) => !conditions.has(c)).map((c) => `work ${id}: no condition ${c}`),
      ...(WORKS.some((w) => w.id === id) ? [`work ${id}: a work that ships is called so`] : []),
    ];
  });
}

/** Hosts that own sums of heat name and nobody knows, with the other entries laid over what ships. */
export function heatStrangers(entries: readonly CustomEntry[], heat: readonly HeatEntry[]): string[] {
  if (!heat.length) return [];
  const groups = groupsOf(overlay(shipped, entries).knowledge.hosts);
  return heat.flatMap((m) =>
    m.data.hosts.flatMap((h) => (groups.has(h) ? [] : [`heat ${m.key}: no host or group ${h}`])),
  );
}

/** In turns with whatever else the server has to do: the whole base is gone through. */
const issuesWith = async (entries: readonly CustomEntry[]): Promise<string[]> => {
  const { knowledge } = overlay(shipped, entries);
  return [...(await inTurns(issueSlices(knowledge))), ...strangers(entries, knowledge)];
};

/**
 * What entries would break, told before they are kept, by the check that guards what ships; what ships is sound, so every
 * fault that was not there before is theirs.
 * @param kept the entries of the company as they stand
 */
export async function breaks(kept: readonly CustomEntry[], entries: readonly CustomEntry[]): Promise<string[]> {
  const others = kept.filter((k) => !entries.some((e) => sameEntry(k, e)));
  const after = await issuesWith([...others, ...entries]);
  if (!after.length) return [];
  const before = new Set(await issuesWith(others));
  return after.filter((f) => !before.has(f));
}
