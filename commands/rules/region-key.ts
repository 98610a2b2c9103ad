import { z } from 'zod';
import { regions } from '@/knowledge';

/** The key of a region that there is; a name that every object has is none. */
export const regionKey = z.string().refine((key) => Object.hasOwn(regions, key), 'Choose a region from the list.');
