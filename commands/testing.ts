import type { Result } from '@/lib/result';
import { v7 } from 'uuid';
import { perform, type Command } from '@/commands/command';
import { loadViewer, type Viewer } from '@/store/auth';
import { db, type Sql } from '@/store/db';
import { makeCompany, ownerSql, type TestCompany } from '@/store/testing';
import { fair } from '@/stand-ins/weather/fair';
import type { z } from 'zod';

/** The day on which commands are tested. */
export const NOW = new Date('2026-06-01T10:00:00Z');

/** A company of its own for a file of tests, made before the first of them and let go after the last. */
export function ownCompany() {
  const made = {} as { owner: Sql; o: TestCompany; viewer: Viewer };
  beforeAll(async () => {
    made.owner = ownerSql();
    made.o = await makeCompany(made.owner);
    made.viewer = (await loadViewer(made.o))!;
  });
  afterAll(async () => {
    await made.owner.end();
    await db().end();
  });
  return made;
}

/** Performs a command on the day of the tests, for whoever is given. */
export const doneBy = <S extends z.ZodType, T>(
  verb: Command<S, T>,
  viewer: Viewer,
  input: unknown,
  progress?: (done: number, of: number) => void,
): Promise<Result<T>> =>
  perform(verb, { viewer, receivedAt: NOW, station: fair, ...(progress ? { progress } : {}) }, input);

/** Where the issues of an answer stand; none where it was good. */
export const pathsOf = (answer: Result<unknown>): string[] => (answer.ok ? [] : answer.issues.map((f) => f.path));

/** The tree of a test company is measured before the first of them: 46.2 cm at breast height, 15 m high. */
export const measuredFirst = (made: ReturnType<typeof ownCompany>) =>
  beforeAll(async () => {
    const { owner, o } = made;
    await owner`
      insert into measurement (id, company_id, tree_id, at, by_person, diameter_cm, at_height_cm, stems, tree_height_m, method)
      values (${v7()}, ${o.companyId}, ${o.treeId}, '2026-05-20', ${o.personId}, 46.2, 130,
        ${owner.json([{ kind: 'diameter', typed: { value: 46.2, unit: 'cm' } }])}, 15, 'tape')`;
  });
