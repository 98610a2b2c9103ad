/**
 * The key of something of a company's own, by its name; it begins with “own-”, so that nothing that ships is ever taken for it.
 * @example customKey('Guards of the harbour') // 'own-guards-of-the-harbour'
 */
export const customKey = (name: string): string =>
  `own-${name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')}`.slice(0, 60);
