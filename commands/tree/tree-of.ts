import type { Viewer } from '@/store/auth';
import { getTree } from '@/store/tree';
import { refuse } from '../command';
import { todayOf } from '../today';

/** What the verbs of a tree share. */
export const noTree = refuse('', 'There is no such tree in this outfit.');
export const treeOf = (v: Viewer, id: string, now: Date) => getTree(v, id, todayOf(v, now).slice(0, 4));
