import { NOTHING_OWN, type CustomKnowledge } from '@/core/custom/custom-knowledge';

/**
 * Whose knowledge is meant where nobody passes it on. A name is looked up in a hundred places, of trees, records and sheets; that
 * all of them would carry it along was the other way. Whoever serves a request says once whose it is; with nobody, what ships.
 */
let reader: () => CustomKnowledge | null = () => null;
export const provideCustomKnowledge = (from: () => CustomKnowledge | null): void => {
  reader = from;
};
export const customKnowledgeNow = (): CustomKnowledge => reader() ?? NOTHING_OWN;
