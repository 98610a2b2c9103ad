/**
 * Whether the trees are a client's: a server in production that is not the demo. There nothing made up (weather, labels for
 * training) passes for a fact.
 */
export const inRealUse = (): boolean => process.env.NODE_ENV === 'production' && process.env.ELMHORN_DEMO !== '1';
