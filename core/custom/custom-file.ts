import { z } from 'zod';
import { heatModelSchema, type HeatModel } from '../season/heat-schema';
import { likelihoodEntry, CUSTOM_SCHEMAS, type CustomEntry } from './overlay';

/** Entries at a time. */
export const MOST_ENTRIES = 300;
const note = z.string().trim().max(500).default('');

/** A sum of heat of a company's own: it stands beside those that ship, and changes nothing of what is known. */
export interface HeatEntry {
  kind: 'heat';
  key: string;
  version: number;
  data: HeatModel;
}
const ownHeat = heatModelSchema.refine((m) => m.id.startsWith('own-'), {
  message: 'the id of an own sum of heat begins with "own-"',
  path: ['id'],
});

/** Entries of a company on their way to another one, each with what it rests on: an open format, JSON. */
export const customFileSchema = z.strictObject({
  format: z.literal('elmhorn-knowledge', 'This is no file of knowledge: “format” must say “elmhorn-knowledge”.'),
  version: z.literal(1, 'This file is of a version that is not known here.'),
  /** Who wrote it. */
  from: z.string().trim().max(200).default(''),
  entries: z
    .array(
      z.discriminatedUnion('kind', [
        z.strictObject({ kind: z.literal('likelihood'), note, data: likelihoodEntry }),
        z.strictObject({ kind: z.literal('host'), note, data: CUSTOM_SCHEMAS.host }),
        z.strictObject({ kind: z.literal('sign'), note, data: CUSTOM_SCHEMAS.sign }),
        z.strictObject({ kind: z.literal('test'), note, data: CUSTOM_SCHEMAS.test }),
        z.strictObject({ kind: z.literal('condition'), note, data: CUSTOM_SCHEMAS.condition }),
        z.strictObject({ kind: z.literal('heat'), note, data: ownHeat }),
        z.strictObject({ kind: z.literal('work'), note, data: CUSTOM_SCHEMAS.work }),
      ]),
    )
    .min(1, 'There is no entry in it.')
    .max(MOST_ENTRIES, `At most ${MOST_ENTRIES} entries at a time.`),
});
export type CustomFile = z.infer<typeof customFileSchema>;

/** Under what an entry is kept. */
export const keyOf = (e: CustomFile['entries'][number]): string =>
  e.kind === 'likelihood' ? `${e.data.condition}/${e.data.sign}` : e.data.id;

/** Entries as a file for another company; what was taken back is left out. */
export const customFile = (
  from: string,
  entries: readonly ((CustomEntry | HeatEntry) & { note: string })[],
): CustomFile => ({
  format: 'elmhorn-knowledge',
  version: 1,
  from,
  entries: entries.flatMap((e) =>
    e.data === null ? [] : [{ kind: e.kind, note: e.note, data: e.data } as CustomFile['entries'][number]],
  ),
});
