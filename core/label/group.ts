/** The group of an active by its way of acting, as a record names it. @example groupWords({ scheme: 'IRAC', code: '4A' }) // 'IRAC 4A' */
export const groupWords = ({ scheme, code }: { scheme: string; code: string }): string =>
  scheme === 'none' ? 'no group' : `${scheme} ${code}`;
