import { z } from 'zod';
import { FEWEST_OF_A_REASON } from './reason';

/**
 * A reason that is asked for and kept.
 * @param ask what is said where it is missing
 * @param most most characters of it
 */
export const reasonSchema = (ask: string, most: number) =>
  z.string().trim().min(FEWEST_OF_A_REASON, ask).max(most, `At most ${most} characters.`);
