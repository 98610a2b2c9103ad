import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import type { Fault } from '@/core/book/write';
import { readNumber } from '@/core/units/numbers';
import { getTree } from '@/store/tree';
import { refuse } from '@/app/_server/act';
import { todayOf } from '@/app/_server/viewer';
import type { Viewer } from '@/store/auth';

/** What the actions of a tree's steps share. */
export const typed = z.string('This must be text.').max(40, 'That is too long for a number.');
export const noTree = refuse('', 'There is no such tree in this outfit.');
export const seen = (...paths: string[]) => ['/', ...paths].forEach((p) => revalidatePath(p, 'layout'));
export const treeOf = (v: Viewer, id: string) => getTree(v, id, todayOf(v).slice(0, 4));

/** Reads one typed number; null for an empty optional field; faults go to `out`. */
export function numberAt(
  out: Fault[],
  path: string,
  text: string,
  rule: Parameters<typeof readNumber>[1],
  optional = false,
): number | null {
  if (optional && text.trim() === '') return null;
  const read = readNumber(text, rule);
  if (read.ok) return read.value;
  out.push({ path, sentence: read.sentence });
  return null;
}
