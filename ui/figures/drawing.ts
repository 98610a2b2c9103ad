/** One drawing of a sign, in a square of 120. */
export interface Drawing {
  name: string;
  scale: string;
  draw: React.ReactNode;
}
export const ink = {
  fill: 'none',
  stroke: 'var(--ink)',
  strokeWidth: 2.4,
  strokeLinecap: 'round' as const,
  strokeLinejoin: 'round' as const,
};
export const thin = { ...ink, strokeWidth: 1.3 };
export const solid = { fill: 'var(--ink)', stroke: 'none' };
export const wood = { fill: 'var(--wood)', stroke: 'var(--ink)', strokeWidth: 1.6 };
