import type { CoveredEvent } from '@/views/schedule';

const figure = (x: number, digits = 0) => x.toFixed(digits);

/** What infected, with the figures that say so, and what covered the leaves. */
export function causeWords(e: CoveredEvent): string {
  const cause =
    e.cause.kind === 'wet spell'
      ? `leaves wet for ${e.cause.wetHours} h at ${figure(e.cause.meanC, 1)} °C${e.cause.needed ? `, ${e.cause.needed} h are enough` : ''}, ${figure(e.cause.rainMm, 1)} mm of rain`
      : `open flowers, ${figure(e.cause.degreeHours)} degree-hours above 18.3 °C, wet, a warm day`;
  const cover =
    e.cover === null
      ? 'nothing covered the leaves'
      : e.cover === 0
        ? 'the cover was worn out'
        : `${figure(e.cover * 100)} % of the cover stood`;
  return e.chance === 1 ? `${cause}; ${cover}` : `${figure(e.chance * 100)} in 100 courses of the forecast: ${cause}`;
}
