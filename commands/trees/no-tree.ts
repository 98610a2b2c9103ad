import { refuse } from '@/lib/result';

export const noTree = refuse('', 'There is no such tree in this company.');
