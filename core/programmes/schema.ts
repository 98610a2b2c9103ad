import { northernMonthSchema } from '@/lib/calendar/month-schemas';
import { z } from 'zod';
import { METHODS } from '../label/methods';
import { STAGES } from '../season/bbch';

const key = z
  .string()
  .regex(/^[a-z0-9-]+$/, 'Small letters, figures and dashes alone.')
  .max(60);
const text = z.string().trim().min(3, 'Say it in three characters at least.').max(300, 'At most 300 characters.');
const whole = (min: number, max: number) =>
  z.number('Give a whole number.').int('Give a whole number.').min(min, `At least ${min}.`).max(max, `At most ${max}.`);

/** Shortest, usual and longest time, in that order. */
const span = z
  .tuple([whole(0, 400), whole(0, 400), whole(0, 400)])
  .refine(
    ([min, usual, max]) => min <= usual && usual <= max,
    'Give the shortest, the usual and the longest in order.',
  );

/** When a step may be done: by what the host or the heat shows, by months of the northern year, or so long after another step. */
export const stepTimeSchema = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('stage'), from: z.literal(STAGES), to: z.literal(STAGES) }),
  z.strictObject({ by: z.literal('heat'), model: key, days: whole(1, 120) }),
  z.strictObject({ by: z.literal('months'), from: northernMonthSchema, to: northernMonthSchema }),
  z.strictObject({ by: z.literal('after'), step: key, unit: z.enum(['days', 'weeks', 'months', 'years']), span }),
]);
export type StepTime = z.infer<typeof stepTimeSchema>;

/** What a step does: it puts something on, does a work without a product, or looks. */
const actSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('treat'),
    /** Conditions that it acts on, the first that a label names. */
    against: z.array(key).min(1, 'Say what it is against.').max(8, 'At most eight.'),
    /** Methods that may carry it out; empty for any. */
    methods: z.array(z.enum(METHODS)).max(10).default([]),
    /** Families of actives, such as oil, sulphur, copper; empty for any. */
    families: z.array(key).max(8).default([]),
    /** One product alone, by the key of its label; null for the freest on the shelf. */
    label: key.nullable().default(null),
    /** The next of the series takes another resistance group, or another product, where there is one. */
    rotate: z.boolean().default(false),
  }),
  z.strictObject({
    kind: z.literal('work'),
    work: key,
    /** Answers that differ from the usual ones. */
    answers: z.record(key, z.union([z.string().max(60), z.number(), z.boolean()])).default({}),
  }),
  z.strictObject({
    kind: z.literal('look'),
    /** Conditions whose signs it looks for. */
    of: z.array(key).max(8).default([]),
    /** What is counted or looked at, and where. */
    how: text,
  }),
]);

export const stepSchema = z.strictObject({
  key,
  name: text,
  act: actSchema,
  when: stepTimeSchema,
  /** Goes on to the picking instead of ending with its time, where the tree is picked. */
  toPicking: z.boolean().default(false),
  /** Done again within its time: days between two, and how many times at most. */
  again: z
    .strictObject({ days: span, most: whole(2, 20) })
    .nullable()
    .default(null),
  /** Made only where a look finds cause. */
  onlyIf: z.strictObject({ after: key, found: text }).nullable().default(null),
  /** Only on trees that have had one of these; empty for all. */
  onlyHad: z.array(key).max(8).default([]),
  /** Every so many years, from the first on. */
  everyYears: whole(1, 5).default(1),
  why: text,
});
export type ProgrammeStep = z.infer<typeof stepSchema>;

/** A named set of steps over a year or years, which can be laid over any set of trees. */
export const yearProgrammeSchema = z
  .strictObject({
    key,
    name: text,
    about: text,
    /** Groups of hosts that it is for; empty for all. */
    groups: z.array(key).max(20).default([]),
    school: z.enum(['conventional', 'organic', 'threshold']),
    /** Years that it is laid for unless somebody says otherwise. */
    years: whole(1, 5).default(1),
    /** What it rests on. */
    basis: text,
    steps: z.array(stepSchema).min(1, 'A programme has one step at least.').max(24, 'At most 24 steps.'),
  })
  .superRefine((programme, ctx) => {
    const seen = new Map<string, ProgrammeStep>();
    const issue = (i: number, at: string, message: string) =>
      ctx.addIssue({ code: 'custom', path: ['steps', i, at], message });
    programme.steps.forEach((step, i) => {
      if (seen.has(step.key)) issue(i, 'key', 'Another step has this key.');
      if (step.when.by === 'after' && !seen.has(step.when.step))
        issue(i, 'when', 'The step that it comes after must stand before it.');
      if (step.onlyIf && seen.get(step.onlyIf.after)?.act.kind !== 'look')
        issue(i, 'onlyIf', 'What decides it must be a look that stands before it.');
      if (step.again && step.when.by === 'after')
        issue(i, 'again', 'A step that follows another is repeated with that.');
      if (step.again && step.again.days[0] < 1) issue(i, 'again', 'Leave at least a day between two.');
      seen.set(step.key, step);
    });
  });
export type YearProgramme = z.infer<typeof yearProgrammeSchema>;

/** Whether what a look finds decides any step. */
export const decides = (programme: Pick<YearProgramme, 'steps'>, look: string): boolean =>
  programme.steps.some((s) => s.onlyIf?.after === look);
