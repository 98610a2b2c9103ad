import { revalidatePath } from 'next/cache';
import { getTree } from '@/store/tree';
import { refuse } from '@/app/_server/act';
import { todayOf } from '@/app/_server/viewer';
import type { Viewer } from '@/store/auth';

/** What the actions of a tree's steps share. */
export const noTree = refuse('', 'There is no such tree in this outfit.');
export const seen = (...paths: string[]) => ['/', ...paths].forEach((p) => revalidatePath(p, 'layout'));
export const treeOf = (v: Viewer, id: string) => getTree(v, id, todayOf(v).slice(0, 4));
