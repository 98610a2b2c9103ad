import { z } from 'zod';
import { AREAS, POINTS } from './site-map';

/**
 * The plan of the grounds in local metres: x to the east, y to the north, from an origin that may have a longitude and a
 * latitude. Trees are not part of it: each has its own position.
 */
const coordinate = z.number().min(-20_000).max(20_000);
const point = z.strictObject({ x: coordinate, y: coordinate });
const corners = z.array(point).min(3, 'an area needs three corners').max(400);
const name = z.string().trim().max(80);

export const siteMapSchema = z.strictObject({
  /** Where (0, 0) lies, when that is known. */
  origin: z
    .strictObject({ lon: z.number().min(-180).max(180), lat: z.number().min(-89).max(89) })
    .nullable()
    .default(null),
  outline: corners.nullable().default(null),
  areas: z
    .array(
      z.strictObject({
        id: z.string().min(1).max(60),
        kind: z.enum(AREAS),
        name,
        corners,
        /** What is left out of it: a tree pit in paving, an island in a pond. */
        holes: z.array(corners).max(100).optional(),
      }),
    )
    .max(200)
    .default([]),
  points: z
    .array(z.strictObject({ id: z.string().min(1).max(60), kind: z.enum(POINTS), name, at: point }))
    .max(200)
    .default([]),
  /** Downhill as a bearing, and how steep in percent. */
  slope: z
    .strictObject({ downDeg: z.number().min(0).max(360), percent: z.number().min(0).max(100) })
    .nullable()
    .default(null),
});
export type SiteMap = z.infer<typeof siteMapSchema>;
