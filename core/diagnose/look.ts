import { z } from 'zod';
import { findingSchema, testResultSchema } from './knowledge';
import { VIGOURS } from './words';

/** Bearings in degrees clockwise from north. */
const bearing = z.number().int().min(0, 'A bearing runs from 0 to 359.').max(360, 'A bearing runs from 0 to 360.');

/** The questions that exclude a fault of the application before a diagnosis is doubted. */
export const APPLICATION_QUESTIONS = [
  { id: 'coverage', ask: 'Was all of it reached: both leaf sides, every site taken up?' },
  { id: 'timing', ask: 'Was it in its window, on the stage that the product acts on?' },
  { id: 'rain', ask: 'Did it stay: no rain inside the rain-free hours?' },
  { id: 'uptake', ask: 'Did the tree drink: leaf full, soil moist, devices empty?' },
] as const;

export const detailSchema = z.strictObject({
  soilMoisture: z.enum(['dry', 'moist', 'wet']).nullable().default(null),
  /** Arcs without living bark; degrees clockwise from north. */
  barkLoss: z
    .array(z.strictObject({ from: bearing, to: bearing }))
    .max(12)
    .default([]),
  /** Main roots one by one, by sounding and probe. */
  anchors: z
    .array(z.strictObject({ bearing, state: z.enum(['sound', 'doubtful', 'decayed']) }))
    .max(24)
    .default([]),
  peopleBelow: z.boolean().nullable().default(null),
  /** This look checks an earlier treatment. */
  check: z
    .strictObject({
      recordId: z.uuid(),
      effect: z.enum(['none', 'some', 'good']),
      /** Answers to the questions about the application; null is not answered. */
      answers: z.record(z.string().max(20), z.boolean().nullable()).default({}),
    })
    .nullable()
    .default(null),
});
export type LookDetail = z.infer<typeof detailSchema>;

/** What the examining bench sends for one tree. */
export const lookSchema = z.object({
  id: z.uuid(),
  treeId: z.uuid(),
  hostKey: z.array(z.boolean().nullable()).max(4),
  crownLoss: z.string('This must be text.').max(40, 'That is too long for a number.'),
  vigour: z.enum(VIGOURS).nullable(),
  findings: z.array(findingSchema).max(300),
  tests: z.array(testResultSchema).max(60).default([]),
  detail: detailSchema.prefault({}),
  note: z.string().max(4000, 'At most 4000 signs.'),
  /** What the client must agree to, when digging found something. */
  change: z.string().max(1000, 'At most 1000 signs.').default(''),
  changePrice: z.string().max(40, 'That is too long for a number.').default(''),
  /** Trees of the same row that look alike, each with what differs. */
  alike: z
    .array(z.object({ id: z.uuid(), treeId: z.uuid(), except: z.array(findingSchema).max(40).default([]) }))
    .max(60, 'At most 60 trees at once.')
    .default([]),
});

/** How an earlier treatment is judged by a check of its effect. */
export type CheckVerdict =
  | { kind: 'too early'; sentence: string }
  | { kind: 'fault'; sentence: string; faults: string[] }
  | { kind: 'no effect'; sentence: string }
  | { kind: 'effect'; sentence: string };

/**
 * What a check of an earlier treatment may say: too early is not a failure; an application that went wrong says nothing
 * about the diagnosis; only a proper one that did nothing speaks against it.
 * @param earliest first day on which an effect can be there; null when nobody has said
 */
export function judgeCheck(
  check: NonNullable<LookDetail['check']>,
  today: string,
  earliest: string | null,
): CheckVerdict {
  if (check.effect !== 'none')
    return {
      kind: 'effect',
      sentence: check.effect === 'good' ? 'It worked.' : 'It worked in part: look again before more is done.',
    };
  if (earliest && today < earliest)
    return {
      kind: 'too early',
      sentence: `Too early to tell: an effect can be there from ${earliest}. This is not a failure.`,
    };
  const faults = APPLICATION_QUESTIONS.filter((q) => check.answers[q.id] === false).map((q) => q.id);
  if (faults.length)
    return {
      kind: 'fault',
      faults,
      sentence: `The application itself failed (${faults.join(', ')}): it says nothing about the diagnosis.`,
    };
  const open = APPLICATION_QUESTIONS.filter((q) => (check.answers[q.id] ?? null) === null);
  if (open.length)
    return {
      kind: 'fault',
      faults: open.map((q) => q.id),
      sentence: `First exclude a fault of the application: ${open[0]!.ask}`,
    };
  return {
    kind: 'no effect',
    sentence:
      'Properly applied, looked at in time, and nothing changed: the diagnosis is open again, and the same dose is not offered.',
  };
}
