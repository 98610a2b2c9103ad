import { findWork as workAmong, worksWith } from '@/core/work/works';
import type { Work } from '@/core/work/work';
import { customKnowledgeNow } from './custom';

/** Every work, those of the company that asks among them. */
export const worksNow = (): readonly Work[] => worksWith(customKnowledgeNow().works);
/** A work by its id, of those that ship and of the company's own. */
export const findWork = (id: string): Work | null => workAmong(id, customKnowledgeNow().works);
