import { createHash, randomBytes } from 'node:crypto';

/** What is kept of a secret: whoever reads the database cannot use it. */
export const hashOf = (token: string): Buffer => createHash('sha256').update(token).digest();
/** A secret of so many random bytes, as it may stand in an address or a cookie. */
export const newToken = (bytes: 24 | 32): string => randomBytes(bytes).toString('base64url');
