import { knowledgeOf } from '@/facts/knowledge';
import { customCase } from '@/facts/own-cases';
import type { Viewer } from '@/store/auth';
import { together } from '@/store/db';
import { closedCases, practiceSessions } from '@/store/knowledge';

/** The rounds a person has played, the company's closed cases, and one of them where it was asked for. */
export const practiceView = (viewer: Viewer, own: string | null) =>
  together(viewer, async () => {
    const [{ knowledge }, rounds, closed, asked] = await Promise.all([
      knowledgeOf(viewer),
      practiceSessions(viewer),
      closedCases(viewer),
      own ? customCase(viewer, own) : null,
    ]);
    return { knowledge, rounds, closed, own: asked };
  });
