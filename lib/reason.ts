/** Fewest characters of a reason that can say anything, blanks around it not counted. */
export const FEWEST_OF_A_REASON = 4;

/** Whether somebody has given a reason. @example givesReason(' ok ') // false */
export const givesReason = (text: string | undefined): boolean => (text ?? '').trim().length >= FEWEST_OF_A_REASON;
