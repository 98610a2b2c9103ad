import { overlay, type CustomEntry } from '@/core/custom/overlay';
import { memoize } from '@/lib/memoize';
import { provideCustomKnowledge } from '@/knowledge/custom';
import { shipped } from '@/knowledge';

const assignment = memoize((entries: readonly CustomEntry[]) => overlay(shipped, entries));

/** What the company of a phone knows, from the entries that came along; from then on names are looked up in it. A phone has one company. */
export function offlineKnowledge(entries: readonly CustomEntry[]) {
  const { own, knowledge } = assignment(entries);
  provideCustomKnowledge(() => own);
  return knowledge;
}
