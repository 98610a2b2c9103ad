import { overlay, type OwnEntry } from '@/core/diagnose/overlay';
import { memoize } from '@/lib/memoize';
import { readOwn } from '@/core/own';
import { shipped } from '@/knowledge';

const assignment = memoize((entries: readonly OwnEntry[]) => overlay(shipped, entries));

/** What the company of a phone knows, from the entries that came along; from then on names are looked up in it. A phone has one company. */
export function offlineKnowledge(entries: readonly OwnEntry[]) {
  const { own, knowledge } = assignment(entries);
  readOwn(() => own);
  return knowledge;
}
