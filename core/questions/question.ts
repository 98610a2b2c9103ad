import type { z } from 'zod';
import type { conditionSchema, hostSchema, Knowledge } from '../diagnose/knowledge';
import type { Exclusion } from '../diagnose/doubts';
import type { Label } from '../label/schema';
import type { YearProgramme } from '../programmes/schema';
import type { Growth } from '../season/growth-schema';
import type { HeatModel } from '../season/heat-schema';
import type { TreatmentContext } from '../gates/context';

/** What a question may look up by key; the knowledge itself stays outside the core. */
export interface Lookup {
  label(key: string): Label | null;
  host(id: string): z.infer<typeof hostSchema> | null;
  condition(id: string): z.infer<typeof conditionSchema> | null;
  region(key: string): TreatmentContext['region'];
  knowledge(): Knowledge;
  exclusions(): readonly Exclusion[];
  heatModels(): readonly HeatModel[];
  growths(): readonly Growth[];
  programmes(): readonly YearProgramme[];
  labels(): readonly Label[];
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

/** Where an answer holds a number that is none: a sum that left the range of numbers is told, never printed as null. */
function strayNumber(value: unknown, path: string): string | null {
  if (typeof value === 'number') return Number.isFinite(value) ? null : path;
  if (typeof value === 'string') return /\bNaN\b|\bInfinity\b/.test(value) ? path : null;
  if (value === null || typeof value !== 'object') return null;
  for (const [k, v] of Object.entries(value)) {
    const at = strayNumber(v, path ? `${path}.${k}` : k);
    if (at !== null) return at;
  }
  return null;
}

/**
 * The answer to a question whose input was parsed.
 * @throws NotKnown where a key leads nowhere, or the sum leaves the range of numbers
 */
export function answerTo(q: Question, input: unknown, look: Lookup): unknown {
  const answer = q.answer(input, look);
  const stray = strayNumber(answer, '');
  if (stray !== null)
    throw new NotKnown(
      `answer${stray ? `.${stray}` : ''}`,
      'these numbers are too large, too small or missing for a sum',
    );
  return answer;
}
