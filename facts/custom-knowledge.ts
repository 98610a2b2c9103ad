import { AsyncLocalStorage } from 'node:async_hooks';
import { knowledgeOf } from '@/facts/knowledge';
import type { CustomKnowledge } from '@/core/custom/custom-knowledge';
import { provideCustomKnowledge } from '@/knowledge/custom';
import type { Viewer } from '@/store/auth';

// Bundles of one process each hold their own copy of this module: what is within one is within all.
const shared = globalThis as { elmhornCustomKnowledge?: AsyncLocalStorage<CustomKnowledge> };
const within = (shared.elmhornCustomKnowledge ??= new AsyncLocalStorage<CustomKnowledge>());

/** What the company of this piece of work knows of its own; null where nobody has said whose it is. */
export const customKnowledgeWithin = (): CustomKnowledge | null => within.getStore() ?? null;

/** Does a piece of work with what the company of a viewer knows: two at once never see each other's. */
export const withCustomKnowledge = async <T>(viewer: Viewer, work: () => Promise<T>): Promise<T> =>
  within.run((await knowledgeOf(viewer)).own, work);

provideCustomKnowledge(customKnowledgeWithin);
