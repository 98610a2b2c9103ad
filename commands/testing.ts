import { perform, type Answer, type Command } from '@/commands/command';
import { loadViewer, type Viewer } from '@/store/auth';
import { db, type Sql } from '@/store/db';
import { makeOutfit, ownerSql, type TestOutfit } from '@/store/testing';
import { fair } from '@/stand-ins/weather/fair';
import type { z } from 'zod';

/** The day on which verbs are tested. */
export const NOW = new Date('2026-06-01T10:00:00Z');

/** An outfit of its own for a file of tests, made before the first of them and let go after the last. */
export function ownOutfit() {
  const made = {} as { owner: Sql; o: TestOutfit; viewer: Viewer };
  beforeAll(async () => {
    made.owner = ownerSql();
    made.o = await makeOutfit(made.owner);
    made.viewer = (await loadViewer(made.o))!;
  });
  afterAll(async () => {
    await made.owner.end();
    await db().end();
  });
  return made;
}

/** Performs a verb on the day of the tests, for whoever is given. */
export const doneBy = <S extends z.ZodType, T>(
  verb: Command<S, T>,
  viewer: Viewer,
  input: unknown,
  progress?: (done: number, of: number) => void,
): Promise<Answer<T>> => perform(verb, { viewer, now: NOW, station: fair, ...(progress ? { progress } : {}) }, input);

/** Where the faults of an answer stand; none where it was good. */
export const pathsOf = (answer: Answer<unknown>): string[] => (answer.ok ? [] : answer.faults.map((f) => f.path));
