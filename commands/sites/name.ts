import { z } from 'zod';

/** What people call something by. */
export const name = (what: string) =>
  z.string().trim().min(1, `${what} needs a name.`).max(120, 'At most 120 characters.');
