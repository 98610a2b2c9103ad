import { z } from 'zod';
import { question, type Question } from './question';
import { gapOf, rainsUntil, solving, whyNot, withoutCrew } from '../schedule/solve';

const day = z.iso.date('must be a day that exists, as YYYY-MM-DD');
const id = z.string().min(1).max(80);
const minutes = z.number().min(0).max(1440);
const hours = z.strictObject({ from: minutes, to: minutes }).refine((h) => h.from < h.to, 'must begin before it ends');

const job = z
  .strictObject({
    id,
    siteId: id,
    earliest: day,
    latest: day,
    firm: z.boolean().default(true),
    wanted: day.nullable().default(null),
    told: day.nullable().default(null),
    minutes: minutes.min(1),
    hangs: minutes.default(0),
    kit: id.nullable().default(null),
    licences: z.array(id).max(12).default([]),
    licensed: z.boolean().default(false),
    chances: z.array(z.number().min(0).max(1).nullable()).nullable().default(null),
    daytimes: z.array(z.array(hours).max(8).nullable()).nullable().default(null),
    stake: z.union([z.literal(1), z.literal(2), z.literal(3)]).default(2),
    sick: z.boolean().default(false),
    reEntryHours: z.number().min(0).max(720).default(0),
    after: z
      .array(z.strictObject({ jobId: id, days: z.number().int().min(0).max(366) }))
      .max(20)
      .default([]),
    now: z.strictObject({ day, crewId: id }).nullable().default(null),
    locked: z.boolean().default(false),
  })
  .refine((j) => j.earliest <= j.latest, { path: ['latest'], message: 'must not lie before the earliest day' });

const schema = z
  .strictObject({
    days: z.array(day).min(1, 'give at least one day').max(60, 'at most 60 days'),
    crews: z
      .array(
        z.strictObject({
          id,
          name: z.string().max(120).default(''),
          hours: z.array(hours.nullable()),
          /** Rests of each day, within its hours; none where nothing is said. */
          rests: z.array(z.array(hours).max(4)).optional(),
          licences: z.array(z.array(id).max(20).nullable()),
        }),
      )
      .min(1, 'give at least one crew')
      .max(20, 'at most 20 crews'),
    places: z
      .array(z.strictObject({ id, name: z.string().max(120).default(''), open: z.array(z.array(hours).max(6)) }))
      .min(1, 'give at least one place')
      .max(500, 'at most 500 places'),
    kits: z
      .array(
        z.strictObject({ key: id, setUp: minutes, count: z.number().int().min(0).max(100).nullable().default(null) }),
      )
      .max(8)
      .default([]),
    drive: z.array(z.array(minutes)),
    jobs: z.array(job).max(1000, 'at most 1000 jobs'),
    /** Changes that are tried; the same number gives the same answer. */
    steps: z.number().int().min(0).max(50_000).default(1000),
    ask: z.strictObject({ jobId: id, day }).optional(),
    rainUntil: day.optional(),
    without: z.strictObject({ crewId: id, from: day, to: day }).optional(),
  })
  .superRefine((p, ctx) => {
    const issue = (path: PropertyKey[], message: string) => ctx.addIssue({ code: 'custom', path, message });
    const rising = p.days.every((d, i) => i === 0 || d > p.days[i - 1]!);
    if (!rising) issue(['days'], 'must be in order, each once');
    const n = p.days.length;
    const of = (list: readonly unknown[], path: PropertyKey[]) =>
      list.length === n || issue(path, `needs one entry for each of the ${n} days`);
    p.crews.forEach((c, i) => {
      of(c.hours, ['crews', i, 'hours']);
      of(c.licences, ['crews', i, 'licences']);
      if (c.rests) of(c.rests, ['crews', i, 'rests']);
    });
    p.places.forEach((x, i) => of(x.open, ['places', i, 'open']));
    const points = p.crews.length + p.places.length;
    if (p.drive.length !== points || p.drive.some((row) => row.length !== points))
      issue(['drive'], `needs ${points} rows of ${points}: crews, then places`);
    const has = (list: readonly { id: string }[], key: string) => list.some((x) => x.id === key);
    for (const [what, list] of [
      ['crews', p.crews],
      ['places', p.places],
      ['jobs', p.jobs],
    ] as const)
      if (new Set(list.map((x) => x.id)).size < list.length) issue([what], 'has an id twice');
    p.jobs.forEach((j, i) => {
      if (!has(p.places, j.siteId)) issue(['jobs', i, 'siteId'], 'is no place of this problem');
      if (j.kit !== null && !p.kits.some((k) => k.key === j.kit))
        issue(['jobs', i, 'kit'], 'is no kit of this problem');
      if (j.chances) of(j.chances, ['jobs', i, 'chances']);
      if (j.daytimes) of(j.daytimes, ['jobs', i, 'daytimes']);
    });
  });

/** What a crew's fortnight asks of the core. */
export const SCHEDULE_QUESTIONS: Record<string, Question> = {
  schedule: question(
    'days and crews for what waits, with a proven bound: hours, licences, kits, driving, weather, re-entry, intervals',
    schema,
    ({ steps, ask, rainUntil, without, ...asked }) => {
      const given = { ...asked, crews: asked.crews.map((c) => ({ ...c, rests: c.rests ?? c.hours.map(() => []) })) };
      const rained = rainUntil ? rainsUntil(given, rainUntil) : given;
      const problem = without ? withoutCrew(rained, without.crewId, without.from, without.to) : rained;
      const search = solving(problem);
      for (let i = 0; i < steps; i++) search.step(i / steps);
      const answer = search.answer();
      return {
        ...answer,
        gap: gapOf(answer),
        ...(ask ? { whyNot: whyNot(problem, answer, ask.jobId, ask.day) } : {}),
      };
    },
  ) as Question,
};
