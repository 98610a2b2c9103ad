import { refuse } from '../command';

export const noTree = refuse('', 'There is no such tree in this company.');
