import { z } from 'zod';

/** An id as Elmhorn makes them: a UUID, made by whoever creates the thing. */
export const uuid = z.uuid('this is not an id that Elmhorn made');
