import type { z } from 'zod';
import type { conditionSchema, hostSchema, Knowledge } from './diagnose/knowledge';
import type { Exclusion } from './diagnose/doubts';
import type { Label } from './label/schema';
import type { Situation } from './prescribe/prescribe';

/** What a question may look up by key; the knowledge itself stays outside the core. */
export interface Lookup {
  label(key: string): Label | null;
  host(id: string): z.infer<typeof hostSchema> | null;
  condition(id: string): z.infer<typeof conditionSchema> | null;
  region(key: string): Situation['region'];
  knowledge(): Knowledge;
  exclusions(): readonly Exclusion[];
}

/** A key that leads nowhere, told like a schema's own fault. */
export class NotKnown extends Error {
  constructor(
    readonly path: string,
    sentence: string,
  ) {
    super(sentence);
  }
}
/** What a key must lead to. */
export const found = <T>(value: T | null, path: string, what: string): T => {
  if (value === null) throw new NotKnown(path, what);
  return value;
};
export interface Question<S extends z.ZodType = z.ZodType> {
  about: string;
  schema: S;
  answer(input: z.output<S>, look: Lookup): unknown;
}
/** A question that the core answers: what it is about, the schema of its input, and its answer. */
export const question = <S extends z.ZodType>(
  about: string,
  schema: S,
  answer: (input: z.output<S>, look: Lookup) => unknown,
): Question<S> => ({ about, schema, answer });
