import { cache } from 'react';
import { knowledgeOf } from '@/facts/knowledge';
import type { Viewer } from '@/store/auth';

/** What ships with the company's own entries over it; read and laid together once a request. */
export const knowledgeFor = cache((viewer: Viewer) => knowledgeOf(viewer));
